import { fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { SWRConfig } from 'swr';
import { expect, test } from 'vitest';
import { MOST_RECEIPTS } from '@/core/packing';
import type { Handover, Kit } from '@/server/bags';
import type { Maker } from '@/server/makers';
import { Notices } from '@/ui/Notices';
import { PLAIN_MAKER, answering, refused, unreachable } from '@/ui/testing';
import { HandOver } from './HandOver';

const makers: Maker[] = ['Ann', 'Bea'].map((name) => ({
  id: name,
  name,
  hasLink: true,
  skips: [],
  ...PLAIN_MAKER,
}));
const blocks = [{ id: 'a', name: 'Star' }, { id: 'b', name: 'Disc' }]; // prettier-ignore
const kit = (makerId: string, blockId: string, status: Kit['status']): Kit => ({ blockId, makerId, status, revision: 1, packedMark: null }); // prettier-ignore
const past: Handover = { id: 'h1', makerId: 'Bea', maker: 'Bea', how: 'post', tracking: 'XY 1', packets: 2, grams: 480, blocks: ['a'], by: 'Hella', at: '2026-11-20T10:00:00Z' }; // prettier-ignore

test('a maker’s packed bags are ticked off, handed over at the counter or by post, with a receipt and a way back', async () => {
  const server = { kits: [kit('Ann', 'a', 'packed'), kit('Ann', 'b', 'packed'), kit('Bea', 'a', 'handed-over')], isRefusing: true };
  const asked = answering({
    'GET /api/projects/p/kits': () => server.kits,
    'GET /api/projects/p/handovers': () => [past],
    'POST /api/projects/p/handovers': () => (server.isRefusing ? refused(409, 'conflict') : {}),
    'PATCH /api/projects/p/handovers': () => ({}),
  });
  render(
    <Notices>
      <HandOver projectId="p" shop="Harbour Hall" makers={makers} blocks={blocks} kits={server.kits} handovers={[past]} />
    </Notices>,
  );
  expect(screen.getByText('1 maker with packed bags.')).toBeTruthy();
  expect(screen.getByRole('article', { name: 'Receipt for Bea' }).textContent).toBe('Bea, 20 November 2026: 1 bag (Star), by post, 2 packets, 480 g, number XY 1; handed over by Hella · Harbour HallTake back');
  const ann = within(screen.getByRole('region', { name: 'Ann' }));
  fireEvent.click(ann.getByRole('checkbox', { name: 'Disc' }));
  fireEvent.mouseDown(ann.getByRole('combobox', { name: 'How, Ann' }));
  fireEvent.click(screen.getByRole('option', { name: 'by post' }));
  await waitFor(() => expect(screen.queryByRole('option')).toBeNull());
  fireEvent.change(ann.getByRole('textbox', { name: /^Tracking/ }), { target: { value: ' T 7 ' } });
  fireEvent.change(ann.getByRole('textbox', { name: /^Weight/ }), { target: { value: '310' } });
  fireEvent.click(ann.getByRole('button', { name: 'Hand over 1 bag' }));
  await screen.findByText(/Refused: conflict/);
  server.isRefusing = false;
  fireEvent.click(ann.getByRole('button', { name: 'Hand over 1 bag' }));
  await screen.findByText('Ann: 1 bag handed over.');
  const [first, second] = asked.filter(({ method }) => method === 'POST').map(({ body }) => body as { id: string });
  expect(second).toMatchObject({ makerId: 'Ann', how: 'post', tracking: 'T 7', packets: 1, grams: 310, blocks: ['a'] });
  expect(second?.id).toBe(first?.id);
  fireEvent.click(screen.getByRole('button', { name: 'Undo' }));
  await waitFor(() => expect(asked.filter(({ method }) => method === 'PATCH').map(({ body }) => body)).toEqual([{ id: second?.id }]));
}); // prettier-ignore

test('by roll: who is there gets all packed bags at one press, who is not is left and called again; a lost answer hands nothing over twice', async () => {
  const server = { kits: [kit('Ann', 'a', 'packed'), kit('Ann', 'b', 'packed'), kit('Bea', 'a', 'packed')], isAway: true };
  const asked = answering({
    'GET /api/projects/p/kits': () => server.kits,
    'GET /api/projects/p/handovers': () => [],
    'POST /api/projects/p/handovers': ({ body }) => {
      if (server.isAway) return unreachable();
      const { makerId } = body as { makerId: string };
      server.kits = server.kits.map((one) => (one.makerId === makerId ? { ...one, status: 'handed-over' } : one));
      return {};
    },
  });
  render(
    <SWRConfig value={{ provider: () => new Map() }}>
      <Notices>
        <HandOver projectId="p" shop="" makers={makers} blocks={blocks} kits={server.kits} handovers={[]} />
      </Notices>
    </SWRConfig>,
  );
  fireEvent.click(screen.getByRole('button', { name: 'By roll' }));
  const roll = () => screen.getByRole('region', { name: 'By roll' });
  expect(roll().textContent).toContain('Ann2 bags: Star, Disc');
  expect(document.activeElement?.textContent).toBe('Here: hand over 2 bags (Enter)');
  fireEvent.keyDown(document.activeElement!, { key: 'a' });
  expect(roll().textContent).toContain('Bea1 bag: Star');
  fireEvent.click(document.activeElement!);
  expect(await screen.findByText(/The server cannot be reached/)).toBeTruthy();
  server.isAway = false;
  await waitFor(() => expect(document.activeElement?.textContent).toBe('Here: hand over 1 bag (Enter)'));
  fireEvent.click(document.activeElement!);
  await screen.findByText('Everybody was called; 1 maker not there.');
  const sent = asked.filter(({ method }) => method === 'POST').map(({ body }) => body as { id: string });
  expect(sent).toHaveLength(2);
  expect(sent[1]).toEqual(sent[0]);
  expect(sent[1]).toMatchObject({ makerId: 'Bea', how: 'counter', blocks: ['a'] });
  fireEvent.click(screen.getByRole('button', { name: 'Call those again' }));
  expect(roll().textContent).toContain('Ann2 bags: Star, Disc');
  expect(roll().textContent).toContain('1 handed over, 0 not there, 1 to call.');
}); // prettier-ignore

test('of many makers one is looked for by name, among those who wait and among the receipts, however old', async () => {
  const many = ['Ann', 'Annie', ...'BCDEFG'].map((name) => ({ ...makers[0]!, id: name, name }));
  const kits = many.map(({ id }) => kit(id, 'a', 'packed'));
  const old = { ...past, id: 'h2', maker: 'Annie', at: '2024-01-05T10:00:00Z' };
  const latest = Array.from({ length: MOST_RECEIPTS }, (_, i) => ({ ...past, id: `r${i}`, maker: 'Bea' }));
  answering({
    'GET /api/projects/p/kits': () => kits,
    'GET /api/projects/p/handovers': () => latest,
    'GET /api/projects/p/handovers\\?find=ann%20': () => refused(400, 'not trimmed'),
    'GET /api/projects/p/handovers\\?find=ann': () => [old],
    'GET /api/projects/p/handovers\\?find=bea': () => unreachable(),
    'GET /api/projects/p/handovers\\?find=.*': () => [],
  });
  const show = (count: number, receipts: readonly Handover[]) =>
    render(
      <SWRConfig value={{ provider: () => new Map() }}>
        <Notices>
          <HandOver projectId="p" shop="" makers={many.slice(0, count)} blocks={blocks} kits={kits} handovers={receipts} />
        </Notices>
      </SWRConfig>,
    );
  const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }));
  const waiting = () => screen.queryAllByRole('region').map((one) => one.getAttribute('aria-label'));
  const { unmount } = show(7, latest.slice(0, 7));
  expect(screen.queryByRole('textbox', { name: 'Find a maker' })).toBeNull();
  unmount();
  show(8, latest);
  expect(screen.getByText(`The latest ${MOST_RECEIPTS} are listed: find older ones by the maker’s name.`)).toBeTruthy();
  fireEvent.change(screen.getByRole('textbox', { name: 'Find a maker' }), { target: { value: 'ann ' } });
  expect(waiting()).toEqual(['Ann', 'Annie']);
  expect((await screen.findByRole('article', { name: 'Receipt for Annie' })).textContent).toContain('5 January 2024');
  expect(screen.getByText('2 makers with packed bags and 1 receipt of that name.')).toBeTruthy();
  expect(screen.queryByText(/^The latest/)).toBeNull();
  // By roll nobody is left out, nor is a receipt.
  press('By roll');
  expect(screen.getAllByRole('article')).toHaveLength(MOST_RECEIPTS);
  press('Close the roll');
  // What is here already is looked through at once, also where nobody answers.
  fireEvent.change(screen.getByRole('textbox', { name: 'Find a maker' }), { target: { value: 'bea' } });
  expect(screen.getByText(`0 makers with packed bags and ${MOST_RECEIPTS} receipts of that name.`)).toBeTruthy();
  expect((await screen.findByRole('alert')).textContent).toContain('The server cannot be reached.');
  fireEvent.change(screen.getByRole('textbox', { name: 'Find a maker' }), { target: { value: 'Zoe' } });
  expect(screen.getByText('0 makers with packed bags and 0 receipts of that name.')).toBeTruthy();
  await waitFor(() => expect(screen.queryByRole('alert')).toBeNull());
  expect(await screen.findByText('0 makers with packed bags and 0 receipts of that name.')).toBeTruthy();
  expect(waiting()).toEqual([]);
}); // prettier-ignore
