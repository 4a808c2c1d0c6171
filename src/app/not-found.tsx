import Link from 'next/link';
import { Notice } from '@/ui/Notice';

export default function NotFound() {
  return (
    <Notice title="There is nothing here">
      The address may be mistyped, or belong to someone else’s project.{' '}
      <Link href="/">Go to your projects</Link>.
    </Notice>
  );
}
