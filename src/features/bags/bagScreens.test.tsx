import { act, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { SWRConfig } from 'swr';
import { expect, test, vi } from 'vitest';
import { bagContents, pickList } from '@/core/bags';
import { defaultRecipe, documentOfRecipe } from '@/core/generate';
import { NO_EXTRAS } from '@/core/packing';
import { groupKinds } from '@/core/shapes';
import type { Kit, KitStatus } from '@/server/bags';
import { Notices } from '@/ui/Notices';
import { FakeStream, answering, settled, type Asked } from '@/ui/testing';
import { PLAIN_MAKER } from '@/ui/testing';
import { ExtrasView } from './ExtrasView';
import { useExtras } from './useExtras';
import { FromStockView } from './FromStockView';
import { PackingWall } from './PackingWall';
import { BagsStation } from './BagsStation';
import { PrintSheets } from './PrintSheets';
import { STATUS_NAMES } from './useKits';

const project = {
  id: 'p1',
  name: 'Coast',
  shop: 'Harbour Hall',
  unitSystem: 'inch',
  pageSize: 'Letter',
  sparesPercent: 5,
  allowanceMm: 6.35,
};
const { patches } = documentOfRecipe(defaultRecipe('plate'));
const bag = bagContents(patches, groupKinds(patches.map(({ outline }) => outline)), {
  sparesPercent: 5,
  allowanceMm: 6.35,
  system: 'inch',
});
const blocks = [
  { id: 'a', name: 'Plate', bag, bagMark: 'now', saved: '12 × 1″ hexagon' },
  { id: 'b', name: 'Star', bag, bagMark: 'now', saved: '' },
];
const makers = [
  { id: 'm1', name: 'Ada', hasLink: true, skips: [], ...PLAIN_MAKER },
  { id: 'm2', name: 'Bo', hasLink: true, skips: ['b'], ...PLAIN_MAKER },
];
const list = pickList([{ block: 'Plate', contents: bag, bags: 2 }, { block: 'Star', contents: bag, bags: 1 }]); // prettier-ignore

const kit = (blockId: string, makerId: string, status: KitStatus, revision = 1): Kit => ({
  blockId,
  makerId,
  status,
  revision,
  packedMark: null,
});
const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));

/** The station on a server that keeps bags, with who else changed one meanwhile. */
function atBags(kits: readonly Kit[] = [], mayEdit = true) {
  const server = { kits: [...kits], meanwhile: [] as Kit[] };
  const same = (a: Kit, b: Kit) => a.blockId === b.blockId && a.makerId === b.makerId;
  const asked = answering({
    'GET /api/projects/p1/kits': () => server.kits,
    'PUT /api/projects/p1/kits': ({ body }) => {
      const { bags } = body as { bags: Kit[] };
      const refused = server.meanwhile.filter((one) => bags.some((own) => same(own, one)));
      const changed = bags.filter((own) => !refused.some((one) => same(own, one))).map((own) => ({ ...own, packedMark: null, revision: own.revision + 1 }));
      server.kits = [...server.kits.filter((one) => ![...changed, ...refused].some((own) => same(own, one))), ...changed, ...refused];
      return { changed, refused };
    },
  });
  render(
    // What one test was answered is not what the next one begins with.
    <SWRConfig value={{ provider: () => new Map() }}>
    <Notices>
      <BagsStation drops={[]} order={['a', 'b']} paperNames={[]} mayEdit={mayEdit} stock={{}} worn={{}} sizes={[{ pack: 100, price: 0 }]} extras={{ extras: NO_EXTRAS, revision: 0 }} project={project as never} blocks={blocks} makers={makers} kits={kits} pickList={list} fabrics={['Ink']} />
    </Notices>
    </SWRConfig>,
  );
  return { server, asked };
} // prettier-ignore

const put = (asked: readonly Asked[]) =>
  asked
    .filter(({ method }) => method === 'PUT')
    .map(({ body }) => (body as { bags: Kit[] }).bags.map((one) => ({ ...one, packedMark: null })));
const status = (name: string) => screen.getByRole('button', { name: new RegExp(`^${name}: `) }).textContent;

