'use client';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import type { BlockDocument } from '@/core/block';
import type { Point } from '@/core/geometry';
import { formatLength, type UnitSystem } from '@/core/length';
import type { Mend, PaperGuess } from '@/core/workshop';
import { Facts } from '@/ui/Facts';
import { sayNumbers } from '@/ui/patchNumbers';
import { formatLong, sayFlatness } from '@/ui/seamWords';
import type { WorkshopReport } from './useReport';

interface ReportPanelProps {
  readonly live: WorkshopReport;
  /** The number that the board shows on each patch. */
  readonly numbers: ReadonlyMap<string, number>;
  readonly system: UnitSystem;
  readonly onLook: (at: Point) => void;
  readonly onMend: (mend: Mend) => void;
  readonly onSnap: (document: BlockDocument) => void;
}

/** Most problems listed at once; all are ringed on the board. */
const MOST_LISTED = 20;

/** The seam report while the block is being made: what fits, what does not, and what one press would put right. */
export function ReportPanel({ live, numbers, system, onLook, onMend, onSnap }: ReportPanelProps) {
  const { report, isFresh, mends, guesses } = live;
  if (!report) return <Typography color="textSecondary">The seams are being looked at …</Typography>;
  const rows: readonly (readonly [string, string])[] = [
    ['Finished size', `${formatLength(report.widthMm, system)} × ${formatLength(report.heightMm, system)}`],
    [
      'Papers',
      `${report.kindOf.length}, of ${report.kindNames.length} ${report.kindNames.length === 1 ? 'kind' : 'kinds'}`,
    ],
    ['Seams', `${report.seams}, ${formatLong(report.seamLengthMm, system)} in all`],
    ['Intersections inside', String(report.innerIntersections)],
    ['Open edges', `${report.openEdges}, ${formatLong(report.openLengthMm, system)}`],
    ['Lies flat', sayFlatness(report.flatness, numbers)],
  ];
  return (
    <Stack spacing={1.5} aria-busy={!isFresh}>
      <Facts rows={rows} />
      {!isFresh && <Typography color="textSecondary">… being worked out anew</Typography>}
      {report.problems.length === 0 && report.kindOf.length > 1 && (
        <Alert severity="success" variant="outlined" icon={false}>
          All edges fit.
        </Alert>
      )}
      {guesses.length > 0 && (
        <Guesses
          guesses={guesses}
          onSnap={() => void live.snap(guesses).then((next) => next && onSnap(next))}
        />
      )}
      {report.problems.length > 0 && (
        <Alert
          severity="warning"
          variant="outlined"
          icon={false}
          sx={{ '& .MuiAlert-message': { width: '100%' } }}
        >
          <strong>
            {report.problems.length} {report.problems.length === 1 ? 'problem' : 'problems'}, ringed on the
            board
          </strong>
          <Box component="ul" sx={{ pl: 2, my: 0.5 }}>
            {report.problems.slice(0, MOST_LISTED).map((problem, index) => {
              const mend = mends[index];
              return (
                <li key={index}>
                  {problem.message}
                  {sayNumbers(problem.patches, numbers)}
                  <Stack direction="row" sx={{ gap: 0.5, flexWrap: 'wrap', my: 0.5 }}>
                    <Button size="small" variant="text" onClick={() => onLook(problem.at)}>
                      Look
                    </Button>
                    {mend && (
                      <Button size="small" onClick={() => onMend(mend)}>
                        {mend.label}
                      </Button>
                    )}
                  </Stack>
                </li>
              );
            })}
          </Box>
        </Alert>
      )}
    </Stack>
  );
}

function Guesses({ guesses, onSnap }: { guesses: readonly PaperGuess[]; onSnap: () => void }) {
  return (
    <Alert severity="info" variant="outlined" icon={false}>
      <strong>Nearly papers of the catalogue</strong>
      <Box component="ul" sx={{ pl: 2, my: 0.5 }}>
        {guesses.slice(0, 6).map(({ name, offMm, patches }, index) => (
          <li key={index}>
            {patches.length === 1 ? `Paper ${(patches[0] ?? 0) + 1} is` : `${patches.length} papers are`} a{' '}
            {name}, drawn {offMm.toFixed(2)} mm off.
          </li>
        ))}
      </Box>
      <Button size="small" onClick={onSnap}>
        Snap them, and lay the block together again
      </Button>
    </Alert>
  );
}
