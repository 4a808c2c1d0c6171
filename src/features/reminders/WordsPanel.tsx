import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Paper from '@mui/material/Paper';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { FIELDS, OCCASIONS, TEXT_LIMITS, USUAL_TEXTS, fillText, type DueReminder, type Occasion, type ReminderText } from '@/core/reminders'; // prettier-ignore
import type { ReminderSettings } from '@/server/reminders';
import { send } from '@/ui/api';
import { ErrorNote } from '@/ui/ErrorNote';
import { SaveButtons } from '@/ui/SaveButtons';
import { useSavedDocument } from '@/ui/useSavedDocument';
import { useSend } from '@/ui/useSend';

const NAMES: Readonly<Record<Occasion, string>> = {
  drop: 'A drop is near',
  meeting: 'A meeting is near',
  slipping: 'Falling behind',
  quiet: 'Not heard from',
};

interface WordsPanelProps {
  readonly projectId: string;
  readonly initial: ReminderSettings;
  readonly revision: number;
}

/** The host’s own words for each occasion, with fields, and how they read for the makers whom they concern now. */
export function WordsPanel({ projectId, initial, revision }: WordsPanelProps) {
  const own = useSavedDocument({ projectId, name: 'reminders', initial, revision });
  const [occasion, setOccasion] = useState<Occasion>('drop');
  const { present } = own;
  const text = present.texts[occasion];
  const usual = USUAL_TEXTS[occasion];
  const isUsual = text.subject === usual.subject && text.body === usual.body;
  const setText = (change: Partial<ReminderText>) => {
    own.change({ ...present, texts: { ...present.texts, [occasion]: { ...text, ...change } } }, 'words', true);
  };
  const setQuiet = (change: Partial<ReminderSettings['quiet']>) => own.change({ ...present, quiet: { ...present.quiet, ...change } }, 'quiet', true); // prettier-ignore
  return (
    <Box>
      <Stack direction="row" sx={{ justifyContent: 'space-between', alignItems: 'flex-start', flexWrap: 'wrap', gap: 1, mb: 1.5 }}>
        <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap' }}>
          <TextField select size="small" label="Words for" value={occasion} onChange={({ target }) => setOccasion(target.value as Occasion)} fullWidth={false} sx={{ width: 210 }}>
            {OCCASIONS.map((one) => (
              <MenuItem key={one} value={one}>
                {NAMES[one]}
              </MenuItem>
            ))}
          </TextField>
          <TextField size="small" type="time" label="Nobody is written to from" value={present.quiet.from} onChange={({ target }) => target.value && setQuiet({ from: target.value })} slotProps={{ inputLabel: { shrink: true } }} fullWidth={false} sx={{ width: 210 }} />
          <TextField size="small" type="time" label="to" fullWidth={false} sx={{ width: 140 }} value={present.quiet.to} onChange={({ target }) => target.value && setQuiet({ to: target.value })} slotProps={{ inputLabel: { shrink: true } }} />
        </Stack>
        <SaveButtons {...own} />
      </Stack>
      <ErrorNote error={own.error} />
      {own.showTheirs && <Button onClick={own.showTheirs}>Show theirs (undo brings yours back)</Button>}
      <Stack spacing={2} sx={{ mt: 1 }}>
        <TextField label="Usual subject" value={text.subject} onChange={({ target }) => setText({ subject: target.value })} slotProps={{ htmlInput: { maxLength: TEXT_LIMITS.subject } }} />
        <TextField label="Usual words" value={text.body} multiline minRows={7} onChange={({ target }) => setText({ body: target.value })} slotProps={{ htmlInput: { maxLength: TEXT_LIMITS.body } }} />
      </Stack>
      {!isUsual && (
        <Button size="small" onClick={() => setText(usual)}>
          Back to the usual words
        </Button>
      )}
      <Typography component="details" color="textSecondary" sx={{ my: 1 }}>
        <summary>Fields: a line that names one without a value is left out</summary>
        {Object.entries(FIELDS).map(([field, says]) => (
          <Box key={field} component="span" sx={{ display: 'block' }}>
            <code>{`{${field}}`}</code> {says}
          </Box>
        ))}
      </Typography>
      <Previews projectId={projectId} occasion={occasion} text={text} />
    </Box>
  );
} // prettier-ignore

/** So many makers are shown at the same time. */
const MOST_SHOWN = 3;

function Previews({ projectId, occasion, text }: { projectId: string; occasion: Occasion; text: ReminderText }) {
  const [due, setDue] = useState<readonly DueReminder[] | undefined>();
  const { error, isBusy, run } = useSend();
  const look = () =>
    run(async () => {
      const answer = await send<{ due: DueReminder[] }>('POST', `/api/projects/${projectId}/reminders`, { preview: true });
      setDue(answer.due);
    });
  const own = (due ?? []).filter((one) => one.occasion === occasion);
  return (
    <section aria-label="How it reads">
      <ErrorNote error={error} />
      <Button disabled={isBusy} onClick={() => void look()}>
        {due ? 'Look again' : 'See how it reads now'}
      </Button>
      {due && own.length === 0 && <Typography>Nobody is due this one now.</Typography>}
      {own.slice(0, MOST_SHOWN).map((one) => {
        const { subject, body } = fillText(text, one.values);
        return (
          <Paper key={`${one.makerId}/${one.key}`} variant="outlined" sx={{ p: 2, my: 1, whiteSpace: 'pre-wrap' }}>
            <strong>{subject}</strong>
            {`\n\n${body}`}
          </Paper>
        );
      })}
      {own.length > MOST_SHOWN && <Typography color="textSecondary">and {own.length - MOST_SHOWN} more</Typography>}
    </section>
  );
} // prettier-ignore
