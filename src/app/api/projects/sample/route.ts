import { database } from '@/server/database';
import { addSample } from '@/server/demo';
import { requireAccount, route } from '@/server/http';
import { JOB_KINDS } from '@/server/jobKinds';
import { runJobNow } from '@/server/jobs';
import { fewAtOnce } from '@/server/pool';

export const POST = route(async () => {
  const account = await requireAccount();
  return fewAtOnce(account.id, async () => {
    const { id, job } = await addSample(database(), account);
    if (job) await runJobNow(database(), JOB_KINDS, job);
    return { id };
  });
});
