import fc from 'fast-check';
import { expect, test } from 'vitest';
import { pickStops, shareStops, type PickList, type PickStop } from '.';

const line = (what: string, total: number) => ({ what, parts: [], total });
const cut = (what: string, total: number) => ({ ...line(what, total), widthMm: 50, lengthMm: 60 });
const list: PickList = {
  papers: [line('hexagon', 40), line('kite', 12)],
  extras: [cut('strip', 4)],
  cloth: [{ fabric: 'Fog', lines: [cut('Fog', 10), cut('Fog', 20)] }, { fabric: 'Tar', lines: [cut('Tar', 6)] }],
}; // prettier-ignore

test('each place is visited once, as one walks past it; what has no place comes last', () => {
  expect(pickStops(list, []).map(({ key, pieces }) => [key, pieces])).toEqual([['papers:hexagon', 40], ['papers:kite', 12], ['top', 4], ['cloth:Fog', 30], ['cloth:Tar', 6]]); // prettier-ignore
  expect(pickStops(list, ['cloth:Tar', 'gone', 'papers:kite']).map(({ key }) => key)).toEqual(['cloth:Tar', 'papers:kite', 'papers:hexagon', 'top', 'cloth:Fog']); // prettier-ignore
});

test('helpers get stretches of the walk, nothing twice and nothing left, the longest as short as any cut makes it', () => {
  const stops = fc.array(fc.nat(60), { minLength: 0, maxLength: 7 }).map((all) => all.map((pieces, i): PickStop => ({ key: String(i), title: '', lines: [], pieces }))); // prettier-ignore
  /** The longest share of the best of all ways to cut, tried one by one. */
  const bestOf = (pieces: readonly number[], shares: number): number => {
    if (shares === 1 || pieces.length <= 1) return pieces.reduce((sum, one) => sum + one, 0);
    const ways = pieces.slice(1).map((_, i) => Math.max(bestOf(pieces.slice(0, i + 1), 1), bestOf(pieces.slice(i + 1), shares - 1))); // prettier-ignore
    return Math.min(...ways);
  };
  fc.assert(
    fc.property(stops, fc.integer({ min: 1, max: 4 }), (walk, helpers) => {
      const shares = shareStops(walk, helpers);
      expect(shares.flat()).toEqual(walk);
      expect(shares).toHaveLength(Math.max(1, Math.min(helpers, walk.length)));
      const longest = Math.max(...shares.map((own) => own.reduce((sum, { pieces }) => sum + pieces, 0)));
      if (walk.length >= helpers)
        expect(longest).toBe(
          bestOf(
            walk.map(({ pieces }) => pieces),
            helpers,
          ),
        );
    }),
  );
});
