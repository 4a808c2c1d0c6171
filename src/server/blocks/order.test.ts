import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { withKindChoice } from '@/core/basting';
import { defaultRecipe } from '@/core/generate';
import { defaultSetting } from '@/core/setting';
import {
  saySaved,
  changeOrder,
  withPolicy,
  withSchool,
  withUnits,
  type BasteStep,
  type JoinStep,
} from '@/core/sheet';
import { saveBlock } from './blockDocuments';
import { readRevision } from './readBlock';
import { listBlocks, makeBlock, openBlock } from './blocks';
import { addMakers } from '../makers';
import { makerPage, projectProgress, recordEvents, type RecordedEvent } from '../progress';
import { changeProjectBasting, createProject, openProject, saveSetting } from '../projects';
import { exportProject, importProject } from '../files';
import { papersOfProject } from './projectPapers';
import { testProject, type TestProject } from '../testing';

let { sql, drop, host, access, project } = {} as TestProject;

beforeAll(async () => {
  ({ sql, drop, host, access, project } = await testProject('Order'));
});

afterAll(() => drop());

/** A block of 19 hexagons, and a maker with a link. */
async function blockWithMaker(name: string) {
  const { id } = await makeBlock(sql, access, { name, recipe: defaultRecipe('rosette') });
  const [maker] = await addMakers(sql, access, [`Maker of ${name}`]);
  return { id, token: maker?.token ?? '', makerId: maker?.id ?? '' };
}

const shown = async (token: string, id: string) =>
  (await makerPage(sql, token)).blocks.find((block) => block.id === id);

async function events(id: string, count: number): Promise<RecordedEvent[]> {
  const { sheet } = await openBlock(sql, project, id);
  const joins = sheet.steps.filter(({ kind }) => kind === 'join').slice(0, count);
  return joins.map((step) => {
    const { id: stepId, units } = withUnits(step, sheet.patches);
    return { clientId: randomUUID(), blockId: id, stepId, kind: 'done', at: new Date().toISOString(), units };
  });
}

async function changeTo(id: string, school: 'rings' | 'pairs' | 'best') {
  const { document, revision } = await readRevision(sql, project, id);
  await saveBlock(sql, access, id, { document: withSchool(document, school), revision });
}

test('a maker in the middle keeps every join when the host changes the order, and goes on round it', async () => {
  const { id, token, makerId } = await blockWithMaker('Changed');
  await recordEvents(sql, token, await events(id, 7));
  const joinsLeft = async () => {
    const block = await shown(token, id);
    const isOpen = (step: string) => !block?.done.includes(step) && !block?.covered.includes(step);
    return block?.sheet.steps.filter(({ id: step, kind }) => kind === 'join' && isOpen(step)).length;
  };
  const left = await joinsLeft();
  for (const school of ['rings', 'pairs', 'best'] as const) {
    await changeTo(id, school);
    expect(await joinsLeft()).toBe(left);
    const [own] = (await projectProgress(sql, project)).filter((one) => one.makerId === makerId && one.blockId === id);
    expect(own).toMatchObject({ orphaned: 0, isOwnOrder: (await shown(token, id))?.isOwnOrder });
  }
  // Back at the order it was sewn by, the ticks are the steps' own again.
  expect(await shown(token, id)).toMatchObject({ isOwnOrder: false });
  // Another maker, who has not begun, has the host's order.
  await changeTo(id, 'rings');
  const [fresh] = await addMakers(sql, access, ['Fresh']);
  expect((await shown(fresh?.token ?? '', id))?.sheet.plan.school).toBe('rings');
  expect((await shown(fresh?.token ?? '', id))?.isOwnOrder).toBe(false);
}, 60_000); // prettier-ignore

test('what an event says of its patches counts only when its step is named by them', async () => {
  const { id, token } = await blockWithMaker('Forged');
  const [event] = await events(id, 1);
  const all = (await openBlock(sql, project, id)).sheet.patches.map((patch) => patch.id);
  await recordEvents(sql, token, [{ ...(event as RecordedEvent), units: [all.slice(0, 9), all.slice(9)] }]);
  const [row] = await sql`select units from progress_event where client_id = ${event?.clientId ?? ''}`;
  expect(row?.units).toBeNull();
});

test('a change of one join is saved under its revision like any other, and the old one is refused', async () => {
  const { id } = await blockWithMaker('Pinned');
  const { sheet } = await openBlock(sql, project, id);
  const step = sheet.steps.filter((one): one is JoinStep => one.kind === 'join')[3];
  const { document, revision } = await readRevision(sql, project, id);
  const changed = changeOrder(document, sheet, { kind: 'pin', stepId: step?.id ?? '' });
  if ('refused' in changed) throw new Error(changed.refused);
  const save = () => saveBlock(sql, access, id, { document: changed.document, revision });
  await save();
  const after = await openBlock(sql, project, id);
  // The order made this unit anyway, so the step is the same.
  expect(after.sheet.steps.find((one) => one.id === step?.id)).toMatchObject({ pin: {} });
  expect(after.sheet.plan.hand?.says).toContain('Your order');
  const other = withSchool(document, 'rows');
  await expect(saveBlock(sql, access, id, { document: other, revision })).rejects.toMatchObject({ status: 409 });
}); // prettier-ignore

