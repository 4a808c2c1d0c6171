import { afterEach, expect, test } from 'vitest';
import { LEAST_ROOM, dataFolder } from './places';

const before = process.env.KEVLO_DATA;
afterEach(() => {
  if (before === undefined) delete process.env.KEVLO_DATA;
  else process.env.KEVLO_DATA = before;
});

test('what begins something asks for room; what ends or saves it works on a full disk', () => {
  // Files of the running system: a place with no room at all.
  process.env.KEVLO_DATA = '/proc/self';
  expect(() => dataFolder(LEAST_ROOM)).toThrow('has 0 MB left; Kevlo needs 200 MB');
  expect(dataFolder()).toBe('/proc/self');
});
