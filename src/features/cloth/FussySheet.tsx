import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { outlineAbout } from '@/core/fussy';
import { boxOfPoints, type Point } from '@/core/geometry';
import { formatLength, type UnitSystem } from '@/core/length';
import { counted } from '@/core/words';
import { RepeatPattern } from '@/ui/swatches';
import { inCuttingOrder } from './fussyRequest';
import type { FussyAnswer } from './useFussy';

interface FussySheetProps {
  readonly answer: FussyAnswer;
  readonly fabrics: readonly string[];
  readonly system: UnitSystem;
}

const pointsOf = (outline: readonly Point[]) => outline.map(({ x, y }) => `${x},${y}`).join(' ');

/** What was found: how many sets, what would give more, where each is cut, and the window to cut by. */
export function FussySheet({ answer, fabrics, system }: FussySheetProps) {
  const { found, paper, setOf, more } = answer;
  const wanted = Math.ceil((paper.count * paper.bags) / setOf);
  const cuts = inCuttingOrder(found.placed);
  return (
    <Stack spacing={1.5} sx={{ mt: 2 }}>
      <Typography>
        <strong>{`${counted(found.sets, 'whole set')} of ${setOf}.`}</strong>{' '}
        {found.isProven ? 'No choice of motifs gives more.' : `No choice gives more than ${found.most}.`}{' '}
        {found.sets >= wanted ? `All ${counted(paper.bags, 'bag')} want ${wanted}: it is enough.` : `All ${counted(paper.bags, 'bag')} want ${counted(wanted, 'set')}: ${wanted - found.sets} are missing.`}
      </Typography>
      <Typography>
        {more === undefined ? 'What would give more is looked for …' : more.length === 0 ? 'Neither one more repeat of cloth nor a narrower allowance gives another set.' : more.join(' ')}
      </Typography>
      {cuts.length > 0 && (
        <>
          <CutsDrawing answer={answer} cuts={cuts} fabrics={fabrics} system={system} />
          <Stack direction="row" className="no-print">
            <Button onClick={() => window.print()}>Print the cutting sheet and the window</Button>
          </Stack>
          <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: '1fr auto' }, gap: 2, alignItems: 'start' }}>
            <CutsTable cuts={cuts} setOf={setOf} system={system} />
            <WindowTemplate answer={answer} />
          </Box>
        </>
      )}
    </Stack>
  );
} // prettier-ignore

interface CutsDrawingProps extends FussySheetProps {
  readonly cuts: readonly Point[];
}

/** The piece to scale with its print and every cut by its number. */
function CutsDrawing({ answer: { cloth, lengthMm, paper, motif }, cuts, fabrics, system }: CutsDrawingProps) {
  const outline = outlineAbout(paper.cut, motif);
  const { widthMm, selvedgeMm, repeatWidthMm, repeatHeightMm, isHalfDrop } = cloth;
  const size = Math.max(8, repeatWidthMm / 4);
  return (
    <Box
      component="svg"
      role="img"
      aria-label={`${cuts.length} cuts on a piece ${formatLength(widthMm, system)} wide and ${formatLength(lengthMm, system)} long`}
      viewBox={`-4 -4 ${widthMm + 8} ${lengthMm + 8}`}
      sx={{ width: '100%', maxHeight: 560, display: 'block' }}
    >
      <defs>
        <RepeatPattern id="fussy-piece" fabric={paper.fabric} fabrics={fabrics} widthMm={repeatWidthMm} heightMm={repeatHeightMm} isHalfDrop={isHalfDrop} transform={`translate(${repeatWidthMm / 2} ${repeatHeightMm / 2})`} />
      </defs>
      <rect width={widthMm} height={lengthMm} fill="url(#fussy-piece)" stroke="currentColor" strokeWidth={widthMm / 600} />
      {[0, widthMm - selvedgeMm].map((x) => (
        <rect key={x} x={x} width={selvedgeMm} height={lengthMm} fill="currentColor" opacity={0.3} />
      ))}
      {cuts.map(({ x, y }, index) => (
        <g key={`${x} ${y}`} transform={`translate(${x} ${y})`}>
          <polygon points={pointsOf(outline)} fill="var(--mui-palette-background-paper)" fillOpacity={0.72} stroke="currentColor" strokeWidth={widthMm / 900} />
          <text textAnchor="middle" dy="0.35em" fontSize={size} fill="currentColor">
            {index + 1}
          </text>
        </g>
      ))}
    </Box>
  );
} // prettier-ignore

/** Where each motif lies, in the order of cutting: scissors begin at the cut edge. */
function CutsTable({ cuts, setOf, system }: { cuts: readonly Point[]; setOf: number; system: UnitSystem }) {
  return (
    <Table size="small" aria-label="Cutting sheet">
      <TableHead>
        <TableRow>
          <TableCell>Cut</TableCell>
          <TableCell>Set</TableCell>
          <TableCell align="right">Motif from the left rim</TableCell>
          <TableCell align="right">from the cut edge</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {cuts.map(({ x, y }, index) => (
          <TableRow key={`${x} ${y}`}>
            <TableCell>{index + 1}</TableCell>
            <TableCell>{Math.floor(index / setOf) + 1}</TableCell>
            <TableCell align="right">{formatLength(x, system)}</TableCell>
            <TableCell align="right">{formatLength(y, system)}</TableCell>
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
}

/** The window at its true size: cut out the inner shape, lay the cross on the motif, draw round the outer one. */
function WindowTemplate({ answer: { paper, motif } }: { answer: FussyAnswer }) {
  const [cut, inner] = [outlineAbout(paper.cut, motif), outlineAbout(paper.paper, motif)];
  const { minX, minY, maxX, maxY } = boxOfPoints(cut);
  const [width, height] = [maxX - minX + 4, maxY - minY + 4];
  return (
    <Box component="figure" sx={{ m: 0 }}>
      <svg
        role="img"
        aria-label="Window template at its true size"
        width={`${width}mm`}
        height={`${height}mm`}
        viewBox={`${minX - 2} ${minY - 2} ${width} ${height}`}
      >
        <polygon points={pointsOf(cut)} fill="none" stroke="currentColor" strokeWidth={0.4} />
        <polygon points={pointsOf(inner)} fill="none" stroke="currentColor" strokeWidth={0.4} strokeDasharray="2 1.4" />
        <path d="M-4 0H4M0 -4V4" stroke="currentColor" strokeWidth={0.3} />
        <circle r={1.5} fill="none" stroke="currentColor" strokeWidth={0.3} />
        <path d={`M${minX} ${maxY + 1}h25.4m-25.4 -1v2m25.4 -2v2`} stroke="currentColor" strokeWidth={0.3} fill="none" />
      </svg>
      <Typography component="figcaption" color="textSecondary" sx={{ maxWidth: 260 }}>
        Window, printed at 100 %: the mark below is 1″ (25.4 mm). Cut out the dashed shape and punch the ring; lay the ring on the motif and draw round the outer line. Mind scissors and blades.
      </Typography>
    </Box>
  );
} // prettier-ignore
