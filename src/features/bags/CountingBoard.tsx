'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Outline } from '@/core/geometry';
import { WEIGHING_LIMITS, weighing, countOf, targetOf, type Weighing } from '@/core/packing';
import { counted, times } from '@/core/words';
import { asRefusal, send } from '@/ui/api';
import { Choice } from '@/ui/Choice';
import { Silhouette } from '@/ui/drawing';
import { LinkButton } from '@/ui/LinkButton';
import { useNotice } from '@/ui/Notices';
import { NumberField } from '@/ui/NumberField';
import { PlainButton } from '@/ui/PlainButton';
import { useRemembered } from '@/ui/useRemembered';
import { useScale } from './useScale';
import { KeepGear, useScaleSettings } from './Gear';

/** A paper that may lie in a pile. */
export interface CountedPaper {
  readonly name: string;
  readonly outline: Outline;
  readonly areaMm2: number;
  /** How often it can be sewn with. */
  readonly uses: number;
  /** What it is easily taken for, and how to tell; empty where nothing is like it. */
  readonly looksLike: string;
}

interface CountingBoardProps {
  readonly projectId: string;
  readonly papers: readonly CountedPaper[];
  /** Piles that are counted against a number: the papers of each block's bag. */
  readonly piles: readonly { readonly name: string; readonly counts: Readonly<Record<string, number>> }[];
}

/** The choice of no pile; no block is called so. */
const NOTHING = '–';

type Counts = Readonly<Record<string, number>>;

/** A mixed pile counted by kinds, by hand or by the scale: what is over and short is seen at once. Counts stay on the device until it is emptied. */
export function CountingBoard({ projectId, papers, piles }: CountingBoardProps) {
  const { counts, total, canUndo, put, back, isBusy, putIntoStock } = useCounts(projectId);
  const [pile, setPile] = useState(NOTHING);
  const gear = useScaleSettings();
  const reading = useScale();
  const [sewn, setSewn] = useState(0);
  const wanted = piles.find(({ name }) => name === pile)?.counts;
  const shown = wanted ? papers.filter(({ name }) => (wanted[name] ?? 0) > 0 || (counts[name] ?? 0) > 0) : papers;
  const set = (name: string, count: number) => put({ ...counts, [name]: Math.min(99_999, Math.max(0, count)) });
  return (
    <Box sx={{ maxWidth: 900 }}>
      <Stack direction="row" sx={{ justifyContent: 'space-between', flexWrap: 'wrap', gap: 1 }}>
        <Typography variant="h2">Counting board</Typography>
        <Stack direction="row" spacing={1}>
          <Button component="a" href={`/p/${projectId}/bags/scale`} target="_blank" rel="noopener">
            Scale stand-in
          </Button>
          <LinkButton href={`/p/${projectId}/bags`}>All bags</LinkButton>
        </Stack>
      </Stack>
      <Typography sx={{ mb: 1.5 }}>
        For a mixed pile, or papers that came back: press once for each paper, or for ten. Counts stay on this device.
      </Typography>
      <Choice label="Counted against" value={pile} choices={[[NOTHING, 'nothing: only count'], ...piles.map(({ name }) => [name, name] as const)]} onChange={setPile} />
      <Stack direction="row" spacing={1} sx={{ my: 1.5, alignItems: 'center' }}>
        <Button disabled={!canUndo} onClick={back}>Undo</Button>
        <Button disabled={total === 0} onClick={() => put({})}>Begin again</Button>
        <Button variant="contained" disabled={total === 0 || isBusy} onClick={() => void putIntoStock(sewn)}>
          Put these into stock
        </Button>
        <Typography role="status">{`${counted(total, 'paper')} counted`}</Typography>
      </Stack>
      <Box sx={{ maxWidth: 460, mb: 2 }}>
        <NumberField label="These were sewn with, times" value={sewn} least={0} most={50} isWhole hint="0: new papers. Those that are used up stay out" onChange={setSewn} />
      </Box>
      <Box sx={{ display: 'grid', gap: 1 }}>
        {shown.map((paper) => (
          <PaperRow
            key={paper.name}
            paper={paper}
            count={counts[paper.name] ?? 0}
            wanted={wanted ? (wanted[paper.name] ?? 0) : undefined}
            own={weighing(paper.areaMm2, gear.card, gear.scale)}
            grams={reading?.isStable ? reading.grams : undefined}
            onCount={(count) => set(paper.name, count)}
          />
        ))}
      </Box>
      <ScaleAndCard {...gear} />
    </Box>
  );
} // prettier-ignore

