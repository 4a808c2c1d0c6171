import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { ContactSheet } from '@/features/blocks/ContactSheet';
import { LinkButton } from '@/ui/LinkButton';
import { Notice } from '@/ui/Notice';
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
        <ContactSheet projectId={projectId} blocks={blocks} fabrics={fabrics} system={project.unitSystem} />
      )}
    </>
  );
}
