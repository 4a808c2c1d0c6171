import type postgres from 'postgres';
import { dropsOf } from '@/core/calendar';
import { listKits } from '../bags';
import { addDocument, listSummaries } from '../blocks';
import { readKeptCalendar, saveCalendar } from '../calendar';
import { notFound } from '../errors';
import { listMakers, setSkip } from '../makers';
import { readEvents } from '../progress';
import type { Access } from '../projects';

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
  for (const maker of makers) {
    const goes = sewing.includes(maker) && !begun.has(maker.id);
    await setSkip(sql, access, maker.id, { blockId: goes ? blockId : id, isSkipped: true });
  }
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

async function handOutWith(
  sql: postgres.Sql,
  access: Access<'edit'>,
  old: string,
  id: string,
): Promise<void> {
  const { calendar, revision } = await readKeptCalendar(sql, access.project);
  const drop = dropsOf(calendar).find(({ blocks }) => blocks.includes(old));
  if (!drop) return;
  const entries = calendar.entries.map((entry) =>
    entry.id === drop.id ? { ...drop, blocks: [...drop.blocks, id] } : entry,
  );
  await saveCalendar(sql, access, { calendar: { ...calendar, entries }, revision });
}
