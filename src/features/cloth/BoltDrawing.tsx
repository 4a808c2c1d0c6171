import Box from '@mui/material/Box';
import type { BoltRun } from '@/core/cutting';
import { formatBolt, formatLength, type UnitSystem } from '@/core/length';
import type { ClothBolt } from '@/core/order';
import { counted } from '@/core/words';

/** The longest bolt that is drawn strip by strip, as a multiple of its width; beyond, strips alike are drawn once. */
const MOST_RATIO = 2.2;

/** A bolt to scale, its beginning at the top: strips with their height at the side, pieces within, numbered batch by batch. */
export function BoltDrawing({ bolt: { fabric, plan, usableMm }, system }: { readonly bolt: ClothBolt; readonly system: UnitSystem }) {
  const isLong = plan.lengthMm > MOST_RATIO * usableMm;
  const bands = placeBands(plan.strips, isLong);
  const heightMm = bands.at(-1)?.endMm ?? 0;
  const size = usableMm / 42;
  const side = usableMm * 0.2;
  return (
    <Box
      component="svg"
      role="img"
      aria-label={`${fabric}: ${formatBolt(plan.lengthMm, system)} cut into ${counted(plan.strips.reduce((sum, { times }) => sum + times, 0), 'strip')}`}
      viewBox={`${-size} ${-size * 2} ${usableMm + side + size} ${heightMm + 3 * size}`}
      sx={{ width: '100%', maxHeight: 640, display: 'block', fontVariantNumeric: 'tabular-nums' }}
    >
      <text x={usableMm / 2} y={-size * 0.7} textAnchor="middle" fontSize={size} fill="currentColor">
        {`${formatLength(usableMm, system)} between the selvedges${isLong ? '; strips alike are drawn once' : ''}`}
      </text>
      {bands.map(({ strip, topMm, copies, isFirst }, index) => (
        <g key={index} transform={`translate(0 ${topMm})`}>
          <rect width={usableMm} height={strip.heightMm} fill="currentColor" fillOpacity={0.04} stroke="currentColor" strokeWidth={1.5} />
          {strip.runs.map((run) => (
            <Run key={run.fromMm} run={run} system={system} size={size} />
          ))}
          {isFirst && (
            <text x={usableMm + size / 2} y={strip.heightMm / 2} dy="0.35em" fontSize={size} fill="currentColor">
              {`${copies} × ${formatLength(strip.heightMm, system)}`}
            </text>
          )}
        </g>
      ))}
    </Box>
  );
} // prettier-ignore

type Strip = ClothBolt['plan']['strips'][number];

/** Where strips are drawn: each of them, or each batch once. */
function placeBands(strips: readonly Strip[], isOnce: boolean) {
  let endMm = 0;
  return strips.flatMap((strip) =>
    Array.from({ length: isOnce ? 1 : strip.times }, (_, k) => {
      const topMm = endMm;
      endMm += strip.heightMm;
      return { strip, topMm, endMm, copies: strip.times, isFirst: k === 0 };
    }),
  );
}

function Run({ run: { fromMm, acrossMm, alongMm, columns, rows, count }, system, size }: { readonly run: BoltRun; readonly system: UnitSystem; readonly size: number }) {
  const widthMm = columns * acrossMm;
  const words = `${count} of ${formatLength(acrossMm, system)} × ${formatLength(alongMm, system)}`;
  const room = widthMm / (size * 0.55);
  const high = Math.min(rows, count) * alongMm;
  const shown = words.length < room ? words : String(count).length < room ? String(count) : '';
  return (
    <g>
      {Array.from({ length: count }, (_, i) => (
        <rect key={i} x={fromMm + Math.floor(i / rows) * acrossMm} y={(i % rows) * alongMm} width={acrossMm} height={alongMm} fill="none" stroke="currentColor" strokeWidth={0.8} />
      ))}
      {high > size && (
        <text x={fromMm + widthMm / 2} y={high / 2} dy="0.35em" textAnchor="middle" fontSize={size} fill="currentColor" stroke="var(--mui-palette-background-default, #fff)" strokeWidth={size / 5} paintOrder="stroke">
          {shown}
        </text>
      )}
    </g>
  );
} // prettier-ignore
