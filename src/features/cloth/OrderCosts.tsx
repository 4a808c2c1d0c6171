import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { marginOf, priceOf } from '@/core/order';
import { counted } from '@/core/words';
import { Facts } from '@/ui/Facts';
import { useMoney, usePriceLabel } from '@/ui/money';
import type { OwnOrder } from './useOrder';

/** What a maker costs and what to ask; or what is left of a price that is fixed; and what one bag of each block takes. */
export function OrderCosts({ own: { order, plan, steps } }: { readonly own: OwnOrder }) {
  const [price, setPrice] = useState('');
  const money = useMoney();
  const priceLabel = usePriceLabel();
  const { worth, sets, bagCosts, topCost } = order;
  if (sets === 0) return null;
  const { figures } = plan;
  // Spare sets are paid by those who sew.
  const makers = Math.max(1, sets - figures.spareSets);
  const each = worth.all / makers;
  const { net, tax, gross } = priceOf(each, figures);
  const asked = Number(price.replace(',', '.'));
  const margin = price.trim() !== '' && asked > 0 ? marginOf(each, asked, figures) : undefined;
  const bags = bagCosts.filter(({ each: cost }) => cost > 0);
  return (
    <Stack direction="row" sx={{ gap: 3, flexWrap: 'wrap', my: 2, alignItems: 'flex-start' }}>
      <Facts
        rows={[
          ['a maker costs', `${money(each)}${figures.spareSets > 0 ? `, with a share of ${counted(figures.spareSets, 'spare set')}` : ''}`],
          ['to ask', `${money(gross)}: ${money(net)} and ${money(tax)} tax, for a margin of ${figures.marginPercent} %`],
          ['one more maker costs', money(steps.more)],
          ['one maker less saves', money(steps.less)],
        ]}
      />
      {bags.length > 0 && (
        <Facts
          rows={[
            ...bags.map(({ block, each: cost }) => [`a bag of ${block}`, money(cost)] as const),
            ...(topCost > 0 ? [['strips, squares and border of a top', money(topCost)] as const] : []),
            ['notions of a maker', money(worth.notions / sets)],
          ]}
        />
      )}
      <Box sx={{ width: 300, maxWidth: '100%' }} className="no-print">
        <TextField
          label={priceLabel('A price that is fixed, tax in it')}
          value={price}
          slotProps={{ htmlInput: { inputMode: 'decimal' } }}
          helperText={margin === undefined ? 'Says the margin that is left.' : `Leaves a margin of ${margin.toFixed(1)} %.`}
          onChange={({ target }) => setPrice(target.value)}
        />
      </Box>
    </Stack>
  );
} // prettier-ignore
