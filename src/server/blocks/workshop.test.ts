import path from 'node:path';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { SCHOOLS, planAssembly, validatePlan, type School } from '@/core/assembly';
import { buildSeamGraph } from '@/core/block';
import { writeProjectFile } from '@/core/formats';
import { defaultRecipe, documentOfRecipe } from '@/core/generate';
import { makePaper } from '@/core/catalogue';
import { defaultSetting } from '@/core/setting';
import { paint } from '@/core/workshop';
import { addDocument, listBlocks, makeBlock } from './blocks';
import { remakeBlock, saveBlock, type NewerBlock } from './blockDocuments';
import { readRevision } from './readBlock';
import { loadDemo } from '../demo';
import { chooseMark, projectMarks } from './marks';
import { exportProject, importProject } from '../files';
import { printJob } from '@/core/printing';
import { createProject, listProjects, readKeptSetting, readProject, saveSetting } from '../projects';
import { testProject, type TestProject } from '../testing';

let { sql, drop, host, stranger, access, project, open } = {} as TestProject;

beforeAll(async () => {
  ({ sql, drop, host, stranger, access, project, open } = await testProject('Workshop project'));
});

afterAll(() => drop());

const refusal = (status: number) => expect.objectContaining({ status });
const star = documentOfRecipe(defaultRecipe('star'));

test('a block saved by two people: the second is told and given what the first saved', async () => {
  const { id } = await addDocument(sql, access, { name: 'Star', document: star });
  const [mine, theirs] = [paint(star, [0], ['Beacon']), paint(star, [1], ['Tar'])];
  expect(await saveBlock(sql, access, id, { document: theirs, revision: 1 })).toEqual({
    revision: 2,
  });
  const refused = await saveBlock(sql, access, id, { document: mine, revision: 1 }).catch((error) => error);
  expect(refused).toMatchObject({ status: 409 });
  const { revision, document } = refused.body.current as NewerBlock;
  expect([revision, document]).toEqual([2, JSON.parse(JSON.stringify(theirs))]);
  // Sending the same again, as after a lost answer, changes nothing.
  expect(await saveBlock(sql, access, id, { document: theirs, revision: 1 })).toEqual({
    revision: 2,
  });
  expect((await readRevision(sql, project, id)).revision).toBe(2);
});

test('what is no block is refused with its place, and nothing is changed', async () => {
  const { id } = await addDocument(sql, access, { name: 'Kept', document: star });
  const broken = { ...star, patches: [{ ...star.patches[0], outline: { corners: [], bulges: [] } }] };
  await expect(saveBlock(sql, access, id, { document: broken, revision: 1 })).rejects.toMatchObject({
    status: 422,
    body: { where: 'patches[0].outline' },
  });
  expect((await readRevision(sql, project, id)).document).toEqual(JSON.parse(JSON.stringify(star)));
});

test('figures changed again keep the cloth that was painted by hand', async () => {
  const { id } = await makeBlock(sql, access, {
    name: 'Rosette',
    recipe: defaultRecipe('rosette'),
  });
  const { document } = await readRevision(sql, project, id);
  await saveBlock(sql, access, id, { document: paint(document, [3], ['Painted']), revision: 1 });
  const recipe = { ...defaultRecipe('rosette'), rings: 1 } as never;
  await remakeBlock(sql, access, id, { recipe, revision: 2 });
  const after = (await readRevision(sql, project, id)).document;
  const painted = document.patches[3]?.id;
  expect(after.patches.length).toBeLessThan(document.patches.length);
  if (after.patches.some((one) => one.id === painted))
    expect(after.patches.find((one) => one.id === painted)?.fabric).toBe('Painted');
  await expect(remakeBlock(sql, access, id, { recipe, revision: 1 })).resolves.toBeUndefined();
});

