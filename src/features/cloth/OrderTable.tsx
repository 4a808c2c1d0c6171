import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableContainer from '@mui/material/TableContainer';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import type { UnitSystem } from '@/core/length';
import {
  sayAmount,
  sayThing,
  sayToBuy,
  shownUnit,
  type Order,
  type OrderLine,
  type OrderPlan,
} from '@/core/order';
import { useMoney } from '@/ui/money';

interface OrderTableProps {
  readonly order: Order;
  readonly plan: OrderPlan;
  readonly system: UnitSystem;
  readonly onChange: (part: Partial<OrderPlan>, label: string) => void;
}

/** A count as it is made now. */
function countedNow({ stock, stockAt }: OrderPlan, key: string, count: number): Partial<OrderPlan> {
  return { stock: { ...stock, [key]: count }, stockAt: { ...stockAt, [key]: Date.now() } };
}

/** One row for each thing: how much of it, what is there, what is to be bought, where. */
export function OrderTable({ order: { lines, toPay }, plan, system, onChange }: OrderTableProps) {
  const money = useMoney();
  const setStock = (key: string, count: number) => onChange(countedNow(plan, key, count), `stock ${key}`);
  const setSupplier = (key: string, words: string) => onChange({ suppliers: { ...plan.suppliers, [key]: words } }, `supplier ${key}`); // prettier-ignore
  return (
    <TableContainer>
      <Table size="small" aria-labelledby="order-title">
        <TableHead>
          <TableRow>
            {['What', 'All bags', 'Still to pack', 'In stock', 'On its way', 'To buy', 'Cost', 'From'].map((name, column) => (
              <TableCell key={name} align={column === 0 || column === 7 ? 'left' : 'right'}>
                {name}
              </TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {lines.map((line) => (
            <LineRow
              key={line.key}
              line={line}
              system={system}
              supplier={plan.suppliers[line.key] ?? ''}
              onStock={(count) => setStock(line.key, count)}
              onSupplier={(words) => setSupplier(line.key, words)}
            />
          ))}
          <TableRow>
            <TableCell colSpan={6}>Together</TableCell>
            <TableCell align="right">{money(toPay.all)}</TableCell>
            <TableCell />
          </TableRow>
        </TableBody>
      </Table>
    </TableContainer>
  );
} // prettier-ignore

interface LineRowProps {
  readonly line: OrderLine;
  readonly system: UnitSystem;
  readonly supplier: string;
  readonly onStock: (count: number) => void;
  readonly onSupplier: (words: string) => void;
}

const field = { font: 'inherit', color: 'inherit', background: 'none', border: 1, borderColor: 'divider', px: 0.75, minHeight: 34 } as const; // prettier-ignore

function LineRow({ line, system, supplier, onStock, onSupplier }: LineRowProps) {
  const thing = sayThing(line);
  const money = useMoney();
  const { cost } = line;
  const isShort = line.packs > 0;
  const { unit, size } = shownUnit(line, system);
  return (
    <TableRow>
      <TableCell>{thing}</TableCell>
      <TableCell align="right">{sayAmount(line, line.needed, system)}</TableCell>
      <TableCell align="right">{sayAmount(line, line.left, system)}</TableCell>
      <TableCell align="right">
        {line.group === 'cloth' ? (
          sayAmount(line, line.stock, system)
        ) : (
          <Box
            component="input"
            type="number"
            min={0}
            max={9_999_999}
            step="any"
            aria-label={`In stock: ${thing}, ${unit}`}
            value={Math.round((line.stock / size) * 100) / 100}
            onChange={({ target }: React.ChangeEvent<HTMLInputElement>) => {
              const count = target.valueAsNumber;
              if (count >= 0 && count < 1e7) onStock(count * size);
              else if (target.value === '') onStock(0);
            }}
            sx={{ ...field, width: 84, textAlign: 'right' }}
          />
        )}
      </TableCell>
      <TableCell align="right">{line.ordered > 0 ? sayAmount(line, line.ordered, system) : ''}</TableCell>
      <TableCell align="right" sx={{ fontWeight: isShort ? 600 : 400, color: line.over > 0 ? 'error.main' : 'inherit' }}>
        {sayToBuy(line, system)}
      </TableCell>
      <TableCell align="right">{cost > 0 ? money(cost) : ''}</TableCell>
      <TableCell>
        <Box
          component="input"
          aria-label={`Supplier of ${thing}`}
          value={supplier}
          maxLength={120}
          onChange={({ target }: React.ChangeEvent<HTMLInputElement>) => onSupplier(target.value)}
          sx={{ ...field, width: 110 }}
        />
      </TableCell>
    </TableRow>
  );
} // prettier-ignore
