import { database } from '@/server/database';
import { byLink } from '@/server/accounts';
import { addressOf } from '@/server/peer';
import { route } from '@/server/http';
import { makerPage } from '@/server/progress';

export const GET = route(async (request, { token = '' }) => {
  return byLink(database(), addressOf(request.headers), () => makerPage(database(), token));
});
