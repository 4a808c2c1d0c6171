'use client';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { send } from './api';

export function SignOutButton() {
  const router = useRouter();
  const signOut = async () => {
    await send('POST', '/api/sign-out', {}).catch(() => undefined);
    router.replace('/sign-in');
    router.refresh();
  };
  return (
    <Button size="small" variant="text" onClick={signOut}>
      Sign out
    </Button>
  );
}
