import { Logbook } from '@/features/logbook/Logbook';
import { listSummaries } from '@/server/blocks';
import { database } from '@/server/database';
import { listLog } from '@/server/logbook';
import { loadProject } from '../load';

export const metadata = { title: 'Logbook' };

export default async function LogbookPage({ params }: { params: Promise<{ project: string }> }) {
  const { project } = await loadProject((await params).project);
  const sql = database();
  const [{ blocks }, entries] = await Promise.all([listSummaries(sql, project), listLog(sql, project)]);
  return (
    <Logbook
      projectId={project.id}
      project={project.name}
      blocks={blocks.map(({ id, name }) => ({ id, name }))}
      initial={entries}
    />
  );
}
