'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Divider from '@mui/material/Divider';
import Paper from '@mui/material/Paper';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import type { SessionLine } from '@/server/accounts';
import { send } from '@/ui/api';
import { formatDay } from '@/ui/formatDay';
import { ErrorNote } from '@/ui/ErrorNote';
import { useSend } from '@/ui/useSend';

interface AccountPageProps {
  readonly name: string;
  readonly email: string;
  readonly isKeeper: boolean;
  readonly sessions: readonly SessionLine[];
}

/** One’s own account: password, open sessions, and its end; for the keeper also letters for lost passwords. */
export function AccountPage({ name, email, isKeeper, sessions }: AccountPageProps) {
  return (
    <Box component="main" sx={{ maxWidth: 720, mx: 'auto', my: 5, px: 2 }}>
      <Typography variant="h1">Your account</Typography>
      <Typography color="textSecondary">
        {name}, {email}. <Link href="/">Back to your projects</Link>
      </Typography>
      <Stack spacing={4} divider={<Divider />} sx={{ mt: 3 }}>
        <PasswordForm />
        <Sessions sessions={sessions} />
        {isKeeper && <LetterForm />}
        <EndForm />
      </Stack>
    </Box>
  );
}

function PasswordForm() {
  const { register, handleSubmit, reset } = useForm({ defaultValues: { old: '', next: '' } });
  const [isDone, setDone] = useState(false);
  const { error, isBusy, run } = useSend();
  const submit = handleSubmit((values) =>
    run(async () => {
      await send('PATCH', '/api/account', values);
      reset();
      setDone(true);
    }),
  );
  return (
    <Stack component="form" onSubmit={submit} noValidate spacing={1.5} sx={{ maxWidth: 440 }}>
      <Typography variant="h2">Password</Typography>
      <ErrorNote error={error} />
      {isDone && (
        <Typography role="status">The password is changed; your other sessions have ended.</Typography>
      )}
      <TextField
        label="Present password"
        type="password"
        autoComplete="current-password"
        {...register('old')}
        error={error?.where === 'old'}
      />
      <TextField
        label="New password"
        type="password"
        autoComplete="new-password"
        helperText="At least 10 characters."
        {...register('next')}
        error={error?.where === 'next'}
      />
      <Button type="submit" variant="contained" disabled={isBusy} sx={{ alignSelf: 'flex-start' }}>
        Change the password
      </Button>
    </Stack>
  );
}

function Sessions({ sessions }: { sessions: readonly SessionLine[] }) {
  const router = useRouter();
  const { error, isBusy, run } = useSend();
  const end = (session: string) =>
    run(async () => {
      await send('PATCH', '/api/account', { session });
      router.refresh();
    });
  return (
    <Stack spacing={1.5}>
      <Typography variant="h2">Where you are signed in</Typography>
      <ErrorNote error={error} />
      {sessions.map(({ id, device, createdAt, isThis }) => (
        <Paper key={id} sx={{ p: 1.5, display: 'flex', gap: 1.5, alignItems: 'center' }}>
          <Typography sx={{ flex: 1, overflowWrap: 'anywhere' }}>
            {isThis ? <strong>This one</strong> : shortDevice(device)}, since {formatDay(createdAt)}
          </Typography>
          {!isThis && (
            <Button disabled={isBusy} onClick={() => void end(id)}>
              End it
            </Button>
          )}
        </Paper>
      ))}
      {sessions.length > 1 && (
        <Button disabled={isBusy} onClick={() => void end('others')} sx={{ alignSelf: 'flex-start' }}>
          End all others
        </Button>
      )}
    </Stack>
  );
}

/** What a browser calls itself, in short. */
function shortDevice(device: string): string {
  const system = /iPhone|iPad|Android|Windows|Mac OS X|Linux/.exec(device)?.[0];
  return system === undefined ? 'A device' : `A device with ${system === 'Mac OS X' ? 'macOS' : system}`;
}

function LetterForm() {
  const { register, handleSubmit } = useForm({ defaultValues: { email: '' } });
  const [address, setAddress] = useState('');
  const { error, isBusy, run } = useSend();
  const submit = handleSubmit((values) =>
    run(async () => setAddress((await send<{ address: string }>('POST', '/api/letters', values)).address)),
  );
  return (
    <Stack component="form" onSubmit={submit} noValidate spacing={1.5} sx={{ maxWidth: 440 }}>
      <Typography variant="h2">Someone lost their password</Typography>
      <ErrorNote error={error} />
      <TextField
        label="Their e-mail address"
        type="email"
        {...register('email')}
        error={error?.where === 'email'}
      />
      <Button type="submit" disabled={isBusy} sx={{ alignSelf: 'flex-start' }}>
        Make a link for a new password
      </Button>
      {address !== '' && (
        <TextField
          label="Link for a new password"
          value={address}
          helperText="Good for a day, once. Give it to them in person or by a way that only they read."
          slotProps={{ htmlInput: { readOnly: true } }}
        />
      )}
    </Stack>
  );
}

function EndForm() {
  const router = useRouter();
  const { register, handleSubmit } = useForm({ defaultValues: { password: '' } });
  const { error, isBusy, run } = useSend();
  const submit = handleSubmit((values) =>
    run(async () => {
      await send('POST', '/api/account', values);
      router.replace('/sign-in');
      router.refresh();
    }),
  );
  return (
    <Stack component="form" onSubmit={submit} noValidate spacing={1.5} sx={{ maxWidth: 440 }}>
      <Typography variant="h2">Delete the account</Typography>
      <Typography color="textSecondary">
        Projects stay with their other hosts. This cannot be taken back.
      </Typography>
      <ErrorNote error={error} />
      <TextField
        label="Your password"
        type="password"
        autoComplete="current-password"
        {...register('password')}
      />
      <Button type="submit" color="error" disabled={isBusy} sx={{ alignSelf: 'flex-start' }}>
        Delete my account
      </Button>
    </Stack>
  );
}
