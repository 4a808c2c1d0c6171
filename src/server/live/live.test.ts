import { afterAll, beforeAll, expect, test } from 'vitest';
import type postgres from 'postgres';
import { onChange } from './live';
import { notify, type Change } from './notify';
import { testDatabase } from '../testing';

let sql: postgres.Sql;
let drop: () => Promise<void>;

beforeAll(async () => {
  ({ sql, drop } = await testDatabase());
});

afterAll(() => drop());

/** A promise of the next change that is told. */
function listen(): Promise<Change> {
  return new Promise((resolve) => {
    void onChange(sql, (change) => {
      if (change.projectId !== '') resolve(change);
    });
  });
}

test('a page that is gone silences no other page', async () => {
  let failures = 0;
  await onChange(sql, () => {
    failures += 1;
    throw new Error('its stream is closed');
  });
  const next = listen();
  // The first look of a new listener may be told “everything”; only a change of the project counts.
  await notify(sql, 'a-project', 'kits');
  expect(await next).toEqual({ projectId: 'a-project', kind: 'kits' });
  // One maker’s progress is told as theirs.
  const later = listen();
  await notify(sql, 'a-project', 'progress', 'a-maker');
  expect(await later).toEqual({ projectId: 'a-project', kind: 'progress', makerId: 'a-maker' });
  expect(failures).toBe(1);
});
