'use client';
import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import type { DropOfBlocks } from '@/core/packing';
import type { Outline } from '@/core/geometry';
import {
  compareTouches,
  fillings,
  layCups,
  sortingPlan,
  together,
  type HeapKind,
  type Sorter,
} from '@/core/sorting';
import { counted } from '@/core/words';
import { Choice } from '@/ui/Choice';
import { LinkButton } from '@/ui/LinkButton';
import { NumberField } from '@/ui/NumberField';
import { KeepGear, useSorter } from './Gear';
import { CupGrid, type Cup } from './CupGrid';

/** A paper that is sorted, by its name. */
export interface SortedPaper {
  readonly name: string;
  readonly outline: Outline;
}

export interface SorterBlock {
  readonly id: string;
  readonly name: string;
  /** Papers of one bag with spares, and how many bags there are. */
  readonly papers: readonly HeapKind[];
  readonly bags: number;
  /** What is wrapped together, in the order of the steps: one cup each on a maker’s table. */
  readonly uses: readonly { readonly step: number; readonly name: string; readonly fabric: string; readonly count: number }[];
} // prettier-ignore

interface SorterViewProps {
  readonly projectId: string;
  readonly blocks: readonly SorterBlock[];
  readonly drops: readonly DropOfBlocks[];
  readonly papers: readonly SortedPaper[];
  /** Pairs of names that are easily mixed up. */
  readonly alike: readonly (readonly [string, string])[];
}

const ALL = 'all';

/** What sorter stands on the table, and what goes into which cup: a whole drop at once, or one block’s papers by their steps. */
export function SorterView({ projectId, blocks, drops, papers, alike }: SorterViewProps) {
  const [sorter, set] = useSorter();
  const [what, setWhat] = useState<string>(drops.at(0)?.id ?? ALL);
  const drop = drops.find(({ id }) => id === what);
  const tray = blocks.find(({ id }) => `tray-${id}` === what);
  const choices = [
    ...drops.map(({ id, title }) => [id, `All bags of ${title}`] as const),
    [ALL, 'All bags of all blocks'] as const,
    ...blocks.map(({ id, name }) => [`tray-${id}`, `One bag of ${name}, by its steps`] as const),
  ];
  return (
    <Box sx={{ maxWidth: 980 }}>
      <Stack direction="row" sx={{ justifyContent: 'space-between', flexWrap: 'wrap', gap: 1, mb: 1.5 }}>
        <Typography variant="h2">Sorter</Typography>
        <LinkButton href={`/p/${projectId}/bags`}>All bags</LinkButton>
      </Stack>
      <Stack direction="row" className="no-print" sx={{ gap: 1.5, flexWrap: 'wrap', mb: 2 }}>
        <Box sx={{ width: 130 }}>
          <NumberField label="Rows of cups" value={sorter.rows} least={1} most={20} isWhole onChange={(rows) => set({ rows })} />
        </Box>
        <Box sx={{ width: 130 }}>
          <NumberField label="Cups in a row" value={sorter.columns} least={2} most={20} isWhole onChange={(columns) => set({ columns })} />
        </Box>
        <KeepGear gear={{ sorter }} />
        <Box sx={{ minWidth: 280 }}>
          <Choice label="What is sorted" value={what} choices={choices} onChange={setWhat} />
        </Box>
      </Stack>
      {tray ? (
        <TrayOfBlock block={tray} sorter={sorter} papers={papers} alike={alike} />
      ) : (
        <HeapOfBlocks key={what} blocks={blocks.filter(({ id }) => drop?.blocks.includes(id) ?? true)} sorter={sorter} papers={papers} alike={alike} />
      )}
    </Box>
  );
} // prettier-ignore

interface PartProps extends Pick<SorterViewProps, 'papers' | 'alike'> {
  readonly sorter: Sorter;
}

