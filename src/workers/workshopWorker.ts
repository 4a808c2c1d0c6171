/** Web worker of the workshop: the seam report of large blocks, mends, and papers that a drawing was meant to be. */
import { expose } from 'comlink';
import type { BlockDocument } from '@/core/block';
import type { UnitSystem } from '@/core/length';
import {
  guessPapers,
  liveReport,
  proposeMend,
  snapToPapers,
  type LiveReport,
  type Mend,
  type PaperGuess,
} from '@/core/workshop';

/** Most problems for which a mend is worked out at once. */
const MOST_MENDS = 8;

const api = {
  report: (document: BlockDocument, system: UnitSystem): LiveReport => liveReport(document, system),

  /** Mends of the first problems, in their order. */
  mends: (document: BlockDocument, report: Pick<LiveReport, 'problems'>): (Mend | undefined)[] =>
    report.problems.slice(0, MOST_MENDS).map((problem) => proposeMend(document, problem)),

  guesses: (document: BlockDocument, system: UnitSystem): PaperGuess[] =>
    guessPapers(document.patches, system),

  snap: (document: BlockDocument, guesses: readonly PaperGuess[]): BlockDocument => ({
    ...document,
    patches: snapToPapers(document.patches, guesses),
  }),
};

export type WorkshopWorker = typeof api;

expose(api);
