'use client';
import Typography from '@mui/material/Typography';
import { lazy, Suspense, useState } from 'react';
import { batchAt, waitsFor, type Step } from '@/core/sheet';
import { PlainButton } from '@/ui/PlainButton';
import { loadLargeStore } from '@/ui/largeStore';
import { PlainChoice } from '@/ui/PlainChoice';
import { ChangeNote, Framed, WaitingNote } from './MakerNotes';
import { BackAndStuck, Cautions, Following, More, Shell } from './MakerShell';
import { StepPart, loadTroubles } from './StepPart';
import { useRemembered } from '@/ui/useRemembered';
import { takeMinutes } from './timer';
import { useKeptPage } from './useKeptPage';
import { standOf, useMakerBlock, type MakersBlock, type PageData } from './useMakerBlock';

// What is only looked at now and then is loaded when it is opened.
const loadAllSteps = () => import('./AllSteps');
const loadHowTo = () => import('./HowTo');
const loadBatchCounter = async () => ({ default: (await import('./BatchCounter')).BatchCounter });
const loadRemadeNote = () => import('./RemadeNote');
const loadBagPart = () => import('./BagPart');
const loadStuckPart = () => import('./StuckPart');
const loadAids = () => import('./Aids');
const loadFinishedPart = () => import('./FinishedPart');
const AllSteps = lazy(loadAllSteps);
const HowTo = lazy(loadHowTo);
const RemadeNote = lazy(loadRemadeNote);
const BagPart = lazy(loadBagPart);
const StuckPart = lazy(loadStuckPart);
const Aids = lazy(loadAids);
const FinishedPart = lazy(loadFinishedPart);
const BatchCounter = lazy(loadBatchCounter);
const loadRest = () =>
  Promise.all([
    loadAllSteps(),
    loadHowTo(),
    loadBagPart(),
    loadBatchCounter(),
    loadRemadeNote(),
    loadStuckPart(),
    loadAids(),
    loadFinishedPart(),
    loadTroubles(),
    loadLargeStore(),
  ]);

interface MakerPageProps {
  readonly token: string;
  readonly initial: PageData;
  /** What comes next in the calendar, in a sentence. */
  readonly due?: string | undefined;
}

/** A maker's own page: the block, the next step large, one big button, what follows, and a way to ask for help. */
export function MakerPage({ token, initial, due }: MakerPageProps) {
  const { ticks, blocks, block, fabrics, setChosen, tick } = useMakerBlock(token, initial);
  const [opened, setOpened] = useState<number | undefined>();
  const isKept = useKeptPage(loadRest);
  if (!block)
    return (
      <Shell data={initial} due={due}>
        <Typography>Your host has not brought in a block yet. Look again later.</Typography>
      </Shell>
    );
  const { next, step, lastDone, minutesLeft, then, isDone } = standOf(block, opened);
  const { steps } = block.sheet;
  const batch = batchAt(steps, next);
  const wait = step && waitsFor(steps, next, isDone);
  const goTo = (index: number | undefined) => {
    setOpened(index);
    window.scrollTo?.(0, 0);
  };
  const change = (one: Step, kind: 'done' | 'undone' | 'stuck') => {
    tick(one, kind, kind === 'done' ? takeMinutes(initial.maker.id, one.id) : undefined);
    if (kind === 'done') setOpened(undefined);
  };
  const isStuck = step !== undefined && block.progress.stuck.has(step.id);
  return (
    <Shell data={initial} due={due}>
      <PlainChoice
        label="Block"
        value={block.id}
        choices={choicesOf(blocks)}
        onChange={(id) => {
          setOpened(undefined);
          setChosen(id);
        }}
      />
      {block.remade.size > 0 && (
        <Suspense>
          <RemadeNote block={block} />
        </Suspense>
      )}
      {step ? (
        <StepPart
          token={token}
          block={block}
          step={step}
          index={next}
          minutesLeft={minutesLeft}
          fabrics={fabrics}
          system={initial.project.unitSystem}
          isDone={isDone(step.id)}
          {...(wait === undefined ? {} : { waitsFor: wait + 1 })}
          onDone={() => change(step, 'done')}
        />
      ) : (
        <SewnNote block={block} />
      )}
      {opened !== undefined && (
        <PlainButton sx={{ width: '100%', minHeight: 48, mt: 1 }} onClick={() => goTo(undefined)}>
          Back to where I am
        </PlainButton>
      )}
      {batch && (
        <Suspense>
          <BatchCounter batch={batch} sheet={block.sheet} fabrics={fabrics} isDone={isDone} onTick={tick} />
        </Suspense>
      )}
      <BackAndStuck
        {...{ step, lastDone, isStuck }}
        isOnItsWay={step !== undefined && ticks.isWaiting(block.id, step.id)}
        onChange={change}
      />
      {(isStuck || initial.troubles.length > 0) && (
        <Suspense>
          <StuckPart
            token={token}
            data={initial}
            ticks={ticks}
            block={block}
            step={step}
            isStuck={isStuck}
            onWithdraw={() => step && change(step, 'undone')}
            onOpen={goTo}
          />
        </Suspense>
      )}
      <WaitingNote ticks={ticks} />
      {then.length > 0 && <Following from={next} steps={then.slice(0, 3)} />}
      <OpenedParts {...{ token, block, step, fabrics, isDone }} page={initial} onTick={tick} onOpen={goTo} />
      <ChangeNote block={block} />
      <Typography role="status" variant="body2" color="textSecondary" sx={{ mt: 1 }}>
        {isKept ? 'This page is kept on this phone: it opens without a connection.' : ''}
      </Typography>
      <Cautions {...initial.maker} />
    </Shell>
  );
}

