import { act, fireEvent, render, screen, within } from '@testing-library/react';
import { SWRConfig } from 'swr';
import { expect, test, vi } from 'vitest';
import { innerBags } from '@/core/bags';
import { defaultRecipe, generate } from '@/core/generate';
import { NO_EXTRAS, bagCode } from '@/core/packing';
import { plannedSheet } from '@/core/testing';
import type { BagAct, PackingKit } from '@/server/bags';
import type { Project } from '@/server/projects';
import { Notices } from '@/ui/Notices';
import { PLAIN_MAKER, answering, settled } from '@/ui/testing';
import { ExtrasView } from './ExtrasView';
import { PackingTable } from './PackingTable';
import { PickListView } from './PickListView';
import type { TableBag } from './tableBag';
import { useExtras } from './useExtras';

const sheet = plannedSheet(generate(defaultRecipe('beams')), { allowanceMm: 6.35, sparesPercent: 5, system: 'inch' }); // prettier-ignore
const inner = innerBags(sheet);
const block = (id: string, name: string) => ({ id, name, bag: sheet.bag, inner, bagMark: '', saved: '' });
const blocks = [block('a', 'Beams'), block('b', 'Lamp'), block('c', 'Wake')];
const drops = [{ id: 'd1', title: 'Drop 1', blocks: ['a', 'b'] }];

test('bags are made by drop or by block, with inner bags of units; the bags that come of it are listed, and what is in none', async () => {
  vi.useFakeTimers();
  const asked = answering({ 'PUT /api/projects/p1/extras': () => ({ revision: 1 }) });
  const Extras = () => <ExtrasView own={useExtras('p1', { extras: NO_EXTRAS, revision: 0 })} blocks={blocks} drops={drops} order={['a', 'b', 'c']} makers={[{ name: 'Ann', skips: ['c'] }]} papers={['kite', 'thin diamond']} sparesPercent={5} />;
  render(<Extras />);
  const panel = within(screen.getByRole('region', { name: 'How bags are made' }));
  const listed = () => within(panel.getAllByRole('list')[0]!).getAllByRole('listitem').map((one) => one.textContent);
  expect(listed()).toEqual(['Beams', 'Lamp', 'Wake']);
  expect(panel.getByText('A maker who sews every block gets 3 bags:')).toBeTruthy();
  expect(within(panel.getByRole('list', { name: 'In no bag, or named for two' })).getAllByRole('listitem').map((one) => one.textContent)).toEqual(['Wake is in no drop: it has a bag of its own, and nothing says when it is handed out.', 'Nobody sews Wake: it is in no bag.']);
  expect(panel.queryByRole('button', { name: 'Drop 1: as a rule' })).toBeNull();
  fireEvent.mouseDown(panel.getByRole('combobox', { name: 'Bags, Drop 1' }));
  fireEvent.click(screen.getByRole('option', { name: 'one bag for the drop, its blocks within' }));
  fireEvent.click(panel.getByRole('checkbox', { name: 'Inner bags, Drop 1' }));
  expect(listed()).toEqual(['Drop 1: Beams, Lamp, each in a bag of its own within; inner bags of 6 × wedge E of Beams, 6 × wedge E of Lamp', 'Wake']);
  await act(() => vi.advanceTimersByTimeAsync(1500));
  const drop = { per: 'drop', isInner: true };
  expect(asked.at(-1)?.body).toEqual({ extras: { ...NO_EXTRAS, bagging: { usual: { per: 'block', isInner: false }, drops: { d1: drop } } }, revision: 0 });
  fireEvent.click(panel.getByRole('button', { name: 'Drop 1: as a rule' }));
  expect(listed()).toEqual(['Beams', 'Lamp', 'Wake']);
}); // prettier-ignore

test('at the table the next bag of the same drop comes by itself; what goes into inner bags is said', async () => {
  const known = new Map<string, PackingKit>();
  answering({
    'GET /api/projects/p/packing': () => [...known.values()],
    'POST /api/projects/p/packing': ({ body }) => {
      const { blockId, makerId, kind } = body as BagAct;
      const before = known.get(blockId + makerId) ?? { blockId, makerId, status: 'to-pack', ticks: {}, holder: null, checkedBy: null };
      const after: PackingKit = kind === 'close' ? { ...before, status: 'packed' } : before;
      known.set(blockId + makerId, after);
      return after;
    },
  });
  const outer = { drop: 'Drop 1', blocks: ['a', 'b'] };
  const bag = (blockId: string, makerId: string, name: string): TableBag => ({ blockId, makerId, block: name, maker: makerId, drop: 'Drop 1', lines: [], inner, ...(blockId === 'c' ? {} : { outer }) });
  const bags = [bag('a', 'Ann', 'Beams'), bag('a', 'Bea', 'Beams'), bag('c', 'Ann', 'Wake'), bag('b', 'Ann', 'Lamp')];
  render(
    <SWRConfig value={{ provider: () => new Map() }}>
      <Notices>
        <PackingTable project={{ id: 'p' } as Project} me="me" bags={bags} fabrics={['Dark']} kits={[]} />
      </Notices>
    </SWRConfig>,
  );
  fireEvent.change(screen.getByLabelText('Scan or type a bag’s code'), { target: { value: bagCode('a', 'Ann') } });
  fireEvent.click(screen.getByRole('button', { name: 'Open' }));
  expect(screen.getByText('Bag 1 of 2 within the bag of Drop 1.')).toBeTruthy();
  expect(within(screen.getByRole('region', { name: 'Inner bags' })).getByText(/^6 × wedge E, in each: 1 × .* in Light; 1 × 2½″ kite, 76.5°\/93° in Dark; .*, L, in Middle/)).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'All in: close this bag' }));
  expect(await screen.findByText('Bag 2 of 2 within the bag of Drop 1.')).toBeTruthy();
  expect(await screen.findByText('Beams is done. Into the same bag: Lamp.')).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'All in: close this bag' }));
  await settled();
  // Nothing more of this drop: another maker’s bag, and one that goes by itself, are left on the list.
  expect(screen.queryByRole('region', { name: 'The bag' })).toBeNull();
  expect(screen.getByRole('button', { name: /^Beams, Bea/ })).toBeTruthy();
}); // prettier-ignore

