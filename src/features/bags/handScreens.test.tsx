import { fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { expect, test } from 'vitest';
import type { Handover, Kit } from '@/server/bags';
import type { Maker } from '@/server/makers';
import { Notices } from '@/ui/Notices';
import { PLAIN_MAKER, answering, refused } from '@/ui/testing';
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
