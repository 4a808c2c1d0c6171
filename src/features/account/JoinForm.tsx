'use client';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useForm } from 'react-hook-form';
import { send } from '@/ui/api';
import { ErrorNote } from '@/ui/ErrorNote';
import { useSend } from '@/ui/useSend';
import { Doorway } from '@/ui/Doorway';

interface JoinFormProps {
  readonly token: string;
  readonly project: string;
  readonly role: string;
  /** Name of whoever is signed in. */
  readonly signedInAs?: string;
}

/** Opens an invitation: comes in as who one is, or with a new account. */
export function JoinForm({ token, project, role, signedInAs }: JoinFormProps) {
  const router = useRouter();
  const { register, handleSubmit } = useForm<{ email: string; name: string; password: string }>();
  const { error, isBusy, run } = useSend();
  const join = (account?: object) =>
    run(async () => {
      const { projectId } = await send<{ projectId: string }>('POST', '/api/join', {
        token,
        ...(account ? { account } : {}),
      });
      router.replace(`/p/${projectId}`);
      router.refresh();
    });
  return (
    <Doorway title={`Join ${project}`} intro={`You are invited as a ${role}.`}>
      <Stack spacing={2}>
        <ErrorNote error={error} />
        {signedInAs ? (
          <Button variant="contained" disabled={isBusy} onClick={() => void join()}>
            Join as {signedInAs}
          </Button>
        ) : (
          <form onSubmit={handleSubmit((values) => join(values))} noValidate>
            <Stack spacing={2}>
              <Typography>
                Have an account? <Link href="/sign-in">Sign in</Link>, then open this link again. Else make
                one:
              </Typography>
              <TextField
                label="Your name"
                autoComplete="name"
                {...register('name')}
                error={error?.where === 'account.name'}
              />
              <TextField
                label="E-mail address"
                type="email"
                autoComplete="username"
                {...register('email')}
                error={error?.where === 'account.email'}
              />
              <TextField
                label="Password"
                type="password"
                autoComplete="new-password"
                helperText="At least 10 characters."
                {...register('password')}
                error={error?.where === 'account.password'}
              />
              <Button type="submit" variant="contained" disabled={isBusy}>
                Make my account and join
              </Button>
            </Stack>
          </form>
        )}
      </Stack>
    </Doorway>
  );
}
