import { act, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { NO_EXTRAS } from '@/core/packing';
import type { Kit } from '@/server/bags';
import { Notices } from '@/ui/Notices';
import { FakeStream, PLAIN_MAKER, answering, settled } from '@/ui/testing';
import { BagsStation } from './BagsStation';
import { PackingWall } from './PackingWall';
import { PrintSheets } from './PrintSheets';
import { atBags, bag, blocks, kit, list, makers, press, project, put, status } from './testing/atBags';
import { STATUS_NAMES } from './useKits';

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
      currency=""
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
