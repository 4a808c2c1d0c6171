import type postgres from 'postgres';
import type { Sql } from '../database';
import { listSummaries } from '../blocks';
import { notFound } from '../errors';
import type { Project } from '../projects';

/** `answered`: the host said something, and the maker has not gone on yet. */
export type TroubleState = 'open' | 'answered' | 'settled' | 'withdrawn';

/** Something said about a trouble. */
export interface TroubleWord {
  readonly id: string;
  /** Who said it; null for the maker. */
  readonly by: string | null;
  readonly text: string;
  readonly hasImage: boolean;
  readonly at: string;
}

/** One maker stuck at one step, with what was said to and fro. */
export interface Trouble {
  readonly id: string;
  readonly makerId: string;
  readonly blockId: string;
  readonly stepId: string;
  /** A sign of the trouble guide; empty where none was like it. */
  readonly symptom: string;
  readonly state: TroubleState;
  readonly assignedTo: { readonly id: string; readonly name: string } | null;
  readonly isToTeach: boolean;
  readonly revision: number;
  readonly at: string;
  readonly words: readonly TroubleWord[];
}

/** A trouble with what its step says; null where the plan no longer has it. */
export interface ListedTrouble extends Trouble {
  readonly step: { readonly number: number; readonly text: string } | null;
}

/** Troubles that were settled longer ago than this are no longer listed, days. */
const SHOWN_DAYS = 60;

/** Troubles of a project, the oldest that is open first; withdrawn ones are not told. */
export async function listTroubles(sql: Sql, project: Project): Promise<ListedTrouble[]> {
  const [{ blocks }, troubles] = await Promise.all([listSummaries(sql, project), selectShown(sql, project)]);
  const steps = new Map(
    blocks.flatMap(({ id, summary }) =>
      summary.steps.map(
        (step, index) => [`${id}/${step.id}`, { number: index + 1, text: step.text }] as const,
      ),
    ),
  );
  return troubles.map((trouble) => ({
    ...trouble,
    step: steps.get(`${trouble.blockId}/${trouble.stepId}`) ?? null,
  }));
}

function selectShown(sql: Sql, project: Project): Promise<Trouble[]> {
  return selectTroubles(
    sql,
    sql`t.state <> 'withdrawn' and b.project_id = ${project.id} and m.removed_at is null
      and (t.state in ('open', 'answered') or t.is_to_teach or t.changed_at > now() - make_interval(days => ${SHOWN_DAYS}))`,
  );
}

/** @param which a condition over trouble t, maker m and block b */
export async function selectTroubles(
  sql: Sql,
  which: postgres.PendingQuery<postgres.Row[]>,
): Promise<Trouble[]> {
  const rows = await sql<Trouble[]>`
    select t.id, t.maker_id as "makerId", t.block_id as "blockId", t.step_id as "stepId", t.symptom, t.state,
      case when a.id is not null then json_build_object('id', a.id, 'name', a.name) end as "assignedTo",
      t.is_to_teach as "isToTeach", t.revision, t.at,
      coalesce((select json_agg(json_build_object('id', w.id, 'by', case when w.is_makers then null else coalesce(c.name, 'host') end,
          'text', w.text, 'hasImage', w.image is not null, 'at', w.at) order by w.number)
        from trouble_word w left join account c on c.id = w.account_id where w.trouble_id = t.id), '[]') as words
    from trouble t join maker m on m.id = t.maker_id join block b on b.id = t.block_id left join account a on a.id = t.assigned_to
    where b.removed_at is null and ${which}
    order by t.state = 'settled', t.at, t.id`;
  return [...rows];
}

/** The picture that goes with a word. @throws ServerError 404 */
export async function readWordImage(sql: Sql, project: Project, wordId: string): Promise<Buffer> {
  const [row] = await sql<{ image: Buffer | null }[]>`
    select w.image from trouble_word w join trouble t on t.id = w.trouble_id join block b on b.id = t.block_id
    where w.id = ${wordId} and b.project_id = ${project.id}`;
  if (!row?.image) throw notFound('This picture');
  return row.image;
}
