/** Web worker of the order of work: plans a block by every school, off the main thread. */
import { expose } from 'comlink';
import { compareSchools, type SchoolSummary, type SewingSettings } from '@/core/assembly';
import { buildSeamGraph, type Patch } from '@/core/block';

const api = {
  compare(patches: readonly Patch[], sewing: SewingSettings): SchoolSummary[] {
    return compareSchools(buildSeamGraph(patches), sewing);
  },
};

export type OrderWorker = typeof api;

expose(api);
