import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { groupKinds, nameKinds } from '@/core/shapes';
import { ContactSheet } from '@/features/blocks/ContactSheet';
import { LookAlikes } from '@/features/blocks/LookAlikes';
import { LinkButton } from '@/ui/LinkButton';
import { Notice } from '@/ui/Notice';
import type { UnitSystem } from '@/core/length';
import type { BlockWithSheet } from '@/server/blocks';
import { loadBlocks } from '../load';

export const metadata = { title: 'Blocks' };

export default async function BlocksPage({ params }: { params: Promise<{ project: string }> }) {
  const { project: projectId } = await params;
  const { project, blocks, fabrics } = await loadBlocks(projectId);
  return (
    <>
      <Stack direction="row" sx={{ justifyContent: 'space-between', mb: 2 }}>
        <Typography variant="h2">Blocks</Typography>
        <Stack direction="row" spacing={1}>
          <LinkButton href={`/p/${projectId}/blocks/make`}>Make a block</LinkButton>
          <LinkButton href={`/p/${projectId}/blocks/new`} variant="contained">
            Bring in a drawing
          </LinkButton>
        </Stack>
      </Stack>
      {blocks.length === 0 ? (
        <Notice title="No block yet">
          Bring in an SVG drawing of a block: each closed shape becomes a patch. You see what is wrong with it
          before anything is saved.
        </Notice>
      ) : (
        <>
          <ContactSheet projectId={projectId} blocks={blocks} fabrics={fabrics} system={project.unitSystem} />
          <LookAlikes papers={projectPapers(blocks, project.unitSystem)} system={project.unitSystem} />
        </>
      )}
    </>
  );
}

/** Every paper of the project once, with the blocks that use it. */
function projectPapers(blocks: readonly BlockWithSheet[], system: UnitSystem) {
  const uses = blocks.flatMap(({ name, sheet }) =>
    sheet.kinds.map(({ outline }) => ({ block: name, outline })),
  );
  const { kinds, kindOf } = groupKinds(uses.map(({ outline }) => outline));
  const names = nameKinds(kinds, system);
  return kinds.map(({ outline, isHanded }, index) => ({
    name: names[index] ?? '',
    outline,
    isHanded,
    blocks: [...new Set(uses.filter((_, use) => kindOf[use] === index).map(({ block }) => block))],
  }));
}
