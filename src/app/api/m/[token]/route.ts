import { database } from '@/server/database';
import { byLink } from '@/server/gate';
import { route } from '@/server/http';
import { addressOf } from '@/server/peer';
import { makerPage } from '@/server/progress';

export const GET = route(async (request, { token = '' }) => {
  return byLink(database(), addressOf(request.headers), () => makerPage(database(), token));
});
