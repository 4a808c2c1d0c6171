import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { boltWork, boltsOf } from '@/core/cutting';
import { formatBolt, formatLength, type UnitSystem } from '@/core/length';
import type { ClothBolt, OrderFigures } from '@/core/order';
import { counted } from '@/core/words';
import { Choice } from '@/ui/Choice';
import { Facts } from '@/ui/Facts';
import { formatMinutes } from '@/ui/formatMinutes';
import { BoltDrawing } from './BoltDrawing';

interface BoltPanelProps {
  readonly bolts: readonly ClothBolt[];
  readonly figures: OrderFigures;
  readonly system: UnitSystem;
}

const MM_PER_M = 1000;

/** How each bolt is cut up for the bags that are not packed yet, by a rotary cutter: strips right across, then across the strips. */
export function BoltPanel({ bolts, figures, system }: BoltPanelProps) {
  const [chosen, setChosen] = useState<string | undefined>();
  const cut = bolts.filter(({ plan, pieces }) => plan.strips.length > 0 || pieces.length > 0);
  const bolt = cut.find(({ fabric }) => fabric === chosen) ?? cut[0];
  if (!bolt) return null;
  const { plan, usableMm } = bolt;
  const { through, cross, minutes } = boltWork(plan, figures);
  const needed = boltsOf(plan, figures.boltMetres * MM_PER_M);
  return (
    <Box component="section" id="bolt" aria-labelledby="bolt-title" sx={{ mt: 4 }}>
      <Typography variant="h3" id="bolt-title">
        From bolt to bags
      </Typography>
      <Typography sx={{ mb: 1.5 }}>
        Strips are cut right across the cloth, tallest first; then each strip is cut across. For all bags that are not packed yet.
      </Typography>
      <Choice label="Cloth" value={bolt.fabric} choices={cut.map(({ fabric }) => [fabric, fabric])} onChange={setChosen} />
      <Box sx={{ display: 'grid', gridTemplateColumns: { md: '1fr 1fr' }, gap: 3, mt: 2 }}>
        <BoltDrawing bolt={bolt} system={system} />
        <Box>
          <Facts
            rows={[
              ['off the bolt', `${formatBolt(plan.lengthMm, system)} of ${formatLength(usableMm, system)} usable width`],
              ['used', `${plan.lengthMm === 0 ? 100 : Math.round((100 * plan.boundMm) / plan.lengthMm)} %; the rest is offcuts`],
              ['bolts', needed === undefined ? 'a strip is longer than a bolt' : `${needed} of ${formatBolt(figures.boltMetres * MM_PER_M, system)}, no strip joined`],
              ['cuts', `${through} right across, ${cross} across strips, ${figures.layers} at once`],
              ['by your minutes', formatMinutes(minutes)],
            ]}
          />
          <PiecesList bolt={bolt} system={system} />
          <CutList bolt={bolt} system={system} />
          <Typography color="textSecondary" sx={{ mt: 1 }}>
            A rotary blade is sharp: close it after every cut, cut away from yourself, keep fingers off the edge of the ruler, and follow what the maker of the cutter and your shop say.
          </Typography>
        </Box>
      </Box>
    </Box>
  );
} // prettier-ignore

/** What is cut from pieces on the shelf, so that it need not come off the bolt. */
function PiecesList({ bolt: { pieces, sizes }, system }: { readonly bolt: ClothBolt; readonly system: UnitSystem }) {
  if (pieces.length === 0) return null;
  const size = (mm: number) => formatLength(mm, system);
  return (
    <Box component="ul" aria-label="From pieces on the shelf" sx={{ pl: 3, my: 1.5 }}>
      {pieces.map(({ widthMm, lengthMm, counts }, index) => (
        <li key={index}>
          {`${index === 0 ? 'First' : 'Then'}, from the piece of ${size(widthMm)} × ${size(lengthMm)}: `}
          {counts.flatMap((count, at) => (count > 0 ? [`${count} of ${size(sizes[at]?.widthMm ?? 0)} × ${size(sizes[at]?.lengthMm ?? 0)}`] : [])).join('; ')}
        </li>
      ))}
    </Box>
  );
} // prettier-ignore

/** The cuts in their order, in words: what the drawing shows, for whoever listens or prints. */
function CutList({ bolt: { plan, sizes }, system }: { readonly bolt: ClothBolt; readonly system: UnitSystem }) {
  return (
    <Box component="ol" aria-label="Cuts in their order" sx={{ pl: 3, my: 1.5 }}>
      {plan.strips.map(({ times, fromMm, heightMm, runs }) => (
        <li key={fromMm}>
          {`${counted(times, 'strip')} of ${formatLength(heightMm, system)}: from ${times === 1 ? 'it' : 'each'} `}
          {runs
            .map(({ size, count, acrossMm, alongMm, rows }) => {
              const { what } = sizes[size] ?? { what: '' };
              const stacked = rows > 1 && count > 1 ? `, ${Math.min(rows, count)} one under the other` : '';
              return `${count} × ${formatLength(acrossMm, system)} by ${formatLength(alongMm, system)}${what === 'for the tops' ? ' for the tops' : ''}${stacked}`;
            })
            .join('; ')}
        </li>
      ))}
    </Box>
  );
} // prettier-ignore
