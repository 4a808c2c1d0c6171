import { innerBags } from '@/core/bags';
import { PrintSheets } from '@/features/bags/PrintSheets';
import { dropsOf } from '@/core/calendar';
import { database } from '@/server/database';
import { saySaved } from '@/core/sheet';
import { outerLabels, projectBags, readKeptExtras } from '@/server/bags';
import { readKeptCalendar } from '@/server/calendar';
import { papersOfProject } from '@/server/blocks';
import { loadBlocks, loadPeople, loadProject } from '../../load';

export const metadata = { title: 'Bag lists and labels' };

export default async function PrintPage({ params }: { params: Promise<{ project: string }> }) {
  const { project: projectId } = await params;
  const { project, blocks, fabrics } = await loadBlocks(projectId);
  const papers = await papersOfProject(database(), project, blocks);
  const { makers } = await loadPeople(projectId);
  const isInner = new Set(
    (await projectBags(database(), project, blocks)).flatMap((bag) => (bag.isInner ? bag.blocks : [])),
  );
  const [{ calendar }, { extras }] = await Promise.all([
    readKeptCalendar(database(), project),
    readKeptExtras(database(), project),
  ]);
  return (
    <PrintSheets
      project={project}
      blocks={blocks.map(({ id, name, sheet }) => ({
        id,
        name,
        bag: sheet.bag,
        bagMark: sheet.bagMark,
        saved: saySaved(papers, id),
        ...(isInner.has(id) ? { inner: innerBags(sheet) } : {}),
      }))}
      makers={makers}
      drops={dropsOf(calendar).map(({ id, title, blocks: own }) => ({ id, title, blocks: own }))}
      walk={extras.walk ?? []}
      fabrics={fabrics}
      outer={await outerLabels(database(), project)}
      mayEdit={(await loadProject(projectId)).role === 'host'}
    />
  );
}
