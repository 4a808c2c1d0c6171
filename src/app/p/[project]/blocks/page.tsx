import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { groupKinds, isSamePaper, markOf, nameKinds, type ChosenMark, type MarkedPaper } from '@/core/shapes';
import { ClothList } from '@/features/blocks/ClothList';
import { ContactSheet } from '@/features/blocks/ContactSheet';
import { LookAlikes } from '@/features/blocks/LookAlikes';
import { LinkButton } from '@/ui/LinkButton';
import { Notice } from '@/ui/Notice';
import type { UnitSystem } from '@/core/length';
import { type BlockWithSheet, projectMarks } from '@/server/blocks';
import { database } from '@/server/database';
import { loadBlocks } from '../load';

export const metadata = { title: 'Blocks' };

export default async function BlocksPage({ params }: { params: Promise<{ project: string }> }) {
  const { project: projectId } = await params;
  const { project, blocks, fabrics } = await loadBlocks(projectId);
  const marks = await projectMarks(database(), project);
  return (
    <>
      <Stack direction="row" sx={{ justifyContent: 'space-between', mb: 2, flexWrap: 'wrap', gap: 1 }}>
        <Typography variant="h2">Blocks</Typography>
        <Stack direction="row" sx={{ flexWrap: 'wrap', gap: 1 }}>
          <LinkButton href={`/p/${projectId}/blocks/papers`}>Papers</LinkButton>
          <LinkButton href={`/p/${projectId}/blocks/setting`}>Setting</LinkButton>
          <LinkButton href={`/p/${projectId}/blocks/make`}>Make from figures</LinkButton>
          <LinkButton href={`/p/${projectId}/blocks/workshop`}>Build by hand</LinkButton>
          <LinkButton href={`/p/${projectId}/blocks/new`} variant="contained">
            Bring in a drawing
          </LinkButton>
        </Stack>
      </Stack>
      {blocks.length === 0 ? (
        <Notice title="No block yet">
          Bring in an SVG drawing of a block, where each closed shape becomes a patch; make one from figures
          (a rosette, a star, a plate …); or build one by hand from papers. You see what is wrong with it
          before anyone cuts.
        </Notice>
      ) : (
        <>
          <ContactSheet projectId={projectId} blocks={blocks} fabrics={fabrics} system={project.unitSystem} />
          <ClothList projectId={projectId} fabrics={fabrics} />
          <LookAlikes
            projectId={projectId}
            papers={projectPapers(blocks, project.unitSystem, marks, project.marks)}
            system={project.unitSystem}
          />
        </>
      )}
    </>
  );
}

/** Every paper of the project once, with the blocks that use it and the mark that it bears. */
function projectPapers(
  blocks: readonly BlockWithSheet[],
  system: UnitSystem,
  marks: readonly MarkedPaper[],
  chosen: readonly ChosenMark[],
) {
  const uses = blocks.flatMap(({ name, sheet }) =>
    sheet.kinds.map(({ outline }) => ({ block: name, outline })),
  );
  const { kinds, kindOf } = groupKinds(uses.map(({ outline }) => outline));
  const names = nameKinds(kinds, system);
  return kinds.map(({ outline, isHanded }, index) => {
    const mark = markOf(outline, marks);
    const own = chosen.find((one) => isSamePaper(one.outline, outline))?.mark;
    return {
      name: names[index] ?? '',
      outline,
      isHanded,
      blocks: [...new Set(uses.filter((_, use) => kindOf[use] === index).map(({ block }) => block))],
      ...(mark ? { mark } : {}),
      ...(own ? { chosen: own } : {}),
    };
  });
}
