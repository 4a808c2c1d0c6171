'use client';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useRouter } from 'next/navigation';
import { useForm } from 'react-hook-form';
import { send } from '@/ui/api';
import { ErrorNote } from '@/ui/ErrorNote';
import { useSend } from '@/ui/useSend';
import { Doorway } from '@/ui/Doorway';

export function FirstRunForm() {
  const router = useRouter();
  const { register, handleSubmit } = useForm<{ email: string; name: string; password: string }>();
  const { error, isBusy, run } = useSend();
  const submit = handleSubmit((values) =>
    run(async () => {
      await send('POST', '/api/first-run', values);
      router.replace('/');
      router.refresh();
    }),
  );
  return (
    <Doorway
      title="The first host"
      intro="This Kevlo is new. Make the account of its first host; it can see and change everything in its projects."
    >
      <form onSubmit={submit} noValidate>
        <Stack spacing={2}>
          <ErrorNote error={error} />
          <TextField
            label="Your name"
            autoComplete="name"
            autoFocus
            {...register('name')}
            error={error?.where === 'name'}
          />
          <TextField
            label="E-mail address"
            type="email"
            autoComplete="username"
            {...register('email')}
            error={error?.where === 'email'}
          />
          <TextField
            label="Password"
            type="password"
            autoComplete="new-password"
            helperText="At least 10 characters."
            {...register('password')}
            error={error?.where === 'password'}
          />
          <Button type="submit" variant="contained" disabled={isBusy}>
            Make the account
          </Button>
        </Stack>
      </form>
    </Doorway>
  );
}
