import { act, fireEvent, render, screen, within } from '@testing-library/react';
import { beforeEach, expect, test } from 'vitest';
import { Notices } from '@/ui/Notices';
import { answering, unreachable } from '@/ui/testing';
import { CountingBoard } from './CountingBoard';
import { ScaleStandIn } from './ScaleStandIn';
import { SCALE_CHANNEL } from './useScale';

const outline = { corners: [{ x: 0, y: 0 }, { x: 80, y: 0 }, { x: 80, y: 80 }, { x: 0, y: 80 }], bulges: [0, 0, 0, 0] }; // prettier-ignore
const papers = [
  { name: 'square', outline, areaMm2: 6400, looksLike: 'Like kite: width 80.0 mm, not 79.0 mm', uses: 4 },
  { name: 'kite', outline, areaMm2: 300, looksLike: '', uses: 1 },
];
const piles: { name: string; counts: Record<string, number> }[] = [{ name: 'one bag of Star', counts: { square: 12, kite: 4 } }, { name: 'one bag of Wake', counts: { kite: 9 } }]; // prettier-ignore

beforeEach(() => localStorage.clear());

const show = () => render(<CountingBoard projectId="p" papers={papers} piles={piles} />);
const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }));
const row = (name: string) => within(screen.getByRole('group', { name }));
const against = (name: string) => {
  fireEvent.mouseDown(screen.getByRole('combobox', { name: 'Counted against' }));
  fireEvent.click(screen.getByRole('option', { name }));
};

test('a pile is counted against a bag: short, over and right at once; it is undone, and stays on the device', () => {
  const { unmount } = show();
  against('one bag of Star');
  press('10 more, square');
  press('1 more, square');
  expect(row('square').getByText('11 of 12')).toBeTruthy();
  press('1 more, square');
  expect(row('square').getByText('✓ 12')).toBeTruthy();
  press('1 more, square');
  expect(row('square').getByText('13: 1 over')).toBeTruthy();
  press('Undo');
  expect(row('square').getByText('✓ 12')).toBeTruthy();
  expect(row('square').getByText('Like kite: width 80.0 mm, not 79.0 mm')).toBeTruthy();
  unmount();
  show();
  expect(screen.getByText('12 papers counted')).toBeTruthy();
  // What is none of the bag's is shown while it lies in the pile.
  against('one bag of Wake');
  expect(row('square').getByText('12: 12 over')).toBeTruthy();
  press('Begin again');
  expect(screen.queryByRole('group', { name: 'square' })).toBeNull();
});

test('what was counted goes into the stock and the board is empty; it is taken out again, and a refusal loses nothing', async () => {
  let isDown = true;
  const asked = answering({ 'POST /api/projects/p/stock': () => (isDown ? unreachable() : {}) });
  render(
    <Notices>
      <CountingBoard projectId="p" papers={papers} piles={piles} />
    </Notices>,
  );
  press('10 more, kite');
  press('Put these into stock');
  expect(await screen.findByText(/The server cannot be reached/)).toBeTruthy();
  expect(screen.getByText('10 papers counted')).toBeTruthy();
  isDown = false;
  press('Put these into stock');
  expect(await screen.findByText('10 papers put into stock.')).toBeTruthy();
  expect(screen.getByText('0 papers counted')).toBeTruthy();
  fireEvent.click(screen.getAllByRole('button', { name: 'Undo' }).at(-1)!);
  expect(await screen.findByText('10 papers counted')).toBeTruthy();
  expect(asked.map(({ body }) => (body as { papers: object }).papers)).toEqual([{ kite: 10 }, { kite: 10 }, { kite: -10 }]); // prettier-ignore
});

test('papers that were sewn with are put in as often as they can be used still; those used up are said and stay out', async () => {
  const asked = answering({ 'POST /api/projects/p/stock': () => ({ usedUp: { kite: 10 } }) });
  render(
    <Notices>
      <CountingBoard projectId="p" papers={papers} piles={piles} />
    </Notices>,
  );
  press('10 more, kite');
  press('1 more, square');
  fireEvent.change(screen.getByRole('textbox', { name: 'These were sewn with, times' }), { target: { value: '2' } });
  press('Put these into stock');
  expect(await screen.findByText('1 paper put into stock. Used up, not put in: 10 × kite.')).toBeTruthy();
  expect(asked[0]?.body).toEqual({ sewn: 2, papers: { kite: 10, square: 1 } });
}); // prettier-ignore

test('as many as the scale is trusted with are weighed at once, one more in two piles', () => {
  const told = (wanted?: number) => {
    const own = wanted === undefined ? [] : [{ name: 'a bag', counts: { square: wanted } }];
    const { unmount } = render(<CountingBoard projectId="p" papers={papers} piles={own} />);
    if (wanted !== undefined) against('a bag');
    const text = row('square').getByText(/^1\.02 g each/).textContent;
    unmount();
    return text;
  };
  const most = Number(/trusted up to (\d+) by weight/.exec(told())![1]);
  expect(told(most)).toMatch(new RegExp(`by weight; ${most} weigh [\\d.]+ g, give or take`));
  expect(told(most + 1)).toContain(`by weight; weigh ${most + 1} in 2 piles`);
});

test('the scale counts what it can see, and promises nothing else', async () => {
  show();
  // 80 mm squares of 160 g/m²: 1.02 g; kites of 300 mm²: 0.05 g, below the step of the display.
  expect(row('square').getByText(/^1\.02 g each: trusted up to/)).toBeTruthy();
  expect(
    row('kite').getByText('0.05 g each: too light for this scale; count in tens by hand; lasts 1 use'),
  ).toBeTruthy();
  const tell = async (message: unknown) => {
    const channel = new BroadcastChannel(SCALE_CHANNEL);
    channel.postMessage(message);
    await act(() => new Promise((resolve) => setTimeout(resolve, 60)));
    channel.close();
  };
  await tell({ format: 'other', grams: 5, isStable: true });
  expect(screen.queryByText(/^Scale: /)).toBeNull();
  await tell({ format: 'kevlo.scale/1', grams: 12.3, isStable: true });
  press('12 by weight, square');
  expect(row('square').getByText('12')).toBeTruthy();
  expect(row('kite').getByText('Scale: not sure')).toBeTruthy();
  await tell({ format: 'kevlo.scale/1', grams: 12.8, isStable: true });
  expect(row('square').getByText('Scale: not sure')).toBeTruthy();
  fireEvent.change(screen.getByLabelText('Step of the display, g'), { target: { value: '2' } });
  expect(row('square').getByText(/too light for this scale/)).toBeTruthy();
  expect(localStorage.getItem('kevlo-scale-settings')).toContain('"resolutionG":2');
});

test('the stand-in shows what is laid on it, in steps of its display, and tells it to whoever listens', async () => {
  const heard: { grams: number; isStable: boolean }[] = [];
  const channel = new BroadcastChannel(SCALE_CHANNEL);
  channel.addEventListener('message', ({ data }) => heard.push(data as (typeof heard)[number]));
  render(<ScaleStandIn papers={papers} />);
  fireEvent.change(screen.getByLabelText('square'), { target: { value: '10' } });
  await act(() => new Promise((resolve) => setTimeout(resolve, 1600)));
  expect(heard[0]?.isStable).toBe(false);
  expect(heard.at(-1)?.isStable).toBe(true);
  expect(Math.abs((heard.at(-1)?.grams ?? 0) - 10.24)).toBeLessThan(0.5);
  expect(screen.getByRole('status').textContent).toMatch(/^\d+\.\d g$/);
  channel.close();
});
