import { byLink } from '@/server/accounts';
import { readFeed } from '@/server/calendar';
import { database } from '@/server/database';
import { route } from '@/server/http';
import { addressOf } from '@/server/peer';

/** The calendar behind a secret address, for other calendars. */
export const GET = route(async (request, { token = '' }) => {
  const headers = { 'content-type': 'text/calendar; charset=utf-8', 'cache-control': 'private, max-age=900' };
  return new Response(await byLink(database(), addressOf(request.headers), () => readFeed(database(), token)), { headers });
}); // prettier-ignore
