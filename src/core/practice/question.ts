import type { Outline } from '../geometry';

/** What a question is about. */
export type QuestionKind = 'papers-out' | 'next-seam' | 'tail-way' | 'clash' | 'turned-over' | 'ring-count';

/** What each kind asks, for lists of what is missed. */
export const QUESTION_KINDS: Readonly<Record<QuestionKind, string>> = {
  'papers-out': 'Which papers may come out now',
  'next-seam': 'Which seam is next',
  'tail-way': 'Which way a tail lies',
  clash: 'Whether two tails clash',
  'turned-over': 'Which paper is turned over',
  'ring-count': 'How many papers a ring needs',
};

/** One answer that can be chosen, and what is said to whoever chooses it. */
export interface Choice {
  readonly text: string;
  readonly why: string;
}

/** How it is answered: patches are tapped, one of several is chosen, or a number is given. */
export type Answer =
  | { readonly form: 'tap'; readonly right: readonly number[]; readonly among: readonly number[] }
  | { readonly form: 'choice'; readonly right: number; readonly choices: readonly Choice[] }
  | { readonly form: 'number'; readonly right: number };

/** A paper that is shown by itself, as it lies while it is wrapped. */
export interface ShownPaper {
  /** As drawn, mm, y down. */
  readonly outline: Outline;
  /** Numbers of its folds by side; none where they would tell too much. */
  readonly foldOrder?: readonly number[];
  /** The corner that is asked about. */
  readonly corner?: number;
}

/** What is seen with a question. */
export type Picture =
  | {
      readonly shows: 'block';
      /** Work up to and without this step is done. */
      readonly upTo: number;
      /** Patches that are held now. */
      readonly held: readonly number[];
      /** Patches left blank. */
      readonly hidden: readonly number[];
    }
  | { readonly shows: 'papers'; readonly papers: readonly ShownPaper[] }
  /** Patches side by side as they lie in the block, from the back, with their fold numbers. */
  | { readonly shows: 'patches'; readonly patches: readonly number[] };

/** A question from a block’s real plan. */
export interface Question {
  /** The same for the same thing in the same plan. */
  readonly id: string;
  readonly kind: QuestionKind;
  readonly asks: string;
  readonly picture: Picture;
  readonly answer: Answer;
  /** Why the right answer is right, in a sentence or two. */
  readonly reason: string;
}
