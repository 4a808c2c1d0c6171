import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { changedSince, sayPacks, sayThing, type Order } from '@/core/order';
import type { UnitSystem } from '@/core/length';
import { counted } from '@/core/words';
import type { KeptPlacedOrder, OrderState, OrderTurn } from '@/server/orders';
import { send } from '@/ui/api';
import { ErrorNote } from '@/ui/ErrorNote';
import { formatDay } from '@/ui/formatDay';
import { useNotice } from '@/ui/Notices';
import { useSend } from '@/ui/useSend';
import { useMoney } from '@/ui/money';
import type { OwnOrder } from './useOrder';

interface PlacedOrdersProps {
  readonly projectId: string;
  readonly own: OwnOrder;
  readonly placed: readonly KeptPlacedOrder[];
  readonly system: UnitSystem;
  readonly onState: (state: OrderState) => void;
}

/** Orders that were sent off: each stays as it was; what would be ordered otherwise today is said. What came is added to the stock. */
export function PlacedOrders({ projectId, own: { order, isSaved, revision }, placed, system, onState }: PlacedOrdersProps) {
  const [name, setName] = useState('');
  const { error, isBusy, run } = useSend();
  const notice = useNotice();
  const path = `/api/projects/${projectId}/orders`;
  const place = () =>
    run(async () => {
      onState(await send<OrderState>('POST', path, { name: name.trim() === '' ? `Order ${placed.length + 1}` : name, revision }));
      setName('');
    });
  const turn = async (id: string, next: OrderTurn, undo?: { readonly text: string; readonly back: OrderTurn }): Promise<void> => {
    await run(async () => {
      onState(await send<OrderState>('PATCH', path, { id, turn: next }));
      if (undo) notice({ text: undo.text, undo: () => turn(id, undo.back) });
    });
  };
  const toBuy = order.lines.filter(({ packs }) => packs > 0).length;
  const isHeld = isBusy || !isSaved;
  return (
    <Box component="section" aria-label="Orders placed" sx={{ my: 2 }}>
      <ErrorNote error={error} />
      <Stack direction="row" className="no-print" sx={{ gap: 1.5, flexWrap: 'wrap', alignItems: 'center' }}>
        {toBuy > 0 ? (
          <>
            <TextField label="Name of this order" placeholder={`Order ${placed.length + 1}`} value={name} fullWidth={false} onChange={({ target }) => setName(target.value)} slotProps={{ htmlInput: { maxLength: 80 }, inputLabel: { shrink: true } }} sx={{ width: 220 }} />
            <Button variant="contained" disabled={isHeld} onClick={() => void place()} sx={{ minHeight: 44 }}>
              {`Note ${counted(toBuy, 'line')} as ordered`}
            </Button>
          </>
        ) : (
          <Typography>All that the bags take is there or on its way.</Typography>
        )}
      </Stack>
      {placed.map((one) => (
        <PlacedRow key={one.id} one={one} order={order} system={system} isHeld={isHeld} onTurn={turn} />
      ))}
    </Box>
  );
} // prettier-ignore

interface PlacedRowProps {
  readonly one: KeptPlacedOrder;
  readonly order: Order;
  readonly system: UnitSystem;
  readonly isHeld: boolean;
  readonly onTurn: (id: string, next: OrderTurn, undo?: { readonly text: string; readonly back: OrderTurn }) => Promise<void>;
} // prettier-ignore

function PlacedRow({ one, order, system, isHeld, onTurn }: PlacedRowProps) {
  const { id, name, placedAt, arrivedAt, lines } = one;
  const changed = changedSince(one, order);
  const money = useMoney();
  const cost = lines.reduce((sum, { packs, price }) => sum + packs * price, 0);
  const says = [`ordered ${formatDay(placedAt)}`, counted(lines.length, 'line'), ...(cost > 0 ? [money(cost)] : []), ...(arrivedAt === null ? [] : [`came ${formatDay(arrivedAt)}, now in stock`])];
  return (
    <Box component="details" sx={{ borderTop: 1, borderColor: 'divider', py: 1, mt: 1 }}>
      <Box component="summary" sx={{ cursor: 'pointer', minHeight: 32 }}>
        <strong>{name}</strong>: {says.join(', ')}
        {changed.length > 0 && <Box component="span" sx={{ color: 'warning.main' }}>{`; ${counted(changed.length, 'line')} would be ordered otherwise today`}</Box>}
      </Box>
      <Box component="ul" sx={{ pl: 2.5, my: 1 }}>
        {lines.map((line) => {
          const now = changed.find((change) => change.line === line);
          return (
            <li key={line.key}>
              {`${sayThing(line)}: ${sayPacks(line, line.packs, system)}${line.supplier === '' ? '' : `, ${line.supplier}`}`}
              {now && <Box component="span" sx={{ color: 'warning.main' }}>{` → ${now.now === 0 ? 'none' : sayPacks(line, now.now, system)} today`}</Box>}
            </li>
          );
        })}
      </Box>
      <Stack direction="row" spacing={1} className="no-print">
        {arrivedAt === null ? (
          <>
            <Button disabled={isHeld} variant="contained" onClick={() => void onTurn(id, 'arrived', { text: `${name} is in stock.`, back: 'not-arrived' })}>
              It came
            </Button>
            <Button disabled={isHeld} onClick={() => void onTurn(id, 'taken-back', { text: `${name} was taken back.`, back: 'restored' })}>
              It was not sent
            </Button>
          </>
        ) : (
          <Button disabled={isHeld} onClick={() => void onTurn(id, 'not-arrived')}>
            It has not come
          </Button>
        )}
      </Stack>
    </Box>
  );
} // prettier-ignore
