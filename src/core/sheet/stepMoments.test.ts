import { expect, test } from 'vitest';
import { makePaper, type Paper } from '../catalogue';
import { momentsOf, type BlockSheet, type Step } from '.';

const join = { kind: 'join', bends: 0, chains: [{ knots: [1, 2, 3] }], releases: [], patches: [] };
const momentsAt = (step: object, patches: object[] = []) =>
  momentsOf(step as Step, { patches } as unknown as Pick<BlockSheet, 'patches'>);

test.each<[string, object, string[]]>([
  ['one straight seam of three knots', {}, ['join']],
  ['a bend', { bends: 1 }, ['join', 'bend']],
  [
    'four knots in a run',
    { chains: [{ knots: [1] }, { knots: [1, 2, 3, 4] }] },
    ['join', 'long-row', 'ring'],
  ],
  ['a paper that comes out', { releases: [5] }, ['join', 'release']],
  ['two runs', { chains: [{ knots: [1] }, { knots: [] }] }, ['join', 'ring']],
])('a join of %s is looked at for what can go wrong with it', (_, change, moments) => {
  expect(momentsAt({ ...join, ...change })).toEqual(moments);
});

test.each<[Paper, string, string[]]>([
  [{ family: 'regular', sides: 4, edgeMm: 25 }, 'none', ['baste']],
  [{ family: 'regular', sides: 3, edgeMm: 25 }, 'none', ['baste', 'baste-sharp']],
  [{ family: 'diamond', edgeMm: 25, angleDeg: 88 }, 'L', ['baste', 'baste-sharp', 'baste-handed']],
  [{ family: 'diamond', edgeMm: 25, angleDeg: 89.5 }, 'R', ['baste', 'baste-handed']],
])('basting %j of hand %s can go wrong at its corners and by its hand', (paper, hand, moments) => {
  const patches = [{ outline: makePaper({ family: 'regular', sides: 3, edgeMm: 9 }) }, { outline: makePaper(paper), hand }];
  expect(momentsAt({ kind: 'baste', patches: [1] }, patches)).toEqual(moments);
}); // prettier-ignore

test('layers are sewn on as layers are, and at the end nothing is looked for', () => {
  expect([momentsAt({ kind: 'applique', patches: [] }), momentsAt({ kind: 'finish' })]).toEqual([['applique'], []]); // prettier-ignore
});
