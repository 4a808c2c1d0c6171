import { act, fireEvent, render, screen, within } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { NO_EXTRAS } from '@/core/packing';
import { Notices } from '@/ui/Notices';
import { answering } from '@/ui/testing';
import { ExtrasView } from './ExtrasView';
import { FromStockView } from './FromStockView';
import { atBags, list, put } from './testing/atBags';
import { useExtras } from './useExtras';

test('papers that are there: counted, kept on the device, shared; wrong counts are said; what can be packed and what is missing', async () => {
  const { asked } = atBags();
  const answer = { ready: [{ blockId: 'a', block: 'Plate', makerId: 'm1', maker: 'Ada' }], wanting: 3, missing: [{ paper: '1″ hexagon', count: 7 }], isProven: true };
  const more = answering({ 'POST /api/projects/p1/share': () => answer, 'GET /api/projects/p1/kits': () => [] });
  fireEvent.click(screen.getByRole('tab', { name: 'From what is there' }));
  const [first] = list.papers;
  const field = screen.getByRole('textbox', { name: first!.what });
  const button = () => screen.getByRole('button', { name: 'Which bags can be packed?' });
  fireEvent.change(field, { target: { value: '-3' } });
  expect(screen.getByText('A whole number from 0, please')).toBeTruthy();
  expect(button().hasAttribute('disabled')).toBe(true);
  fireEvent.change(field, { target: { value: '40' } });
  fireEvent.click(button());
  expect(await screen.findByText('1 of 3 bags can be packed now')).toBeTruthy();
  expect(screen.getAllByRole('listitem').map(({ textContent }) => textContent)).toEqual(['Plate, 1 bag: Ada', '7 × 1″ hexagon: 1 pack of 100, £4.50']);
  const sent = more.find(({ method }) => method === 'POST')?.body as { stock: Record<string, number> };
  expect(sent.stock[first!.what]).toBe(40);
  expect(Object.values(sent.stock).filter((count) => count > 0)).toEqual([40]);
  expect(window.localStorage.getItem('kevlo-paper-stock-p1')).toContain('40');
  expect(put(asked)).toEqual([]);
}); // prettier-ignore
test('what was counted into the stock is what bags are packed from, until another count is supposed; that is put back', async () => {
  const asked = answering({ 'POST /api/projects/p1/share': () => ({ ready: [], wanting: 2, missing: [{ paper: 'hexagon', count: 60 }, { paper: 'kite', count: 6 }], isProven: true }) });
  render(
    <Notices>
      <FromStockView projectId="p1" papers={[{ what: 'hexagon', total: 40 }, { what: 'kite', total: 6 }]} stock={{ hexagon: 31 }} worn={{ hexagon: '12 for one more use' }} sizes={[{ pack: 50, price: 4.5 }, { pack: 10, price: 1.2 }]} />
    </Notices>,
  );
  const field = () => screen.getByRole('textbox', { name: 'hexagon' }) as HTMLInputElement;
  expect(field().value).toBe('31');
  expect(screen.getByText('40 for all bags; of those there 12 for one more use')).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Which bags can be packed?' }));
  await screen.findByText('0 of 2 bags can be packed now');
  expect(asked.at(-1)?.body).toEqual({ stock: { hexagon: 31, kite: 0 } });
  expect(screen.getAllByRole('listitem').map(({ textContent }) => textContent)).toEqual(['60 × hexagon: 1 pack of 50 + 1 pack of 10, 5.70', '6 × kite: 1 pack of 10, 1.20']);
  expect(screen.getByText('In all 1 pack of 50 + 2 packs of 10, 6.90.')).toBeTruthy();
  fireEvent.change(field(), { target: { value: '' } });
  expect(field().value).toBe('');
  fireEvent.click(screen.getByRole('button', { name: 'As the stock says' }));
  expect(field().value).toBe('31');
  expect(screen.getByText('40 for all bags; of those there 12 for one more use')).toBeTruthy();
}); // prettier-ignore

test('what can be packed is of the counts that were asked about: with another count it is gone, also where the answer comes late', async () => {
  const late: ((ready: object) => void)[] = [];
  answering({ 'POST /api/projects/p1/share': () => new Promise((resolve) => late.push(resolve)) });
  render(
    <Notices>
      <FromStockView projectId="p1" papers={[{ what: 'hexagon', total: 40 }]} stock={{ hexagon: 31 }} worn={{}} sizes={[]} />
    </Notices>,
  );
  const type = (value: string) => fireEvent.change(screen.getByRole('textbox', { name: 'hexagon' }), { target: { value } });
  const ask = () => fireEvent.click(screen.getByRole('button', { name: 'Which bags can be packed?' }));
  const answer = (index: number, wanting: number) => act(async () => late[index]!({ ready: [], wanting, missing: [], isProven: false }));
  ask();
  expect(screen.getByText('One moment …')).toBeTruthy();
  type('7');
  expect(screen.queryByText('One moment …')).toBeNull();
  ask();
  await answer(1, 3);
  expect(screen.getByText('0 of 3 bags can be packed now (more may be possible)')).toBeTruthy();
  await answer(0, 9);
  expect(screen.queryByText(/0 of 9 bags/)).toBeNull();
  expect(screen.getByText(/^0 of 3 bags can be packed now/)).toBeTruthy();
  type('8');
  expect(screen.queryByText(/can be packed now/)).toBeNull();
}); // prettier-ignore

test('extras are said once for all bags: added, counted, taken out, saved by themselves with undo', async () => {
  vi.useFakeTimers();
  const asked = answering({ 'PUT /api/projects/p1/extras': () => ({ revision: 1 }) });
  const Extras = () => <ExtrasView own={useExtras('p1', { extras: { ...NO_EXTRAS, last: [{ what: 'backing', count: 1 }] }, revision: 0 })} blocks={[]} drops={[]} order={[]} makers={[]} papers={[]} sparesPercent={5} />;
  render(<Extras />);
  const add = (what: string) => {
    fireEvent.change(screen.getByRole('textbox', { name: 'More in each maker’s first bag' }), { target: { value: what } });
    fireEvent.click(within(screen.getByRole('region', { name: 'In each maker’s first bag' })).getByRole('button', { name: 'Add' }));
  };
  add('needles');
  fireEvent.change(screen.getByRole('textbox', { name: 'Count of needles' }), { target: { value: '3' } });
  add('Needles');
  expect(screen.getByText('It is there already: change its count.')).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Take out backing' }));
  await act(() => vi.advanceTimersByTimeAsync(1500));
  expect(asked.at(-1)?.body).toEqual({ extras: { first: [{ what: 'needles', count: 3 }], last: [], every: [] }, revision: 0 });
  fireEvent.click(screen.getByRole('button', { name: /^Undo/ }));
  expect(screen.getByRole('textbox', { name: 'Count of backing' })).toBeTruthy();
}); // prettier-ignore
