import { fillSample } from './demo';
import type { JobKinds } from './jobs';

/** Every kind of work that outlives the process that began it: a new one is named here. */
export const JOB_KINDS: JobKinds = {
  sample: fillSample,
};