test('a bag goes on to packed and to handed over, on the revision that was seen, and each press is taken back', async () => {
  const { asked } = atBags([kit('a', 'm1', 'to-pack', 3)]);
  press('Ada, Plate: to pack');
  await waitFor(() => expect(status('Ada, Plate')).toBe('packed'));
  press('Ada, Plate: packed');
  await waitFor(() => expect(status('Ada, Plate')).toBe('handed over'));
  expect(put(asked)).toEqual([[kit('a', 'm1', 'packed', 3)], [kit('a', 'm1', 'handed-over', 4)]]);
  fireEvent.click(await screen.findByRole('button', { name: 'Undo' }));
  await waitFor(() => expect(status('Ada, Plate')).toBe('packed'));
  expect(put(asked)[2]).toEqual([kit('a', 'm1', 'packed', 5)]);
});

test('a bag that was handed over is asked about: a press alone throws nothing away', async () => {
  const { asked } = atBags([kit('a', 'm1', 'handed-over', 5), kit('a', 'm2', 'handed-over', 2)]);
  press('Ada, Plate: handed over');
  fireEvent.keyDown(screen.getByRole('menu'), { key: 'Escape' });
  await waitFor(() => expect(screen.queryByRole('menu')).toBeNull());
  expect(put(asked)).toEqual([]);
  press('Ada, Plate: handed over');
  fireEvent.click(screen.getByRole('menuitem', { name: 'It came back, packed' }));
  await waitFor(() => expect(status('Ada, Plate')).toBe('packed'));
  fireEvent.click(await screen.findByRole('button', { name: 'Bo, Plate: handed over' }));
  fireEvent.click(screen.getByRole('menuitem', { name: 'It is to be packed afresh' }));
  await waitFor(() => expect(status('Bo, Plate')).toBe('to pack'));
  expect(put(asked)).toEqual([[kit('a', 'm1', 'packed', 5)], [kit('a', 'm2', 'to-pack', 2)]]);
});

test('a maker who does not sew a block has no bag there', () => {
  atBags();
  expect(screen.getByLabelText('Bo does not sew Star')).toBeTruthy();
  expect(screen.queryByRole('button', { name: /^Bo, Star/ })).toBeNull();
});

test('a bag that is begun, in hands or looked into at the packing table is seen on the wall', () => {
  atBags([
    { ...kit('a', 'm1', 'to-pack'), table: 'begun' },
    { ...kit('b', 'm1', 'to-pack'), table: 'in-hands' },
    { ...kit('a', 'm2', 'packed'), table: 'checked' },
  ]);
  for (const name of ['Ada, Plate: begun', 'Ada, Star: in hands', 'Bo, Plate: packed ✓'])
    expect(screen.getByRole('button', { name })).toBeTruthy();
});

test('a whole column is marked at once; what someone else changed meanwhile stays and is told', async () => {
  const { server, asked } = atBags();
  server.meanwhile = [kit('a', 'm2', 'handed-over', 7)];
  press('All bags of Plate');
  fireEvent.click(screen.getByRole('menuitem', { name: 'Mark 2 bags as packed' }));
  await screen.findByText(/1 bag changed by someone else meanwhile/);
  expect([status('Ada, Plate'), status('Bo, Plate')]).toEqual(['packed', 'handed over']);
  expect(put(asked)[0]).toHaveLength(2);
  fireEvent.click(screen.getByRole('button', { name: 'Undo' }));
  await waitFor(() => expect(status('Ada, Plate')).toBe('to pack'));
  expect(put(asked)[1]).toHaveLength(1);
  press('All bags of Bo');
  expect(screen.getByRole('menuitem', { name: 'None to pack' }).getAttribute('aria-disabled')).toBe('true');
});

test('what others pack is seen at once, other kinds of change ask nothing, a refusal is told', async () => {
  const { server, asked } = atBags();
  await settled();
  server.kits = [kit('a', 'm1', 'packed')];
  const before = asked.length;
  act(() => FakeStream.tell('progress'));
  await settled();
  expect(asked).toHaveLength(before);
  act(() => FakeStream.tell('kits'));
  await waitFor(() => expect(status('Ada, Plate')).toBe('packed'));
  answering({});
  press('Ada, Plate: packed');
  await screen.findByText(/Refused: not-found/);
});

