import { SettingsForm } from '@/features/settings/SettingsForm';
import { loadProject } from '../load';

export const metadata = { title: 'Settings' };

export default async function SettingsPage({ params }: { params: Promise<{ project: string }> }) {
  const { project } = await loadProject((await params).project);
  return <SettingsForm project={project} />;
}
