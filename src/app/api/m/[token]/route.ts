import { database } from '@/server/database';
import { addressOf, route } from '@/server/http';
import { makerPage } from '@/server/progress';
import { throttle } from '@/server/throttle';

/** Reads of personal links per address and minute, so that links cannot be tried out. */
const MOST_READS = 600;

export const GET = route(async (request, { token = '' }) => {
  await throttle(database(), `link:${addressOf(request)}`, MOST_READS, 60);
  return makerPage(database(), token);
});
