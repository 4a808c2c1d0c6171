import { pickList } from '@/core/bags';
import { BagsStation } from '@/features/bags/BagsStation';
import { StationPage } from '@/ui/StationPage';
import { topBlocks } from '@/ui/topBlocks';
import { TopMap } from '@/ui/TopMap';
import { database } from '@/server/database';
import { papersOfProject, saySaved } from '@/server/projectPapers';
import { loadBlocks, loadPeople } from '../load';

export const metadata = { title: 'Bags' };

export default async function BagsPage({ params }: { params: Promise<{ project: string }> }) {
  const { project: projectId } = await params;
  const { project, blocks, fabrics } = await loadBlocks(projectId);
  const papers = await papersOfProject(database(), project, blocks);
  const { makers, kits } = await loadPeople(projectId);
  const list = pickList(
    blocks.map(({ name, sheet }) => ({ block: name, contents: sheet.bag, bags: makers.length })),
  );
  const share = (blockId: string) => {
    const ready = kits.filter(
      (kit) =>
        kit.blockId === blockId && kit.status !== 'to-pack' && makers.some(({ id }) => id === kit.makerId),
    );
    return makers.length === 0 ? 0 : ready.length / makers.length;
  };
  return (
    <StationPage
      map={
        <TopMap
          title="The top: bags packed"
          blocks={topBlocks(blocks, (block) => ({
            href: `/p/${projectId}/bags#bag-${block.id}`,
            text: `${Math.round(share(block.id) * makers.length)} of ${makers.length} packed`,
            share: share(block.id),
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
          saved: saySaved(papers, id),
        }))}
        makers={makers}
        kits={kits}
        pickList={list}
        fabrics={fabrics}
      />
    </StationPage>
  );
}
