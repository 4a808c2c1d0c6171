import { notFound } from 'next/navigation';
import { RemindersStation } from '@/features/reminders/RemindersStation';
import { database } from '@/server/database';
import { MAY } from '@/server/projects';
import { remindersPage } from '@/server/reminders';
import { loadProject } from '../../load';

export const metadata = { title: 'Reminders' };

export default async function RemindersPage({ params }: { params: Promise<{ project: string }> }) {
  const { project: projectId } = await params;
  const { project, role } = await loadProject(projectId);
  // Where people can be written to is for hosts alone.
  if (!MAY[role].has('edit')) notFound();
  return <RemindersStation projectId={projectId} initial={await remindersPage(database(), project)} />;
}
