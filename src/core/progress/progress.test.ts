import fc from 'fast-check';
import { expect, test } from 'vitest';
import { foldEvents, stepId, type ProgressEvent } from '.';

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

test('a step is named by the patches it joins, in whatever order', () => {
  expect(stepId('join', [['x', 'y'], ['z']])).toBe(stepId('join', [['z'], ['y', 'x']]));
  expect(stepId('join', [['x'], ['y', 'z']])).not.toBe(stepId('join', [['x', 'y'], ['z']]));
}); // prettier-ignore
