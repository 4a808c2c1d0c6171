import { fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { expect, test } from 'vitest';
import { Notices } from '@/ui/Notices';
import { answering } from '@/ui/testing';
import { GearProvider } from './Gear';
import { SorterView, type SorterBlock } from './SorterView';

const square = { corners: [{ x: 0, y: 0 }, { x: 10, y: 0 }, { x: 10, y: 10 }, { x: 0, y: 10 }], bulges: [0, 0, 0, 0] }; // prettier-ignore
const names = ['hexagon', 'kite', 'wing', 'diamond'];
const block = (id: string, counts: readonly number[]): SorterBlock => ({
  id, name: `Block ${id}`, bags: 2,
  papers: counts.flatMap((count, i) => (count > 0 ? [{ name: names[i]!, count }] : [])),
  uses: counts.flatMap((count, i) => (count > 0 ? [{ step: i + 1, name: names[i]!, fabric: 'Fog', count }] : [])),
}); // prettier-ignore

function view() {
  return (
    <SorterView
      projectId="p"
      blocks={[block('a', [10, 20, 0, 5]), block('b', [10, 0, 20, 0])]}
      drops={[{ id: 'd1', title: 'Drop 1', blocks: ['a'] }]}
      papers={names.map((name) => ({ name, outline: square }))}
      alike={[['hexagon', 'kite']]}
    />
  );
}
const atSorter = () => render(view());
const cups = (name: RegExp) => within(screen.getByRole('region', { name })).getAllByRole('listitem').map(({ textContent }) => textContent); // prettier-ignore
const choose = async (choice: string) => {
  fireEvent.mouseDown(screen.getByRole('combobox', { name: 'What is sorted' }));
  fireEvent.click(screen.getByRole('option', { name: choice }));
  await waitFor(() => expect(screen.queryByRole('option')).toBeNull());
};
const size = (label: string, text: string) => fireEvent.change(screen.getByRole('textbox', { name: label }), { target: { value: text } }); // prettier-ignore

test('a drop is sorted at once: what goes into which cup, in how many touches, look-alikes apart; the sorter is remembered', async () => {
  const { unmount } = atSorter();
  await choose('All bags of all blocks');
  expect(screen.getByRole('status').textContent).toContain('130 papers of 2 blocks. Each is taken up 2.0 times');
  const all = cups(/Round 1/);
  expect(all).toHaveLength(12);
  const [hexagon, kite] = ['hexagon', 'kite'].map((name) => all.findIndex((text) => text?.startsWith(name)));
  expect(all[hexagon!]).toBe('hexagon40 papers');
  expect(Math.abs((hexagon! % 4) - (kite! % 4)) > 1 || Math.abs(Math.floor(hexagon! / 4) - Math.floor(kite! / 4)) > 1).toBe(true);
  size('Rows of cups', '1');
  size('Cups in a row', '2');
  await screen.findByText(/Round 3/);
  expect(screen.getAllByRole('alert')[0]?.textContent).toMatch(/Easily mixed up, and side by side/);
  unmount();
  atSorter();
  expect((screen.getByRole('textbox', { name: 'Cups in a row' }) as HTMLInputElement).value).toBe('2');
}); // prettier-ignore

test('one bag by its steps: a cup for each, filled again where they are too few', async () => {
  atSorter();
  await choose('One bag of Block a, by its steps');
  expect(cups(/The cups/).filter((text) => text !== 'empty').sort()).toEqual(['diamond5 in Fog, step 4', 'hexagon10 in Fog, step 1', 'kite20 in Fog, step 2']); // prettier-ignore
  size('Rows of cups', '1');
  size('Cups in a row', '2');
  expect(await screen.findByText(/so the cups are filled 2 times/)).toBeTruthy();
  expect(cups(/Filling 2/)).toEqual(['diamond5 in Fog, step 4', 'empty']);
});

test('what stands on the table is as the project says, until a device says otherwise; the host keeps that for all, and takes it back', async () => {
  localStorage.clear();
  const kept = { extras: { first: [], last: [], every: [], gear: { sorter: { rows: 2, columns: 5 } } }, revision: 7 };
  const asked = answering({ 'PUT /api/projects/p/extras': () => ({ revision: 8 }) });
  const at = (mayEdit: boolean) => render(<Notices><GearProvider projectId="p" kept={kept} mayEdit={mayEdit}>{view()}</GearProvider></Notices>);
  const button = () => screen.queryByRole('button', { name: 'Keep for all devices' });
  const { unmount } = at(true);
  expect((screen.getByRole('textbox', { name: 'Cups in a row' }) as HTMLInputElement).value).toBe('5');
  expect(button()).toBeNull();
  size('Cups in a row', '6');
  fireEvent.click(button()!);
  fireEvent.click(await screen.findByRole('button', { name: 'Undo' }));
  await waitFor(() => expect(asked.map(({ body }) => body)).toEqual([
    { extras: { ...kept.extras, gear: { sorter: { rows: 2, columns: 6 } } }, revision: 7 },
    { extras: kept.extras, revision: 8 },
  ]));
  unmount();
  at(false);
  expect((screen.getByRole('textbox', { name: 'Cups in a row' }) as HTMLInputElement).value).toBe('6');
  expect(button()).toBeNull();
}); // prettier-ignore
