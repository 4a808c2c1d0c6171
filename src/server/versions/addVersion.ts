import type postgres from 'postgres';
import { dropsOf } from '@/core/calendar';
import { listKits } from '../bags';
import { addDocument, listSummaries } from '../blocks';
import { readKeptCalendar, saveCalendar } from '../calendar';
import { inTransaction } from '../database';
import { ServerError, notFound } from '../errors';
import { notify } from '../live';
import { listMakers } from '../makers';
import { readEvents } from '../progress';
import { audit, type Access } from '../projects';

/** A new version beside an old one, and who sews which. */
export interface NewVersion {
  readonly id: string;
  readonly name: string;
  /** Makers who go on with the old one: they have begun, or their bag is packed. */
  readonly stay: number;
  readonly go: number;
}

/**
 * Keeps a changed block as a new version: whoever has begun, or has a bag, goes on with the old one; all others sew the new one. It is
 * handed out with the old one; its place in the top is the host’s to give.
 * @throws ServerError 404, 422 for what is no block
 */
export async function addVersion(
  sql: postgres.Sql,
  access: Access<'edit'>,
  blockId: string,
  document: unknown,
): Promise<NewVersion> {
  const { project } = access;
  const [{ blocks }, makers, events, kits] = await Promise.all([
    listSummaries(sql, project),
    listMakers(sql, project),
    readEvents(sql, project),
    listKits(sql, project),
  ]);
  const old = blocks.find(({ id }) => id === blockId);
  if (!old) throw notFound('This block');
  const name = nextName(old.name, new Set(blocks.map((one) => one.name.toLowerCase())));
  const { id } = await addDocument(sql, access, { name, document });
  const begun = new Set([
    ...events.filter((pair) => pair.blockId === blockId).map(({ makerId }) => makerId),
    ...kits
      .filter((kit) => kit.blockId === blockId && kit.status !== 'to-pack')
      .map(({ makerId }) => makerId),
  ]);
  const sewing = makers.filter(({ skips }) => !skips.includes(blockId));
  await share(
    sql,
    access,
    makers.map((maker) => {
      const goes = sewing.includes(maker) && !begun.has(maker.id);
      return { maker_id: maker.id, block_id: goes ? blockId : id };
    }),
  );
  await handOutWith(sql, access, blockId, id);
  const stay = sewing.filter((maker) => begun.has(maker.id)).length;
  return { id, name, stay, go: sewing.length - stay };
}

const VERSION = /^(.*), version (\d+)$/;

function nextName(name: string, taken: ReadonlySet<string>): string {
  const [, plain = name, number = '1'] = VERSION.exec(name) ?? [];
  for (let next = Number(number) + 1; ; next++) {
    const own = `${plain.slice(0, 100)}, version ${next}`;
    if (!taken.has(own.toLowerCase())) return own;
  }
}

/** Writes down who does not sew which: all of it or nothing, so that nobody is left with both. */
async function share(
  sql: postgres.Sql,
  access: Access<'edit'>,
  skips: readonly { readonly maker_id: string; readonly block_id: string }[],
): Promise<void> {
  if (skips.length === 0) return;
  await inTransaction(sql, async (step) => {
    await step`insert into skip ${step(skips as never)} on conflict do nothing`;
    await audit(step, access, 'version-shared', { makers: skips.length });
    await notify(step, access.project.id, 'makers');
  });
}

/** The calendar is read and saved again where someone else saved it in between, so often. */
const MOST_TRIES = 4;

/** Puts a block into every drop that an older one is in: each group has its own. */
async function handOutWith(
  sql: postgres.Sql,
  access: Access<'edit'>,
  old: string,
  id: string,
): Promise<void> {
  for (let tries = 1; ; tries++) {
    const { calendar, revision } = await readKeptCalendar(sql, access.project);
    if (!dropsOf(calendar).some(({ blocks }) => blocks.includes(old))) return;
    const entries = calendar.entries.map((entry) =>
      entry.kind === 'drop' && entry.blocks.includes(old)
        ? { ...entry, blocks: [...entry.blocks, id] }
        : entry,
    );
    try {
      await saveCalendar(sql, access, { calendar: { ...calendar, entries }, revision });
      return;
    } catch (error) {
      if (!(error instanceof ServerError) || error.status !== 409 || tries >= MOST_TRIES) throw error;
    }
  }
}