/** The blocks to choose from, each with how far it is. */
function choicesOf(blocks: readonly MakersBlock[]) {
  return blocks.map(
    ({ id, name, progress, covered, sheet: { steps } }) =>
      [id, `${name}: ${progress.done.size + covered.length} of ${steps.length}`] as const,
  );
}

function SewnNote({ block: { name, saved } }: { readonly block: MakersBlock }) {
  return (
    <Framed color="success.main">
      <strong>{name} is sewn.</strong> {saved !== '' && <>Save for later blocks: {saved}. </>}
      Choose another block above.
    </Framed>
  );
}

interface OpenedPartsProps {
  readonly token: string;
  readonly page: PageData;
  readonly block: MakersBlock;
  readonly step: Step | undefined;
  readonly fabrics: readonly string[];
  readonly isDone: (id: string) => boolean;
  readonly onTick: (step: Step, kind: 'done' | 'undone') => void;
  readonly onOpen: (index: number) => void;
}

/** What is only looked at now and then. */
function OpenedParts({ token, page, block, step, fabrics, isDone, onTick, onOpen }: OpenedPartsProps) {
  const { maker, project } = page;
  return (
    <>
      <More title="Today with me">
        <Aids makerId={maker.id} system={project.unitSystem} {...{ block, step, isDone }} />
      </More>
      <More title="All steps, and the whole block">
        <AllSteps {...{ block, fabrics, isDone, onTick, onOpen }} />
      </More>
      <More title="In the bag, and how to begin">
        <BagPart maker={maker} block={block} system={project.unitSystem} />
      </More>
      <More title="Pictures of this block">
        <FinishedPart token={token} maker={maker} block={block} />
      </More>
      <More title="Signs, and how to">
        <HandedHowTo isLeftHanded={maker.isLeftHanded} />
      </More>
      <Typography sx={{ mt: 1.5 }}>
        <a href={`/m/${token}/practice/${block.id}`}>Practise this block</a>
      </Typography>
    </>
  );
}

/** The how-to for the hand that sews: as the host knows it, until this phone is told another. */
function HandedHowTo({ isLeftHanded }: { readonly isLeftHanded: boolean }) {
  const [said, setHand] = useRemembered('kevlo-hand');
  const hand = said ?? (isLeftHanded ? 'left' : 'right');
  return (
    <>
      <PlainChoice
        label="I sew with my"
        value={hand}
        choices={[
          ['right', 'right hand'],
          ['left', 'left hand'],
        ]}
        onChange={setHand}
      />
      <HowTo isLeftHanded={hand === 'left'} />
    </>
  );
}
