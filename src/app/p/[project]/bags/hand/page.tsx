import { HandOver } from '@/features/bags/HandOver';
import { listHandovers, listKits } from '@/server/bags';
import { listSummaries } from '@/server/blocks';
import { database } from '@/server/database';
import { listMakers } from '@/server/makers';
import { loadProject } from '../../load';

export const metadata = { title: 'Hand over' };

export default async function HandPage({ params }: { params: Promise<{ project: string }> }) {
  const { project } = await loadProject((await params).project);
  const sql = database();
  const [{ blocks }, makers, kits, handovers] = await Promise.all([
    listSummaries(sql, project),
    listMakers(sql, project),
    listKits(sql, project),
    listHandovers(sql, project),
  ]);
  return (
    <HandOver
      projectId={project.id}
      shop={project.shop}
      makers={makers}
      blocks={blocks.map(({ id, name }) => ({ id, name }))}
      kits={kits}
      handovers={handovers}
    />
  );
}
