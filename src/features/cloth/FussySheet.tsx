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
import { counted, times } from '@/core/words';
import { RepeatPattern } from '@/ui/swatches';
import { inCuttingOrder, type FussyFound, type FussyPaper, type FussyPoint } from './fussyRequest';
import { usePictureOf } from './pictureOf';
import type { FussyAnswer } from './useFussy';
import { useGaps, wantedIn, type GapPiece } from './useGaps';

interface FussySheetProps {
  readonly answer: FussyAnswer;
  /** All papers of this cloth: they go into the gaps. */
  readonly papers: readonly FussyPaper[];
  readonly fabrics: readonly string[];
  readonly system: UnitSystem;
}

const pointsOf = (outline: readonly Point[]) => outline.map(({ x, y }) => `${x},${y}`).join(' ');

/** What was found: how many sets, what would give more, where each is cut, the windows to cut by, and what goes into the gaps. */
export function FussySheet({ answer, papers, fabrics, system }: FussySheetProps) {
  const { found, points, more } = answer;
  const { pieces, fill } = useGaps(system);
  const cuts = inCuttingOrder(found.placed);
  const others = wantedIn(answer, papers);
  return (
    <Stack spacing={1.5} sx={{ mt: 2 }}>
      {points.map((point, index) => (
        <SetsOf key={index} index={index} points={points} found={found} />
      ))}
      <Typography>
        {more === undefined ? 'What would give more is looked for …' : more.length === 0 ? 'Neither one more repeat of cloth, nor a narrower allowance, nor the paper a little aside gives another set.' : more.join(' ')}
      </Typography>
      {cuts.length > 0 && (
        <>
          <CutsDrawing answer={answer} cuts={cuts} gaps={Array.isArray(pieces) ? pieces : []} fabrics={fabrics} system={system} />
          <Stack direction="row" className="no-print" sx={{ gap: 1, flexWrap: 'wrap' }}>
            <Button onClick={() => window.print()}>Print the cutting sheet and the window</Button>
            {others.length > 0 && (
              <Button disabled={pieces === 'busy'} onClick={() => void fill(answer, papers)}>
                {pieces === 'busy' ? 'Filling the gaps …' : 'What else goes into the gaps'}
              </Button>
            )}
          </Stack>
          {Array.isArray(pieces) && <Typography role="status">{sayGaps(pieces)}</Typography>}
          <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: '1fr auto' }, gap: 2, alignItems: 'start' }}>
            <CutsTable cuts={cuts} points={points} system={system} />
            <Stack spacing={2}>
              {points.map((point, index) => (
                <WindowTemplate key={index} point={point} name={points.length > 1 ? `${index + 1}: ${point.paper.id}` : ''} />
              ))}
            </Stack>
          </Box>
        </>
      )}
    </Stack>
  );
} // prettier-ignore

interface SetsOfProps {
  readonly index: number;
  readonly points: readonly FussyPoint[];
  readonly found: FussyFound;
}

function SetsOf({ index, points, found }: SetsOfProps) {
  const point = points[index];
  if (!point) return null;
  const { paper, setOf } = point;
  const of = points.length;
  const { sets, most } = found.points[index] ?? { sets: 0, most: 0 };
  // What sets of the points before hold of the same paper is not wanted again.
  const held = found.placed.filter((one) => one.point < index && points[one.point]?.paper === paper).length;
  const wanted = Math.max(0, Math.ceil((paper.count * paper.bags - held) / setOf));
  const isMost = found.isProven || most === sets;
  return (
    <Typography>
      {of > 1 && `${index + 1}. ${paper.block}, ${paper.id}: `}
      <strong>{`${counted(sets, 'whole set')} of ${setOf}.`}</strong>{' '}
      {isMost ? 'No choice of motifs gives more.' : `No choice gives more than ${most}.`}{' '}
      {sets >= wanted ? `All ${counted(paper.bags, 'bag')} want ${wanted}${held > 0 ? ' more' : ''}: it is enough.` : `All ${counted(paper.bags, 'bag')} want ${counted(wanted, 'set')}: ${wanted - sets} ${wanted - sets === 1 ? 'is' : 'are'} missing.`}
    </Typography>
  );
} // prettier-ignore

/** “In the gaps: 12 × Star: kite.” */
function sayGaps(pieces: readonly GapPiece[]): string {
  if (pieces.length === 0) return 'Nothing else goes into the gaps.';
  const names = [...new Set(pieces.map(({ id }) => id))];
  return `In the gaps: ${names.map((name) => times(pieces.filter(({ id }) => id === name).length, name)).join(', ')}.`;
}

interface CutsDrawingProps extends Omit<FussySheetProps, 'papers'> {
  readonly cuts: FussyFound['placed'];
  readonly gaps: readonly GapPiece[];
}

