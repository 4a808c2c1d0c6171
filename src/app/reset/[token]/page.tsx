import { ResetForm } from '@/features/account/ResetForm';

export const metadata = { title: 'New password' };

export default async function ResetPage({ params }: { params: Promise<{ token: string }> }) {
  return <ResetForm token={(await params).token} />;
}
