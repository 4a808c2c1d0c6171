import { fireEvent, render, screen, within } from '@testing-library/react';
import { SWRConfig } from 'swr';
import { expect, test } from 'vitest';
import { FakeStream, PLAIN_MAKER, answering, refused } from '@/ui/testing';
import { BlockUnits } from './BlockUnits';

const step = (id: string, number: number, done: number, stuck: readonly string[] = []) => ({ id, number, text: `Sew ${number}. Slowly.`, done, stuck }); // prettier-ignore
const UNITS = {
  name: 'Star',
  units: [
    { key: 'u1', name: 'papers basted', count: 4, minutes: 20, steps: [step('s1', 1, 2)] },
    { key: 'u2', name: 'pair A', count: 3, minutes: 30, steps: [step('s5', 5, 0, ['m1', 'gone']), step('s6', 6, 1)] },
  ],
  inOrder: 2,
  makers: [{ makerId: 'm1', done: [4, 1], stuckAt: 1 }, { makerId: 'm2', done: null, stuckAt: null }],
  slow: [] as object[],
}; // prettier-ignore
const makers = ['Ada', 'Bo', 'Cy'].map((name, i) => ({ id: `m${i + 1}`, name, hasLink: true, skips: [], ...PLAIN_MAKER })); // prettier-ignore

function atUnits(answer: () => unknown = () => UNITS) {
  answering({ 'GET /api/projects/p1/progress.block=a': answer });
  render(
    <SWRConfig value={{ provider: () => new Map(), shouldRetryOnError: false }}>
      <BlockUnits projectId="p1" blockId="a" makers={makers} onClose={() => undefined} />
    </SWRConfig>,
  );
}

test('units by maker: how far each is, where one is stuck, who goes round an older order; who does not sew it has no row', async () => {
  atUnits();
  expect(screen.getByRole('status').textContent).toBe('One moment …');
  const table = within(await screen.findByRole('table'));
  expect(screen.queryByRole('status')).toBeNull();
  const cells = (name: string) => within(table.getByRole('rowheader', { name }).closest('tr')!).getAllByRole('cell').map(({ textContent }) => textContent);
  expect(cells('Ada')).toEqual(['4 of 4', '1 of 3 · stuck']);
  expect(cells('Bo')).toEqual(['goes round what they sewed by an older order']);
  expect(table.queryByRole('rowheader', { name: 'Cy' })).toBeNull();
  expect(screen.queryByText('Takes longer than planned')).toBeNull();
}); // prettier-ignore

test('a unit opens its steps and closes them: how many did each, and who is stuck, also one who is not shown', async () => {
  atUnits();
  const unit = await screen.findByRole('button', { name: 'pair A · 3' });
  expect(unit.getAttribute('aria-expanded')).toBe('false');
  fireEvent.click(unit);
  expect(screen.getByText(/^pair A: 2 steps, 30 min$/)).toBeTruthy();
  const items = within(screen.getByRole('list', { name: 'Steps of pair A' })).getAllByRole('listitem').map(({ textContent }) => textContent); // prettier-ignore
  expect(items).toEqual([
    '5 Sew 5. Done by 0 of 2. Stuck: Ada, a maker not shown.',
    '6 Sew 6. Done by 1 of 2.',
  ]);
  expect(screen.getByRole('link', { name: '5' }).getAttribute('href')).toBe('/p/p1/order/a?step=s5');
  fireEvent.click(unit);
  expect(screen.queryByRole('list', { name: 'Steps of pair A' })).toBeNull();
});

test('what takes longer than planned is said with both times; news come by themselves', async () => {
  const server = { units: UNITS };
  atUnits(() => server.units);
  await screen.findByRole('table');
  server.units = { ...UNITS, slow: [{ stepId: 's5', number: 5, text: 'Sew 5. Slowly.', standardMinutes: 10, medianMinutes: 18, timed: 3 }] }; // prettier-ignore
  FakeStream.tell('progress');
  expect((await screen.findByText(/^Step 5, /)).textContent).toBe('Step 5, Sew 5. 18 min in the middle of 3 timed, planned 10 min: teach it, or plan more under Settings.'); // prettier-ignore
});

test('units that cannot be read say why', async () => {
  atUnits(() => refused(503, 'away'));
  expect((await screen.findByRole('alert')).textContent).toContain('Refused: away.');
  expect(screen.queryByRole('status')).toBeNull();
});
