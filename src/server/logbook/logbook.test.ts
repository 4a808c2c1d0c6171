import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { defaultRecipe } from '@/core/generate';
import { MOST_LOG_LINES } from '@/core/formats';
import { addLogEntry, listLog, readLogPicture, setLogRemoved } from '.';
import { listSummaries, makeBlock } from '../blocks';
import { runAgain } from '../files';
import { addMakers, listMakers } from '../makers';
import { openProject } from '../projects';
import { recordEvents } from '../progress';
import { sayWord } from '../troubles';
import { progressEvent as event, refusal, testProject, type TestProject } from '../testing';

let { sql, drop, access, project } = {} as TestProject;

beforeAll(async () => {
  ({ sql, drop, access, project } = await testProject('Logged'));
});

afterAll(() => drop());

test('one dated thread: what was noted, changed and asked, newest first, by block; a line taken out comes back', async () => {
  const { id: blockId } = await makeBlock(sql, access, { name: 'Star', recipe: defaultRecipe('star') });
  const [maker] = await addMakers(sql, access, ['Ann']);
  const note = { id: randomUUID(), kind: 'next-time', blockId, text: 'Cut the tips wider.' } as const;
  await addLogEntry(sql, access, note);
  await addLogEntry(sql, access, { ...note, text: 'sent again' });
  const tick = event(blockId, 'join-1', 'stuck');
  await recordEvents(sql, maker?.token ?? '', [tick]);
  await sayWord(sql, maker?.token ?? '', { id: randomUUID(), troubleId: tick.clientId, text: 'It puckers.' });
  const log = await listLog(sql, project);
  expect(log.map(({ kind }) => kind).slice(0, 2)).toEqual(['trouble', 'next-time']);
  expect(log[0]).toMatchObject({ blockId, text: 'Ann: It puckers.', by: null });
  expect(log[1]).toMatchObject({ blockId, text: 'Cut the tips wider.', by: 'Host' });
  expect(log.some(({ kind, text }) => kind === 'change' && text === 'makers-added')).toBe(true);
  expect(log.map(({ at }) => at)).toEqual([...log.map(({ at }) => at)].sort().reverse());
  await setLogRemoved(sql, access, note.id, true);
  expect((await listLog(sql, project)).some(({ id }) => id === note.id)).toBe(false);
  await setLogRemoved(sql, access, note.id, false);
  expect((await listLog(sql, project)).some(({ id }) => id === note.id)).toBe(true);
});

test('what was written stays in the thread however much was changed since', async () => {
  const note = { id: randomUUID(), kind: 'decision', blockId: null, text: 'Madder for all.' } as const;
  await addLogEntry(sql, access, note);
  await sql`
    insert into audit (project_id, account_id, what, details, at)
    select ${project.id}, ${access.account.id}, 'kit-changed', '{}', now() + interval '1 hour' * i from generate_series(1, 2500) i`;
  const log = await listLog(sql, project);
  expect(log.some(({ id }) => id === note.id)).toBe(true);
  expect(log.filter(({ kind }) => kind === 'change')).toHaveLength(MOST_LOG_LINES);
  await sql`delete from audit where what = 'kit-changed' and project_id = ${project.id}`;
});

test('a picture to a line is encoded anew and goes with it; what is no picture is refused and nothing is written', async () => {
  const image = (await sharp({ create: { width: 30, height: 20, channels: 3, background: '#a33' } }).png().toBuffer()).toString('base64'); // prettier-ignore
  const line = { id: randomUUID(), kind: 'note', blockId: null, text: 'So it looks.', image } as const;
  await addLogEntry(sql, access, line);
  expect((await listLog(sql, project))[0]).toMatchObject({ text: 'So it looks.', picture: { width: 30, height: 20 } }); // prettier-ignore
  const kept = await readLogPicture(sql, project, line.id);
  expect(kept.toString('base64')).not.toBe(image);
  expect(await sharp(kept).metadata()).toMatchObject({ width: 30, height: 20 });
  await setLogRemoved(sql, access, line.id, true);
  await expect(readLogPicture(sql, project, line.id)).rejects.toEqual(refusal(404));
  const bad = { ...line, id: randomUUID(), image: btoa('no picture') };
  await expect(addLogEntry(sql, access, bad)).rejects.toEqual(refusal(422));
  expect((await listLog(sql, project)).some(({ id }) => id === bad.id)).toBe(false);
});

test('run again: what was planned and written for next time comes along, nobody and nothing that was used does', async () => {
  const { project: first } = access;
  await addLogEntry(sql, access, {
    id: randomUUID(),
    kind: 'next-time',
    blockId: null,
    text: 'Ask for addresses.',
  });
  const { id } = await runAgain(sql, access, 'Logged, again');
  const again = await openProject(sql, access.account, id, 'own');
  expect((await listSummaries(sql, again.project)).blocks.map(({ name }) => name)).toEqual(['Star']);
  expect(await listMakers(sql, again.project)).toEqual([]);
  const [block] = (await listSummaries(sql, again.project)).blocks;
  const written = (await listLog(sql, again.project)).filter(({ kind }) => kind !== 'change');
  expect(written.map(({ kind, blockId, text }) => [kind, blockId, text]).sort()).toEqual([
    ['next-time', null, 'Ask for addresses.'],
    ['next-time', block?.id, 'Cut the tips wider.'],
  ]);
  expect(await listMakers(sql, first)).toHaveLength(1);
});
