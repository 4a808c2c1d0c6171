import fc from 'fast-check';
import { expect, test } from 'vitest';
import { foldEvents, stepId, type ProgressEvent, packProgress, unpackProgress, type BlockProgress } from '.';

const STEPS = ['a', 'b', 'c'];
const event = fc
  .record({
    clientId: fc.uuid(),
    stepId: fc.constantFrom('a', 'b', 'c', 'gone'),
    kind: fc.constantFrom<ProgressEvent['kind'][]>('done', 'undone', 'stuck'),
    second: fc.nat(100_000),
  })
  .map(({ second, ...rest }): ProgressEvent => ({ ...rest, at: new Date(second * 1000).toISOString() }));
const history = fc.uniqueArray(event, { selector: ({ at }) => at, maxLength: 30 });

test('an event sent twice, or late, or in another order counts as if it had come once in time', () => {
  fc.assert(
    fc.property(history, fc.array(fc.nat(29)), (events, again) => {
      const repeated = [...events, ...again.flatMap((i) => events[i] ?? [])].reverse();
      expect(foldEvents(repeated, STEPS)).toEqual({
        ...foldEvents(events, STEPS),
        orphaned: expect.anything(),
      });
      expect(new Set(foldEvents(repeated, STEPS).orphaned)).toEqual(
        new Set(foldEvents(events, STEPS).orphaned),
      );
    }),
  );
});

test('the last word on a step counts, and steps that the plan lost are listed, not dropped', () => {
  const say = (kind: ProgressEvent['kind'], step: string, second: number): ProgressEvent => ({ clientId: `${kind}${step}${second}`, stepId: step, kind, at: new Date(second * 1000).toISOString() });
  const { done, stuck, orphaned } = foldEvents([say('done', 'a', 1), say('undone', 'a', 2), say('stuck', 'b', 3), say('done', 'c', 4), say('done', 'gone', 5)], STEPS);
  expect([[...done], [...stuck], orphaned]).toEqual([['c'], ['b'], ['gone']]);
}); // prettier-ignore

test.each<[string, [ProgressEvent['kind'], string, number][], string[], string[]]>([
  ['help that was asked for ends when the step is done', [['stuck', 'a', 1], ['done', 'a', 2]], ['a'], []],
  ['help asked for on a step that is done is none', [['done', 'a', 1], ['stuck', 'a', 2]], ['a'], []],
  ['a step that is undone again has its help back', [['done', 'a', 1], ['stuck', 'a', 2], ['undone', 'a', 3]], [], ['a']],
  ['help that is taken back is none', [['stuck', 'a', 1], ['undone', 'a', 2]], [], []],
  ['help on a step that the plan lost is not shown', [['stuck', 'gone', 1]], [], []],
  ['at the same time the later to come counts', [['done', 'a', 1], ['undone', 'a', 1]], [], []],
  ['a late entry of an earlier time does not undo a newer one', [['done', 'b', 5], ['undone', 'b', 2]], ['b'], []],
])('%s', (_, said, done, stuck) => {
  const events = said.map(([kind, step, second], i): ProgressEvent => ({ clientId: `${i}`, stepId: step, kind, at: new Date(second * 1000).toISOString() }));
  const folded = foldEvents(events, STEPS);
  expect([[...folded.done], [...folded.stuck]]).toEqual([done, stuck]);
}); // prettier-ignore

test('names of steps never change from version to version: ticks on phones bear them', () => {
  // The first twenty digits of SHA-256 over the patches in order, worked out by another program.
  expect(stepId('join', [['b', 'a'], ['c']])).toBe('join-bc500ea5a9d6bc55b6cb');
  expect(stepId('baste', [['p1']])).toBe('baste-a49ba8bb2e513b949be4');
});

test('a step is named by the patches it joins, in whatever order', () => {
  expect(stepId('join', [['x', 'y'], ['z']])).toBe(stepId('join', [['z'], ['y', 'x']]));
  expect(stepId('join', [['x'], ['y', 'z']])).not.toBe(stepId('join', [['x', 'y'], ['z']]));
}); // prettier-ignore

test('packed progress is given back as it was, and what nobody has begun is not named', () => {
  const plain = { done: 0, doneMinutes: 0, covered: 0, isOwnOrder: false, orphaned: 0 };
  const pairs = fc.record({
    makerId: fc.constantFrom('m1', 'm2', 'm3'),
    blockId: fc.constantFrom('a', 'b'),
    figures: fc.oneof(
      fc.constant(plain),
      fc.record({ done: fc.nat(9), doneMinutes: fc.nat(90), covered: fc.nat(2), isOwnOrder: fc.boolean(), orphaned: fc.nat(2) }),
    ),
    more: fc.constantFrom({}, {}, { lastAt: '2026-03-05T10:00:00.000Z' }, { stuckOn: 'Sew.' }),
    total: fc.constantFrom(9, 9, 12),
  });
  fc.assert(
    fc.property(fc.uniqueArray(pairs, { maxLength: 6, selector: ({ makerId, blockId }) => `${makerId}/${blockId}` }), (list) => {
      const progress = list.map(({ makerId, blockId, figures, more, total }): BlockProgress => ({ makerId, blockId, total, totalMinutes: 90, ...figures, ...more }));
      const byPair = (some: readonly BlockProgress[]) => [...some].sort((a, b) => `${a.makerId}${a.blockId}`.localeCompare(`${b.makerId}${b.blockId}`));
      expect(byPair(unpackProgress(JSON.parse(JSON.stringify(packProgress(progress)))))).toEqual(byPair(progress));
    }),
  );
  const many = Array.from({ length: 100 }, (_, n): BlockProgress => ({ makerId: `m${n}`, blockId: 'a', total: 9, totalMinutes: 90, ...plain }));
  expect(packProgress(many)).toMatchObject({ begun: [], absent: [] });
  expect(unpackProgress(packProgress(many))).toEqual(many);
}); // prettier-ignore
