'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { orderCsv } from '@/core/formats';
import type { UnitSystem } from '@/core/length';
import { counted } from '@/core/words';
import type { OrderFacts, OrderState } from '@/server/orders';
import { ErrorNote } from '@/ui/ErrorNote';
import { SaveButtons } from '@/ui/SaveButtons';
import { NotionFields, OrderFields, PaperPackFields } from './OrderFields';
import { OrderTable } from './OrderTable';
import { OrderCosts } from './OrderCosts';
import { PlacedOrders } from './PlacedOrders';
import { TopClothFields } from './TopCloths';
import type { OwnOrder } from './useOrder';

interface OrderPanelProps {
  readonly projectId: string;
  readonly own: OwnOrder;
  readonly facts: OrderFacts;
  readonly placed: OrderFacts['placed'];
  readonly system: UnitSystem;
  readonly onState: (state: OrderState) => void;
}

/** What is bought for all bags, what a maker's share costs, what to ask for it, and what is on its way. */
export function OrderPanel({ projectId, own, facts, placed, system, onState }: OrderPanelProps) {
  const { plan, order, change, error, showTheirs } = own;
  const { shelf } = facts.wanted;
  const csv = orderCsv(order, plan.suppliers, system, plan.currency);
  return (
    <Box component="section" id="order" aria-labelledby="order-title" sx={{ mt: 4 }}>
      <Stack direction="row" sx={{ justifyContent: 'space-between', flexWrap: 'wrap', gap: 1 }}>
        <Typography variant="h3" id="order-title">
          The order
        </Typography>
        <Stack direction="row" sx={{ flexWrap: 'wrap', gap: 1 }} className="no-print">
          <Button component="a" href={`/api/projects/${projectId}/orders`} target="_blank" rel="noopener">
            Order and bolt plans as PDF
          </Button>
          <Button
            component="a"
            download="order.csv"
            href={`data:text/csv;charset=utf-8,${encodeURIComponent(csv)}`}
          >
            Order as CSV
          </Button>
          <SaveButtons {...own} />
        </Stack>
      </Stack>
      <ErrorNote error={error} />
      {showTheirs && (
        <Button onClick={showTheirs} sx={{ mb: 1 }}>
          Show theirs
        </Button>
      )}
      <Typography color="textSecondary" sx={{ mb: 1 }}>
        Needed for {counted(order.sets, 'set')}: makers and spares. What is there (as it was counted, less what bags took since) and what is on its way is counted off; packed
        bags take nothing more. A price of 0 is one that is not known; it is left out of the sums.
      </Typography>
      <OrderTable order={order} plan={plan} system={system} onChange={change} />
      <PlacedOrders {...{ projectId, own, placed, system, onState }} />
      <OrderCosts own={own} />
      <OrderFields
        figures={plan.figures}
        system={system}
        onChange={(figures) => change({ figures }, 'figures')}
        onCurrency={(currency) => change({ currency }, 'currency')}
      />
      <PaperPackFields packs={plan.paperPacks} onChange={(paperPacks) => change({ paperPacks }, 'packs of papers')} />
      <NotionFields notions={plan.notions} system={system} onChange={(notions) => change({ notions }, 'notions')} />
      <TopClothFields
        top={facts.top}
        shelf={shelf}
        chosen={plan.topCloths}
        onChange={(topCloths) => change({ topCloths }, 'cloth of the top')}
      />
    </Box>
  );
} // prettier-ignore
