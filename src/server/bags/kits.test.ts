import { afterAll, beforeAll, expect, test } from 'vitest';
import { setKitStatus } from '.';
import { importBlock } from '../blocks';
import { addMakers } from '../makers';
import { testProject, type TestProject } from '../testing';

let { sql, drop, access } = {} as TestProject;

beforeAll(async () => {
  ({ sql, drop, access } = await testProject('Test project'));
});

afterAll(() => drop());

const SQUARES = `<svg xmlns="http://www.w3.org/2000/svg" width="60mm" height="30mm" viewBox="0 0 60 30">
  <rect id="a" width="30" height="30"/><rect id="b" x="30" width="30" height="30"/></svg>`;

test('of two people who mark a bag at once one is told', async () => {
  const { id: blockId } = await importBlock(sql, access, { name: 'Packed', svg: SQUARES });
  const [maker] = await addMakers(sql, access, ['Packing Maker']);
  const mark = (status: 'packed' | 'handed-over') =>
    setKitStatus(sql, access, { blockId, makerId: maker?.id ?? '', status, revision: 0 });
  const results = await Promise.allSettled([mark('packed'), mark('handed-over')]);
  expect(results.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected']);
});
