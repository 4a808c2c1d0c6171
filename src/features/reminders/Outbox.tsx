import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableContainer from '@mui/material/TableContainer';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import type { Message, MessageState, Turn } from '@/server/reminders';
import type { OwnReminders } from './useReminders';

interface Shown {
  readonly name: string;
  readonly sign: string;
  readonly color: string;
  /** What can be done, and how that is called. */
  readonly turns: readonly (readonly [Turn, string])[];
}

const STATES: Readonly<Record<MessageState, Shown>> = {
  draft: { name: 'a draft', sign: '○', color: 'text.primary', turns: [] },
  queued: { name: 'on the way', sign: '◔', color: 'text.primary', turns: [['back', 'Call back']] },
  sending: { name: 'being sent', sign: '◑', color: 'text.primary', turns: [] },
  sent: { name: 'sent', sign: '✓', color: 'success.main', turns: [] },
  said: { name: 'told by mouth', sign: '✓', color: 'success.main', turns: [['back', 'Back to drafts']] },
  failed: { name: 'could not be sent', sign: '■', color: 'error.main', turns: [['again', 'Try again'], ['said', 'Told by mouth'], ['back', 'Back to drafts']] },
  unsure: { name: 'may have been sent', sign: '▲', color: 'warning.main', turns: [['arrived', 'It has arrived'], ['again', 'Send again']] },
  'put-aside': { name: 'put aside', sign: '–', color: 'text.secondary', turns: [['back', 'Back to drafts']] },
}; // prettier-ignore

/** What became of reminders that were sent off: what wants a look comes first. */
export function Outbox({ messages, own }: { messages: readonly Message[]; own: OwnReminders }) {
  if (messages.length === 0) return <Typography>Nothing was sent off yet.</Typography>;
  const inTrouble = ({ state }: Message) => state === 'failed' || state === 'unsure';
  const shown = [...messages.filter(inTrouble), ...messages.filter((message) => !inTrouble(message))];
  return (
    <TableContainer>
      <Table size="small" aria-label="Sent off">
        <TableHead>
          <TableRow>
            <TableCell>Maker</TableCell>
            <TableCell>Subject</TableCell>
            <TableCell>State</TableCell>
            <TableCell />
          </TableRow>
        </TableHead>
        <TableBody>
          {shown.map((message) => (
            <Line key={message.id} message={message} own={own} />
          ))}
        </TableBody>
      </Table>
    </TableContainer>
  );
}

function Line({ message, own }: { message: Message; own: OwnReminders }) {
  const { maker, subject, state, says, sendAt, tries } = message;
  const { name, sign, color, turns } = STATES[state];
  const when = state === 'queued' && sendAt !== null ? `, not before ${clockWords(sendAt)}` : '';
  const times = state === 'queued' && tries > 0 ? ` after ${tries === 1 ? 'one try' : `${tries} tries`}` : '';
  return (
    <TableRow>
      <TableCell>{maker}</TableCell>
      <TableCell>{subject}</TableCell>
      <TableCell>
        <Typography component="span" aria-hidden sx={{ color, mr: 0.75 }}>
          {sign}
        </Typography>
        {name}
        {times}
        {when}. {says}
      </TableCell>
      <TableCell align="right">
        {turns.map(([turn, label]) => (
          <Button key={turn} size="small" disabled={own.isBusy} aria-label={`${label}: ${maker}`} onClick={() => void own.turn(turn, [message], `${maker}: ${label.toLowerCase()}.`)}>
            {label}
          </Button>
        ))}
      </TableCell>
    </TableRow>
  );
} // prettier-ignore

/** A moment on the clock of whoever looks. */
export function clockWords(time: string): string {
  return new Date(time).toLocaleString('en-GB', { weekday: 'short', day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' }); // prettier-ignore
}
