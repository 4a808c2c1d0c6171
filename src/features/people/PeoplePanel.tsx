'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState, type FocusEvent } from 'react';
import useSWR from 'swr';
import type { Invitation, Person, Role } from '@/server/projects';
import { read, send } from '@/ui/api';
import { Choice } from '@/ui/Choice';
import { formatDay } from '@/ui/formatDay';
import { ErrorNote } from '@/ui/ErrorNote';
import { useSend } from '@/ui/useSend';

const ROLES = [
  ['host', 'host: may change everything'],
  ['helper', 'helper: packs bags, changes nothing else'],
] as const;
const DAYS = [
  ['1', 'a day'],
  ['7', 'a week'],
  ['30', 'a month'],
] as const;

interface PeoplePanelProps {
  readonly projectId: string;
  readonly ownId: string;
}

/** Who works on the project: roles, links that invite, and handing over. */
export function PeoplePanel({ projectId, ownId }: PeoplePanelProps) {
  const path = `/api/projects/${projectId}/people`;
  const { data, mutate } = useSWR<{ people: Person[]; invitations: Invitation[] }>(path, read);
  const { error, isBusy, run } = useSend();
  const change = (body: object) => run(async () => void (await send('PATCH', path, body), await mutate()));
  return (
    <Stack spacing={2} sx={{ maxWidth: 860 }}>
      <Typography variant="h2">People</Typography>
      <ErrorNote error={error} />
      <Stack component="ul" spacing={1} sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {data?.people.map((person) => (
          <Paper component="li" key={person.id} sx={{ p: 1.5 }}>
            <Stack
              direction={{ xs: 'column', sm: 'row' }}
              spacing={1.5}
              sx={{ alignItems: { sm: 'center' } }}
            >
              <Typography sx={{ flex: 1 }}>
                <strong>{person.name}</strong> {person.id === ownId && '(you)'}
                <br />
                <Typography component="span" color="textSecondary">
                  {person.email}
                </Typography>
              </Typography>
              <Box sx={{ width: { xs: '100%', sm: 300 }, flexShrink: 0 }}>
                <Choice
                  label={`Role of ${person.name}`}
                  value={person.role}
                  choices={ROLES}
                  onChange={(role) => void change({ person: person.id, role })}
                />
              </Box>
              <Button
                disabled={isBusy}
                onClick={() => void change({ person: person.id, role: 'gone' })}
                sx={{ flexShrink: 0 }}
              >
                {person.id === ownId ? 'Leave the project' : 'Take out'}
              </Button>
            </Stack>
          </Paper>
        ))}
      </Stack>
      {data?.people.length === 1 && (
        <Typography color="textSecondary">
          To hand the project over, invite another host; once they have come, make yourself a helper or leave.
        </Typography>
      )}
      <InviteForm path={path} onDone={() => void mutate()} />
      {data?.invitations.map(({ id, role, expiresAt }) => (
        <Stack key={id} direction="row" spacing={1.5} sx={{ alignItems: 'center' }}>
          <Typography sx={{ flex: 1 }}>
            An invitation as {role} waits until {formatDay(expiresAt)}.
          </Typography>
          <Button disabled={isBusy} onClick={() => void change({ invitation: id })}>
            Take it back
          </Button>
        </Stack>
      ))}
    </Stack>
  );
}

function InviteForm({ path, onDone }: { path: string; onDone: () => void }) {
  const [role, setRole] = useState<Role>('helper');
  const [days, setDays] = useState('7');
  const [address, setAddress] = useState('');
  const { error, isBusy, run } = useSend();
  const invite = () =>
    run(async () => {
      const made = await send<{ address: string }>('POST', path, { role, days: Number(days) });
      setAddress(made.address);
      onDone();
    });
  return (
    <Paper sx={{ p: 2 }}>
      <Typography variant="h3" sx={{ mb: 1.5 }}>
        Invite someone
      </Typography>
      <Stack spacing={1.5}>
        <ErrorNote error={error} />
        <Stack direction={{ xs: 'column', sm: 'row' }} spacing={1.5}>
          <Choice label="As" value={role} choices={ROLES} onChange={(one) => setRole(one as Role)} />
          <Choice label="The link is good for" value={days} choices={DAYS} onChange={setDays} />
        </Stack>
        <Button
          variant="contained"
          disabled={isBusy}
          onClick={() => void invite()}
          sx={{ alignSelf: 'flex-start' }}
        >
          Make an invitation link
        </Button>
        {address !== '' && (
          <TextField
            label="Invitation link"
            value={address}
            helperText="Send it to one person: it lets one in, once. It is not shown again."
            slotProps={{
              htmlInput: {
                readOnly: true,
                onFocus: (event: FocusEvent<HTMLInputElement>) => event.target.select(),
              },
            }}
          />
        )}
      </Stack>
    </Paper>
  );
}
