import { innerBags, packedBlocks, pickList, plainName, sewersOf } from '@/core/bags';
import { dropsOf } from '@/core/calendar';
import { orderOf, paperSizes, sayWorn, wornThere } from '@/core/order';
import { BagsStation } from '@/features/bags/BagsStation';
import { StationPage } from '@/ui/StationPage';
import { topBlocks } from '@/ui/topBlocks';
import { TopMap } from '@/ui/TopMap';
import { database } from '@/server/database';
import { saySaved } from '@/core/sheet';
import { handedOutOrder, readKeptExtras } from '@/server/bags';
import { papersOfProject, projectMarks } from '@/server/blocks';
import { readKeptCalendar } from '@/server/calendar';
import { orderFacts, wantedOf } from '@/server/orders';
import { loadBlocks, loadPeople, loadProject } from '../load';

export const metadata = { title: 'Bags' };

export default async function BagsPage({ params }: { params: Promise<{ project: string }> }) {
  const { project: projectId } = await params;
  const { project, blocks, fabrics } = await loadBlocks(projectId);
  const papers = await papersOfProject(database(), project, blocks);
  const marks = await projectMarks(database(), project, blocks);
  const { makers, kits } = await loadPeople(projectId);
  const { calendar } = await readKeptCalendar(database(), project);
  const bags = (blockId: string) => sewersOf(blockId, makers).length;
  const settings = { allowanceMm: project.allowanceMm, system: project.unitSystem };
  const list = pickList(
    packedBlocks(
      blocks.map(({ id, name, sheet }) => ({ id, name, bag: sheet.bag })),
      makers,
      settings,
    ),
  );
  const packed = (blockId: string) =>
    sewersOf(blockId, makers).filter(({ id }) =>
      kits.some((kit) => kit.blockId === blockId && kit.makerId === id && kit.status !== 'to-pack'),
    ).length;
  return (
    <StationPage
      map={
        <TopMap
          title="The top: bags packed"
          blocks={topBlocks(blocks, (block) => ({
            href: `/p/${projectId}/bags#bag-${block.id}`,
            text: `${packed(block.id)} of ${bags(block.id)} packed`,
            share: bags(block.id) === 0 ? 0 : packed(block.id) / bags(block.id),
          }))}
          fabrics={fabrics}
          columns={project.gridColumns}
        />
      }
    >
      <BagsStation
        project={project}
        blocks={blocks.map(({ id, name, sheet }) => ({
          id,
          name,
          bag: sheet.bag,
          inner: innerBags(sheet),
          bagMark: sheet.bagMark,
          saved: saySaved(papers, id),
        }))}
        makers={makers}
        kits={kits}
        pickList={list}
        fabrics={fabrics}
        {...await paperStock(projectId)}
        extras={await readKeptExtras(database(), project)}
        mayEdit={(await loadProject(projectId)).role === 'host'}
        paperNames={[
          ...new Set(
            blocks.flatMap(({ sheet }) =>
              sheet.bag.papers.map(({ kind }) => plainName(kind, { system: project.unitSystem, marks })),
            ),
          ),
        ].sort()}
        order={handedOutOrder(calendar, blocks)}
        drops={dropsOf(calendar).map(({ id, title, blocks: own }) => ({ id, title, blocks: own }))}
      />
    </StationPage>
  );
}

/** Papers that are there, by name: as they were counted, less what bags took since; and how they are bought. */
async function paperStock(projectId: string) {
  const { project, blocks } = await loadBlocks(projectId);
  const { makers, kits } = await loadPeople(projectId);
  const wanted = wantedOf(await orderFacts(database(), project, { blocks, makers, kits }));
  const papers = orderOf(wanted).lines.filter(({ group }) => group === 'papers');
  return {
    stock: Object.fromEntries(papers.map(({ thing, stock }) => [thing, Math.floor(stock)])),
    worn: Object.fromEntries(
      papers.map(({ key, thing, stock }) => [thing, sayWorn(wornThere(wanted.plan.worn[key] ?? [], stock))]),
    ),
    sizes: paperSizes(wanted.plan),
    currency: wanted.plan.currency,
  };
}
