import { database } from '@/server/database';
import { ServerError } from '@/server/errors';
import { addSample } from '@/server/demo';
import { requireAccount, route } from '@/server/http';
import { JOB_KINDS } from '@/server/jobKinds';
import { runJobNow, type JobState } from '@/server/jobs';
import { fewAtOnce } from '@/server/pool';

/** A sample that could not be filled at once is said to be none yet, and what becomes of it. */
function unfinished(state: JobState): ServerError {
  return new ServerError(503, {
    code: 'unfinished',
    what: 'The sample could not be filled to its end.',
    mend:
      state === 'failed'
        ? 'Put it in the bin and make another.'
        : 'It stands in the list and is filled further by itself; look again in a minute.',
  });
}

export const POST = route(async () => {
  const account = await requireAccount();
  return fewAtOnce(account.id, async () => {
    const { id, job } = await addSample(database(), account);
    const end = job && (await runJobNow(database(), JOB_KINDS, job));
    if (end && end.says !== '') throw unfinished(end.state);
    return { id };
  });
});
