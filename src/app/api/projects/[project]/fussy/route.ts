import { projectRoute, readJson } from '@/server/http';
import { offThread, unlessRefused } from '@/server/pool';

/** Finds whole sets on a printed repeat: a `kevlo.fussy-request/1` in, a `kevlo.fussy-result/1` out. Nothing is saved. */
export const POST = projectRoute('edit', async (request) =>
  unlessRefused(await offThread('fussySets', { request: await readJson(request) }, request.signal)),
);
