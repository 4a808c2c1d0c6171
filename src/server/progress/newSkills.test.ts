import { expect, test } from 'vitest';
import { newSkills } from './newSkills';

const block = (id: string, ...skills: string[][]) =>
  ({ id, summary: { steps: skills.map((own, i) => ({ id: `${id}${i}`, skills: own })) } }) as never;
const sewn = (of: { summary: object }, ...done: string[]) => ({ standing: { summary: of.summary, done: new Set(done) } }) as never; // prettier-ignore

test('what nobody has done yet is new, in the order in which it comes, with how many steps ask for it', () => {
  const [first, second] = [block('a', ['whip'], ['bend', 'whip']), block('b', ['curve', 'bend'], ['slide'])];
  expect(newSkills([second, first], [])).toEqual([
    { skill: 'curve', blockId: 'b', stepId: 'b0', steps: 1 },
    { skill: 'bend', blockId: 'b', stepId: 'b0', steps: 2 },
    { skill: 'slide', blockId: 'b', stepId: 'b1', steps: 1 },
    { skill: 'whip', blockId: 'a', stepId: 'a0', steps: 2 },
  ]);
  // One maker of one block knows what they did there, and no more.
  const known = newSkills([second], [sewn(first, 'a0'), sewn(second, 'b1')]);
  expect(known.map(({ skill }) => skill)).toEqual(['curve', 'bend']);
  expect(newSkills([second], [sewn(first, 'a1')]).map(({ skill }) => skill)).toEqual(['curve', 'slide']);
});
