'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableContainer from '@mui/material/TableContainer';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { orderCsv } from '@/core/formats';
import type { UnitSystem } from '@/core/length';
import type { TopPieces } from '@/core/setting';
import {
  ORDER_LIMITS,
  USUAL_ORDER,
  marginOf,
  oneMaker,
  orderOf,
  priceOf,
  type NamedShelf,
  type Order,
  type OrderFigures,
  type OrderedBlock,
} from '@/core/order';
import { Facts } from '@/ui/Facts';
import { formatBolt } from '@/ui/formatBolt';
import { useRemembered } from '@/ui/useRemembered';
import { TopClothFields, topCuts, useTopCloths } from './TopCloths';

interface OrderPanelProps {
  readonly projectId: string;
  readonly blocks: readonly OrderedBlock[];
  readonly makers: number;
  readonly shelf: NamedShelf;
  readonly system: UnitSystem;
  /** What each maker’s top takes beside the blocks. */
  readonly top: TopPieces;
}

const LABELS: Readonly<Record<keyof OrderFigures, string>> = {
  papersInPack: 'Papers in a pack',
  packPrice: 'Price of a pack',
  spoolMetres: 'Metres on a spool',
  spoolPrice: 'Price of a spool',
  notionsPrice: 'Notions for a maker',
  marginPercent: 'Margin, % of the price',
  taxPercent: 'Tax on the price, %',
};
const NAMES = Object.keys(LABELS) as (keyof OrderFigures)[];

/** What is bought for all bags, what a maker's share costs, and what to ask for it. */
export function OrderPanel({ projectId, blocks, makers, shelf, system, top }: OrderPanelProps) {
  const cloths = useTopCloths(projectId);
  const cuts = topCuts(top, cloths.chosen, shelf);
  const [kept, keep] = useRemembered(`kevlo-order-${projectId}`);
  const typed = typedOf(kept);
  const figures = readFigures(typed);
  const order = orderOf(blocks, makers, shelf, figures, system, cuts);
  if (makers === 0) return null;
  return (
    <Box component="section" aria-labelledby="order-title" sx={{ mt: 4 }}>
      <Stack direction="row" sx={{ justifyContent: 'space-between', flexWrap: 'wrap', gap: 1 }}>
        <Typography variant="h3" id="order-title">
          The order
        </Typography>
        <Stack direction="row" spacing={1} className="no-print">
          <Button onClick={() => window.print()}>Print</Button>
          <Button
            component="a"
            variant="contained"
            download="order.csv"
            href={`data:text/csv;charset=utf-8,${encodeURIComponent(orderCsv(order, shelf, figures, system))}`}
          >
            Order as CSV
          </Button>
        </Stack>
      </Stack>
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr 1fr', md: 'repeat(4, 1fr)' }, gap: 1.5, my: 1.5 }} className="no-print">
        {NAMES.map((name) => (
          <TextField
            key={name}
            label={LABELS[name]}
            value={typed[name]}
            inputMode="decimal"
            error={readNumber(typed[name], name) === undefined}
            helperText={readNumber(typed[name], name) === undefined ? `${ORDER_LIMITS[name].least} to ${ORDER_LIMITS[name].most}` : undefined}
            onChange={({ target }) => keep(JSON.stringify({ ...typed, [name]: target.value }))}
          />
        ))}
      </Box>
      <TopClothFields top={top} shelf={shelf} cloths={cloths} />
      <OrderTable order={order} figures={figures} system={system} />
      <Costs order={order} figures={figures} steps={oneMaker(blocks, makers, shelf, figures, system, cuts)} />
      <Typography color="textSecondary" className="no-print">
        These figures are kept on this device. A price of 0 is one that is not known; it is left out of the sums.
      </Typography>
    </Box>
  );
} // prettier-ignore

type TypedFigures = Record<keyof OrderFigures, string>;

function typedOf(kept: string | undefined): TypedFigures {
  const usual = Object.fromEntries(NAMES.map((name) => [name, String(USUAL_ORDER[name])])) as TypedFigures;
  try {
    return kept === undefined ? usual : { ...usual, ...(JSON.parse(kept) as Partial<TypedFigures>) };
  } catch {
    return usual;
  }
}

