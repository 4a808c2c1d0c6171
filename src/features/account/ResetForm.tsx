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

/** Sets a new password by a letter. */
export function ResetForm({ token }: { token: string }) {
  const router = useRouter();
  const { register, handleSubmit } = useForm<{ password: string }>();
  const { error, isBusy, run } = useSend();
  const submit = handleSubmit(({ password }) =>
    run(async () => {
      await send('POST', '/api/reset', { token, password });
      router.replace('/sign-in');
    }),
  );
  return (
    <Doorway title="A new password" intro="All your open sessions end; sign in with the new one.">
      <form onSubmit={submit} noValidate>
        <Stack spacing={2}>
          <ErrorNote error={error} />
          <TextField
            label="New password"
            type="password"
            autoComplete="new-password"
            helperText="At least 10 characters."
            {...register('password')}
            error={error?.where === 'password'}
          />
          <Button type="submit" variant="contained" disabled={isBusy}>
            Set the password
          </Button>
        </Stack>
      </form>
    </Doorway>
  );
}
