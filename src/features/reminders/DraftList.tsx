import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Paper from '@mui/material/Paper';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { counted } from '@/core/words';
import type { Contact } from '@/server/makers';
import type { Message } from '@/server/reminders';
import { DraftDialog } from './DraftDialog';
import type { OwnReminders } from './useReminders';

interface DraftListProps {
  readonly projectId: string;
  readonly drafts: readonly Message[];
  readonly contacts: readonly Contact[];
  readonly own: OwnReminders;
}

/** Drafts by what they are for; each can be read, changed, ticked and sent off, said by mouth or put aside. */
export function DraftList({ projectId, drafts, contacts, own }: DraftListProps) {
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [open, setOpen] = useState<Message | undefined>();
  const contactOf = ({ makerId }: Message) => contacts.find((contact) => contact.makerId === makerId);
  const canSend = (message: Message) => barOf(contactOf(message)) === undefined;
  const ticked = drafts.filter((message) => canSend(message) && !left.has(message.id));
  const silent = drafts.filter((message) => !canSend(message));
  const turnTick = (id: string) => setLeft((all) => new Set(all.has(id) ? [...all].filter((one) => one !== id) : [...all, id]));
  return (
    <Box>
      <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap', mb: 1.5 }}>
        <Button variant={drafts.length === 0 ? 'contained' : 'outlined'} disabled={own.isBusy} onClick={() => void own.draft('new')}>
          Draft what is due
        </Button>
        {drafts.length > 0 && (
          <>
            <Button disabled={own.isBusy} onClick={() => void own.draft('anew')}>
              Write untouched drafts anew
            </Button>
            <Button variant="contained" disabled={own.isBusy || ticked.length === 0} onClick={() => void own.approve(ticked)}>
              Send off {ticked.length}
            </Button>
          </>
        )}
      </Stack>
      {drafts.length === 0 && (
        <Typography>
          No draft waits. A drop is told a week before, a meeting three days before; who slips or has not been heard from is asked once.
        </Typography>
      )}
      {silent.length > 0 && (
        <Typography sx={{ mb: 1, color: 'warning.main' }}>
          {counted(silent.length, 'draft')} cannot go by mail: read them out, or write the addresses down under Addresses.
        </Typography>
      )}
      {groupsOf(drafts).map(([reason, group]) => (
        <section key={reason} aria-label={reason}>
          <Typography variant="h3" sx={{ mt: 2, mb: 0.5 }}>
            {reason} {counted(group.length, 'maker')}
          </Typography>
          {group.map((message) => (
            <Row
              key={message.id}
              message={message}
              bar={barOf(contactOf(message))}
              isTicked={!left.has(message.id)}
              onTick={() => turnTick(message.id)}
              onOpen={() => setOpen(message)}
              onSaid={() => void own.turn('said', [message], `${message.maker} was told.`)}
              onAside={() => void own.turn('aside', [message], `The reminder to ${message.maker} is put aside.`)}
            />
          ))}
        </section>
      ))}
      {open && <DraftDialog projectId={projectId} message={open} onClose={() => setOpen(undefined)} onKept={own.refresh} />}
    </Box>
  );
} // prettier-ignore

/** What is told alike stands together: dates by their reason, words to single makers in one group each kind. */
function groupsOf(drafts: readonly Message[]): [string, Message[]][] {
  const groups = new Map<string, Message[]>();
  for (const message of drafts) {
    const { occasion, reason } = message;
    const key =
      occasion === 'quiet' ? 'Not heard from.' : occasion === 'slipping' ? 'Falling behind.' : reason;
    groups.set(key, [...(groups.get(key) ?? []), message]);
  }
  return [...groups];
}

/** Why a maker cannot be written to; undefined where they can. */
function barOf(contact: Contact | undefined): string | undefined {
  if (contact && !contact.wantsMail) return 'has switched reminders off';
  return contact?.email ? undefined : 'no address';
}

interface RowProps {
  readonly message: Message;
  readonly bar: string | undefined;
  readonly isTicked: boolean;
  readonly onTick: () => void;
  readonly onOpen: () => void;
  readonly onSaid: () => void;
  readonly onAside: () => void;
}

function Row({ message, bar, isTicked, onTick, onOpen, onSaid, onAside }: RowProps) {
  const { maker, body, occasion, reason } = message;
  return (
    <Paper sx={{ px: 1, py: 0.5, mb: 0.5, display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 1 }}>
      <Checkbox
        checked={bar === undefined && isTicked}
        disabled={bar !== undefined}
        onChange={onTick}
        slotProps={{ input: { 'aria-label': `Send to ${maker}` } }}
      />
      <Box sx={{ flex: '1 1 260px', minWidth: 0 }}>
        <strong>{maker}</strong>
        {bar && <Typography component="span" color="warning.main">{` (${bar})`}</Typography>}
        <Typography color="textSecondary" noWrap>
          {occasion === 'quiet' || occasion === 'slipping' ? reason : body.replace(/\s+/g, ' ')}
        </Typography>
      </Box>
      <Button size="small" aria-label={`Read the reminder to ${maker}`} onClick={onOpen}>
        Read
      </Button>
      <Button size="small" aria-label={`${maker} was told by mouth`} onClick={onSaid}>
        Told
      </Button>
      <Button size="small" aria-label={`Put the reminder to ${maker} aside`} onClick={onAside}>
        Aside
      </Button>
    </Paper>
  );
} // prettier-ignore
