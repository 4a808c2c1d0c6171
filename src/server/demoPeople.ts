import { randomUUID } from 'node:crypto';
import type postgres from 'postgres';
import { dropsOf } from '@/core/calendar';
import { USUAL_BAGGING, USUAL_CARD, USUAL_SCALE, type BagExtras } from '@/core/packing';
import { readKeptExtras, saveExtras } from './bags';
import { readKeptCalendar } from './calendar';
import { addLogEntry, listLog } from './logbook';
import { listMakers, takeRoster } from './makers';
import { actOnTrouble, listTroubles, sayWord } from './troubles';
import type { Access } from './projects';

/** Two circles of the made-up shop; one maker is young, one sews on the ferry, one rests. */
const GROUPS: Readonly<Record<string, readonly string[]>> = {
  'Thursday circle': ['Ottoline Pell', 'Bram Vesterly', 'Ines Quillfeather', 'Marit Holloway-Sund', 'Tobiah Renn', 'Clemency Voss', 'Jory Tamblyn'],
  'Saturday table': ['Hedda Marsh', 'Suvi Arrowsmith', 'Prudence Okell', 'Anselm Drury', 'Wilhelmina Fosse', 'Kit Larkrise'],
}; // prettier-ignore
const YOUNG = 'Tobiah Renn';
const ON_THE_WAY = 'Ines Quillfeather';

/** Who is in which group, and what cautions they need. */
export async function fillGroups(sql: postgres.Sql, access: Access<'edit'>): Promise<void> {
  const makers = await listMakers(sql, access.project);
  if (makers.some(({ groupId }) => groupId !== null)) return;
  const rows = Object.entries(GROUPS).flatMap(([group, names]) =>
    names
      .filter((name) => makers.some((maker) => maker.name === name))
      .map((name) => ({ name, group, isUnderAge: name === YOUNG, travels: name === ON_THE_WAY })),
  );
  if (rows.length > 0) await takeRoster(sql, access, rows);
}

/** Two are stuck on the same step: one says how it looks, and is answered. */
export async function fillTroubles(
  sql: postgres.Sql,
  access: Access<'edit'>,
  links: readonly { readonly id: string; readonly token: string }[],
): Promise<void> {
  const [first, second] = await listTroubles(sql, access.project);
  if (!first || !second || first.words.length > 0) return;
  const tokenOf = (makerId: string) => links.find(({ id }) => id === makerId)?.token;
  const words: Readonly<Record<string, string>> = {
    [first.id]: 'The strip is shorter than the side of my star. Shall I cut a longer one?',
    [second.id]: 'My strip ends before the corner.',
  };
  for (const { id, makerId } of [first, second]) {
    const token = tokenOf(makerId);
    if (token) await sayWord(sql, token, { id: randomUUID(), troubleId: id, text: words[id] ?? '' }); // prettier-ignore
  }
  await actOnTrouble(sql, access, first.id, {
    kind: 'answer',
    wordId: randomUUID(),
    text: 'No: pin both ends and the middle, then ease the star onto the strip. It gives that much.',
  });
  await actOnTrouble(sql, access, second.id, { kind: 'teach', isToTeach: true });
}

/** What the host wrote down so far. */
export async function fillLogbook(
  sql: postgres.Sql,
  access: Access<'edit'>,
  blocks: readonly { readonly id: string; readonly name: string }[],
): Promise<void> {
  if ((await listLog(sql, access.project)).some(({ kind }) => kind === 'note')) return;
  const of = (name: string) => blocks.find((block) => block.name === name)?.id ?? null;
  const lines = [
    ['note', 'Signal Lamp', 'The madder runs when it is pressed wet: dry iron only.'],
    ['decision', null, 'Wake comes after Gangway: the Saturday table wants a month for the curves.'],
    ['next-time', 'Rope Coil', 'Print the thin diamonds on stiffer card, and give four spares of each hand.'],
    ['next-time', null, 'Ask for addresses on the first evening.'],
  ] as const;
  for (const [kind, block, text] of lines)
    await addLogEntry(sql, access, { id: randomUUID(), kind, blockId: block && of(block), text });
}

/** What goes into the bags besides papers and cloth; one drop is one bag, with its wedges in inner bags. */
export async function fillExtras(sql: postgres.Sql, access: Access<'edit'>): Promise<void> {
  const { revision } = await readKeptExtras(sql, access.project);
  if (revision > 0) return;
  const last = dropsOf((await readKeptCalendar(sql, access.project)).calendar).findLast(
    ({ blocks }) => blocks.length > 1,
  );
  const extras: BagExtras = {
    first: [{ what: 'needles, size 10', count: 3 }, { what: 'spool of grey thread', count: 1 }],
    every: [{ what: 'step cards', count: 1 }],
    last: [{ what: 'backing, cut', count: 1 }],
    gear: { sorter: { rows: 3, columns: 4 }, card: USUAL_CARD, scale: USUAL_SCALE },
    bagging: { ...USUAL_BAGGING, drops: last ? { [last.id]: { per: 'drop', isInner: true } } : {} },
  }; // prettier-ignore
  await saveExtras(sql, access, { extras, revision });
}
