import { buildSeamGraph } from '../block';
import type { BlockSheet } from '../sheet';
import { nextSeamQuestions } from './nextSeam';
import { papersOutQuestions } from './papersOut';
import type { Question, QuestionKind } from './question';
import { ringQuestions } from './rings';
import { clashQuestions, tailQuestions, turnedOverQuestions } from './tails';

/** Of each kind so many are asked, spread over the block. */
const MOST_OF_KIND = 8;
/** In larger blocks seams are not looked at for this. */
const MOST_PATCHES = 1000;

/** Questions for practice on a block, drawn from its plan: the same for the same plan. Cost: that of its seam graph. */
export function practiceQuestions(sheet: Pick<BlockSheet, 'steps' | 'patches' | 'kinds'>): Question[] {
  const isSmall = sheet.patches.length <= MOST_PATCHES;
  const graph = isSmall ? buildSeamGraph(sheet.patches) : undefined;
  const byKind: Readonly<Record<QuestionKind, readonly Question[]>> = {
    'papers-out': papersOutQuestions(sheet),
    'next-seam': isSmall ? nextSeamQuestions(sheet) : [],
    'tail-way': tailQuestions(sheet),
    clash: graph ? clashQuestions(sheet, graph) : [],
    'turned-over': turnedOverQuestions(sheet),
    'ring-count': graph ? ringQuestions(graph) : [],
  };
  return Object.values(byKind).flatMap((list) => spread(list, MOST_OF_KIND));
}

/** So many of a list, evenly from its beginning to its end. */
function spread<T>(list: readonly T[], most: number): readonly T[] {
  if (list.length <= most) return list;
  return Array.from({ length: most }, (_, i) => list[Math.round((i * (list.length - 1)) / (most - 1))] as T);
}

/** Whether an answer is right: the patches tapped, the number of the choice, or the number given. */
export function isRight({ answer }: Question, given: readonly number[] | number): boolean {
  if (answer.form !== 'tap') return given === answer.right;
  if (typeof given === 'number') return false;
  return given.length === answer.right.length && answer.right.every((patch) => given.includes(patch));
}
