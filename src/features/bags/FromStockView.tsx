'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { cheapestPacks, costOf, type PackCount, type PackSize } from '@/core/order';
import { counted, timesWord } from '@/core/words';
import type { FromStock, ReadyBag } from '@/server/bags';
import { asRefusal, send } from '@/ui/api';
import { useNotice } from '@/ui/Notices';
import { useRemembered } from '@/ui/useRemembered';
import { useMoney } from '@/ui/money';

interface FromStockViewProps {
  readonly projectId: string;
  /** Papers of the project by name, with how many all bags take. */
  readonly papers: readonly { readonly what: string; readonly total: number }[];
  /** What the stock says is there, by name; another count may be supposed here. */
  readonly stock: Readonly<Record<string, number>>;
  /** Of these, those that were sewn with, in words. */
  readonly worn: Readonly<Record<string, string>>;
  /** How papers are sold. */
  readonly sizes: readonly PackSize[];
}

/** What lies on the shelf: which bags can be packed from it, and what is to be got for the rest. */
export function FromStockView({ projectId, papers, stock: stocked, worn, sizes }: FromStockViewProps) {
  const notice = useNotice();
  const [kept, keep] = useRemembered(`kevlo-paper-stock-${projectId}`);
  const typed = readTyped(kept);
  const [answer, setAnswer] = useState<
    { readonly of: string; readonly is: FromStock | 'busy' } | undefined
  >();
  const textOf = (what: string) => typed[what] ?? (stocked[what] ? String(stocked[what]) : '');
  const wrong = papers.filter(({ what }) => countOf(textOf(what)) === undefined);
  const isOwn = papers.some(({ what }) => typed[what] !== undefined);
  const stock = Object.fromEntries(papers.map(({ what }) => [what, countOf(textOf(what)) ?? 0]));
  // An answer is of the counts that were asked about: of others it says nothing.
  const of = JSON.stringify(stock);
  const found = answer?.of === of ? answer.is : undefined;
  const ask = async () => {
    const settle = (is: FromStock | undefined) =>
      setAnswer((now) => (now?.of === of ? is && { of, is } : now));
    setAnswer({ of, is: 'busy' });
    try {
      settle(await send<FromStock>('POST', `/api/projects/${projectId}/share`, { stock }));
    } catch (error) {
      settle(undefined);
      notice({ text: asRefusal(error).message });
    }
  };
  return (
    <Box>
      <Typography color="textSecondary" sx={{ mb: 1.5 }}>
        What was counted into the stock stands here, less what bags took since; another count may be supposed. Kevlo says
        which bags can be packed complete: the most of them, earlier drops first.
      </Typography>
      <Stack
        component="form"
        direction="row"
        onSubmit={(event: React.FormEvent) => {
          event.preventDefault();
          void ask();
        }}
        sx={{ flexWrap: 'wrap', rowGap: 2.5, columnGap: 1.5, alignItems: 'flex-start' }}
      >
        {papers.map(({ what, total }) => (
          <TextField
            key={what}
            label={what}
            value={textOf(what)}
            placeholder="0"
            error={countOf(textOf(what)) === undefined}
            helperText={countOf(textOf(what)) === undefined ? 'A whole number from 0, please' : [`${total} for all bags`, ...(worn[what] ? [`of those there ${worn[what]}`] : [])].join('; ')}
            onChange={({ target }) => keep(JSON.stringify({ ...typed, [what]: target.value }))}
            slotProps={{ htmlInput: { inputMode: 'numeric' }, inputLabel: { shrink: true } }}
            sx={{ width: 240 }}
          />
        ))}
        <Button type="submit" variant="contained" disabled={wrong.length > 0 || found === 'busy'} sx={{ minHeight: 48 }}>
          Which bags can be packed?
        </Button>
        {isOwn && (
          <Button onClick={() => keep('{}')} sx={{ minHeight: 48 }}>
            As the stock says
          </Button>
        )}
      </Stack>
      <Box aria-live="polite" sx={{ mt: 2 }}>
        {found === 'busy' && <Typography role="status">One moment …</Typography>}
        {found && found !== 'busy' && <Found found={found} sizes={sizes} />}
      </Box>
    </Box>
  ); // prettier-ignore
}

/** The counts as they were typed on this device. */
function readTyped(kept: string | undefined): Readonly<Record<string, string>> {
  try {
    const found: unknown = JSON.parse(kept ?? '{}');
    return found && typeof found === 'object' ? (found as Record<string, string>) : {};
  } catch {
    return {};
  }
}

/** A count as it is typed; nothing is none. */
function countOf(text = ''): number | undefined {
  const plain = text.trim();
  if (plain === '') return 0;
  return /^\d{1,6}$/.test(plain) ? Number(plain) : undefined;
}

interface FoundProps {
  readonly found: FromStock;
  readonly sizes: readonly PackSize[];
}

function Found({ found: { ready, wanting, missing, isProven }, sizes }: FoundProps) {
  const money = useMoney();
  const isPriced = sizes.some(({ price }) => price > 0);
  if (wanting === 0) return <Typography>Every bag is packed.</Typography>;
  const byBlock = new Map<string, ReadyBag[]>();
  for (const bag of ready) byBlock.set(bag.block, [...(byBlock.get(bag.block) ?? []), bag]);
  return (
    <>
      <Typography variant="h3">
        {ready.length} of {counted(wanting, 'bag')} can be packed now{isProven ? '' : ' (more may be possible)'}
      </Typography>
      <Box component="ul" sx={{ pl: 2.5 }}>
        {[...byBlock].map(([block, bags]) => (
          <li key={block}>
            <strong>{block}</strong>, {counted(bags.length, 'bag')}: {bags.map(({ maker }) => maker).join(', ')}
          </li>
        ))}
      </Box>
      <Typography variant="h3">
        {missing.length === 0 ? 'Nothing is missing for the others' : 'To get, so that every bag can be packed'}
      </Typography>
      <Box component="ul" sx={{ pl: 2.5 }}>
        {missing.map(({ paper, count }) => (
          <li key={paper}>
            <strong>{count}</strong> {timesWord(paper)} {paper}: {sayPacks(cheapestPacks(count, sizes), money)}
          </li>
        ))}
      </Box>
      {missing.length > 0 && (
        <Typography>
          <strong>In all {sayPacks(together(missing.map(({ count }) => cheapestPacks(count, sizes))), money)}.</strong> {isPriced ? 'The cheapest whole packs.' : 'The fewest papers in whole packs; prices are not known.'} How many papers packs hold, and their prices, stand in the figures of the order, under Cloth.
        </Typography>
      )}
    </>
  ); // prettier-ignore
}

/** “2 packs of 100 + 1 pack of 25, 11.50”; without a price where nobody said it. */
function sayPacks(packs: readonly PackCount[], money: (amount: number) => string): string {
  const cost = costOf(packs);
  const words = packs.map(({ packs: count, pack }) => `${counted(count, 'pack')} of ${pack}`).join(' + ');
  return `${words}${cost > 0 ? `, ${money(cost)}` : ''}`;
}

/** Packs of several papers, size by size. */
function together(all: readonly (readonly PackCount[])[]): PackCount[] {
  const bySize = new Map<number, PackCount>();
  for (const own of all.flat())
    bySize.set(own.pack, { ...own, packs: own.packs + (bySize.get(own.pack)?.packs ?? 0) });
  return [...bySize.values()].sort((a, b) => b.pack - a.pack);
}
