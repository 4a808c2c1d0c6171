import { act, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import type { PackingLine } from '@/core/packing';
import { CheckBag } from './CheckBag';
import { SCALE_CHANNEL, SCALE_FORMAT } from './useScale';

const side = 100;
const outline = { corners: [{ x: 0, y: 0 }, { x: side, y: 0 }, { x: side, y: side }, { x: 0, y: side }], bulges: [0, 0, 0, 0] }; // prettier-ignore
const lines = ['square', 'kite', 'Madder', 'card', 'thread'].map((what, i) => ({ key: what, what, count: i + 2, note: 'so', ...(i < 2 ? { outline } : {}) })) as unknown as PackingLine[]; // prettier-ignore

function atCheck(own = lines, checkedBy: string | null = null, chance = 0.3) {
  vi.spyOn(Math, 'random').mockReturnValue(chance);
  const said = { right: 0, back: 0 };
  const view = render(<CheckBag lines={own} checkedBy={checkedBy} onRight={() => (said.right += 1)} onBack={() => (said.back += 1)} />); // prettier-ignore
  return { ...view, said };
}
const asked = () => screen.getAllByRole('listitem').map(({ textContent }) => /× (\w+)/.exec(textContent ?? '')?.[1] ?? ''); // prettier-ignore

test('three lines by chance are counted again, in the order of the bag, or all of them', () => {
  const seen = new Set<string>();
  for (const chance of [0.1, 0.3, 0.5, 0.7, 0.9]) {
    const { unmount } = atCheck(lines, null, chance);
    const order = lines.map(({ what }) => what);
    expect(asked()).toHaveLength(3);
    expect([...asked()].sort((a, b) => order.indexOf(a) - order.indexOf(b))).toEqual(asked());
    asked().forEach((one) => seen.add(one));
    unmount();
  }
  expect(seen.size).toBeGreaterThan(3);
  const { said } = atCheck();
  fireEvent.click(screen.getByRole('button', { name: 'Count all 5 lines' }));
  expect(asked()).toHaveLength(5);
  expect(screen.queryByRole('button', { name: /^Count all/ })).toBeNull();
  fireEvent.click(screen.getByRole('button', { name: 'It is right' }));
  fireEvent.click(screen.getByRole('button', { name: 'Next bag' }));
  expect(said).toEqual({ right: 1, back: 1 });
});

test('of three lines all are asked at once; what was looked into is said with who did, and not again', () => {
  const { said } = atCheck(lines.slice(0, 3), 'Hanna');
  expect(screen.queryByRole('button', { name: /^Count all/ })).toBeNull();
  expect(screen.getByText('Packed, and looked into by Hanna.')).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Looked into' }));
  expect(said.right).toBe(0);
});

test('the papers of a bag alone on the scale: their weight against what it should be, once the scale rests', async () => {
  atCheck();
  const scale = new BroadcastChannel(SCALE_CHANNEL);
  const weigh = (grams: number, isStable: boolean) => act(async () => {
    scale.postMessage({ format: SCALE_FORMAT, grams, isStable });
    await new Promise((resolve) => setTimeout(resolve, 60));
  });
  await weigh(99, false);
  expect(screen.queryByRole('status')).toBeNull();
  // Five papers of a hundredth of a square metre, of card of 160 g/m² unless the shop says otherwise.
  await weigh(1, true);
  const text = (await screen.findByRole('status')).textContent ?? '';
  const [, target = '', perM2 = ''] = /1\.0 g of ([\d.]+) g, something is missing\..*card of (\d+) g\/m²/.exec(text) ?? [];
  expect(Number(target)).toBeCloseTo(5 * (side / 1000) ** 2 * Number(perM2), 1);
  await weigh(Number(target), true);
  await waitFor(() => expect(screen.getByRole('status').textContent).toContain('as it should be'));
  scale.close();
}); // prettier-ignore
