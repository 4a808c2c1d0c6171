import type { BagContents, InnerBags } from '@/core/bags';

/** A block and what its bag holds. */
export interface BagBlock {
  readonly id: string;
  readonly name: string;
  readonly bag: BagContents;
  /** Its units that are made again, for inner bags; not told where nothing is put into any. */
  readonly inner?: InnerBags;
  /** What lies in it, to tell bags that were packed before. */
  readonly bagMark: string;
  /** Papers to save for later blocks when it is done; empty where there are none. */
  readonly saved: string;
}
