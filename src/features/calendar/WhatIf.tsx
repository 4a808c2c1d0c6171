import Autocomplete from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Slider from '@mui/material/Slider';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import {
  CALENDAR_LIMITS,
  dropsOf,
  earlyShares,
  type BlockWork,
  type Calendar,
  type Supposition,
} from '@/core/calendar';
import { counted } from '@/core/words';

/** Weeks that can be added. */
const MOST_WEEKS = 26;

interface WhatIfProps {
  readonly supposition: Supposition;
  readonly blocks: readonly BlockWork[];
  /** The calendar and blocks as they would be. */
  readonly supposed: { readonly calendar: Calendar; readonly blocks: readonly BlockWork[] };
  readonly isSupposed: boolean;
  readonly onChange: (change: Partial<Supposition>) => void;
  readonly onBack: () => void;
  /** Undefined where nothing of it can be kept. */
  readonly onKeep: (() => void) | undefined;
}

/** Other hours, more weeks, a slower group, a block less: what they would make of it. Nothing is saved until it is asked for. */
export function WhatIf({ supposition, blocks, supposed, isSupposed, onChange, onBack, onKeep }: WhatIfProps) {
  const { hoursPerWeek, times, weeksMore, without } = supposition;
  const percent = Math.round(times * 100);
  return (
    <Stack spacing={1} sx={{ maxWidth: 420, px: 1 }}>
      <Typography>What if? Nothing is saved by these.</Typography>
      <Supposed label={`${hoursPerWeek} hours a week`} value={hoursPerWeek} min={CALENDAR_LIMITS.hoursPerWeek.least} max={20} step={0.25} onChange={(next) => onChange({ hoursPerWeek: next })} />
      <Supposed label={`Everything takes this group ${percent} % of the standard`} value={percent} min={50} max={200} step={5} onChange={(next) => onChange({ times: next / 100 })} />
      <Supposed label={weeksMore === 0 ? 'No week more' : `${counted(weeksMore, 'week')} more`} value={weeksMore} min={0} max={MOST_WEEKS} step={1} onChange={(next) => onChange({ weeksMore: next })} />
      <BlockChoice label="Without these blocks" blocks={blocks} value={without} onChange={(next) => onChange({ without: next })} />
      <Typography>{sayShares(supposed)}</Typography>
      {isSupposed && (
        <Stack direction="row" spacing={1}>
          <Button onClick={onBack}>Back to what is</Button>
          {onKeep && <Button onClick={onKeep}>Keep hours, days and blocks so</Button>}
        </Stack>
      )}
    </Stack>
  );
} // prettier-ignore

/** Which share of a group has each drop sewn by the next, if its middle sews so much. */
function sayShares({ calendar, blocks }: WhatIfProps['supposed']): string {
  const titles = new Map(dropsOf(calendar).map(({ id, title }) => [id, title]));
  const shares = earlyShares(calendar, blocks).map(({ drop, share }) => `${titles.get(drop) ?? ''} ${Math.round(share * 100)} %`);
  return `Of a group whose middle sews ${counted(calendar.hoursPerWeek, 'hour')} a week, so many have each drop sewn by the next: ${shares.join(', ')}.`;
} // prettier-ignore

interface SupposedProps {
  readonly label: string;
  readonly value: number;
  readonly min: number;
  readonly max: number;
  readonly step: number;
  readonly onChange: (value: number) => void;
}

function Supposed({ label, value, onChange, ...limits }: SupposedProps) {
  return (
    <Box>
      <Typography>{label}</Typography>
      <Slider aria-label={label} value={value} onChange={(_, next) => onChange(next)} {...limits} />
    </Box>
  );
}

interface BlockChoiceProps {
  readonly label: string;
  readonly blocks: readonly BlockWork[];
  readonly value: readonly string[];
  readonly onChange: (ids: string[]) => void;
}

/** Some of the blocks, by their names. */
export function BlockChoice({ label, blocks, value, onChange }: BlockChoiceProps) {
  return (
    <Autocomplete
      multiple
      size="small"
      options={blocks}
      getOptionLabel={({ name }) => name}
      getOptionKey={({ id }) => id}
      value={blocks.filter(({ id }) => value.includes(id))}
      isOptionEqualToValue={(a, b) => a.id === b.id}
      onChange={(_, next) => onChange(next.map(({ id }) => id))}
      renderInput={(input) => <TextField {...input} label={label} />}
    />
  );
}