/** Counts of a pile, kept on the device: each change can be taken back, and what is put into stock begins anew. */
function useCounts(projectId: string) {
  const [kept, keep] = useRemembered(`kevlo-count-${projectId}`);
  const [past, setPast] = useState<readonly string[]>([]);
  const notice = useNotice();
  const [isBusy, setIsBusy] = useState(false);
  const counts = readCounts(kept);
  const total = Object.values(counts).reduce((sum, count) => sum + count, 0);
  const put = (next: Counts) => {
    setPast((all) => [...all.slice(-50), kept ?? '{}']);
    keep(JSON.stringify(next));
  };
  const back = () => {
    const before = past.at(-1);
    if (before === undefined) return;
    keep(before);
    setPast((all) => all.slice(0, -1));
  };
  /** @param sewn how often these papers were sewn with */
  const putIntoStock = async (sewn: number) => {
    const papersIn = Object.fromEntries(Object.entries(counts).filter(([, count]) => count > 0));
    const tell = (sign: 1 | -1) =>
      send<{ usedUp?: Readonly<Record<string, number>> }>('POST', `/api/projects/${projectId}/stock`, {
        sewn,
        papers: Object.fromEntries(Object.entries(papersIn).map(([name, count]) => [name, sign * count])),
      });
    setIsBusy(true);
    try {
      const { usedUp = {} } = await tell(1);
      const spent = Object.values(usedUp).reduce((sum, count) => sum + count, 0);
      put({});
      notice({
        text: `${counted(total - spent, 'paper')} put into stock.${sayUsedUp(usedUp)}`,
        undo: async () => {
          await tell(-1);
          keep(JSON.stringify(papersIn));
        },
      });
    } catch (error) {
      notice({ text: asRefusal(error).message });
    } finally {
      setIsBusy(false);
    }
  };
  return { counts, total, canUndo: past.length > 0, put, back, isBusy, putIntoStock };
}

/** What the scale and the card are: how far a count by weight is trusted. */
function ScaleAndCard({ card, scale, change }: ReturnType<typeof useScaleSettings>) {
  return (
    <>
      <Typography variant="h3" sx={{ mt: 3, mb: 1.5 }}>The scale and the card</Typography>
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr 1fr', sm: 'repeat(4, 1fr)' }, gap: 1.5 }}>
        <NumberField label="Step of the display, g" value={scale.resolutionG} {...WEIGHING_LIMITS.resolutionG} onChange={(resolutionG) => change({ scale: { ...scale, resolutionG } })} />
        <NumberField label="Spread of readings, g" value={scale.repeatabilityG} {...WEIGHING_LIMITS.repeatabilityG} onChange={(repeatabilityG) => change({ scale: { ...scale, repeatabilityG } })} />
        <NumberField label="Card, g/m²" value={card.gramsPerM2} {...WEIGHING_LIMITS.gramsPerM2} onChange={(gramsPerM2) => change({ card: { ...card, gramsPerM2 } })} />
        <NumberField label="Papers vary by, %" value={card.variesPercent} {...WEIGHING_LIMITS.variesPercent} onChange={(variesPercent) => change({ card: { ...card, variesPercent } })} />
      </Box>
      <KeepGear gear={{ card, scale }} />
      <Typography color="textSecondary" sx={{ mt: 1 }}>
        A count is trusted where half a paper is more than three times what readings and papers spread: it is then wrong about once in 370. Set the scale to zero between piles.
      </Typography>
    </>
  );
} // prettier-ignore

/** “ 12 × kite are used up: take them out.” */
function sayUsedUp(usedUp: Readonly<Record<string, number>>): string {
  const words = Object.entries(usedUp).map(([name, count]) => times(count, name));
  return words.length === 0 ? '' : ` Used up, not put in: ${words.join(', ')}.`;
}

