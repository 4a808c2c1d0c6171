'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { useState } from 'react';
import type { RemindersPage } from '@/server/reminders';
import { ErrorNote } from '@/ui/ErrorNote';
import { ContactTable } from './ContactTable';
import { DraftList } from './DraftList';
import { Outbox } from './Outbox';
import { StandInPanel } from './StandInPanel';
import { useReminders } from './useReminders';
import { WordsPanel } from './WordsPanel';

interface RemindersStationProps {
  readonly projectId: string;
  readonly initial: RemindersPage;
}

const VIEWS = ['drafts', 'outbox', 'addresses', 'words', 'mail'] as const;
type View = (typeof VIEWS)[number];

/** Reminders: drafted from how things stand, sent when the host says so. */
export function RemindersStation({ projectId, initial }: RemindersStationProps) {
  const own = useReminders(projectId, initial);
  const [view, setView] = useState<View>('drafts');
  const { messages, contacts, standIn } = own.page;
  const drafts = messages.filter(({ state }) => state === 'draft');
  const others = messages.filter(({ state }) => state !== 'draft');
  const troubled = others.filter(({ state }) => state === 'failed' || state === 'unsure').length;
  const names: Readonly<Record<View, string>> = {
    drafts: `Drafts (${drafts.length})`,
    outbox: troubled > 0 ? `Sent off (${troubled} in trouble)` : `Sent off (${others.length})`,
    addresses: 'Addresses',
    words: 'Your words',
    mail: 'Mail stand-in',
  };
  return (
    <Box>
      <Stack direction="row" sx={{ justifyContent: 'space-between', flexWrap: 'wrap', gap: 1, mb: 1 }}>
        <Typography variant="h2">Reminders</Typography>
        <Button component={Link} href={`/p/${projectId}/calendar`}>
          Back to the calendar
        </Button>
      </Stack>
      <Typography sx={{ mb: 1.5, maxWidth: 640 }}>
        Drafted from the calendar and from how each maker stands. Nothing leaves before you send it off, and of one cause nobody hears twice.
      </Typography>
      <ErrorNote error={own.error} />
      <ToggleButtonGroup exclusive size="small" aria-label="Part" value={view} onChange={(_, next: View | null) => next && setView(next)} sx={{ flexWrap: 'wrap', mb: 2 }}>
        {VIEWS.filter((one) => one !== 'mail' || standIn !== undefined).map((one) => (
          <ToggleButton key={one} value={one}>
            {names[one]}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      {view === 'drafts' && <DraftList projectId={projectId} drafts={drafts} contacts={contacts} own={own} />}
      {view === 'outbox' && <Outbox messages={others} own={own} />}
      {view === 'addresses' && <ContactTable contacts={contacts} own={own} />}
      {/* Always there: what was typed a moment ago is saved though another part is looked at. */}
      <Box hidden={view !== 'words'}>
        <WordsPanel projectId={projectId} initial={own.page.settings} revision={own.page.revision} />
      </Box>
      {view === 'mail' && standIn && <StandInPanel {...standIn} own={own} />}
    </Box>
  );
} // prettier-ignore
