import { PackingTable } from '@/features/bags/PackingTable';
import { listPacking } from '@/server/bags';
import { database } from '@/server/database';
import { loadBlocks } from '../../load';
import { loadTableBags } from '../tableBags';

export const metadata = { title: 'Packing table' };

export default async function PackPage({ params }: { params: Promise<{ project: string }> }) {
  const { project: projectId } = await params;
  const { account, project, fabrics } = await loadBlocks(projectId);
  const bags = await loadTableBags(projectId);
  return (
    <PackingTable
      project={project}
      me={account.id}
      bags={bags}
      fabrics={fabrics}
      kits={await listPacking(database(), project)}
    />
  );
}
