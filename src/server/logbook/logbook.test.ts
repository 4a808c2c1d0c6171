import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { defaultRecipe } from '@/core/generate';
import { addLogEntry, listLog, setLogRemoved } from '.';
import { makeBlock } from '../blocks';
import { addMakers } from '../makers';
import { recordEvents } from '../progress';
import { sayWord } from '../troubles';
import { progressEvent as event, testProject, type TestProject } from '../testing';

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