test('a pick list is for all bags or a drop, walks along the shelf in its order, and is shared among helpers in stretches', () => {
  const makers = [{ id: 'm1', name: 'Ann', hasLink: true, skips: ['b'], ...PLAIN_MAKER }, { id: 'm2', name: 'Bea', hasLink: true, skips: [], ...PLAIN_MAKER }];
  const walk = ['cloth:Middle', 'papers:2″ hexagon'];
  render(<PickListView blocks={blocks} makers={makers} drops={drops} project={{ unitSystem: 'inch', allowanceMm: 6.35 }} walk={walk} onWalk={() => undefined} />);
  const places = () => screen.getAllByRole('row').map((row) => row.firstElementChild?.textContent ?? '').filter((place) => place !== '' && place !== 'Place');
  expect(places().slice(0, 2)).toEqual(['Middle', '2″ hexagon']);
  const hexagons = () => screen.getAllByRole('row').find((row) => row.textContent?.includes('2″ hexagon'))?.textContent;
  // A hexagon and a spare in each bag: two makers sew Beams and Wake, one sews Lamp.
  expect(hexagons()).toBe('2″ hexagonpapers10Beams 2 × 2 + Lamp 2 × 1 + Wake 2 × 2');
  fireEvent.mouseDown(screen.getByRole('combobox', { name: 'For' }));
  fireEvent.click(screen.getByRole('option', { name: 'Drop 1' }));
  expect(hexagons()).toBe('2″ hexagonpapers6Beams 2 × 2 + Lamp 2 × 1');
  const all = places();
  fireEvent.change(screen.getByRole('textbox', { name: 'Helpers who pick' }), { target: { value: '3' } });
  const helpers = screen.getAllByRole('region', { name: /^Helper/ });
  expect(helpers).toHaveLength(3);
  expect(places()).toEqual(all);
  expect(within(helpers[0]!).getByRole('heading').textContent).toMatch(/^Helper 1: \d+ places?, \d+ pieces$/);
  fireEvent.click(screen.getByRole('button', { name: 'Order of the shelf' }));
  expect(within(screen.getByRole('list', { name: 'Places along the shelf' })).getAllByRole('listitem').map((one) => one.textContent?.replace('≡', ''))).toEqual(all);
}); // prettier-ignore

test('spares are said kind by kind: none, so many, a share; a rule for a paper that is gone is shown and forgotten', async () => {
  vi.useFakeTimers();
  const asked = answering({ 'PUT /api/projects/p1/extras': () => ({ revision: 1 }) });
  const kept = { extras: { ...NO_EXTRAS, spares: { 'old square': { count: 4 } } }, revision: 0 };
  const Extras = () => <ExtrasView own={useExtras('p1', kept)} blocks={[]} drops={[]} order={[]} makers={[]} papers={['kite', 'thin diamond']} sparesPercent={5} />;
  render(<Extras />);
  const pick = (label: string, option: string) => {
    fireEvent.mouseDown(screen.getByRole('combobox', { name: label }));
    fireEvent.click(screen.getByRole('option', { name: option }));
  };
  const choose = (paper: string, way: string) => pick(`Spares, ${paper}`, way);
  expect(screen.queryByRole('combobox', { name: 'Spares, kite' })).toBeNull();
  pick('A rule of its own for', 'kite');
  pick('A rule of its own for', 'thin diamond');
  expect(screen.queryByRole('combobox', { name: 'A rule of its own for' })).toBeNull();
  choose('kite', 'none');
  fireEvent.change(screen.getByRole('textbox', { name: 'In each bag, thin diamond' }), { target: { value: '8' } });
  expect(screen.getByText('No block has “old square” now; its rule waits.')).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Forget the rule for old square' }));
  await act(() => vi.advanceTimersByTimeAsync(1500));
  expect(asked.at(-1)?.body).toEqual({ extras: { ...NO_EXTRAS, spares: { kite: { count: 0 }, 'thin diamond': { count: 8 } } }, revision: 0 });
  choose('kite', 'a share of its own');
  choose('thin diamond', 'as of all: 5 %');
  await act(() => vi.advanceTimersByTimeAsync(1500));
  expect(asked.at(-1)?.body).toMatchObject({ extras: { spares: { kite: { percent: 10 } } }, revision: 1 });
  expect(Object.keys((asked.at(-1)?.body as { extras: { spares: object } }).extras.spares)).toEqual(['kite']);
}); // prettier-ignore