/** Papers of several blocks for all their bags, in one heap: rounds at the sorter, and what that saves. */
function HeapOfBlocks({ blocks, sorter, papers, alike }: PartProps & { readonly blocks: readonly SorterBlock[] }) {
  const cups = sorter.rows * sorter.columns;
  const { plan, compared } = useMemo(() => {
    const takes = blocks.map(({ papers: own, bags }) => own.map(({ name, count }) => ({ name, count: count * bags })));
    return { plan: sortingPlan(together(takes), cups), compared: compareTouches(takes, cups) };
  }, [blocks, cups]);
  if (compared.pieces === 0) return <Typography>No bag takes papers here.</Typography>;
  const roundOf = (kinds: readonly string[]) => 1 + plan.rounds.findIndex((round) => round.kinds.join() === kinds.join());
  return (
    <>
      <Typography sx={{ mb: 2 }} role="status">
        {compared.pieces} papers of {counted(blocks.length, 'block')}. Each is taken up <strong>{compared.atOnce.toFixed(1)} times</strong>, dealing into bags
        counted; block by block it would be {compared.blockByBlock.toFixed(1)} times: {Math.round((100 * compared.atOnce) / compared.blockByBlock)} % of the work.
      </Typography>
      {plan.rounds.length === 0 && <Typography>There is one kind of paper: deal it straight into the bags.</Typography>}
      {plan.rounds.map((round, index) => (
        <CupGrid
          key={round.kinds.join()}
          title={`Round ${index + 1}: ${index === 0 ? 'the whole heap' : 'the cup with several kinds'}, ${counted(round.pieces, 'paper')}`}
          sorter={sorter}
          {...laid(
            round.cups.map(({ kinds, pieces }): Cup => ({
              names: kinds,
              says: kinds.length === 1 ? counted(pieces, 'paper') : `${counted(pieces, 'paper')}, sorted in round ${roundOf(kinds)}`,
              outline: papers.find(({ name }) => name === kinds[0])?.outline,
            })),
            sorter,
            alike,
          )}
        />
      ))}
      <Typography>Then deal each cup into the bags as the pick list says.</Typography>
    </>
  );
} // prettier-ignore

/** One bag on a maker’s table: a cup for each step that wraps papers, filled again where there are more steps than cups. */
function TrayOfBlock({ block, sorter, papers, alike }: PartProps & { readonly block: SorterBlock }) {
  const all = fillings(block.uses.length, sorter.rows * sorter.columns);
  return (
    <>
      <Typography sx={{ mb: 2 }}>
        A cup for each step that wraps papers of {block.name}: {counted(block.uses.length, 'step')}
        {all.length > 1 && `, so the cups are filled ${all.length} times`}.
      </Typography>
      {all.map((things, index) => (
        <CupGrid
          key={index}
          title={all.length > 1 ? `Filling ${index + 1}` : 'The cups'}
          sorter={sorter}
          {...laid(
            things.flatMap((thing): Cup[] => {
              const use = block.uses[thing];
              return use ? [{ names: [use.name], says: `${use.count} in ${use.fabric}, step ${use.step}`, outline: papers.find(({ name }) => name === use.name)?.outline }] : [];
            }),
            sorter,
            alike,
          )}
        />
      ))}
    </>
  );
} // prettier-ignore

/** Cups with what is in them, look-alikes apart. */
function laid(cups: readonly Cup[], sorter: Sorter, alike: SorterViewProps['alike']) {
  const pairs = cups.flatMap((a, i) =>
    cups.flatMap((b, j): [number, number][] => (i < j && alike.some(([x, y]) => (a.names.includes(x) && b.names.includes(y)) || (a.names.includes(y) && b.names.includes(x))) ? [[i, j]] : [])),
  );
  const { cups: places, clashes } = layCups(cups.length, pairs, sorter);
  return {
    cups: places.map((thing) => (thing === undefined ? undefined : cups[thing])),
    clashes: clashes.map(([a, b]) => `${cups[a]?.names[0]} and ${cups[b]?.names[0]}`),
  };
} // prettier-ignore
