'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { useState } from 'react';
import { counted } from '@/core/words';
import type { ShelvedCloth } from '@/server/cloth';
import type { OrderFacts, OrderState } from '@/server/orders';
import type { Project } from '@/server/projects';
import { send } from '@/ui/api';
import { ErrorNote } from '@/ui/ErrorNote';
import { Notice } from '@/ui/Notice';
import { useProjectBasting } from '@/ui/useProjectBasting';
import { useSend } from '@/ui/useSend';
import { CurrencyContext } from '@/ui/money';
import { OtherCloth, type ClothMaker } from './OtherCloth';
import { ClothPhoto } from './ClothPhoto';
import { PicturesContext, picturesOf } from './pictureOf';
import { BoltPanel } from './BoltPanel';
import { FussyPanel } from './FussyPanel';
import type { FussyPaper } from './fussyRequest';
import { LayoutPanel, type BagPieces } from './LayoutPanel';
import { OrderPanel } from './OrderPanel';
import { YieldPanel } from './YieldPanel';
import { ShelfDialog } from './ShelfDialog';
import { ShelfFile } from './ShelfFile';
import { ShelfTable } from './ShelfTable';
import { useOrder } from './useOrder';

interface ClothStationProps {
  readonly project: Project;
  readonly bags: readonly BagPieces[];
  readonly papers: readonly FussyPaper[];
  readonly makers: readonly ClothMaker[];
  /** What the order is worked out from. */
  readonly facts: OrderFacts;
}

/** What lies further down, by the ids of its parts. */
const PARTS = [
  ['bolt', 'From bolt to bags'],
  ['order', 'The order'],
  ['layout', 'Laid out for one bag'],
  ['yield', 'What a piece of cloth gives'],
  ['motif', 'Round a motif'],
] as const;

/** How cloth is cut, how much is needed, and what it costs. */
export function ClothStation({ project, bags, papers, makers: people, facts }: ClothStationProps) {
  const system = project.unitSystem;
  const { shelf, own, placed, showState, edited, setEdited, saved, undo, error } = useShelf(project.id, facts);
  const [pictured, setPictured] = useState<string | undefined>();
  const [other, setOther] = useState<string | undefined>();
  const putPale = useProjectBasting(project.id);
  const fabrics = shelf.map(({ name }) => name);
  if (fabrics.length === 0)
    return (
      <Notice title="No cloth yet">
        Cloths come with the blocks.{' '}
        <Link href={`/p/${project.id}/blocks/new`}>Bring in a drawing first</Link>.
      </Notice>
    );
  const { order, plan, change } = own;
  const photographed = shelf.find(({ name }) => name === pictured);
  return (
    <CurrencyContext value={plan.currency}>
    <PicturesContext value={picturesOf(project.id, facts.wanted.shelf)}>
      <Stack direction="row" sx={{ justifyContent: 'space-between', flexWrap: 'wrap', gap: 1 }}>
        <Typography variant="h2">Cloth</Typography>
        <Stack direction="row" spacing={1}>
          {undo && (
            <Button disabled={undo.isBusy} onClick={undo.take}>
              {undo.label}
            </Button>
          )}
          <ShelfFile projectId={project.id} shelf={shelf} system={system} onSaved={saved} />
        </Stack>
      </Stack>
      <ErrorNote error={error} />
      <PartsOfPage hasMakers={facts.wanted.makers > 0} />
      <ShelfTable
        shelf={shelf}
        lines={order.lines.filter(({ group }) => group === 'cloth')}
        bolts={order.bolts}
        fabrics={fabrics}
        system={system}
        onEdit={setEdited}
        onOther={({ name }) => setOther(name)}
        onPhoto={({ name }) => setPictured(name)}
        pale={project.basting.pale ?? []}
        onPale={(fabric, isPale) => void putPale(`${fabric} is ${isPale ? '' : 'not '}very pale.`, { fabric, isPale }, () => ({ fabric, isPale: !isPale }))}
      />
      {order.sets > 0 && (
        <>
          <BoltPanel bolts={order.bolts} figures={plan.figures} system={system} />
          <OrderPanel projectId={project.id} {...{ own, facts, placed, system }} onState={showState} />
        </>
      )}
      <LayoutPanel
        {...{ bags, shelf, system }}
        given={plan.givenCuts}
        onGive={(givenCuts) => change({ givenCuts }, 'cuts that bags are given')}
        ownCuts={plan.ownCuts}
        onOwnCuts={(ownCuts) => change({ ownCuts }, 'own cuts')}
        handMmPerMinute={plan.figures.handMmPerMinute}
        allowanceMm={project.allowanceMm}
      />
      <YieldPanel papers={papers} shelf={shelf} system={system} ownCuts={plan.ownCuts} />
      <FussyPanel projectId={project.id} papers={papers} shelf={shelf} fabrics={fabrics} system={system} />
      {photographed && <ClothPhoto key={photographed.name} projectId={project.id} cloth={photographed} system={system} onClose={() => setPictured(undefined)} />}
      {other !== undefined && (
        <OtherCloth
          projectId={project.id}
          cloth={other}
          fabrics={fabrics}
          blocks={bags.flatMap(({ blockId, block, fabric }) => (fabric === other ? [{ id: blockId, name: block }] : []))}
          makers={people}
          onClose={() => setOther(undefined)}
        />
      )}
      {edited && (
        <ShelfDialog
          projectId={project.id}
          cloth={edited}
          system={system}
          onSaved={(before, after) => saved([before], [after])}
          onClose={() => setEdited(undefined)}
        />
      )}
    </PicturesContext>
    </CurrencyContext>
  );
} // prettier-ignore

