import fc from 'fast-check';
import { expect, test } from 'vitest';
import { defaultRecipe, documentOfRecipe } from '../generate';
import { Making, summarise } from '../sheet';
import { plannedSheet } from '../testing';
import { foldEvents, type ProgressEvent } from '.';

const SETTINGS = { allowanceMm: 6.35, sparesPercent: 0, system: 'inch' } as const;
const { patches } = documentOfRecipe(defaultRecipe('star'));
const made = (change: (patch: (typeof patches)[number], index: number) => (typeof patches)[number] = (one) => one) =>
  new Map(plannedSheet(patches.map(change), SETTINGS).steps.map((step) => [step.id, step.made!])); // prettier-ignore
const plain = made();

test('a step is marked by its papers and cloth: another cloth or size changes the steps it is in, and no others', () => {
  const recloth = made((one, i) => (i === 0 ? { ...one, fabric: 'Other' } : one));
  const { steps, patches: drawn } = plannedSheet(patches, SETTINGS);
  const { marks } = summarise(plannedSheet(patches, SETTINGS));
  const making = new Making((id) => marks[id]);
  for (const step of steps) {
    const own = step.kind === 'join' ? [...step.left, ...step.right] : step.patches;
    const now = recloth.get(step.id);
    // Basting is batched by cloth: that step is another one.
    if (now !== undefined) expect(now === step.made).toBe(!own.includes(0));
    expect(step.made).toBe(making.of(own.map((patch) => drawn[patch]!.id).reverse()));
  }
  const larger = made((one) => ({ ...one, outline: { ...one.outline, corners: one.outline.corners.map(({ x, y }) => ({ x: x * 1.1, y: y * 1.1 })) } })); // prettier-ignore
  for (const [id, mark] of larger) expect(mark).not.toBe(plain.get(id));
  const moved = made((one) => ({ ...one, outline: { ...one.outline, corners: one.outline.corners.map(({ x, y }) => ({ x: x + 31, y: y - 8 })) } })); // prettier-ignore
  expect(moved).toEqual(plain);
});

test('work counts only for what it was done with; taken back, or done again with the right papers, nothing is changed', () => {
  const event = (stepId: string, kind: ProgressEvent['kind'], with_: string | undefined, at: number): ProgressEvent =>
    ({ clientId: `${at}`, stepId, kind, at: new Date(at * 1000).toISOString(), ...(with_ === undefined ? {} : { made: with_ }) }); // prettier-ignore
  const now = (stepId: string) => ({ a: 'x', b: 'y' })[stepId];
  const fold = (...events: ProgressEvent[]) => foldEvents(events, ['a', 'b'], now);
  expect([...fold(event('a', 'done', 'w', 1)).changed]).toEqual(['a']);
  expect(fold(event('a', 'done', 'w', 1)).done.size).toBe(0);
  expect([...fold(event('a', 'done', 'w', 1), event('a', 'done', 'x', 2)).done]).toEqual(['a']);
  expect(fold(event('a', 'done', 'w', 1), event('a', 'done', 'x', 2)).changed.size).toBe(0);
  expect(fold(event('a', 'done', 'w', 1), event('a', 'undone', undefined, 2)).changed.size).toBe(0);
  // What was done with the right papers stays done, whatever comes from an old page.
  expect([...fold(event('a', 'done', 'x', 1), event('a', 'done', 'w', 2)).done]).toEqual(['a']);
  expect([...fold(event('b', 'done', undefined, 1)).done]).toEqual(['b']);
  // Without a mark to compare with, as on old sheets, it counts.
  expect([...foldEvents([event('a', 'done', 'w', 1)], ['a']).done]).toEqual(['a']);
});

test('never both done and changed, in whatever order entries of several papers come, and however often', () => {
  const entry = fc.record({ step: fc.constantFrom('a', 'b'), kind: fc.constantFrom('done' as const, 'undone' as const), with_: fc.constantFrom('x', 'w', undefined), at: fc.nat(20) }); // prettier-ignore
  fc.assert(
    fc.property(fc.array(entry, { maxLength: 14 }), fc.nat(), (entries, turn) => {
      const events = entries.map(({ step, kind, with_, at }, i): ProgressEvent => ({ clientId: String(i), stepId: step, kind, at: new Date(1e12 + (at * 20 + i) * 1000).toISOString(), ...(with_ === undefined ? {} : { made: with_ }) })); // prettier-ignore
      const one = foldEvents(events, ['a', 'b'], () => 'x');
      const again = [...events.slice(turn % (events.length + 1)), ...events];
      const other = foldEvents(again, ['a', 'b'], () => 'x');
      expect([other.done, other.changed]).toEqual([one.done, one.changed]);
      for (const id of one.done) expect(one.changed.has(id)).toBe(false);
    }),
  );
});
