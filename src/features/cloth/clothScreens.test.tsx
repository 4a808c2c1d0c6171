import { act, fireEvent, render, screen, within } from '@testing-library/react';
import { beforeEach, expect, test, vi } from 'vitest';
import { USUAL_CLOTH } from '@/core/cloth';
import type { Nested } from '@/core/nesting';
import type { Project } from '@/server/projects';
import { answering, refused } from '@/ui/testing';
import { ClothStation } from './ClothStation';

const worker = vi.hoisted(() => ({
  tell: undefined as ((nested: unknown, spent: number) => void) | undefined,
  finish: undefined as ((nested: unknown) => void) | undefined,
  ended: 0,
}));
vi.mock('comlink', () => ({
  proxy: (one: unknown) => one,
  wrap: () => ({
    lay: (_kinds: unknown, _cloth: unknown, _system: unknown, _seconds: number, tell: typeof worker.tell) => {
      worker.tell = tell;
      return new Promise((resolve) => (worker.finish = resolve));
    },
    smallest: () => Promise.resolve({ name: 'fat quarter, 18 × 22″' }),
  }),
})); // prettier-ignore

beforeEach(() => {
  Object.assign(worker, { tell: undefined, finish: undefined, ended: 0 });
  vi.stubGlobal('Worker', class { terminate() { worker.ended += 1; } }); // prettier-ignore
});

const SQUARE = [{ x: 0, y: 0 }, { x: 50, y: 0 }, { x: 50, y: 50 }, { x: 0, y: 50 }]; // prettier-ignore
const shelf = ['Calico', 'Madder'].map((name) => ({ ...USUAL_CLOTH, name, revision: 0 }));
const lines = [{ fabric: 'Calico', lines: [{ widthMm: 50, lengthMm: 50, total: 42 }] }];
const bags = [
  { blockId: 'b', block: 'Star', fabric: 'Calico', bags: 2, kinds: [{ id: 'square', polygon: SQUARE, count: 21 }] },
]; // prettier-ignore
const nested = (lengthMm: number): Nested => ({ placed: [{ kind: 0, turnDeg: 0, x: 0, y: 0 }], left: [0], lengthMm, density: 0.8, boundLengthMm: 40, stripsLengthMm: 100 }); // prettier-ignore
const show = (unitSystem: 'metric' | 'inch' = 'metric') =>
  render(<ClothStation project={{ id: 'p', unitSystem } as Project} shelf={shelf} lines={lines} bags={bags} makers={2} />); // prettier-ignore
const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));
const row = (name: string) => within(screen.getByText(name, { selector: 'td *' }).closest('tr')!);

test('what all bags take is reckoned and rounded up; a price and a stock change it, and can be taken back', async () => {
  const asked = answering({
    'PUT /api/projects/p/cloths': ({ body }) => ({ ...(body as object), revision: (body as { revision: number }).revision + 1 }), // prettier-ignore
  });
  show();
  // 42 squares of 5 cm, 21 to a strip of 107 cm: two strips.
  expect(row('Calico').getByText('0.10 m', { selector: 'td:nth-of-type(3)' })).toBeTruthy();
  expect(row('Madder').getByText('enough')).toBeTruthy();
  press('Change Calico');
  fireEvent.change(screen.getByLabelText(/Price of a metre/), { target: { value: '12,50' } });
  press('Save');
  expect(await screen.findByRole('button', { name: 'Undo the change of Calico' })).toBeTruthy();
  expect(row('Calico').getByText('1.25')).toBeTruthy();
  press('Undo the change of Calico');
  expect(await row('Calico').findByText('no price')).toBeTruthy();
  expect(JSON.stringify(asked)).toContain('"pricePerMetre":12.5');
});

test('what cannot be read, and what the server refuses, is said beside the fields and stays typed', async () => {
  answering({
    'PUT /api/projects/p/cloths': () => refused(409, 'Someone else changed this cloth meanwhile.'),
  });
  show();
  press('Change Calico');
  fireEvent.change(screen.getByLabelText(/In stock/), { target: { value: '-3' } });
  press('Save');
  expect(await screen.findByText(/“-3” is no number/)).toBeTruthy();
  fireEvent.change(screen.getByLabelText(/In stock/), { target: { value: '3' } });
  press('Save');
  expect(await screen.findByText(/Someone else changed this cloth/)).toBeTruthy();
  expect((screen.getByLabelText(/In stock/) as HTMLInputElement).value).toBe('3');
});

test('a layout is shown as it gets better; stopping keeps the best, finishing names the smallest cut', async () => {
  show();
  press('Lay it out');
  await act(async () => worker.tell?.(nested(90), 0.3));
  expect(screen.getByRole('img', { name: /1 pieces laid on/ })).toBeTruthy();
  expect(screen.getByText(/is looked for/)).toBeTruthy();
  await act(async () => worker.tell?.(nested(80), 0.5));
  expect(screen.getByRole('progressbar').getAttribute('aria-valuenow')).toBe('50');
  press('Stop and keep this');
  expect(worker.ended).toBe(1);
  expect(screen.getByText(/^80 mm for one bag; 80 % of it is used/)).toBeTruthy();
  // What a stopped worker says late is not shown.
  await act(async () => worker.tell?.(nested(10), 0.9));
  expect(screen.getByText(/^80 mm for one bag/)).toBeTruthy();
  press('Lay it out');
  await act(async () => worker.finish?.(nested(70)));
  expect(await screen.findByText('fat quarter, 18 × 22″')).toBeTruthy();
  expect(screen.getByText('0.06 m for 2 bags')).toBeTruthy();
});
