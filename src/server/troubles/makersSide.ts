import type postgres from 'postgres';
import { inTransaction, type Sql } from '../database';
import { notFound } from '../errors';
import { notify } from '../live';
import { openLink } from '../makers';
import { encodeAnew } from '../photos';
import { readWordImage, selectTroubles, type Trouble } from './troubles';

/** Something that a maker says about a trouble of theirs; its id is the device’s, so that it may be sent again. */
export interface MakersWord {
  readonly id: string;
  readonly troubleId: string;
  /** Which sign of the guide it looks like; nothing leaves it as it was. */
  readonly symptom?: string;
  readonly text: string;
  /** A picture, base64. */
  readonly image?: string;
}

/** A trouble as its maker sees it: without what hosts note for themselves. */
export type MakersTrouble = Omit<Trouble, 'makerId' | 'assignedTo' | 'isToTeach' | 'revision'>;

/** A maker’s own troubles of the last weeks, newest first. */
export async function makerTroubles(sql: Sql, makerId: string): Promise<MakersTrouble[]> {
  const own = await selectTroubles(sql, sql`t.maker_id = ${makerId} and t.state <> 'withdrawn' and t.changed_at > now() - interval '60 days'`); // prettier-ignore
  return own
    .map(({ makerId: _maker, assignedTo: _by, isToTeach: _teach, revision: _revision, ...rest }) => rest)
    .reverse();
}

/** Adds what a maker says; said twice it is there once. @returns all their troubles. @throws ServerError 404, 422 for a bad picture */
export async function sayWord(sql: postgres.Sql, token: string, word: MakersWord): Promise<MakersTrouble[]> {
  const { maker, project } = await openLink(sql, token);
  const image = word.image === undefined ? null : (await encodeAnew(Buffer.from(word.image, 'base64'))).data;
  await inTransaction(sql, async (step) => {
    const [own] = await step`
      select 1 from trouble t join block b on b.id = t.block_id
      where t.id = ${word.troubleId} and t.maker_id = ${maker.id} and b.project_id = ${project.id} for update of t`;
    if (!own) throw notFound('This trouble');
    const said = await step`
      insert into trouble_word (id, trouble_id, is_makers, text, image)
      values (${word.id}, ${word.troubleId}, true, ${word.text}, ${image}) on conflict do nothing returning id`;
    if (said.length === 0) return;
    // Whoever asks again is waiting again.
    await step`
      update trouble set symptom = ${word.symptom ?? step`symptom`}, changed_at = now(), revision = revision + 1,
        state = case when state = 'answered' then 'open' else state end where id = ${word.troubleId}`;
    await notify(step, project.id, 'troubles');
  });
  return makerTroubles(sql, maker.id);
}

/** A picture of a maker’s own, by their link. */
export async function readMakerWordImage(sql: Sql, token: string, wordId: string): Promise<Buffer> {
  const { maker, project } = await openLink(sql, token);
  const [own] = await sql`
    select 1 from trouble_word w join trouble t on t.id = w.trouble_id where w.id = ${wordId} and t.maker_id = ${maker.id}`;
  if (!own) throw notFound('This picture');
  return readWordImage(sql, project, wordId);
}
