import { expect, test } from 'vitest';
import { planOrder } from '.';
import { hexagonRows } from '../testing';

/** How far an order was planned, each time that it was asked for. */
function reports(
  patches: Parameters<typeof planOrder>[0],
  sewing?: Parameters<typeof planOrder>[2],
): number[] {
  const shares: number[] = [];
  planOrder(structuredClone(patches), undefined, sewing, (share) => void shares.push(share));
  return shares;
}

test('a drawing that was planned is not planned again; one that differs, or is sewn with other thread, is', () => {
  const drawing = hexagonRows(2, 8).map((patch) => ({ ...patch, id: `known-${patch.id}` }));
  expect(reports(drawing)).not.toEqual([]);
  expect(reports(drawing)).toEqual([]);
  expect(reports(drawing, { usableNeedlefulMm: 300 })).not.toEqual([]);
  expect(reports(drawing.slice(1))).not.toEqual([]);
});
