import { fireEvent, render, screen } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import type { BlockProgress } from '@/server/progress';
import { drawn, outOfFrame } from '@/ui/testing';
import { WallLine, WallNames, wallScale } from './WallLine';

const blocks = ['Star', 'Plate', 'Rose', 'Fan', 'Wake'].map((name, i) => ({ id: `b${i}`, name }));
const scale = wallScale([100, 50, 50, 300, 0.1]);
const entry = (doneMinutes: number, more: Partial<BlockProgress> = {}): BlockProgress =>
  ({ done: 1, total: 4, doneMinutes, totalMinutes: 100, ...more }) as BlockProgress;

test('a line is as long as its hours, sewn as far as they are done, in the colour of how it stands', () => {
  const own = [entry(50), entry(100), entry(25, { stuckOn: 's1' }), undefined, entry(0)];
  render(<WallLine blocks={blocks} own={own} scale={scale} />);
  const line = screen.getByRole('img');
  expect(outOfFrame(line)).toEqual([]);
  expect(line.getAttribute('aria-label')).toBe('Star 1 of 4 steps, Plate 1 of 4 steps, Rose 1 of 4 steps, Fan not sewn, Wake 1 of 4 steps'); // prettier-ignore
  const of = (colour: string) => drawn(line).find(({ element }) => element.getAttribute('data-colour') === colour)!; // prettier-ignore
  const [base] = drawn(line);
  // 500 minutes are 520 units; a block has 2 free before it, 6 after.
  expect([of('primary').minX, of('primary').maxX]).toEqual([2, expect.closeTo(50, 1)]);
  expect([of('success').minX, of('success').maxX]).toEqual([expect.closeTo(106, 0), expect.closeTo(150, 0)]);
  expect([of('error').minX, of('error').maxX]).toEqual([expect.closeTo(158, 0), expect.closeTo(169, 0)]);
  expect(base!.maxX).toBeLessThanOrEqual(520);
  // Of a block that is nearly nothing the room about it is a share, so that something is left to see.
  const short = base!.element.getAttribute('d')!.split('M').at(-1)!.match(/[\d.]+/g)!.map(Number); // prettier-ignore
  expect(short[2]!).toBeGreaterThan(short[0]!);
});

test('nothing sewn draws no thread, and a block without hours is no fault', () => {
  render(<WallLine blocks={blocks} own={[entry(0, { totalMinutes: 0 })]} scale={scale} />);
  expect(screen.getByRole('img').querySelector('[data-colour]')).toBeNull();
});

test('names stand over their lines in three rows, the last at the right rim; each leads to its units', () => {
  const onBlock = vi.fn();
  const { rerender } = render(<WallNames blocks={blocks} scale={scale} onBlock={onBlock} />);
  const style = (name: string) => screen.getByRole('button', { name }).style;
  expect(['Star', 'Plate', 'Rose', 'Fan', 'Wake'].map((name) => style(name).top)).toEqual(['0px', '24px', '48px', '0px', '24px']); // prettier-ignore
  expect(style('Star').left).toBe('0%');
  expect(parseFloat(style('Plate').left)).toBeCloseTo(20, 1);
  expect(parseFloat(style('Fan').left)).toBeCloseTo(40, 1);
  expect([style('Wake').right, style('Wake').left]).toEqual(['0px', '']);
  fireEvent.click(screen.getByRole('button', { name: 'Rose' }));
  expect(onBlock).toHaveBeenCalledExactlyOnceWith('b2');
  // One alone begins at the left.
  rerender(<WallNames blocks={blocks.slice(0, 1)} scale={scale} onBlock={onBlock} />);
  expect(style('Star').left).toBe('0%');
});
