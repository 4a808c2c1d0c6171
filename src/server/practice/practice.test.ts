import { afterAll, beforeAll, expect, test } from 'vitest';
import { defaultRecipe } from '@/core/generate';
import { makeBlock } from '../blocks';
import { addMakers, changeLink, setSkip } from '../makers';
import { createProject } from '../projects';
import { refusal, testProject, type TestProject } from '../testing';
import { practiceQuestions } from '@/core/practice';
import { listBlocks } from '../blocks';
import { countClassPractice, countPractice, missedIn, practiceOf, practiceOfAll } from '.';

let { sql, drop, host, access, project, open } = {} as TestProject;
let blockId: string;

beforeAll(async () => {
  ({ sql, drop, host, access, project, open } = await testProject('Practice'));
  blockId = (await makeBlock(sql, access, { name: 'Star', recipe: defaultRecipe('star') })).id;
});

afterAll(() => drop());

const answer = (question: string, isRight: boolean, block = blockId) => ({
  blockId: block,
  question,
  isRight,
});

test('answers of all makers and of the class go into one sum, by many at once, and whose they are is kept nowhere', async () => {
  const makers = await addMakers(sql, access, ['Ada', 'Bo', 'Cy']);
  await Promise.all(
    makers.flatMap(({ token }) =>
      Array.from({ length: 10 }, (_, i) => countPractice(sql, token, [answer('b', i % 2 === 0), answer('a', false)])),
    ),
  );
  await countClassPractice(sql, access, [answer('a', true)]);
  expect(await practiceOf(sql, project, blockId)).toEqual([
    { question: 'a', asked: 31, missed: 30 },
    { question: 'b', asked: 30, missed: 15 },
  ]);
  expect(await practiceOfAll(sql, project)).toMatchObject([{ blockId, question: 'a', asked: 31 }, { question: 'b' }]);
  expect(await practiceOfAll(sql, (await createProject(sql, host, { name: 'Empty' })).project)).toEqual([]);
  const columns = await sql`select column_name from information_schema.columns where table_name = 'practice_count'`;
  expect(columns.map(({ column_name: name }) => String(name)).sort()).toEqual(['asked', 'block_id', 'missed', 'project_id', 'question']);
}); // prettier-ignore

test('a link that was ended counts nothing, nor one for a block that this maker skips or that is of another project', async () => {
  const [maker] = await addMakers(sql, access, ['Di']);
  const other = await open(host, (await createProject(sql, host, { name: 'Other' })).project.id, 'edit');
  const foreign = (await makeBlock(sql, other, { name: 'B', recipe: defaultRecipe('disc') })).id;
  const before = await practiceOf(sql, project, blockId);
  await expect(countPractice(sql, maker!.token, [answer('c', true), answer('c', true, foreign)])).rejects.toEqual(refusal(404)); // prettier-ignore
  await setSkip(sql, access, maker!.id, { blockId, isSkipped: true });
  await expect(countPractice(sql, maker!.token, [answer('c', true)])).rejects.toEqual(refusal(404));
  await setSkip(sql, access, maker!.id, { blockId, isSkipped: false });
  await changeLink(sql, access, maker!.id, 'revoke');
  await expect(countPractice(sql, maker!.token, [answer('c', true)])).rejects.toEqual(refusal(404));
  expect(await practiceOf(sql, project, blockId)).toEqual(before);
  expect(await practiceOf(sql, other.project, blockId)).toEqual([]);
});

test('of one block no more than four hundred questions are counted; those that are go on', async () => {
  const { id } = await makeBlock(sql, access, { name: 'Full', recipe: defaultRecipe('disc') });
  const many = Array.from({ length: 450 }, (_, i) => answer(`q${String(i).padStart(3, '0')}`, false, id));
  await countClassPractice(sql, access, many);
  await countClassPractice(sql, access, [answer('q000', true, id), answer('q449', true, id)]);
  const counts = await practiceOf(sql, project, id);
  expect(counts).toHaveLength(400);
  expect(counts[0]).toEqual({ question: 'q000', asked: 2, missed: 1 });
});

test('what is missed often is told with its block and reason, the worst first; a block nobody answered on is not looked at', async () => {
  const own = await open(host, (await createProject(sql, host, { name: 'Missed' })).project.id, 'own');
  const { id: first } = await makeBlock(sql, own, { name: 'Star', recipe: defaultRecipe('star') });
  await makeBlock(sql, own, { name: 'Disc', recipe: defaultRecipe('disc') });
  const blocks = await listBlocks(sql, own.project);
  expect(await missedIn(sql, own.project, blocks)).toEqual([]);
  const [one, two, three] = practiceQuestions(blocks[0]!.sheet);
  const say = (question: string, isRight: boolean) => answer(question, isRight, first);
  await countClassPractice(sql, own, [
    ...[true, false, false].map((isRight) => say(one!.id, isRight)),
    ...[false, false, false].map((isRight) => say(two!.id, isRight)),
    ...[true, true, true].map((isRight) => say(three!.id, isRight)),
  ]);
  expect(await missedIn(sql, own.project, blocks)).toEqual([
    { blockId: first, what: expect.any(String), why: `Missed 3 of 3 times in practice. ${two!.reason}` },
    { blockId: first, what: expect.any(String), why: `Missed 2 of 3 times in practice. ${one!.reason}` },
  ]);
  // Of another block a single question was asked.
  const { id: second, sheet } = blocks[1]!;
  const [only] = practiceQuestions(sheet);
  await countClassPractice(
    sql,
    own,
    [false, false, true, false].map((isRight) => answer(only!.id, isRight, second)),
  );
  expect(
    (await missedIn(sql, own.project, blocks)).map(({ blockId: at, why }) => [at, why.slice(0, 13)]),
  ).toEqual([
    [first, 'Missed 3 of 3'],
    [second, 'Missed 3 of 4'],
    [first, 'Missed 2 of 3'],
  ]);
});