test('two people who choose for the project at once lose nothing; what cannot be is refused', async () => {
  const { id } = await blockWithMaker('Folded');
  const { document } = await readRevision(sql, project, id);
  const [square, other] = [document.patches[0]!.outline, { corners: [{ x: 0, y: 0 }, { x: 30, y: 0 }, { x: 0, y: 30 }], bulges: [0, 0, 0] }]; // prettier-ignore
  const choose = (outline: typeof square, method: string) =>
    changeProjectBasting(sql, access, ({ kinds = [], ...rest }) => ({
      ...rest,
      kinds: withKindChoice(kinds, outline, { method }),
    }));
  await Promise.all([choose(square, 'starch'), choose(other, 'glue')]);
  await changeProjectBasting(sql, access, (before) => ({ ...before, pale: ['Fog'] }));
  const { basting } = (await openProject(sql, host, project.id, 'read')).project;
  expect(basting.kinds?.map(({ method }) => method).sort()).toEqual(['glue', 'starch']);
  expect(basting.pale).toEqual(['Fog']);
  expect((await openBlock(sql, project, id)).sheet.basting.kinds[0]).toMatchObject({ saidBy: 'nobody' });
  const fresh = (await openProject(sql, host, project.id, 'read')).project;
  expect((await openBlock(sql, fresh, id)).sheet.basting.kinds[0]).toMatchObject({ chosenMethod: 'starch', saidBy: 'project' });
  await expect(choose(square, 'sorcery')).rejects.toMatchObject({ status: 422 });
  // The file of the project keeps it.
  const file = await exportProject(sql, fresh);
  const { id: copy } = await importProject(sql, host, JSON.stringify({ ...file, name: 'Copy' }));
  expect((await openProject(sql, host, copy, 'read')).project.basting).toEqual(basting);
}); // prettier-ignore

test('when basting moves into the stream, what a maker has basted counts, whichever batch it was in', async () => {
  const { id, token } = await blockWithMaker('Streamed');
  const { sheet } = await openBlock(sql, project, id);
  const [first] = sheet.steps.filter(({ kind }) => kind === 'baste');
  const { id: stepId, units } = withUnits(first!, sheet.patches);
  const at = new Date().toISOString();
  await recordEvents(sql, token, [{ clientId: randomUUID(), blockId: id, stepId, kind: 'done', at, units }]);
  const { document, revision } = await readRevision(sql, project, id);
  const late = withPolicy(document, 'just-in-time');
  await saveBlock(sql, access, id, { document: late, revision });
  const block = await shown(token, id);
  const basted = new Set(units.flat());
  const baste = block!.sheet.steps.filter((step): step is BasteStep => step.kind === 'baste');
  expect(baste.length).toBeGreaterThan(sheet.steps.filter(({ kind }) => kind === 'baste').length);
  for (const step of baste) {
    const isBasted = step.patches.every((patch) => basted.has(block!.sheet.patches[patch]!.id));
    expect(block!.covered.includes(step.id) || block!.done.includes(step.id)).toBe(isBasted);
  }
});

test('papers of a project follow its setting: what is sewn onto squares comes back and is saved for the next block', async () => {
  const access = await createProject(sql, host, { name: 'Papers' });
  const own = access.project;
  const add = (name: string) => makeBlock(sql, access, { name, recipe: defaultRecipe('rosette') });
  const [first, second] = [await add('First'), await add('Second')];
  const papers = async () => papersOfProject(sql, own, await listBlocks(sql, own));
  const unset = await papers();
  expect(unset).toMatchObject({ isSet: false, names: ['1″ hexagon'], clashes: [] });
  // Two rosettes of 19 hexagons: 12 of each lie at the rim and stay until nobody knows when.
  expect(unset.blocks.map(({ held }) => held)).toEqual([[{ kind: 0, count: 12, until: null }], [{ kind: 0, count: 12, until: null }]]); // prettier-ignore
  expect(unset.kinds[0]?.policies['all-first'].peak).toBe(12 + 19);
  expect(saySaved(unset, first.id)).toBe('7 × 1″ hexagon');
  const sizes = [first, second].map(({ id }) => ({ id, widthMm: 300, heightMm: 300 }));
  await saveSetting(sql, access, {
    setting: defaultSetting(sizes, 2, 25),
    revision: 0,
  });
  // What the setting makes of a block is the end of its sheet, and in its bag: open or listed, on the maker's page too.
  const ends = async (id: string) => {
    const { steps, bag } = (await openBlock(sql, own, id)).sheet;
    return [
      steps.filter(({ kind }) => kind === 'finish').length > 0,
      bag.extras.map(({ kindName }) => kindName),
    ];
  };
  expect(await ends(first.id)).toEqual([
    true,
    expect.arrayContaining(['background square', 'strip of sashing']),
  ]);
  await saveSetting(sql, access, {
    setting: { ...defaultSetting(sizes, 2, 25), places: [second.id, null] },
    revision: 1,
  });
  expect(await ends(first.id)).toEqual([false, []]);
  await saveSetting(sql, access, { setting: defaultSetting(sizes, 2, 25), revision: 2 });
  const set = await papers();
  expect(set.blocks.map(({ block, isAppliqued }) => [block, isAppliqued])).toEqual([['First', true], ['Second', true]]); // prettier-ignore
  expect(set.kinds[0]?.policies['all-first'].peak).toBe(19);
  expect([saySaved(set, first.id), saySaved(set, second.id)]).toEqual(['19 × 1″ hexagon', '']);
});
