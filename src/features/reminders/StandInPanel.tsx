import MenuItem from '@mui/material/MenuItem';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import type { MailTrouble, TakenMail } from '@/server/reminders';
import { clockWords } from './Outbox';
import type { OwnReminders } from './useReminders';

const TROUBLES: Readonly<Record<MailTrouble, string>> = {
  none: 'takes every letter',
  refuses: 'refuses every letter',
  slow: 'lets each letter wait half a minute',
};

interface StandInPanelProps {
  readonly trouble: MailTrouble;
  readonly taken: readonly TakenMail[];
  readonly own: OwnReminders;
}

/** Stands for a mail server: shows what would have gone out, and can be in trouble. */
export function StandInPanel({ trouble, taken, own }: StandInPanelProps) {
  return (
    <>
      <Typography sx={{ mb: 1.5, maxWidth: 640 }}>
        No mail server is named, so letters end here and reach nobody. Name one by KEVLO_SMTP_URL and KEVLO_MAIL_FROM when Kevlo is started.
      </Typography>
      <TextField select size="small" label="The stand-in" value={trouble} disabled={own.isBusy} onChange={({ target }) => void own.setTrouble(target.value as MailTrouble)} fullWidth={false} sx={{ width: 300, mb: 2 }}>
        {Object.entries(TROUBLES).map(([value, name]) => (
          <MenuItem key={value} value={value}>
            {name}
          </MenuItem>
        ))}
      </TextField>
      {taken.length === 0 && <Typography>It has taken nothing yet.</Typography>}
      {taken.map(({ id, recipient, subject, body, at }) => (
        <Paper key={id} variant="outlined" sx={{ p: 1.5, mb: 1 }}>
          <details>
            <summary>
              <strong>{recipient}</strong>, {clockWords(at)}: {subject}
            </summary>
            <Typography sx={{ whiteSpace: 'pre-wrap', overflowWrap: 'anywhere', mt: 1 }}>{body}</Typography>
          </details>
        </Paper>
      ))}
    </>
  );
} // prettier-ignore