test('papers that look alike get marks, which then stand in every name, and the host may choose otherwise', async () => {
  const own = await createProject(sql, host, { name: 'Marks' });
  const patch = (id: string, edgeMm: number, x: number) => {
    const { corners, bulges } = makePaper({ family: 'regular', sides: 4, edgeMm });
    return {
      id,
      fabric: 'Fog',
      layer: 0,
      outline: { corners: corners.map((one) => ({ x: one.x + x, y: one.y })), bulges },
    };
  };
  const document = { ...star, parts: [], patches: [patch('a', 40, 0), patch('b', 41, 100)] };
  await addDocument(sql, own, { name: 'Two squares', document });
  const names = async () => {
    const [block] = await listBlocks(sql, (await open(host, own.project.id, 'read')).project);
    const said = block?.sheet.steps.filter(({ kind }) => kind === 'baste').map(({ text }) => text);
    return {
      kinds: block?.sheet.kinds.map(({ name }) => name),
      said,
      bag: block?.sheet.bag.papers.map(({ name }) => name),
    };
  };
  const proposed = await names();
  expect(proposed.kinds?.[1]).toContain('(marked: stripe)');
  expect(proposed.bag).toEqual(proposed.kinds);
  expect(proposed.said?.[1]).toContain('(marked: stripe)');
  const { outline } = document.patches[1]!;
  await chooseMark(sql, own, { outline, mark: 'two dots' });
  expect((await names()).kinds?.[1]).toContain('(marked: two dots)');
  await chooseMark(sql, own, { outline, mark: 'none' });
  expect((await names()).kinds?.[0]).toContain('(marked: stripe)');
  await chooseMark(sql, own, { outline, mark: 'proposed' });
  expect(await names()).toEqual(proposed);
  expect(await projectMarks(sql, (await open(host, own.project.id, 'read')).project)).toMatchObject([
    { mark: 'stripe' },
  ]);
});

test('a project goes out as a file and comes in again as the same project, or not at all', async () => {
  const blocks = await listBlocks(sql, project);
  const sizes = blocks.map(({ id, sheet }) => ({ id, widthMm: sheet.widthMm, heightMm: sheet.heightMm }));
  const setting = defaultSetting(sizes, 2, 25.4);
  await saveSetting(sql, access, { setting, revision: 0 });
  await expect(saveSetting(sql, access, { setting, revision: 0 })).rejects.toEqual(refusal(409));
  const file = await exportProject(sql, project);
  const { id } = await importProject(sql, stranger, writeProjectFile(file));
  const copy = (await open(stranger, id, 'read')).project;
  expect(await exportProject(sql, copy)).toEqual(file);
  expect((await readKeptSetting(sql, copy)).setting?.places[0]).toBe((await listBlocks(sql, copy))[0]?.id);
  const before = await listProjects(sql, stranger);
  const last = { name: 'Bad', document: { ...star, format: 'kevlo.block/9' } };
  const bad = JSON.stringify({ ...file, blocks: [...file.blocks, last] });
  await expect(importProject(sql, stranger, bad)).rejects.toMatchObject({
    status: 422,
    body: { where: `blocks[${file.blocks.length}].document.format` },
  });
  expect(await listProjects(sql, stranger)).toEqual(before);
});

test('all nine demo blocks are there, their edges fit, and by every school their plans are valid', async () => {
  await loadDemo(sql, path.join(process.cwd(), 'demo/blocks'), new Date('2026-11-20T12:00:00Z'));
  const [demo] = await sql<{ id: string }[]>`select id from project where is_demo`;
  const opened = await readProject(sql, { ...project, id: demo?.id ?? '' });
  const blocks = await listBlocks(sql, opened);
  expect(blocks).toHaveLength(9);
  for (const { id, name, sheet } of blocks) {
    expect([sheet.problems, sheet.violations, sheet.flatness.faults], name).toEqual([[], [], []]);
    const { document } = await readRevision(sql, opened, id);
    const graph = buildSeamGraph(document.patches);
    for (const school of Object.keys(SCHOOLS) as School[])
      expect(
        validatePlan(graph, planAssembly(graph, undefined, undefined, school)),
        `${name} by ${school}`,
      ).toEqual([]);
  }
  expect((await readKeptSetting(sql, opened)).setting?.places.filter(Boolean)).toHaveLength(9);
});

test('papers of a block are printed once each: each hand with its letter', async () => {
  const kelp = documentOfRecipe(defaultRecipe('framed-diamond'));
  const wish = {
    what: 'papers',
    size: 'A4',
    system: 'inch',
    allowanceMm: 6.35,
    sparesPercent: 0,
    gapMm: 0,
    hasHole: true,
    kind: 0,
  } as const;
  const job = printJob('Kelp', kelp, [], wish);
  const drawn = job.pages.flatMap(({ ink }) => ink).filter(({ kind }) => kind === 'outline');
  expect(drawn).toHaveLength(kelp.patches.length);
  const letters = job.pages
    .flatMap(({ ink }) => ink)
    .flatMap((one) => (one.kind === 'text' && /^[LR]$/.test(one.text) ? [one.text] : []));
  expect(letters.filter((one) => one === 'L')).toHaveLength(letters.filter((one) => one === 'R').length);
  expect(() => printJob('Kelp', kelp, [], { ...wish, what: 'plate' })).toThrow(
    expect.objectContaining({ code: 'print' }),
  );
});
