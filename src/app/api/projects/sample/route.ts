import path from 'node:path';
import { database } from '@/server/database';
import { loadSample } from '@/server/demo';
import { requireAccount, route } from '@/server/http';
import { fewAtOnce } from '@/server/pool';

export const POST = route(async () => {
  const account = await requireAccount();
  const root = process.env.KEVLO_ROOT ?? process.cwd();
  const blocks = path.join(/*turbopackIgnore: true*/ root, 'demo', 'blocks');
  return fewAtOnce(account.id, () => loadSample(database(), account, blocks, new Date()));
});
