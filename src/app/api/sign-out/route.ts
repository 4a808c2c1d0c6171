import { cookies } from 'next/headers';
import { signOut } from '@/server/accounts';
import { database } from '@/server/database';
import { SESSION_COOKIE, route, setSessionCookie } from '@/server/http';

export const POST = route(async () => {
  await signOut(database(), (await cookies()).get(SESSION_COOKIE)?.value);
  await setSessionCookie(undefined);
});
