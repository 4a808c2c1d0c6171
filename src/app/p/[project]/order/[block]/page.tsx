import { counted } from '@/core/words';
import { StepPlayer } from '@/features/order/StepPlayer';
import { openBlock } from '@/server/blocks';
import { database } from '@/server/database';
import { listPhotos } from '@/server/photos';
import { formatMinutes } from '@/ui/formatMinutes';
import { StationPage } from '@/ui/StationPage';
import { topBlocks } from '@/ui/topBlocks';
import { TopMap } from '@/ui/TopMap';
import { loadBlocks, loadPeople, orNotFound } from '../../load';

export const metadata = { title: 'Order of work' };

export default async function OrderBlockPage({
  params,
  searchParams,
}: {
  params: Promise<{ project: string; block: string }>;
  searchParams: Promise<{ step?: string }>;
}) {
  const { project: projectId, block: blockId } = await params;
  const { project, blocks, fabrics } = await loadBlocks(projectId);
  const { id, name, sheet } = await orNotFound(() => openBlock(database(), project, blockId));
  const { makers, progress } = await loadPeople(projectId);
  const photos = await listPhotos(database(), project);
  const begun = progress
    .filter((one) => one.blockId === id && one.done > 0)
    .flatMap(({ makerId, done, total, covered, isOwnOrder }) => {
      const maker = makers.find((one) => one.id === makerId);
      return maker ? [{ name: maker.name, done, total, covered, isOwnOrder }] : [];
    });
  return (
    <StationPage
      map={
        <TopMap
          title="The top: sewing time and bends"
          blocks={topBlocks(blocks, (other) => ({
            href: `/p/${projectId}/order/${other.id}`,
            text: `${formatMinutes(other.sheet.plan.joinMinutes)}, ${counted(other.sheet.plan.bends, 'bend')}`,
          }))}
          fabrics={fabrics}
          columns={project.gridColumns}
          current={id}
        />
      }
    >
      <StepPlayer
        key={`${id}${(await searchParams).step ?? ''}`}
        projectId={projectId}
        blockId={id}
        name={name}
        sheet={sheet}
        fabrics={fabrics}
        system={project.unitSystem}
        allowanceMm={project.allowanceMm}
        photos={photos.filter((photo) => photo.blockId === id)}
        begun={begun}
        opened={(await searchParams).step}
      />
    </StationPage>
  );
}
