import { ClassView } from '@/features/makers/ClassView';
import { listSummaries } from '@/server/blocks';
import { database } from '@/server/database';
import { listMakers } from '@/server/makers';
import { listTroubles } from '@/server/troubles';
import { loadProject } from '../../load';

export const metadata = { title: 'Who waves' };

export default async function ClassPage({ params }: { params: Promise<{ project: string }> }) {
  const { project } = await loadProject((await params).project);
  const sql = database();
  const [makers, { blocks }, troubles] = await Promise.all([
    listMakers(sql, project),
    listSummaries(sql, project),
    listTroubles(sql, project),
  ]);
  return (
    <ClassView
      projectId={project.id}
      makers={makers}
      blocks={blocks.map(({ id, name }) => ({ id, name }))}
      troubles={troubles}
    />
  );
}
