import { itemAt } from '../lists';
import type { Outline } from '../geometry';
import { findLookAlikes, type LookAlike, type NamedPaper } from './lookAlikes';
import { matchingRotation, signatureOf, turnedOverSignature } from './signature';

/** Marks that tell look-alike papers apart, in the order in which they are proposed. */
export const PAPER_MARKS = ['stripe', 'dot', 'notch', 'two stripes', 'two dots', 'two notches'] as const;
export type PaperMark = (typeof PAPER_MARKS)[number];

/** What the host decided for a paper instead of what was proposed. */
export interface ChosenMark {
  /** Any outline of the paper: it is known by its shape. */
  readonly outline: Outline;
  readonly mark: PaperMark | 'none';
}

/** A paper that bears a mark, for whoever names papers. */
export interface MarkedPaper {
  readonly outline: Outline;
  readonly mark: PaperMark;
}

/** Whether two outlines are the same paper, either way up. */
export function isSamePaper(a: Outline, b: Outline): boolean {
  const signature = signatureOf(b);
  return (
    matchingRotation(signatureOf(a), signature) !== undefined ||
    matchingRotation(turnedOverSignature(a), signature) !== undefined
  );
}

/**
 * Gives each paper that is hard to tell from another a mark of its own among its likes; of each pair one stays plain.
 * What the host chose comes first.
 * @returns a mark or undefined for each paper
 */
export function proposeMarks(
  papers: readonly NamedPaper[],
  chosen: readonly ChosenMark[] = [],
  found: readonly LookAlike[] = findLookAlikes(papers),
): (PaperMark | undefined)[] {
  const likes = papers.map(() => new Set<number>());
  for (const one of found) {
    if (one.kind !== 'pair') continue;
    const [a, b] = one.papers;
    likes[a]?.add(b);
    likes[b]?.add(a);
  }
  const marks = papers.map(({ outline }) => chosen.find((one) => isSamePaper(one.outline, outline))?.mark);
  papers.forEach((_, index) => {
    if (marks[index] !== undefined || likes[index]?.size === 0) return;
    const taken = new Set([...itemAt(likes, index)].map((other) => marks[other]));
    // Those that come later are still undefined here: the first of a pair stays plain.
    marks[index] = taken.has('none')
      ? (PAPER_MARKS.find((mark) => !taken.has(mark)) ?? 'two notches')
      : 'none';
  });
  return marks.map((mark) => (mark === 'none' ? undefined : mark));
}

/** The mark of a paper among those that bear one. */
export function markOf(outline: Outline, marked: readonly MarkedPaper[]): PaperMark | undefined {
  return marked.find((one) => isSamePaper(one.outline, outline))?.mark;
}
