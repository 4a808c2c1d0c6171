import { BACKGROUND_MORE_MM, pickList, sewersOf } from '@/core/bags';
import { USUAL_CLOTH, clothNeed } from '@/core/cloth';
import { cutPieces } from '@/core/cutting';
import { topPieces, type TopPieces } from '@/core/setting';
import { nameKinds } from '@/core/shapes';
import { ClothStation } from '@/features/cloth/ClothStation';
import { formatBolt } from '@/ui/formatBolt';
import { clothShelf } from '@/server/cloth';
import { database } from '@/server/database';
import { readKeptSetting } from '@/server/projects';
import { StationPage } from '@/ui/StationPage';
import { topBlocks } from '@/ui/topBlocks';
import { TopMap } from '@/ui/TopMap';
import { loadBlocks, loadPeople } from '../load';

/** A sixteenth of an inch: what an allowance is made narrower by to see whether another set fits. */
const TIGHTER_MM = 25.4 / 16;

/** Before anything was set. */
const NO_TOP: TopPieces = { strips: [], cornerstones: [], border: [] };

export const metadata = { title: 'Cloth' };

export default async function ClothPage({ params }: { params: Promise<{ project: string }> }) {
  const { project: projectId } = await params;
  const { project, blocks, fabrics } = await loadBlocks(projectId);
  const { makers } = await loadPeople(projectId);
  const shelf = (await clothShelf(database(), project)).filter(({ name }) => fabrics.includes(name));
  const { setting } = await readKeptSetting(database(), project);
  const bagsOf = (blockId: string) => sewersOf(blockId, makers).length;
  const packed = blocks.map(({ id, name, sheet }) => ({
    block: name,
    contents: sheet.bag,
    bags: bagsOf(id),
  }));
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
      }),
    }));
  });
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
              },
            ]
          : [];
      });
    });
  });
  const needOf = (block: (typeof packed)[number]) =>
    pickList([block]).cloth.reduce((sum, { fabric, lines }) => {
      const cloth = shelf.find(({ name }) => name === fabric) ?? USUAL_CLOTH;
      return sum + clothNeed(fabric, lines, cloth, project.unitSystem).needMm;
    }, 0);
  const needs = new Map(blocks.map(({ id }, index) => [id, packed[index] ? needOf(packed[index]) : 0]));
  const most = Math.max(1, ...needs.values());
  return (
    <StationPage
      map={
        <TopMap
          title="The top: cloth for all bags"
          blocks={topBlocks(blocks, (block) => ({
            href: `/p/${projectId}/blocks/${block.id}`,
            text: `${formatBolt(needs.get(block.id) ?? 0, project.unitSystem)} for all bags`,
            share: (needs.get(block.id) ?? 0) / most,
          }))}
          fabrics={fabrics}
          columns={project.gridColumns}
        />
      }
    >
      <ClothStation
        project={project}
        shelf={shelf}
        lines={pickList(packed).cloth}
        bags={bags}
        papers={papers}
        makers={makers.length}
        top={setting ? topPieces(setting, project.allowanceMm) : NO_TOP}
        ordered={packed.map((one, index) => ({
          ...one,
          threadMetres: blocks[index]?.sheet.thread.metres ?? 0,
        }))}
      />
    </StationPage>
  );
}
