import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { MOST_COUNT, bagState, sayStray, type BagState, type PackingLine, type Ticks } from '@/core/packing';
import { counted } from '@/core/words';
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
function tickNow(before: Ticks, key: string, count: number): Ticks {
  return { [key]: { count, at: Math.max(Date.now(), (before[key]?.at ?? 0) + 1) } };
}

/** One bag: big lines to count in, by ones and tens; it is closed when every line is right, or left open as it is. */
export function OpenBag({ bag, kit, me, fabrics, onAct, onLeave, onDone }: OpenBagProps) {
  const { status, ticks, holder, checkedBy } = kit;
  const state = bagState(bag.lines, ticks);
  const isTheirs = holder !== null && holder.id !== me;
  const tick = (key: string, count: number) => onAct({ kind: 'tick', ticks: tickNow(ticks, key, count) });
  const close = () => {
    onAct({ kind: 'close' });
    onDone();
  };
  const heading = (
    <>
      <Typography variant="h3" sx={{ mb: 0.5 }}>
        {bag.block}, {bag.maker}
      </Typography>
      {bag.outer && (
        <Typography color="textSecondary">{`Bag ${bag.outer.blocks.indexOf(bag.blockId) + 1} of ${bag.outer.blocks.length} within the bag of ${bag.outer.drop}.`}</Typography>
      )}
    </>
  );
  if (status !== 'to-pack')
    return (
      <Box component="section" aria-label="The bag">
        {heading}
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
          <LineRow key={line.key} {...{ line, inBag, fabrics }} onCount={(count) => tick(line.key, count)} />
        ))}
      </Box>
      <Strays state={state} onOut={(key) => tick(key, 0)} />
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
  readonly onCount: (count: number) => void;
}

const big = { minHeight: 52, minWidth: 52, fontSize: '1.05rem' } as const;

function LineRow({ line: { what, note, count, outline, fabric }, inBag, fabrics, onCount }: LineRowProps) {
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
            <strong>{count}</strong> × {what}
          </Typography>
          <Typography color="textSecondary">{note}</Typography>
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
    </Box>
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
          <Typography>{`${count} × ${sayStray(key)}`}</Typography>
          <Button onClick={() => onOut(key)}>They are out</Button>
        </Stack>
      ))}
    </Box>
  );
} // prettier-ignore
