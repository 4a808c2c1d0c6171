import { expect, test } from 'vitest';
import {
  NOTHING,
  aside,
  readUpTo,
  readWaiting,
  sendAll,
  withTick,
  type Sending,
  type Tick,
  type Waiting,
} from './tickStore';

const tick = (n: number): Tick => ({
  clientId: `c${n}`,
  blockId: 'b',
  stepId: 's',
  kind: 'done',
  at: '2026-01-01T00:00:00Z',
});

function queue(count: number) {
  let waiting: Waiting = NOTHING;
  for (let n = 0; n < count; n++) waiting = withTick(waiting, tick(n));
  const settle = (change: (now: Waiting) => Waiting) => void (waiting = change(waiting));
  return { settle, now: () => waiting };
}

test('a long queue is sent in parts, none larger than the server takes', async () => {
  const { settle, now } = queue(1201);
  const sizes: number[] = [];
  const send = async (ticks: readonly Tick[]): Promise<Sending> => (
    sizes.push(ticks.length),
    { kind: 'taken', upTo: 7 }
  );
  expect(await sendAll(now().ticks, send, settle)).toBe(true);
  expect(sizes).toEqual([200, 200, 200, 200, 200, 200, 1]);
  expect([now().ticks, now().sent.length]).toEqual([[], 1201]);
  // A page that is read anew has what was sent up to then.
  settle((kept) => readUpTo(kept, 6));
  expect(now().sent).toHaveLength(1201);
  settle((kept) => readUpTo(kept, 7));
  expect(now()).toEqual(NOTHING);
});

test('a tick that the server cannot take is set aside and holds up no other', async () => {
  const { settle, now } = queue(5);
  const taken: string[] = [];
  const send = async (ticks: readonly Tick[]): Promise<Sending> => {
    if (ticks.some(({ clientId }) => clientId === 'c3')) return { kind: 'refused' };
    taken.push(...ticks.map(({ clientId }) => clientId));
    return { kind: 'taken', upTo: 3 };
  };
  expect(await sendAll(now().ticks, send, settle)).toBe(true);
  expect(taken).toEqual(['c0', 'c1', 'c2', 'c4']);
  expect(now()).toMatchObject({ ticks: [], setAside: [tick(3)] });
});

test('what is not answered waits, with all that comes after it', async () => {
  const { settle, now } = queue(450);
  let calls = 0;
  const send = async (): Promise<Sending> => (++calls === 2 ? { kind: 'later' } : { kind: 'taken', upTo: 1 });
  expect(await sendAll(now().ticks, send, settle)).toBe(false);
  expect(now().ticks).toHaveLength(250);
});

test('two tabs add to one store; a store that is damaged is empty, and half a tick is left out', () => {
  const one = withTick(readWaiting(undefined), tick(1));
  expect(withTick(withTick(readWaiting(JSON.stringify(one)), tick(2)), tick(1)).ticks.map(({ clientId }) => clientId)).toEqual(['c1', 'c2']);
  expect(readWaiting('{"ticks": [')).toEqual(NOTHING);
  expect(readWaiting(JSON.stringify({ ticks: [{ clientId: 'x' }, tick(1)], setAside: 7 }))).toEqual({ ticks: [tick(1)], setAside: [], sent: [] });
  expect(readWaiting(JSON.stringify({ sent: [{ ...tick(1), upTo: 4 }, tick(2)] })).sent).toEqual([{ ...tick(1), upTo: 4 }]);
  expect(aside(one, 'c9')).toEqual(one);
}); // prettier-ignore
