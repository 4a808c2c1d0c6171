import ts from 'typescript';
import { afterEach, expect, test } from 'vitest';
import { slipsOf, withSwitches } from './slips';
import { Switchboard, TooLong } from './switchboard';

/** What `work` gives as it is and with each slip of its text, all built in behind switches. */
function results(text: string): readonly (readonly [made: string, result: unknown])[] {
  const board = (globalThis.__slips = new Switchboard());
  const slips = slipsOf('work.ts', text).map((slip, id) => ({ id, slip }));
  const { outputText } = ts.transpileModule(withSwitches(text, slips), {
    compilerOptions: { target: ts.ScriptTarget.ES2023 },
  });
  const work = new Function(`${outputText}; return work;`)() as () => unknown;
  const asIs = work();
  return [
    ['', asIs],
    ...slips.map(({ id, slip }) => {
      board.turnOn(id, Infinity);
      const result = work();
      board.turnOff();
      expect(work()).toEqual(asIs);
      return [slip.made, result] as const;
    }),
  ];
}

// Where these tests are run with slips themselves, theirs come back.
const own = globalThis.__slips;
afterEach(() => void (globalThis.__slips = own));

test('every slip of a text is there behind its switch, the text as it is beside it', () => {
  expect(
    results('function work() { const a = 3, b = 4; return (a + b) * 2 <= 14 && Math.max(a, b) === b; }'),
  ).toEqual([
    ['', true],
    ['6', false],
    ['8', false],
    ['||', true],
    ['<', false],
    ['/', true],
    ['-', true],
    ['4', false],
    ['28', true],
    ['!==', false],
    ['Math.min', false],
  ]);
});

test('the second of two conditions is left out where the first decides', () => {
  const text =
    'const work = () => { let n = 0; const say = (is) => ((n += 1), is); return [say(true) || say(true), n]; };';
  expect(results(text)).toEqual([
    ['', [true, 1]],
    ['1', [true, 2]],
    ['2', [true, 2]],
    ['&&', [true, 2]],
    ['false', [true, 2]],
    ['false', [true, 1]],
  ]);
});

test('constants are named, so that their file’s slips can be switched on after it was read', () => {
  const text =
    'export const MOST = 2 * 3e2;\nfunction most(limit = 4) { return limit < MOST; }\ntype Side = 1;';
  expect(slipsOf('work.ts', text).map(({ found, constant, line }) => [found, constant, line])).toEqual([
    ['*', 'MOST', 1],
    ['2', 'MOST', 1],
    ['3e2', 'MOST', 1],
    ['4', undefined, 2],
    ['<', undefined, 2],
  ]);
});

test('in SQL the words are changed, not what is put into them; roles become the least', () => {
  const text =
    "const rows = sql`select 1 from t where a > 0 and b = ${c > 2} limit 50`; allow(project, 'own');";
  expect(slipsOf('work.ts', text).map(({ found, made }) => [found, made])).toEqual([
    [' > ', ' >= '],
    [' and ', ' or '],
    ['0', '1'],
    ['50', '100'],
    ['>', '>='],
    ['2', '4'],
    ["'own'", "'read'"],
  ]);
});

test('what is only looked at is left alone', () => {
  expect(
    slipsOf('work.tsx', 'const a = <Box\n  sx={{\n    m: 3,\n  }}\n  n={4}\n/>;').map(({ found }) => found),
  ).toEqual(['4']);
});

test('a slip that goes on for ever is ended where it passes its switch', () => {
  const board = new Switchboard();
  board.turnOn(3, performance.now() - 1);
  expect(() => {
    for (;;) board.is(3);
  }).toThrow(TooLong);
});
