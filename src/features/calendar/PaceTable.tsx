import Stack from '@mui/material/Stack';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableContainer from '@mui/material/TableContainer';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { forecastWords, type Day } from '@/core/calendar';
import type { PaceState } from '@/core/pace';
import type { ProjectPace } from '@/server/calendar';
import { formatMinutes } from '@/ui/formatMinutes';

/** Who wants a look comes first. */
const STATES: Readonly<Record<PaceState, { readonly rank: number; readonly name: string; readonly sign: string; readonly color: string }>> = {
  stalled: { rank: 0, name: 'stalled', sign: '■', color: 'error.main' },
  slipping: { rank: 1, name: 'slipping', sign: '▼', color: 'warning.main' },
  'on-pace': { rank: 2, name: 'on pace', sign: '●', color: 'text.primary' },
  ahead: { rank: 3, name: 'ahead', sign: '▲', color: 'success.main' },
  done: { rank: 4, name: 'done', sign: '✓', color: 'success.main' },
}; // prettier-ignore

interface PaceTableProps {
  readonly pace: ProjectPace;
  readonly today: Day;
}

/** When each maker will be done with everything, by their own past weeks; and how far such dates can be trusted. */
export function PaceTable({ pace, today }: PaceTableProps) {
  const makers = [...pace.makers].sort((a, b) => STATES[a.state].rank - STATES[b.state].rank);
  const { asked, held } = pace.backTest;
  return (
    <section aria-labelledby="pace-title">
      <Typography variant="h3" id="pace-title" sx={{ mt: 3, mb: 0.5 }}>
        Who will be done when
      </Typography>
      <Typography sx={{ mb: 1 }}>
        {asked === 0
          ? 'Told from each maker’s own weeks and, where there are few, the group’s. No date has come yet by which they could be tested.'
          : `Told from each maker’s own weeks. Looking back: of ${asked} dates said at 8 in 10, ${held} held (${Math.round((100 * held) / asked)} %).`}
      </Typography>
      <TableContainer>
        <Table size="small" aria-labelledby="pace-title">
          <TableHead>
            <TableRow>
              <TableCell>Maker</TableCell>
              <TableCell>State</TableCell>
              <TableCell align="right">Left</TableCell>
              <TableCell align="right" sx={{ whiteSpace: 'nowrap' }}>
                A week
              </TableCell>
              <TableCell align="right">Even chances</TableCell>
              <TableCell align="right">8 in 10</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {makers.map(({ id, name, state, reason, left, weekly, day50, day80 }) => (
              <TableRow key={id}>
                <TableCell>{name}</TableCell>
                <TableCell>
                  <Stack direction="row" spacing={0.75}>
                    <Typography component="span" aria-hidden sx={{ color: STATES[state].color }}>
                      {STATES[state].sign}
                    </Typography>
                    <span>
                      <strong>{STATES[state].name}</strong>. {reason}
                    </span>
                  </Stack>
                </TableCell>
                <TableCell align="right" sx={{ whiteSpace: 'nowrap' }}>
                  {left < 0.5 ? 'nothing' : formatMinutes(left)}
                </TableCell>
                <TableCell align="right" sx={{ whiteSpace: 'nowrap' }}>
                  {formatMinutes(weekly)}
                </TableCell>
                <TableCell align="right" sx={{ whiteSpace: 'nowrap' }}>
                  {forecastWords(day50, today)}
                </TableCell>
                <TableCell align="right" sx={{ whiteSpace: 'nowrap' }}>
                  {forecastWords(day80, today)}
                </TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </TableContainer>
    </section>
  );
}
