import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { DEFAULT_REACH_MM, MOST_REACH_MM, type WeldReport } from '@/core/weld';
import { Choice } from '@/ui/Choice';

const REACHES = [0, 0.25, DEFAULT_REACH_MM, 1, MOST_REACH_MM];

interface WeldNoteProps {
  readonly report: WeldReport;
  readonly onReach: (weldMm: number) => void;
}

/** What was put right in a rough drawing, and how far apart corners may lie that are taken for one. */
export function WeldNote({ report, onReach }: WeldNoteProps) {
  const choices = REACHES.map((reach) => [String(reach), reachName(reach)] as const);
  return (
    <Alert severity="info" variant="outlined" icon={false}>
      <Stack direction={{ xs: 'column', sm: 'row' }} spacing={2} sx={{ alignItems: { sm: 'center' } }}>
        <Typography sx={{ flex: 1 }}>
          <strong>{weldSentence(report)}</strong> Corners that lie closer together than this are taken for
          one; a gap that is meant stays.
        </Typography>
        <Box sx={{ width: { xs: '100%', sm: 200 }, flexShrink: 0 }}>
          <Choice
            label="Put right up to"
            value={String(report.reachMm)}
            choices={choices}
            onChange={(value) => onReach(Number(value))}
          />
        </Box>
      </Stack>
    </Alert>
  );
}

function reachName(reach: number): string {
  if (reach === 0) return 'nothing: as drawn';
  return reach === DEFAULT_REACH_MM ? `${reach} mm (usual)` : `${reach} mm`;
}

/** What the weld did, in a sentence or two. */
export function weldSentence({ reachMm, moved, farthestMm, dropped }: WeldReport): string {
  if (reachMm === 0) return 'The drawing is taken as it is drawn.';
  if (moved === 0 && dropped === 0) return 'Nothing had to be moved.';
  const corners = moved === 1 ? '1 corner was moved' : `${moved} corners were moved, the farthest`;
  const most = `${moved === 1 ? '' : ' '}${moved === 1 ? ' by ' : ''}${Math.max(0.1, Math.round(farthestMm * 10) / 10)} mm`;
  const left =
    dropped === 0
      ? ''
      : ` ${dropped === 1 ? '1 corner' : `${dropped} corners`} on straight sides ${dropped === 1 ? 'was' : 'were'} left out.`;
  return moved === 0 ? left.trim() : `${corners}${most}.${left}`;
}
