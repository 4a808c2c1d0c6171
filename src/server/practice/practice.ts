import type postgres from 'postgres';
import type { PracticeCount } from '@/core/practice';
import { inTransaction, type Sql } from '../database';
import { notFound } from '../errors';
import { openLink } from '../makers';
import type { Access, Project } from '../projects';

/** An answer given in practice. */
export interface PracticeAnswer {
  readonly blockId: string;
  /** Id of the question. */
  readonly question: string;
  readonly isRight: boolean;
}

/** A block holds at most so many questions: what is beyond is not counted. */
const MOST_QUESTIONS = 400;

/** Adds a maker’s answers to the sums of their project; whose they are is not kept. @throws ServerError 404 for a block that is not theirs */
export async function countPractice(
  sql: postgres.Sql,
  token: string,
  answers: readonly PracticeAnswer[],
): Promise<void> {
  const { maker, project } = await openLink(sql, token);
  const skipped = answers.some(({ blockId }) => maker.skips.includes(blockId));
  if (skipped) throw notFound('This block');
  await add(sql, project, answers);
}

/** Adds the answers of a class, given before the projector. */
export function countClassPractice(
  sql: postgres.Sql,
  { project }: Access<'pack'>,
  answers: readonly PracticeAnswer[],
): Promise<void> {
  return add(sql, project, answers);
}

async function add(sql: postgres.Sql, project: Project, answers: readonly PracticeAnswer[]): Promise<void> {
  const blockIds = [...new Set(answers.map(({ blockId }) => blockId))];
  // In one order for everybody, so that crossed sums wait for each other instead of locking each other out.
  const inOrder = [...answers].sort((a, b) => (`${a.blockId}${a.question}` < `${b.blockId}${b.question}` ? -1 : 1)); // prettier-ignore
  await inTransaction(sql, async (step) => {
    const own = await step`select id from block where project_id = ${project.id} and id = any(${blockIds})`;
    if (own.length !== blockIds.length) throw notFound('This block');
    for (const { blockId, question, isRight } of inOrder)
      await step`
        insert into practice_count (project_id, block_id, question, asked, missed)
        select ${project.id}, ${blockId}, ${question}, 1, ${isRight ? 0 : 1}
        where exists (select from practice_count where block_id = ${blockId} and question = ${question})
          or (select count(*) from practice_count where block_id = ${blockId}) < ${MOST_QUESTIONS}
        on conflict (block_id, question) do update
          set asked = practice_count.asked + 1, missed = practice_count.missed + excluded.missed`;
  });
}

/** Sums of all blocks of a project. */
export function practiceOfAll(
  sql: Sql,
  project: Project,
): Promise<(PracticeCount & { readonly blockId: string })[]> {
  return sql<(PracticeCount & { readonly blockId: string })[]>`
    select block_id as "blockId", question, asked, missed from practice_count
    where project_id = ${project.id} order by block_id, question`;
}

/** Sums of one block, the most asked first. */
export function practiceOf(sql: Sql, project: Project, blockId: string): Promise<PracticeCount[]> {
  return sql<PracticeCount[]>`
    select question, asked, missed from practice_count
    where project_id = ${project.id} and block_id = ${blockId} order by asked desc, question`;
}
