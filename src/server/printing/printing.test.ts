import { afterAll, beforeAll, expect, test } from 'vitest';
import { makePaper } from '@/core/catalogue';
import { defaultRecipe } from '@/core/generate';
import { blockPdf, paperPdf, stepsPdf } from '.';
import type { BlockWish } from './printing';
import { makeBlock } from '../blocks';
import { orderPdf } from '../orders';
import { refusal, testProject, type TestProject } from '../testing';

let { sql, drop, access, project } = {} as TestProject;
let blockId = '';
const { signal } = new AbortController();

beforeAll(async () => {
  ({ sql, drop, access, project } = await testProject('Printed'));
  ({ id: blockId } = await makeBlock(sql, access, { name: 'Star', recipe: defaultRecipe('star') }));
});

afterAll(() => drop());

const isPdf = (pdf: Buffer) => pdf.subarray(0, 5).toString() === '%PDF-' && pdf.length > 1000;
const papers: BlockWish = { what: 'papers', size: 'A4', gapMm: 1, hasHole: false, kind: 0 };

test('papers, cards, stickers and one paper alone are printed under names that say what they are', async () => {
  const printed = [
    await blockPdf(sql, project, blockId, papers, signal),
    await stepsPdf(sql, project, blockId, { what: 'steps', size: 'A4' }, signal),
    await stepsPdf(sql, project, blockId, { what: 'stickers', size: 'Letter' }, signal),
  ];
  expect(printed.map(({ name }) => name)).toEqual(['Star papers', 'Star step cards', 'Star number stickers']);
  expect(printed.map(({ pdf }) => isPdf(pdf))).toEqual([true, true, true]);
  expect(isPdf(await orderPdf(sql, project, signal))).toBe(true);
});

test('a block of another project, and one that is gone, are not printed', async () => {
  const gone = '00000000-0000-4000-8000-000000000000';
  await expect(blockPdf(sql, project, gone, papers, signal)).rejects.toEqual(refusal(404));
  await expect(stepsPdf(sql, project, gone, { what: 'steps', size: 'A4' }, signal)).rejects.toEqual(refusal(404)); // prettier-ignore
});

test('what is asked and left is given up', async () => {
  const leaving = new AbortController();
  leaving.abort();
  await expect(blockPdf(sql, project, blockId, papers, leaving.signal)).rejects.toEqual(refusal(499));
});

test('a paper of the catalogue is printed by itself', async () => {
  const outline = makePaper({ family: 'regular', sides: 6, edgeMm: 25.4 });
  const run = { name: '1″ hexagon', outline, count: 3 };
  const { name, pdf } = await paperPdf(run, { title: run.name, size: 'Letter' }, signal);
  expect([name, isPdf(pdf)]).toEqual(['1″ hexagon', true]);
});
