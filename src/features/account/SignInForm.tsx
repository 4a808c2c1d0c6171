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

export function SignInForm() {
  const router = useRouter();
  const { register, handleSubmit } = useForm<{ email: string; password: string }>();
  const { error, isBusy, run } = useSend();
  const submit = handleSubmit((values) =>
    run(async () => {
      await send('POST', '/api/sign-in', values);
      router.replace('/');
      router.refresh();
    }),
  );
  return (
    <Doorway
      title="Sign in"
      intro="For hosts and helpers. Makers use the personal link that their host gave them."
    >
      <form onSubmit={submit} noValidate>
        <Stack spacing={2}>
          <ErrorNote error={error} />
          <TextField
            label="E-mail address"
            type="email"
            autoComplete="username"
            autoFocus
            {...register('email')}
            error={error?.where === 'email'}
          />
          <TextField
            label="Password"
            type="password"
            autoComplete="current-password"
            {...register('password')}
            error={error?.where === 'password'}
          />
          <Button type="submit" variant="contained" disabled={isBusy}>
            Sign in
          </Button>
        </Stack>
      </form>
    </Doorway>
  );
}
