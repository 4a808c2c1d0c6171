import { act, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { SWRConfig } from 'swr';
import { expect, test } from 'vitest';
import { packProgress, type BlockProgress } from '@/core/progress';
import { Notices } from '@/ui/Notices';
import { FakeStream, answering, navigation, refused, settled } from '@/ui/testing';
import { PLAIN_MAKER } from '@/ui/testing';
import { MakersStation } from './MakersStation';
import { wallScale } from './WallLine';

const blocks = [{ id: 'a', name: 'Star' }, { id: 'b', name: 'Plate' }]; // prettier-ignore
const makers = [
  { id: 'm1', name: 'Ada', hasLink: true, skips: [], ...PLAIN_MAKER },
  { id: 'm2', name: 'Bo', hasLink: false, skips: ['b'], ...PLAIN_MAKER },
];
const entry = (makerId: string, blockId: string, done: number, more: Partial<BlockProgress> = {}): BlockProgress => ({
  makerId, blockId, done, total: 10, doneMinutes: done * 6, totalMinutes: 60, covered: 0, isOwnOrder: false, orphaned: 0, ...more,
}); // prettier-ignore
const groups = [{ id: 'g1', name: 'Evening' }];
const drops = [{ id: 'd1', title: 'Drop 1', blocks: ['a'] }, { id: 'd2', title: 'Drop 2', blocks: ['b'] }]; // prettier-ignore
const keeping = [{ id: 'm1', state: 'slipping', reason: 'Slower than before.' }, { id: 'm2', state: 'done', reason: 'All is sewn.' }] as const; // prettier-ignore
const START = [entry('m1', 'a', 5), entry('m1', 'b', 0), entry('m2', 'a', 10, { stuckOn: 'Sew 1 to 2' })];

const UNITS = {
  name: 'Star',
  units: [
    { key: 's1', name: 'papers basted', count: 4, minutes: 20, steps: [{ id: 's1', number: 1, text: 'Baste the diamonds. Slowly.', done: 1, stuck: [] }] },
    { key: 's5', name: 'pair A', count: 3, minutes: 30, steps: [{ id: 's5', number: 5, text: 'Sew 1 to 2.', done: 0, stuck: ['m1'] }] },
  ],
  inOrder: 1,
  makers: [{ makerId: 'm1', done: [4, 1], stuckAt: 1 }, { makerId: 'm2', done: null, stuckAt: null }],
  slow: [{ stepId: 's5', number: 5, text: 'Sew 1 to 2.', standardMinutes: 10, medianMinutes: 18, timed: 3 }],
}; // prettier-ignore

function atMakers(list = makers, isAway = false) {
  const server = { progress: START, isAway };
  const asked = answering({
    'GET /api/projects/p1/progress.form=packed': () => packProgress(server.progress),
    'GET /api/projects/p1/keeping': () => (server.isAway ? refused(503, 'away') : keeping),
    'PATCH /api/projects/p1/makers/.*': ({ body }) => ('link' in (body as object) ? { link: 'http://x/m/new' } : {}),
    'GET /api/projects/p1/progress.maker=(.*)': (_, [, id]) => server.progress.filter(({ makerId }) => makerId === id),
    'GET /api/projects/p1/progress.block=a': () => UNITS,
    'POST /api/projects/p1/roster': ({ body }) => ({ added: [{ id: 'm9', name: 'Cy', link: 'http://x/m/cy' }], before: [{ name: 'Ada', group: '' }], ...(body as object) }),
    'POST /api/projects/p1/makers': ({ body }) =>
      (body as { names: string[] }).names.includes('Ada') ? refused(409, 'name-taken', { where: 'names.0' }) : (body as { names: string[] }).names.map((name) => ({ name, link: `http://x/m/${name}` })),
  });
  render(
    <SWRConfig value={{ provider: () => new Map() }}>
    <Notices>
      <MakersStation project={{ id: 'p1', unitSystem: 'inch', allowanceMm: 6.35 }} blocks={blocks} makers={list} initialProgress={packProgress(START)} groups={groups} drops={drops} kits={[{ makerId: 'm1', blockId: 'a', status: 'handed-over' }, { makerId: 'm1', blockId: 'b', status: 'packed' }, { makerId: 'm2', blockId: 'a', status: 'handed-over' }]} troubles={[]} team={[]} mayEdit />
    </Notices>
    </SWRConfig>,
  );
  return { server, asked, user: userEvent.setup() };
} // prettier-ignore

const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
const row = (name: string) => document.querySelector(`tr[data-maker="${name}"]`) as HTMLElement;
const choose = (maker: string, item: string | RegExp) => {
  press(`Blocks and link of ${maker}`);
  fireEvent.click(screen.getByRole('menuitem', { name: item }));
};

test('each maker’s line says how far they are in steps and time, where they are stuck, and what they do not sew', () => {
  atMakers();
  expect(row('Ada').textContent).toContain('5 of 20');
  expect(row('Ada').textContent).toMatch(/about 1 h 30 min left/);
  expect(within(row('Ada')).getByRole('img').getAttribute('aria-label')).toBe('Star 5 of 10 steps, Plate 0 of 10 steps');
  expect(row('Ada').textContent).toContain('all blocks, link in force');
  expect(row('Bo').textContent).toContain('stuck on Star');
  expect(row('Bo').textContent).toContain('all done');
  expect(row('Bo').textContent).toContain('1 of 2 blocks, no link');
  expect(within(row('Bo')).getByRole('img').getAttribute('aria-label')).toBe('Star 10 of 10 steps, Plate not sewn');
}); // prettier-ignore

test('a line is sewn by share of minutes: blocks lie along it by their hours', () => {
  const scale = wallScale([60, 30, 10]);
  expect(scale.from(0)).toBe(0);
  expect(scale.to(0)).toBe(scale.from(1));
  expect(scale.to(0) / scale.to(2)).toBeCloseTo(0.6, 9);
  expect((scale.to(1) - scale.from(1)) / scale.to(2)).toBeCloseTo(0.3, 9);
  atMakers();
  const [, sewn] = /M(\d+) 17H([\d.]+)/.exec([...row('Ada').querySelectorAll('path')].find((one) => one.getAttribute('stroke-width') === '6')!.getAttribute('d')!)!;
  expect(Number(sewn)).toBe(2);
  const end = Number(/17H([\d.]+)/.exec(row('Ada').querySelectorAll('path')[0]!.getAttribute('d')!)![1]);
  const half = [...row('Ada').querySelectorAll('path')].find((one) => one.getAttribute('stroke-width') === '6')!.getAttribute('d')!;
  expect(Number(/17H([\d.]+)/.exec(half)![1])).toBeCloseTo(2 + (end - 2) / 2, 6);
}); // prettier-ignore

test('where it cannot be reckoned who keeps up, the wall is there and says so; asked again it is', async () => {
  const { server } = atMakers(makers, true);
  expect(await screen.findByText('Who keeps up could not be reckoned')).toBeTruthy();
  expect(row('Ada').textContent).toContain('5 of 20');
  server.isAway = false;
  press('Try again');
  await waitFor(() => expect(row('Ada').textContent).toContain('slipping: Slower than before.'));
  expect(screen.queryByText('Who keeps up could not be reckoned')).toBeNull();
});

test('ticks of makers are seen at once; changes of bags ask nothing', async () => {
  const { server, asked } = atMakers();
  await settled();
  const before = asked.length;
  act(() => FakeStream.tell('kits'));
  await settled();
  expect(asked).toHaveLength(before);
  server.progress = [entry('m1', 'a', 7), ...START.slice(1)];
  act(() => FakeStream.tell('progress'));
  await waitFor(() => expect(row('Ada').textContent).toContain('7 of 20'));
});

test('makers are added by name, one to a line; the names stay when they are refused; links are shown once with a code', async () => {
  const { asked, user } = atMakers();
  const names = screen.getByRole('textbox', { name: 'Names, one to a line' }) as HTMLTextAreaElement;
  await user.type(names, 'Ada');
  press('Add the maker');
  await screen.findByText(/Refused: name-taken/);
  expect([names.value, names.getAttribute('aria-invalid')]).toEqual(['Ada', 'true']);
  await user.clear(names);
  await user.type(names, ' Cy \n\n Di ');
  press('Add 2 makers');
  await screen.findByText('Personal links');
  expect(asked.findLast(({ method }) => method === 'POST')?.body).toEqual({ names: ['Cy', 'Di'] });
  expect(screen.getAllByTestId('maker-link').map((one) => one.getAttribute('href'))).toEqual(['http://x/m/Cy', 'http://x/m/Di']);
  expect(screen.getAllByRole('img', { name: 'Code for the phone’s camera' })).toHaveLength(2);
  expect(names.value).toBe('');
  press('Close');
  await waitFor(() => expect(screen.queryByText('Personal links')).toBeNull());
}); // prettier-ignore

test('a link is given anew or revoked; one who has none has none to revoke', async () => {
  const { asked } = atMakers();
  choose('Ada', /^Give a new link/);
  expect((await screen.findByTestId('maker-link')).textContent).toBe('http://x/m/new');
  expect(asked.find(({ method }) => method === 'PATCH')).toMatchObject({ path: '/api/projects/p1/makers/m1', body: { link: 'renew' } }); // prettier-ignore
  press('Close');
  await waitFor(() => expect(screen.queryByTestId('maker-link')).toBeNull());
  await screen.findByRole('button', { name: 'Blocks and link of Ada' });
  choose('Ada', 'Revoke the link');
  await screen.findByText(/Ada’s link no longer works/);
  fireEvent.click(await screen.findByRole('button', { name: 'Blocks and link of Bo' }));
  expect(screen.getByRole('menuitem', { name: 'Revoke the link' }).getAttribute('aria-disabled')).toBe(
    'true',
  );
});

test('a maker is taken out and put back', async () => {
  const { asked } = atMakers();
  choose('Bo', 'Take out of the project');
  fireEvent.click(await screen.findByRole('button', { name: 'Undo' }));
  await waitFor(() => expect(asked.filter(({ method }) => method === 'PATCH').map(({ body }) => body)).toEqual([{ isRemoved: true }, { isRemoved: false }]));
  await waitFor(() => expect(navigation.router.refresh).toHaveBeenCalledTimes(2));
}); // prettier-ignore

test('the blocks a maker sews are chosen one by one', async () => {
  const { asked } = atMakers();
  choose('Bo', 'Choose the blocks that they sew');
  const boxes = screen.getAllByRole('checkbox') as HTMLInputElement[];
  expect(boxes.map(({ checked }) => checked)).toEqual([true, false]);
  fireEvent.click(boxes[1]!);
  await waitFor(() => expect(asked.find(({ method }) => method === 'PATCH')?.body).toEqual({ skip: { blockId: 'b', isSkipped: false } }));
  answering({});
  fireEvent.click(boxes[0]!);
  await screen.findByText(/Refused: not-found/);
}); // prettier-ignore

test('a maker’s own order of blocks: one step earlier or later, and back to how they are handed out', async () => {
  const { asked } = atMakers([{ ...makers[0]!, making: ['b'] as never }]);
  choose('Ada', 'Choose the blocks that they sew');
  const names = () => screen.getAllByRole('checkbox').map((box) => box.closest('label')!.textContent);
  expect(names()).toEqual(['Plate', 'Star']);
  expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Sew Plate earlier' }).disabled).toBe(true);
  press('Sew Star earlier');
  press('As they are handed out');
  await waitFor(() => expect(asked.filter(({ method }) => method === 'PATCH').map(({ body }) => body)).toEqual([{ change: { making: ['a', 'b'] } }, { change: { making: [] } }])); // prettier-ignore
});

test('without makers it is said how they come; copying puts a link on the clipboard', async () => {
  const { user } = atMakers([]);
  expect(screen.getByText('No makers yet')).toBeTruthy();
  await user.type(screen.getByRole('textbox'), 'Cy');
  press('Add the maker');
  fireEvent.click(await screen.findByRole('button', { name: 'Copy' }));
  await waitFor(async () => expect(await navigator.clipboard.readText()).toBe('http://x/m/Cy'));
});

test('the wall shows who is asked for: behind with the reason, stuck, of a group, of a drop', async () => {
  atMakers([{ ...makers[0]!, groupId: 'g1' as never }, makers[1]!]);
  // How they keep up comes after the wall.
  await waitFor(() => expect(row('Ada').textContent).toContain('▼ slipping: Slower than before.'));
  expect(row('Ada').textContent).toContain('Evening');
  expect(screen.getByText(/Sewn of each drop: Drop 1 75 %, Drop 2 0 %/)).toBeTruthy();
  const pick = (label: string, choice: string) => {
    fireEvent.mouseDown(screen.getByRole('combobox', { name: label }));
    fireEvent.click(screen.getByRole('option', { name: choice }));
  };
  pick('Show', 'slipping or stalled');
  await waitFor(() => expect(row('Bo')).toBeNull());
  pick('Show', 'stuck');
  await waitFor(() => expect([row('Ada'), row('Bo') === null]).toEqual([null, false]));
  // Bo has their only bag; Ada’s of block b is packed and not handed over.
  pick('Show', 'waiting for a bag');
  await waitFor(() => expect([row('Ada') === null, row('Bo')]).toEqual([false, null]));
  pick('Show', 'everybody');
  pick('Group', 'Evening');
  await waitFor(() => expect(row('Bo')).toBeNull());
  pick('Group', 'all groups');
  pick('Drop', 'Drop 2');
  await waitFor(() => expect(row('Ada').textContent).toContain('0 of 10'));
});

test('a block’s name opens its units by maker, a unit its steps; what takes longer than planned is said', async () => {
  atMakers();
  press('Star');
  const units = within(await screen.findByRole('region', { name: 'Units by maker' }));
  expect(units.getByText('4 of 4')).toBeTruthy();
  expect(units.getByText('1 of 3 · stuck')).toBeTruthy();
  expect(units.getByText(/goes round what they sewed/)).toBeTruthy();
  fireEvent.click(units.getByRole('button', { name: 'papers basted · 4' }));
  const steps = () => screen.getByRole('list', { name: /^Steps of/ }).textContent;
  expect(steps()).toBe('1 Baste the diamonds. Done by 1 of 1.');
  fireEvent.click(units.getByRole('button', { name: 'pair A · 3' }));
  expect(steps()).toBe('5 Sew 1 to 2. Done by 0 of 1. Stuck: Ada.');
  expect(screen.getByText(/18 min in the middle of 3 timed, planned 10 min/)).toBeTruthy();
});

test('a list is read with its columns matched, what will happen is said first, and it is taken back', async () => {
  const { asked } = atMakers();
  const csv = 'Participant;Class;mail;Minor\nAda;Evening;;no\nCy;Late;cy@x.example;yes\nCy;;;\nEd;;nothing;';
  const input = screen.getByText('Read a list (CSV)').querySelector('input')!;
  fireEvent.change(input, { target: { files: [new File([csv], 'list.csv')] } });
  expect(await screen.findByText('Added, each with a link of their own: Cy (Late).')).toBeTruthy();
  expect(screen.getByText('Here already, and changed as the list says: Ada (Evening).')).toBeTruthy();
  expect(screen.getByText('New groups: Late.')).toBeTruthy();
  expect(screen.getByText(/Row 4, Participant: “Cy” stands in row 3 too/)).toBeTruthy();
  expect(screen.getByText('Row 5, mail: “nothing” is no address.')).toBeTruthy();
  press('Take in 2 makers');
  await screen.findByText('Personal link');
  const sent = asked.find(({ path }) => path.endsWith('/roster'))?.body;
  expect(sent).toEqual({ rows: [{ name: 'Ada', group: 'Evening', email: '', isUnderAge: false }, { name: 'Cy', group: 'Late', email: 'cy@x.example', isUnderAge: true }] }); // prettier-ignore
  press('Close');
  fireEvent.click(await screen.findByRole('button', { name: 'Undo' }));
  await waitFor(() => expect(asked.filter(({ path, method }) => method === 'PATCH' || path.endsWith('/roster')).slice(1)).toMatchObject([{ body: { rows: [{ name: 'Ada', group: '' }] } }, { path: '/api/projects/p1/makers/m9', body: { isRemoved: true } }]));
}); // prettier-ignore

test('a maker’s name, group and pause are changed with undo; erasing asks first', async () => {
  const { asked } = atMakers();
  choose('Bo', 'Name, group, pause, their data');
  fireEvent.change(await screen.findByRole('textbox', { name: 'Name' }), { target: { value: 'Bob' } });
  fireEvent.click(screen.getByRole('checkbox', { name: /^Pauses/ }));
  press('Save');
  fireEvent.click(await screen.findByRole('button', { name: 'Undo' }));
  await waitFor(() => expect(asked.filter(({ method }) => method === 'PATCH').map(({ body }) => body)).toEqual([{ change: { name: 'Bob', isPaused: true } }, { change: { name: 'Bo', isPaused: false } }])); // prettier-ignore
  choose('Bo', 'Name, group, pause, their data');
  fireEvent.click(await screen.findByRole('button', { name: 'Erase them' }));
  expect(asked.some(({ body }) => body && 'isErased' in (body as object))).toBe(false);
  press('Erase Bo for good');
  await waitFor(() => expect(asked.at(-1)?.body).toEqual({ isErased: true }));
});

test('a maker’s sets, allowance and hand are chosen; an allowance that none can be is not taken', async () => {
  const { asked } = atMakers();
  const open = () => choose('Bo', 'Name, group, pause, their data');
  const type = (name: string, value: string) => fireEvent.change(screen.getByRole('textbox', { name }), { target: { value } });
  open();
  await screen.findByRole('textbox', { name: 'Name' });
  for (const wrong of ['99″', 'wide', '0.5 mm']) {
    type('Cut with an allowance of', wrong);
    expect(screen.getByRole('button', { name: 'Save' }).hasAttribute('disabled')).toBe(true);
    expect(screen.getByText(/^From .* to /)).toBeTruthy();
  }
  // The project’s own is none of theirs: nothing is changed by it.
  type('Cut with an allowance of', '1/4');
  expect(screen.getByRole('button', { name: 'Save' }).hasAttribute('disabled')).toBe(true);
  expect(screen.queryByText(/^From .* to /)).toBeNull();
  type('Cut with an allowance of', '3/8');
  type('Sets of each block', '2');
  fireEvent.click(screen.getByRole('checkbox', { name: /^Sews with the left hand/ }));
  press('Save');
  await waitFor(() => expect(asked.at(-1)?.body).toEqual({ change: { sets: 2, allowanceMm: 9.525, isLeftHanded: true } }));
}); // prettier-ignore

test('a link that no phone can open is said to be so; one that can is not', async () => {
  const link = { now: 'http://127.0.0.1:3000/m/x' };
  atMakers();
  answering({ 'PATCH /api/projects/p1/makers/.*': () => ({ link: link.now }) });
  choose('Ada', /^Give a new link/);
  expect(await screen.findByText('A phone cannot open these.')).toBeTruthy();
  press('Close');
  await waitFor(() => expect(screen.queryByTestId('maker-link')).toBeNull());
  await screen.findByRole('button', { name: 'Blocks and link of Ada' });
  link.now = 'https://kevlo.example/m/x';
  choose('Ada', /^Give a new link/);
  await screen.findByTestId('maker-link');
  expect(screen.queryByText('A phone cannot open these.')).toBeNull();
});

test('a tick reads its own maker again and nobody else; many at once read all; who crossed is not lost', async () => {
  const { server, asked } = atMakers();
  await settled();
  const gets = () =>
    asked
      .filter(({ method, path }) => method === 'GET' && path.includes('/progress'))
      .map(({ path }) => path.split('/').at(-1));
  const before = gets().length;
  server.progress = [entry('m1', 'a', 7), entry('m1', 'b', 1), entry('m2', 'a', 10)];
  act(() => FakeStream.tell('progress m1'));
  await waitFor(() => expect(row('Ada').textContent).toContain('8 of 20'));
  // Nobody was told of Bo yet: what the wall knows of him stays.
  expect(row('Bo').textContent).toContain('stuck on Star');
  expect(gets().slice(before)).toEqual(['progress?maker=m1']);
  act(() => {
    FakeStream.tell('progress m2');
    FakeStream.tell('progress m1');
    FakeStream.tell('makers');
  });
  await waitFor(() => expect(row('Bo').textContent).not.toContain('stuck'));
  expect(gets().slice(before + 1)).toEqual(['progress?maker=m2', 'progress?form=packed']);
});