/** A number as it is typed, with a point or a comma; undefined where it is none or out of bounds. */
function readNumber(text: string, name: keyof OrderFigures): number | undefined {
  const value = text.trim() === '' ? NaN : Number(text.trim().replace(',', '.'));
  const { least, most } = ORDER_LIMITS[name];
  return value >= least && value <= most ? value : undefined;
}

const readFigures = (typed: TypedFigures): OrderFigures =>
  Object.fromEntries(NAMES.map((name) => [name, readNumber(typed[name], name) ?? USUAL_ORDER[name]])) as unknown as OrderFigures; // prettier-ignore

interface OrderTableProps {
  readonly order: Order;
  readonly figures: OrderFigures;
  readonly system: UnitSystem;
}

function OrderTable({ order: { cloth, papers, threadMetres, spools, makers, cost }, figures, system }: OrderTableProps) {
  const rows = [
    ...cloth.map(({ fabric, needMm, buyMm, cost: own }) => [fabric, formatBolt(needMm, system), buyMm > 0 ? formatBolt(buyMm, system) : 'enough in stock', own]),
    ...papers.map(({ what, total, packs }) => [`Papers: ${what}`, String(total), `${packs} × pack of ${figures.papersInPack}`, packs * figures.packPrice]),
    ['Thread', `${Math.ceil(threadMetres)} m`, `${spools} × ${figures.spoolMetres} m`, cost.thread],
    ['Notions', `${makers} makers`, `${makers} sets`, cost.notions],
  ] as const;
  return (
    <TableContainer>
      <Table size="small" aria-labelledby="order-title">
        <TableHead>
          <TableRow>
            <TableCell>What</TableCell>
            <TableCell align="right">All makers take</TableCell>
            <TableCell align="right">To buy</TableCell>
            <TableCell align="right">Cost</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {rows.map(([what, takes, buy, own], index) => (
            <TableRow key={index}>
              <TableCell>{what}</TableCell>
              <TableCell align="right">{takes}</TableCell>
              <TableCell align="right">{buy}</TableCell>
              <TableCell align="right">{Number(own) > 0 ? Number(own).toFixed(2) : ''}</TableCell>
            </TableRow>
          ))}
          <TableRow>
            <TableCell colSpan={3}>Together</TableCell>
            <TableCell align="right">{cost.all.toFixed(2)}</TableCell>
          </TableRow>
        </TableBody>
      </Table>
    </TableContainer>
  );
} // prettier-ignore

interface CostsProps {
  readonly order: Order;
  readonly figures: OrderFigures;
  readonly steps: { readonly more: number; readonly less: number };
}

/** What a maker costs and what to ask; or what is left of a price that is fixed. */
function Costs({ order: { cost, makers }, figures, steps }: CostsProps) {
  const [price, setPrice] = useState('');
  const each = cost.all / makers;
  const { net, tax, gross } = priceOf(each, figures);
  const asked = Number(price.replace(',', '.'));
  const margin = price.trim() !== '' && asked > 0 ? marginOf(each, asked, figures) : undefined;
  return (
    <Stack direction="row" sx={{ gap: 3, flexWrap: 'wrap', my: 2, alignItems: 'flex-start' }}>
      <Facts
        rows={[
          ['a maker costs', each.toFixed(2)],
          ['to ask', `${gross.toFixed(2)}: ${net.toFixed(2)} and ${tax.toFixed(2)} tax, for a margin of ${figures.marginPercent} %`],
          ['one more maker costs', steps.more.toFixed(2)],
          ['one maker less saves', steps.less.toFixed(2)],
        ]}
      />
      <Box sx={{ width: 220 }} className="no-print">
        <TextField
          label="A price that is fixed, tax in it"
          value={price}
          inputMode="decimal"
          helperText={margin === undefined ? 'Says the margin that is left.' : `Leaves a margin of ${margin.toFixed(1)} %.`}
          onChange={({ target }) => setPrice(target.value)}
        />
      </Box>
    </Stack>
  );
} // prettier-ignore