/** The piece to scale with its print, every cut by its number, and what lies in the gaps. */
function CutsDrawing({ answer: { cloth, lengthMm, points }, cuts, gaps, fabrics, system }: CutsDrawingProps) {
  const photo = usePictureOf(points[0]?.paper.fabric ?? '');
  const outlines = points.map(({ paper, motif }) => outlineAbout(paper.cut, motif));
  const { widthMm, selvedgeMm, repeatWidthMm, repeatHeightMm, isHalfDrop } = cloth;
  const size = Math.max(8, repeatWidthMm / 4);
  return (
    <Box
      component="svg"
      role="img"
      aria-label={`${counted(cuts.length, 'cut')} on a piece ${formatLength(widthMm, system)} wide and ${formatLength(lengthMm, system)} long`}
      viewBox={`-4 -4 ${widthMm + 8} ${lengthMm + 8}`}
      sx={{ width: '100%', maxHeight: 560, display: 'block' }}
    >
      <defs>
        <RepeatPattern id="fussy-piece" fabric={points[0]?.paper.fabric ?? ''} fabrics={fabrics} widthMm={repeatWidthMm} heightMm={repeatHeightMm} isHalfDrop={isHalfDrop} picture={photo} transform={`translate(${repeatWidthMm / 2} ${repeatHeightMm / 2})`} />
      </defs>
      <rect width={widthMm} height={lengthMm} fill="url(#fussy-piece)" stroke="currentColor" strokeWidth={widthMm / 600} />
      {[0, widthMm - selvedgeMm].map((x) => (
        <rect key={x} x={x} width={selvedgeMm} height={lengthMm} fill="currentColor" opacity={0.3} />
      ))}
      {gaps.map(({ outline }, index) => (
        <polygon key={index} points={pointsOf(outline)} fill="var(--mui-palette-background-paper)" fillOpacity={0.4} stroke="currentColor" strokeWidth={widthMm / 1200} strokeDasharray={`${widthMm / 150} ${widthMm / 300}`} />
      ))}
      {cuts.map(({ point, x, y }, index) => (
        <g key={`${point} ${x} ${y}`} transform={`translate(${x} ${y})`}>
          <polygon points={pointsOf(outlines[point] ?? [])} fill="var(--mui-palette-background-paper)" fillOpacity={0.72} stroke="currentColor" strokeWidth={widthMm / 900} />
          <text textAnchor="middle" dy="0.35em" fontSize={size} fill="currentColor">
            {index + 1}
          </text>
        </g>
      ))}
    </Box>
  );
} // prettier-ignore

/** Where each motif lies, in the order of cutting: scissors begin at the cut edge. */
function CutsTable({ cuts, points, system }: { cuts: FussyFound['placed']; points: readonly FussyPoint[]; system: UnitSystem }) {
  const setOf = (point: number) => points[point]?.setOf ?? 1;
  return (
    <Table size="small" aria-label="Cutting sheet">
      <TableHead>
        <TableRow>
          <TableCell>Cut</TableCell>
          {points.length > 1 && <TableCell>Point</TableCell>}
          <TableCell>Set</TableCell>
          <TableCell align="right">Motif from the left rim</TableCell>
          <TableCell align="right">from the cut edge</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {cuts.map(({ point, x, y }, index) => (
          <TableRow key={`${point} ${x} ${y}`}>
            <TableCell>{index + 1}</TableCell>
            {points.length > 1 && <TableCell>{point + 1}</TableCell>}
            <TableCell>{Math.floor((index - cuts.findIndex((one) => one.point === point)) / setOf(point)) + 1}</TableCell>
            <TableCell align="right">{formatLength(x, system)}</TableCell>
            <TableCell align="right">{formatLength(y, system)}</TableCell>
          </TableRow>
        ))}
      </TableBody>
    </Table>
  );
} // prettier-ignore

/** The window at its true size: cut out the inner shape, lay the cross on the motif, draw round the outer one. */
function WindowTemplate({ point: { paper, motif }, name }: { readonly point: FussyPoint; readonly name: string }) {
  const [cut, inner] = [outlineAbout(paper.cut, motif), outlineAbout(paper.paper, motif)];
  const { minX, minY, maxX, maxY } = boxOfPoints(cut);
  const [width, height] = [maxX - minX + 4, maxY - minY + 4];
  return (
    <Box component="figure" sx={{ m: 0 }}>
      <svg
        role="img"
        aria-label={`Window template${name === '' ? '' : ` ${name}`} at its true size`}
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
        {name === '' ? 'Window' : `Window ${name}`}, printed at 100 %: the mark below is 1″ (25.4 mm). Cut out the dashed shape and punch the ring; lay the ring on the motif and draw round the outer line. Mind scissors and blades.
      </Typography>
    </Box>
  );
} // prettier-ignore