test('what is in a bag: papers with spares and hands, cloth as cut sizes, and what to save', () => {
  atBags();
  fireEvent.click(screen.getByRole('tab', { name: 'In each bag' }));
  const card = screen.getByRole('region', { name: 'Bag for Plate' });
  for (const { name, count, spares, left, right } of bag.papers) {
    expect(card.textContent).toContain(`${count + spares} × ${name} (${count} + ${spares} spare${left + right > 0 ? `; wrap ${left} L, ${right} R` : ''})`);
  }
  for (const { fabric, cuts } of bag.fabrics) {
    expect(card.textContent).toContain(fabric);
    for (const cut of cuts) expect(card.textContent).toContain(`for ${cut.kindName}`);
  }
  expect(card.textContent).toContain('save for later blocks: 12 × 1″ hexagon.');
  expect(screen.getByRole('region', { name: 'Bag for Star' }).textContent).not.toContain('save for later');
}); // prettier-ignore

test('a helper picks along the shelf but puts nothing of it elsewhere, and does not change how bags are made', () => {
  atBags([], false);
  expect(screen.queryByRole('tab', { name: 'How bags are made' })).toBeNull();
  fireEvent.click(screen.getByRole('tab', { name: 'Pick list' }));
  expect(screen.getByRole('textbox', { name: 'Helpers who pick' })).toBeTruthy();
  expect(screen.queryByRole('button', { name: 'Order of the shelf' })).toBeNull();
});

test('the pick list adds up what all bags take, with how each total comes about', () => {
  atBags();
  fireEvent.click(screen.getByRole('tab', { name: 'Pick list' }));
  const rows = screen.getAllByRole('row').map((row) => [...row.querySelectorAll('td')].map(({ textContent }) => textContent));
  for (const { name, count, spares } of bag.papers) {
    const row = rows.find(([first]) => first === name);
    expect(row?.[2]).toBe(String(3 * (count + spares)));
    expect(row?.[3]).toBe(`Plate ${count + spares} × 2 + Star ${count + spares} × 1`);
  }
}); // prettier-ignore

test('a label for each bag that is packed and none for a skipped block; L prints', () => {
  const print = vi.fn();
  vi.stubGlobal('print', print);
  render(
    <PrintSheets
      project={project as never}
      blocks={blocks}
      makers={makers}
      drops={[]}
      walk={[]}
      mayEdit={false}
      fabrics={['Ink']}
      outer={[{ block: 'Drop 1', maker: 'Ada', code: '012-345-678', lines: ['Plate', 'Star'] }]}
    />,
  );
  const labels = screen
    .getAllByRole('region', { name: /^Label / })
    .map((one) => one.getAttribute('aria-label'));
  expect(labels).toEqual(['Label Plate, Ada', 'Label Plate, Bo', 'Label Star, Ada', 'Label Drop 1, Ada']);
  expect(screen.getByText('4 labels')).toBeTruthy();
  expect(within(screen.getByRole('region', { name: 'Label Drop 1, Ada' })).getByText('Holds the bags of Plate, Star.')).toBeTruthy(); // prettier-ignore
  expect(
    within(screen.getByRole('region', { name: 'Label Plate, Bo' })).getByText(/save for later blocks/),
  ).toBeTruthy();
  fireEvent.keyDown(document.body, { key: 'l', ctrlKey: true });
  expect(print).not.toHaveBeenCalled();
  fireEvent.keyDown(document.body, { key: 'l' });
  expect(print).toHaveBeenCalledOnce();
});

test('the map of the top leads to a bag by its name in the address; without blocks there are no bags', () => {
  location.hash = '#bag-b';
  atBags();
  expect(screen.getByRole('tab', { name: 'In each bag' }).getAttribute('aria-selected')).toBe('true');
  location.hash = '';
  render(
    <BagsStation
      drops={[]}
      order={[]}
      paperNames={[]}
      mayEdit
      stock={{}}
      worn={{}}
      sizes={[{ pack: 100, price: 0 }]}
      extras={{ extras: NO_EXTRAS, revision: 0 }}
      project={project as never}
      blocks={[]}
      makers={makers}
      kits={[]}
      pickList={list}
      fabrics={[]}
    />,
  );
  expect(screen.getByText('No bags yet')).toBeTruthy();
});

test('each state of a bag has a name of its own', () => {
  expect(new Set(Object.values(STATUS_NAMES)).size).toBe(3);
});

