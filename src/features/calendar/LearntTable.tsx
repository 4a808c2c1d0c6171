import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableContainer from '@mui/material/TableContainer';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { BASTE_METHODS } from '@/core/basting';
import { CALENDAR_LIMITS, type Calendar } from '@/core/calendar';
import type { LearntStandard } from '@/core/pace';
import { counted } from '@/core/words';

type Standards = NonNullable<Calendar['standards']>;

interface LearntTableProps {
  readonly learnt: readonly LearntStandard[];
  readonly standards: Standards;
  readonly onChange: (standards: Standards) => void;
}

const KINDS: Readonly<Record<string, string>> = {
  join: 'Whip-stitching',
  applique: 'Appliqué',
  finish: 'Finishing a block',
};
const nameOf = (work: string) =>
  KINDS[work] ??
  (work in BASTE_METHODS
    ? `Basting: ${BASTE_METHODS[work as keyof typeof BASTE_METHODS].name.toLowerCase()}`
    : work);
const percent = (times: number) => `${Math.round(times * 100)} %`;

/** How long each kind of work takes this group, how sure that is, and whether the project reckons with it. */
export function LearntTable({ learnt, standards, onChange }: LearntTableProps) {
  const works = [...new Set([...[...learnt].sort((a, b) => b.timed - a.timed).map(({ work }) => work), ...Object.keys(standards)])];
  if (works.length === 0) return null;
  const putBack = (work: string) => onChange(Object.fromEntries(Object.entries(standards).filter(([own]) => own !== work)));
  return (
    <section aria-labelledby="learnt-title">
      <Typography variant="h3" id="learnt-title" sx={{ mt: 3, mb: 0.5 }}>
        How long this group takes
      </Typography>
      <Typography sx={{ mb: 1 }}>
        Told from steps that makers timed, by their middle; where few were timed, a standard changes little. What you use counts in the load, the what-ifs and the forecasts.
      </Typography>
      <TableContainer>
        <Table size="small" aria-labelledby="learnt-title">
          <TableHead>
            <TableRow>
              <TableCell>Work</TableCell>
              <TableCell align="right">Of the standard</TableCell>
              <TableCell>How sure</TableCell>
              <TableCell align="right">Reckoned with</TableCell>
              <TableCell />
            </TableRow>
          </TableHead>
          <TableBody>
            {works.map((work) => {
              const found = learnt.find((one) => one.work === work);
              const used = standards[work];
              const { least, most } = CALENDAR_LIMITS.standard;
              const rounded = found && Math.min(most, Math.max(least, Math.round(found.times * 100) / 100));
              return (
                <TableRow key={work}>
                  <TableCell>{nameOf(work)}</TableCell>
                  <TableCell align="right">{found ? percent(found.times) : 'not timed'}</TableCell>
                  <TableCell>
                    {found && `8 in 10: ${percent(found.least)} to ${percent(found.most)}; ${counted(found.timed, 'time')} of ${counted(found.makers, 'maker')}`}
                  </TableCell>
                  <TableCell align="right">{percent(used ?? 1)}</TableCell>
                  <TableCell>
                    {rounded !== undefined && rounded !== (used ?? 1) && (
                      <Button size="small" sx={{ whiteSpace: 'nowrap' }} aria-label={`Use ${percent(rounded)} for ${nameOf(work)}`} onClick={() => onChange({ ...standards, [work]: rounded })}>
                        Use {percent(rounded)}
                      </Button>
                    )}
                    {used !== undefined && (
                      <Button size="small" aria-label={`Put back the standard of ${nameOf(work)}`} onClick={() => putBack(work)}>
                        Put back 100 %
                      </Button>
                    )}
                  </TableCell>
                </TableRow>
              );
            })}
          </TableBody>
        </Table>
      </TableContainer>
    </section>
  );
} // prettier-ignore
