import { QUESTION_KINDS, teachNext, type Question } from '@/core/practice';
import type { BlockWithSheet } from '../blocks';
import { derived, hashOf, type Sql } from '../database';
import { offThread } from '../pool';
import type { Project } from '../projects';
import { practiceOfAll } from './practice';

/** Raised whenever the core draws other questions from the same plan. */
const PRACTICE_VERSION = 1;

/** Something that a group misses in practice, in words, and on which block. */
export interface MissedInPractice {
  readonly blockId: string;
  readonly what: string;
  readonly why: string;
}

/** What practice shows that makers miss over all blocks, the worst first. Questions are drawn only of blocks where somebody answered some. */
export async function missedIn(
  sql: Sql,
  project: Project,
  blocks: readonly BlockWithSheet[],
): Promise<MissedInPractice[]> {
  const counts = await practiceOfAll(sql, project);
  const all = await Promise.all(
    blocks.map(async ({ id, sheet }) => {
      const own = counts.filter(({ blockId }) => blockId === id);
      if (own.length === 0) return [];
      return teachNext(await questionsOf(sql, sheet), own).map((one) => ({ ...one, blockId: id }));
    }),
  );
  return all
    .flat()
    .sort((a, b) => b.missed / b.asked - a.missed / a.asked)
    .map(({ blockId, asks, asked, missed }) => ({
      blockId,
      what: QUESTION_KINDS[asks.kind].toLowerCase(),
      why: `Missed ${missed} of ${asked} times in practice. ${asks.reason}`,
    }));
}

/** The questions of a block, from the cache or drawn in a worker thread. */
function questionsOf(
  sql: Sql,
  { steps, patches, kinds, marks }: BlockWithSheet['sheet'],
): Promise<Question[]> {
  const texts = steps.map(({ id, text }) => [id, text]);
  const key = `practice/${PRACTICE_VERSION}/${hashOf(texts, marks)}`;
  return derived(sql, key, () => offThread('practice', { steps, patches, kinds }));
}
