import Box from '@mui/material/Box';
import Autocomplete from '@mui/material/Autocomplete';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import {
  MOST_COUNT,
  bagState,
  sayStray,
  substitutions,
  type BagState,
  type PackingLine,
  type Ticks,
} from '@/core/packing';
import { counted, times, timesWord } from '@/core/words';
import type { PackingAct, PackingKit } from '@/server/bags';
import { Silhouette } from '@/ui/drawing';
import { FabricChip } from '@/ui/FabricChip';
import { PlainButton } from '@/ui/PlainButton';
import { CheckBag } from './CheckBag';
import { InnerBagsList } from './InnerBagsList';
import type { TableBag } from './tableBag';

interface OpenBagProps {
  readonly bag: TableBag;
  readonly kit: PackingKit;
  readonly me: string;
  readonly fabrics: readonly string[];
  readonly onAct: (act: PackingAct) => void;
  /** It is put aside as it is. */
  readonly onLeave: () => void;
  /** It is closed, or was looked into. */
  readonly onDone: () => void;
}

/** What is said now of a line: a device whose clock is behind still has the last word on what it counts. */
function tickNow(before: Ticks, key: string, more: { readonly count?: number; readonly instead?: string }): Ticks {
  const { count = 0, instead = '', at = 0 } = { ...before[key], ...more, at: before[key]?.at };
  return { [key]: { count, at: Math.max(Date.now(), at + 1), ...(instead === '' ? {} : { instead }) } };
} // prettier-ignore

/** One bag: big lines to count in, by ones and tens; it is closed when every line is right, or left open as it is. */
export function OpenBag({ bag, kit, me, fabrics, onAct, onLeave, onDone }: OpenBagProps) {
  const { status, ticks, holder, checkedBy } = kit;
  const state = bagState(bag.lines, ticks);
  const isTheirs = holder !== null && holder.id !== me;
  const tick = (key: string, more: { readonly count?: number; readonly instead?: string }) => onAct({ kind: 'tick', ticks: tickNow(ticks, key, more) });
  const close = () => {
    onAct({ kind: 'close' });
    onDone();
  };
  const heading = (
    <>
      <Typography variant="h3" sx={{ mb: 0.5 }}>
        {bag.block}, {bag.maker}
      </Typography>
      {bag.choice && <Typography sx={{ fontWeight: 600 }}>{`This maker’s own: ${bag.choice}.`}</Typography>}
      {bag.outer && (
        <Typography color="textSecondary">{`Bag ${bag.outer.blocks.indexOf(bag.blockId) + 1} of ${bag.outer.blocks.length} within the bag of ${bag.outer.drop}.`}</Typography>
      )}
    </>
  );
  if (status !== 'to-pack')
    return (
      <Box component="section" aria-label="The bag">
        {heading}
        {substitutions(ticks).map(({ what, instead }) => (
          <Typography key={what}>{`${instead} lies in it in place of ${what}.`}</Typography>
        ))}
        <CheckBag lines={bag.lines} checkedBy={checkedBy} onRight={() => onAct({ kind: 'check' })} onBack={onDone} />
      </Box>
    );
  return (
    <Box component="section" aria-label="The bag">
      {heading}
      {isTheirs && (
        <Stack direction="row" role="alert" sx={{ gap: 1.5, alignItems: 'center', flexWrap: 'wrap', my: 1 }}>
          <Typography>{holder.name} has this bag in hand.</Typography>
          <Button onClick={() => onAct({ kind: 'take', isOver: true })}>Take it over</Button>
        </Stack>
      )}
      {bag.inner && <InnerBagsList inner={bag.inner} />}
      <Box sx={{ display: 'grid', gap: 1, my: 1.5 }}>
        {state.lines.map(({ line, inBag }) => (
          <LineRow key={line.key} {...{ line, inBag, fabrics }} instead={ticks[line.key]?.instead ?? ''} onSay={(more) => tick(line.key, more)} />
        ))}
      </Box>
      <Strays state={state} onOut={(key) => tick(key, { count: 0 })} />
      <Stack direction="row" sx={{ gap: 1.5, flexWrap: 'wrap', position: 'sticky', bottom: 0, bgcolor: 'background.default', py: 1.5 }}>
        <PlainButton look="filled" disabled={!state.isComplete} onClick={close} sx={{ minHeight: 56, flexGrow: 1 }}>
          {state.isComplete ? 'All in: close this bag' : sayOpen(state)}
        </PlainButton>
        <Button onClick={onLeave} sx={{ minHeight: 56 }}>
          Leave it as it is
        </Button>
      </Stack>
    </Box>
  );
} // prettier-ignore

function sayOpen({ short, over, strays }: BagState): string {
  const parts = [
    ...(short > 0 ? [`${counted(short, 'line')} short`] : []),
    ...(over > 0 ? [`${counted(over, 'line')} over`] : []),
    ...(strays.length > 0 ? [`${counted(strays.length, 'line')} to take out`] : []),
  ];
  return `Not yet: ${parts.join(', ')}`;
}

