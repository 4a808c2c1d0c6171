import { afterAll, beforeAll, expect, test } from 'vitest';
import { clothLooks, renameCloth } from '.';
import { importBlock, listBlocks } from '../blocks';
import { createProject, openProject } from '../projects';
import { testProject, type TestProject, refusal } from '../testing';

let { sql, drop, host, open } = {} as TestProject;

beforeAll(async () => {
  ({ sql, drop, host, open } = await testProject('Test project'));
});

afterAll(() => drop());

const SQUARES = `<svg xmlns="http://www.w3.org/2000/svg" width="60mm" height="30mm" viewBox="0 0 60 30">
  <rect id="a" width="30" height="30"/><rect id="b" x="30" width="30" height="30"/></svg>`;

test('a cloth is renamed in every block, rule and list at once, and keeps its look when others come', async () => {
  const { id } = (await createProject(sql, host, { name: 'Cloths' })).project;
  const drawing = SQUARES.replace('id="a"', 'id="a" fill="#1f2e4f"').replace('id="b"', 'id="b" data-fabric="Woad" fill="#2f5a85"');
  for (const name of ['One', 'Two']) await importBlock(sql, await open(host, id, 'edit'), { name, svg: drawing });
  const { project } = await openProject(sql, host, id, 'read');
  const fabrics = async () => (await listBlocks(sql, project)).map(({ sheet }) => sheet.patches.map(({ fabric }) => fabric).sort());
  expect(await fabrics()).toEqual([['Woad', 'navy'], ['Woad', 'navy']]);
  const before = await clothLooks(sql, project, ['navy', 'Woad']);
  expect(before).toMatchObject({ navy: { ground: '#1f2e4f' }, Woad: { ground: '#2f5a85' } });
  expect(await clothLooks(sql, project, ['Aniline', 'navy', 'Woad'])).toMatchObject(before);
  await renameCloth(sql, await open(host, id, 'edit'), { from: 'navy', to: 'Ink' });
  expect(await fabrics()).toEqual([['Ink', 'Woad'], ['Ink', 'Woad']]);
  expect((await clothLooks(sql, project, ['Ink'])).Ink).toEqual(before.navy);
  await expect(renameCloth(sql, await open(host, id, 'edit'), { from: 'navy', to: 'X' })).rejects.toEqual(refusal(404));
}); // prettier-ignore
