'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { useState } from 'react';
import { clothNeed, type CutLine } from '@/core/cloth';
import type { OrderedBlock } from '@/core/order';
import type { TopPieces } from '@/core/setting';
import type { ShelvedCloth } from '@/server/cloth';
import type { Project } from '@/server/projects';
import { send } from '@/ui/api';
import { ErrorNote } from '@/ui/ErrorNote';
import { Notice } from '@/ui/Notice';
import { useSend } from '@/ui/useSend';
import { FussyPanel } from './FussyPanel';
import type { FussyPaper } from './fussyRequest';
import { LayoutPanel, type BagPieces } from './LayoutPanel';
import { OrderPanel } from './OrderPanel';
import { YieldPanel } from './YieldPanel';
import { ShelfDialog } from './ShelfDialog';
import { ShelfTable } from './ShelfTable';

interface ClothStationProps {
  readonly project: Project;
  readonly shelf: readonly ShelvedCloth[];
  readonly lines: readonly { readonly fabric: string; readonly lines: readonly CutLine[] }[];
  readonly bags: readonly BagPieces[];
  readonly papers: readonly FussyPaper[];
  readonly makers: number;
  readonly ordered: readonly OrderedBlock[];
  /** What each maker’s top takes beside the blocks. */
  readonly top: TopPieces;
}

/** How cloth is cut, how much is needed, and what it costs. */
export function ClothStation({ project, shelf: initial, lines, bags, papers, makers, ordered, top }: ClothStationProps) {
  const system = project.unitSystem;
  const [shelf, setShelf] = useState(initial);
  const [edited, setEdited] = useState<ShelvedCloth | undefined>();
  const [undo, setUndo] = useState<ShelvedCloth | undefined>();
  const { error, isBusy, run } = useSend();
  const fabrics = shelf.map(({ name }) => name);
  if (fabrics.length === 0)
    return (
      <Notice title="No cloth yet">
        Cloths come with the blocks.{' '}
        <Link href={`/p/${project.id}/blocks/new`}>Bring in a drawing first</Link>.
      </Notice>
    );
  const needs = shelf.map((cloth) =>
    clothNeed(cloth.name, lines.find(({ fabric }) => fabric === cloth.name)?.lines ?? [], cloth, system),
  );
  const put = (cloth: ShelvedCloth) =>
    setShelf((all) => all.map((one) => (one.name === cloth.name ? cloth : one)));
  const saved = (before: ShelvedCloth, after: ShelvedCloth) => {
    put(after);
    setUndo({ ...before, revision: after.revision });
    setEdited(undefined);
  };
  const takeBack = (cloth: ShelvedCloth) =>
    run(async () => {
      put(await send<ShelvedCloth>('PUT', `/api/projects/${project.id}/cloths`, cloth));
      setUndo(undefined);
    });
  return (
    <Box>
      <Stack direction="row" sx={{ justifyContent: 'space-between', flexWrap: 'wrap', gap: 1 }}>
        <Typography variant="h2">Cloth</Typography>
        <Stack direction="row" spacing={1}>
          {undo && (
            <Button disabled={isBusy} onClick={() => void takeBack(undo)}>{`Undo the change of ${undo.name}`}</Button>
          )}
        </Stack>
      </Stack>
      <ErrorNote error={error} />
      <Typography sx={{ mb: 1 }}>
        {makers === 0
          ? 'Nobody sews yet, so no cloth is needed: add makers first.'
          : 'Reckoned for all bags, cut from strips across the cloth; what is in stock is used first.'}
      </Typography>
      <ShelfTable shelf={shelf} needs={needs} fabrics={fabrics} system={system} onEdit={setEdited} />
      <OrderPanel projectId={project.id} blocks={ordered} makers={makers} shelf={shelf} system={system} top={top} />
      <LayoutPanel bags={bags} shelf={shelf} system={system} />
      <YieldPanel papers={papers} shelf={shelf} system={system} />
      <FussyPanel projectId={project.id} papers={papers} shelf={shelf} fabrics={fabrics} system={system} />
      {edited && (
        <ShelfDialog
          projectId={project.id}
          cloth={edited}
          system={system}
          onSaved={saved}
          onClose={() => setEdited(undefined)}
        />
      )}
    </Box>
  );
} // prettier-ignore
