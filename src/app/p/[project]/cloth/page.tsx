import { BACKGROUND_MORE_MM, sewersOf, topsOf } from '@/core/bags';
import { hasRepeat } from '@/core/cloth';
import { cutPieces } from '@/core/cutting';
import { laidInBlock } from '@/core/fussy';
import { outlinePath, toPolygon, type Point } from '@/core/geometry';
import { formatMoney, orderOf, type OrderedBlock } from '@/core/order';
import { nameKinds } from '@/core/shapes';
import type { BlockSheet } from '@/core/sheet';
import { ClothStation } from '@/features/cloth/ClothStation';
import type { LaidPaper } from '@/features/cloth/fussyRequest';
import { formatBolt } from '@/core/length';
import { database } from '@/server/database';
import { orderFacts, wantedOf, type OrderFacts } from '@/server/orders';
import { StationPage } from '@/ui/StationPage';
import { topBlocks } from '@/ui/topBlocks';
import { TopMap } from '@/ui/TopMap';
import { loadBlocks, loadPeople } from '../load';

/** A sixteenth of an inch: what an allowance is made narrower by to see whether another set fits. */
const TIGHTER_MM = 25.4 / 16;

/** Where the papers of a cloth lie in their block, and its outlines round them. */
function laidIn(
  { patches, widthMm, heightMm }: BlockSheet,
  fabric: string,
  paper: readonly Point[],
): LaidPaper {
  const own = patches
    .filter((patch) => patch.fabric === fabric)
    .map(({ outline }) => toPolygon(outline, SAG_MM));
  return {
    widthMm,
    heightMm,
    around: patches.map(({ outline }) => outlinePath(outline, 1)).join(''),
    motions: laidInBlock(paper, own, { x: widthMm / 2, y: heightMm / 2 }),
  };
}

/** Curves of papers are drawn this far off at most, as they are cut; mm. */
const SAG_MM = 0.1;

export const metadata = { title: 'Cloth' };

export default async function ClothPage({ params }: { params: Promise<{ project: string }> }) {
  const { project: projectId } = await params;
  const { project, blocks, fabrics } = await loadBlocks(projectId);
  const { makers, kits } = await loadPeople(projectId);
  const facts = await orderFacts(database(), project, { blocks, makers, kits });
  const { outerMoreMm, rawLessMm } = facts.kept.order.figures;
  const bagsOf = (blockId: string) => topsOf(sewersOf(blockId, makers));
  const bags = blocks.flatMap(({ id, name, sheet }) => {
    const names = nameKinds(sheet.bag.papers.map(({ kind }) => kind), project.unitSystem); // prettier-ignore
    return sheet.bag.fabrics.map(({ fabric }) => ({
      blockId: id,
      block: name,
      fabric,
      bags: bagsOf(id),
      kinds: cutPieces(sheet.patches, fabric, names, {
        allowanceMm: project.allowanceMm,
        backgroundMoreMm: BACKGROUND_MORE_MM,
        outerMoreMm,
        rawLessMm,
      }),
    }));
  });
  const printed = new Set(facts.wanted.shelf.filter(hasRepeat).map(({ name }) => name));
  const papers = blocks.flatMap(({ id, name, sheet }) => {
    const names = nameKinds(sheet.bag.papers.map(({ kind }) => kind), project.unitSystem); // prettier-ignore
    const cutWith = (fabric: string, allowanceMm: number) =>
      cutPieces(sheet.patches, fabric, names, { allowanceMm, backgroundMoreMm: 0 });
    return sheet.bag.fabrics.flatMap(({ fabric }) => {
      const [own, cut, tighter] = [0, project.allowanceMm, Math.max(0, project.allowanceMm - TIGHTER_MM)].map(
        (allowance) => cutWith(fabric, allowance),
      );
      return (cut ?? []).flatMap((piece, index) => {
        const [paper, narrow] = [own?.[index], tighter?.[index]];
        return paper && narrow
          ? [
              {
                id: piece.id,
                block: name,
                fabric,
                count: piece.count,
                bags: bagsOf(id),
                paper: paper.polygon,
                cut: piece.polygon,
                tighter: narrow.polygon,
                ...(printed.has(fabric) ? { laid: laidIn(sheet, fabric, paper.polygon) } : {}),
              },
            ]
          : [];
      });
    });
  });
  const needs = clothOfBlocks(facts);
  const most = Math.max(1, ...[...needs.values()].map(({ mm }) => mm));
  return (
    <StationPage
      map={
        <TopMap
          title="The top: cloth for all bags"
          blocks={topBlocks(blocks, (block) => {
            const { mm, cost } = needs.get(block.id) ?? { mm: 0, cost: 0 };
            const money = cost > 0 ? `, ${formatMoney(cost, facts.kept.order.currency)} a bag` : '';
            return {
              href: `/p/${projectId}/blocks/${block.id}`,
              text: `${formatBolt(mm, project.unitSystem)} for all bags${money}`,
              share: mm / most,
            };
          })}
          fabrics={fabrics}
          columns={project.gridColumns}
        />
      }
    >
      <ClothStation
        // Other cloths and other photos make another page of it.
        key={facts.wanted.shelf.map(({ name, pictureAt = 0 }) => `${name} ${pictureAt}`).join()}
        project={project}
        bags={bags}
        papers={papers}
        makers={makers.map(({ id, name, cloths }) => ({ id, name, cloths }))}
        facts={facts}
      />
    </StationPage>
  );
}

/** What all bags of each block take of all cloths together, and what one of them costs, by the block's id. */
function clothOfBlocks(
  facts: OrderFacts,
): ReadonlyMap<string, { readonly mm: number; readonly cost: number }> {
  const wanted = wantedOf(facts);
  const costs = new Map(orderOf(wanted).bagCosts.map(({ block, each }) => [block, each]));
  const alone = (blocks: readonly OrderedBlock[]) =>
    orderOf({ ...wanted, blocks, top: [] })
      .lines.filter(({ group }) => group === 'cloth')
      .reduce((sum, { needed }) => sum + needed, 0);
  return new Map(
    [...new Set(wanted.blocks.map(({ id }) => id))].map((id) => {
      const own = wanted.blocks.filter((block) => block.id === id);
      const cost = Math.max(...own.map(({ block }) => costs.get(block) ?? 0));
      return [id, { mm: alone(own), cost }];
    }),
  );
}
