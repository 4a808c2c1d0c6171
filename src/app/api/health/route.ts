import { database } from '@/server/database';
import { route } from '@/server/http';

/** Whether the application and its database answer; for balancers and tests. */
export const GET = route(async () => {
  await database()`select 1`;
  return { ok: true };
});