interface LineRowProps {
  readonly line: PackingLine;
  readonly inBag: number;
  readonly fabrics: readonly string[];
  /** What is put in in its place; empty where it is itself. */
  readonly instead: string;
  readonly onSay: (more: { readonly count?: number; readonly instead?: string }) => void;
}

const big = { minHeight: 52, minWidth: 52, fontSize: '1.05rem' } as const;

function LineRow({ line: { what, note, count, outline, fabric }, inBag, fabrics, instead, onSay }: LineRowProps) {
  const [isAsking, setIsAsking] = useState(false);
  const onCount = (next: number) => onSay({ count: next });
  const [isRight, isOver] = [inBag === count, inBag > count];
  const add = (step: number) => onCount(Math.min(MOST_COUNT, Math.max(0, inBag + step)));
  return (
    <Box
      role="group"
      aria-label={what}
      sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '1fr auto' }, gap: 1, alignItems: 'center', border: 1, borderColor: isRight ? 'success.main' : isOver ? 'error.main' : 'divider', p: 1 }}
    >
      <Stack direction="row" spacing={1.5} sx={{ alignItems: 'center' }}>
        {outline && <Silhouette outline={outline} size={44} label={`Outline of ${what}`} />}
        {fabric !== undefined && <FabricChip fabric={fabric} fabrics={fabrics} size={44} />}
        <Box>
          <Typography sx={{ fontSize: '1.1rem' }}>
            <strong>{count}</strong> {timesWord(what)} {what}
          </Typography>
          <Typography color="textSecondary">{note}</Typography>
          {instead !== '' && <Typography color="warning.main">{`${instead} in its place`}</Typography>}
          <PlainButton look="text" aria-expanded={isAsking} aria-label={`Something else for ${what}`} onClick={() => setIsAsking(!isAsking)} sx={{ px: 0, minHeight: 28 }}>
            Something else …
          </PlainButton>
        </Box>
      </Stack>
      <Stack direction="row" spacing={0.5} sx={{ alignItems: 'center', flexWrap: 'wrap' }}>
        {[-10, -1].map((step) => (
          <PlainButton key={step} look="framed" disabled={inBag === 0} onClick={() => add(step)} aria-label={`${-step} out of ${what}`} sx={big}>
            {`−${-step}`}
          </PlainButton>
        ))}
        <Typography aria-live="polite" sx={{ minWidth: 74, textAlign: 'center', fontVariantNumeric: 'tabular-nums', color: isRight ? 'success.main' : isOver ? 'error.main' : 'inherit' }}>
          {isRight ? `✓ ${inBag}` : isOver ? `${inBag}: ${inBag - count} over` : `${inBag} of ${count}`}
        </Typography>
        {[1, 10].map((step) => (
          <PlainButton key={step} look="framed" onClick={() => add(step)} aria-label={`${step} in, ${what}`} sx={big}>
            {`+${step}`}
          </PlainButton>
        ))}
        <PlainButton look={isRight ? 'framed' : 'filled'} disabled={isRight} onClick={() => onCount(count)} aria-label={`All ${count} in, ${what}`} sx={big}>
          All
        </PlainButton>
      </Stack>
      {isAsking && (
        <SomethingElse
          what={what}
          instead={instead}
          fabrics={fabrics}
          onSay={(other) => {
            onSay({ instead: other });
            setIsAsking(false);
          }}
        />
      )}
    </Box>
  );
} // prettier-ignore

interface SomethingElseProps {
  readonly what: string;
  readonly instead: string;
  readonly fabrics: readonly string[];
  readonly onSay: (instead: string) => void;
}

/** What is put in in place of a line that ran out: it stands on the maker’s page. */
function SomethingElse({ what, instead, fabrics, onSay }: SomethingElseProps) {
  const [typed, setTyped] = useState(instead);
  return (
    <Stack
      component="form"
      direction="row"
      spacing={1}
      sx={{ gridColumn: '1 / -1', alignItems: 'center' }}
      onSubmit={(event: React.FormEvent) => {
        event.preventDefault();
        onSay(typed.trim());
      }}
    >
      <Autocomplete
        freeSolo
        fullWidth
        options={fabrics}
        inputValue={typed}
        onInputChange={(_, value) => setTyped(value)}
        renderInput={(params) => <TextField {...params} label={`In place of ${what}`} />}
      />
      <Button type="submit">{typed.trim() === '' ? 'It is itself' : 'Put it in'}</Button>
    </Stack>
  );
} // prettier-ignore

/** What was put in before the block changed, and does not belong in the bag any more. */
function Strays({ state: { strays }, onOut }: { readonly state: BagState; readonly onOut: (key: string) => void }) {
  if (strays.length === 0) return null;
  return (
    <Box role="alert" sx={{ my: 1.5 }}>
      <Typography>The block changed while this bag was packed. Take out:</Typography>
      {strays.map(({ key, count }) => (
        <Stack key={key} direction="row" spacing={1.5} sx={{ alignItems: 'center', py: 0.5 }}>
          <Typography>{times(count, sayStray(key))}</Typography>
          <Button onClick={() => onOut(key)}>They are out</Button>
        </Stack>
      ))}
    </Box>
  );
} // prettier-ignore