test('a bag that was packed before its block changed says so, and a press asks instead of handing it over', async () => {
  const { asked } = atBags([{ ...kit('a', 'm1', 'packed', 2), packedMark: 'older' }, { ...kit('a', 'm2', 'packed', 2), packedMark: 'now' }]);
  expect(screen.getByText(/^One bag was packed before its block/)).toBeTruthy();
  press('Ada, Plate: packed, before the block changed');
  fireEvent.click(screen.getByRole('menuitem', { name: 'It is to be packed afresh' }));
  await waitFor(() => expect(status('Ada, Plate')).toBe('to pack'));
  expect(screen.queryByText(/packed before its block/)).toBeNull();
  // The menu takes a moment to go.
  fireEvent.click(await screen.findByRole('button', { name: 'Bo, Plate: packed' }));
  await waitFor(() => expect(status('Bo, Plate')).toBe('handed over'));
  expect(put(asked)).toHaveLength(2);
  expect(JSON.stringify(asked.filter(({ method }) => method === 'PUT'))).not.toContain('packedMark');
}); // prettier-ignore

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
  expect(screen.getAllByRole('listitem').map(({ textContent }) => textContent)).toEqual(['Plate, 1 bag: Ada', '7 × 1″ hexagon: 1 pack of 100']);
  const sent = more.find(({ method }) => method === 'POST')?.body as { stock: Record<string, number> };
  expect(sent.stock[first!.what]).toBe(40);
  expect(Object.values(sent.stock).filter((count) => count > 0)).toEqual([40]);
  expect(window.localStorage.getItem('kevlo-paper-stock-p1')).toContain('40');
  expect(put(asked)).toEqual([]);
}); // prettier-ignore

test('the wall shows a drop, or makers with bags of one state; who and when on asking; two hundred makers draw only what is seen', async () => {
  answering({});
  const many = Array.from({ length: 200 }, (_, i) => ({ id: `x${i}`, name: `Maker ${String(i).padStart(3, '0')}`, hasLink: true, skips: [], ...PLAIN_MAKER }));
  const kits: Kit[] = [{ blockId: 'b1', makerId: 'x3', status: 'packed', revision: 2, packedMark: null, changedBy: 'Hella', changedAt: '2026-11-20T10:00:00Z' }];
  const two = [{ id: 'b1', name: 'Star', bagMark: 'm', bag }, { id: 'b2', name: 'Plate', bagMark: 'm', bag }];
  const drops = [{ id: 'd1', title: 'Drop 1', blocks: ['b1'] }];
  const wall = (makers = many) => (
    <Notices>
      <PackingWall projectId="p1" blocks={two} makers={makers} initialKits={kits} drops={drops} />
    </Notices>
  );
  // Nothing is measured here: a window of 800 px, and rows of 56.
  const measured = Object.entries({ clientHeight: 800, offsetHeight: 56 }).map(([name, px]) => {
    const before = Object.getOwnPropertyDescriptor(HTMLElement.prototype, name);
    Object.defineProperty(HTMLElement.prototype, name, { configurable: true, get: () => px });
    return [name, before ?? { configurable: true, value: 0 }] as const;
  });
  render(wall());
  const rows = () => document.querySelectorAll('tbody tr[aria-rowindex]');
  expect(rows().length).toBeGreaterThan(5);
  expect(rows().length).toBeLessThan(60);
  expect(screen.getByRole('table').getAttribute('aria-rowcount')).toBe('201');
  const pick = async (label: string, choice: string) => {
    fireEvent.mouseDown(screen.getByRole('combobox', { name: label }));
    fireEvent.click(screen.getByRole('option', { name: choice }));
    await waitFor(() => expect(screen.queryByRole('option')).toBeNull());
  };
  await pick('Makers with bags', 'packed');
  expect(rows()).toHaveLength(1);
  expect(screen.queryByText('Hella, 20 November 2026')).toBeNull();
  fireEvent.click(screen.getByRole('checkbox', { name: 'Who and when' }));
  expect(screen.getByText('Hella, 20 November 2026')).toBeTruthy();
  await pick('Drop', 'Drop 1');
  expect(screen.queryByRole('button', { name: /Maker 003, Plate/ })).toBeNull();
  expect(screen.getByRole('button', { name: /Maker 003, Star/ })).toBeTruthy();
  for (const [name, before] of measured) Object.defineProperty(HTMLElement.prototype, name, before);
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