/** The shelf and its order: each change of a cloth can be taken back, and what was placed is put on it. */
function useShelf(projectId: string, facts: OrderFacts) {
  const [shelf, setShelf] = useState(facts.wanted.shelf);
  const [placed, setPlaced] = useState(facts.placed);
  const own = useOrder(projectId, facts, shelf, placed);
  const [edited, setEdited] = useState<ShelvedCloth | undefined>();
  const [past, setPast] = useState<readonly (readonly ShelvedCloth[])[]>([]);
  const { error, isBusy, run } = useSend();
  const put = (cloths: readonly ShelvedCloth[]) =>
    setShelf((all) => all.map((one) => cloths.find(({ name }) => name === one.name) ?? one));
  const saved = (before: readonly ShelvedCloth[], after: readonly ShelvedCloth[]) => {
    put(after);
    setPast((steps) => [...steps, before]);
    setEdited(undefined);
  };
  const takeBack = (cloths: readonly ShelvedCloth[]) =>
    run(async () => {
      const revisionOf = (name: string) => shelf.find((one) => one.name === name)?.revision ?? 0;
      const back = cloths.map((cloth) => ({ ...cloth, revision: revisionOf(cloth.name) }));
      put(await send<ShelvedCloth[]>('POST', `/api/projects/${projectId}/cloths`, { cloths: back }));
      setPast((steps) => steps.slice(0, -1));
    });
  const showState = (state: OrderState) => {
    setPlaced(state.placed);
    put(state.shelf);
    own.adopt(state.kept.order, state.kept.revision);
  };
  const last = past.at(-1);
  const what = last?.length === 1 ? (last[0]?.name ?? '') : counted(last?.length ?? 0, 'cloth');
  const undo = last && { label: `Undo the change of ${what}`, isBusy, take: () => void takeBack(last) };
  return { shelf, own, placed, showState, edited, setEdited, saved, undo, error };
}

/** Where the parts of the page are, and what it reckons with. */
function PartsOfPage({ hasMakers }: { readonly hasMakers: boolean }) {
  return (
    <>
      <Box component="nav" aria-label="On this page" className="no-print" sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 2, mb: 1 }}>
        {PARTS.map(([id, name]) => (
          <Box key={id} component="a" href={`#${id}`} sx={{ color: 'primary.main', py: 1 }}>
            {name}
          </Box>
        ))}
      </Box>
      <Typography sx={{ mb: 1 }}>
        {hasMakers
          ? 'Reckoned for all bags, cut from strips across the cloth; what is in stock is used first.'
          : 'Nobody sews yet, so no cloth is needed: add makers first.'}
      </Typography>
    </>
  );
} // prettier-ignore