function readCounts(kept: string | undefined): Counts {
  try {
    const found: unknown = JSON.parse(kept ?? '{}');
    return found && typeof found === 'object' ? (found as Counts) : {};
  } catch {
    return {};
  }
}

interface PaperRowProps {
  readonly paper: CountedPaper;
  readonly count: number;
  readonly wanted: number | undefined;
  readonly own: Weighing;
  /** What lies on the scale, where one is at rest. */
  readonly grams: number | undefined;
  readonly onCount: (count: number) => void;
}

const big = { minHeight: 52, minWidth: 52, fontSize: '1.05rem' } as const;

function PaperRow({ paper: { name, outline, looksLike, uses }, count, wanted, own, grams, onCount }: PaperRowProps) {
  const difference = wanted === undefined ? undefined : count - wanted;
  const tone = difference === undefined ? 'inherit' : difference === 0 ? 'success.main' : difference > 0 ? 'error.main' : 'warning.main';
  const weighed = grams === undefined ? undefined : countOf(grams, own);
  return (
    <Box role="group" aria-label={name} sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '1fr auto' }, gap: 1, alignItems: 'center', border: 1, borderColor: difference === 0 ? 'success.main' : 'divider', p: 1 }}>
      <Stack direction="row" spacing={1.5} sx={{ alignItems: 'center' }}>
        <Silhouette outline={outline} size={44} label={`Outline of ${name}`} />
        <Box>
          <Typography sx={{ fontSize: '1.1rem' }}>{name}</Typography>
          {looksLike !== '' && <Typography color="textSecondary">{looksLike}</Typography>}
          <Typography color="textSecondary">{`${sayWeighing(own, wanted)}; lasts ${counted(uses, 'use')}`}</Typography>
        </Box>
      </Stack>
      <Stack direction="row" spacing={0.5} sx={{ alignItems: 'center', flexWrap: 'wrap' }}>
        <PlainButton look="framed" disabled={count === 0} onClick={() => onCount(count - 1)} aria-label={`1 less, ${name}`} sx={big}>−1</PlainButton>
        <Typography aria-live="polite" sx={{ minWidth: 110, textAlign: 'center', fontVariantNumeric: 'tabular-nums', color: tone }}>
          {sayCount(count, wanted)}
        </Typography>
        <PlainButton look="framed" onClick={() => onCount(count + 1)} aria-label={`1 more, ${name}`} sx={big}>+1</PlainButton>
        <PlainButton look="framed" onClick={() => onCount(count + 10)} aria-label={`10 more, ${name}`} sx={big}>+10</PlainButton>
        {weighed && (
          <PlainButton look="filled" disabled={!weighed.isSure || weighed.count === 0} onClick={() => onCount(weighed.count)} aria-label={`${weighed.count} by weight, ${name}`} sx={big}>
            {weighed.isSure ? `Scale: ${weighed.count}` : 'Scale: not sure'}
          </PlainButton>
        )}
      </Stack>
    </Box>
  );
} // prettier-ignore

function sayCount(count: number, wanted: number | undefined): string {
  if (wanted === undefined) return String(count);
  if (count === wanted) return `✓ ${count}`;
  return count > wanted ? `${count}: ${count - wanted} over` : `${count} of ${wanted}`;
}

/** What weighing is good for with this paper. */
function sayWeighing(own: Weighing, wanted: number | undefined): string {
  const each = `${own.paperG.toFixed(2)} g each`;
  if (!own.canTell) return `${each}: too light for this scale; count in tens by hand`;
  if (own.most === 0)
    return `${each}: this scale sees that one lies there, but its counts cannot be trusted; count in tens by hand`;
  const trusted = `${each}: trusted up to ${own.most} by weight`;
  if (wanted === undefined || wanted === 0) return trusted;
  if (wanted > own.most) return `${trusted}; weigh ${wanted} in ${Math.ceil(wanted / own.most)} piles`;
  const { grams, offG } = targetOf(wanted, own);
  return `${trusted}; ${wanted} weigh ${grams.toFixed(1)} g, give or take ${offG.toFixed(2)}`;
}
