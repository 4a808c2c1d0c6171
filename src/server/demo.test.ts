import { readFile } from 'node:fs/promises';
import path from 'node:path';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { importBlock, listBlocks } from './blocks';
import { loadDemo, removeDemo } from './demo';
import { projectProgress } from './progress';
import { testProject, type TestProject } from './testing';

let { sql, drop, access, project } = {} as TestProject;

beforeAll(async () => {
  ({ sql, drop, access, project } = await testProject('Test project'));
});

afterAll(() => drop());

test('the demo loads its nine blocks, each sound and planned, and can be loaded again', async () => {
  const folder = path.join(process.cwd(), 'demo/blocks');
  for (let round = 0; round < 2; round++) {
    await removeDemo(sql);
    const { makers } = await loadDemo(sql, folder, new Date('2026-11-20T12:00:00Z'));
    expect(makers).toHaveLength(14);
  }
  const [row] = await sql<{ id: string }[]>`select id from project where is_demo`;
  const demo = { ...project, id: row?.id ?? '' };
  const blocks = await listBlocks(sql, demo);
  expect(blocks.map(({ name, sheet }) => [name, sheet.patches.length, sheet.problems.length])).toEqual([
    ['Signal Lamp', 37, 0],
    ['Star Chart', 18, 0],
    ['Porthole', 15, 0],
    ['Gangway', 54, 0],
    ['Wake', 27, 0],
    ['Rope Coil', 16, 0],
    ['Kelp', 13, 0],
    ['Lighthouse', 37, 0],
    ['Landing', 12, 0],
  ]);
  expect(blocks.every(({ sheet }) => sheet.plan.bends === sheet.plan.bendsLeast)).toBe(true);
  const drawing = await readFile(path.join(folder, 'star-chart.svg'), 'utf8');
  await expect(importBlock(sql, access, { name: 'Star', svg: drawing })).resolves.toHaveProperty('id');
  expect((await projectProgress(sql, demo)).filter(({ stuckOn }) => stuckOn).length).toBe(2);
});
