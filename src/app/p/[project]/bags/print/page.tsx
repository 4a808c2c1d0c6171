import { pickList } from '@/core/bags';
import { PrintSheets } from '@/features/bags/PrintSheets';
import { loadBlocks, loadPeople } from '../../load';

export const metadata = { title: 'Bag lists and labels' };

export default async function PrintPage({ params }: { params: Promise<{ project: string }> }) {
  const { project: projectId } = await params;
  const { project, blocks, fabrics } = await loadBlocks(projectId);
  const { makers } = await loadPeople(projectId);
  const list = pickList(
    blocks.map(({ name, sheet }) => ({ block: name, contents: sheet.bag, bags: makers.length })),
  );
  return (
    <PrintSheets
      project={project}
      blocks={blocks.map(({ id, name, sheet }) => ({ id, name, bag: sheet.bag }))}
      makers={makers}
      list={list}
      fabrics={fabrics}
    />
  );
}
