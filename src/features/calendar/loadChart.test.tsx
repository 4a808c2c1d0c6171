import { render, screen } from '@testing-library/react';
import { expect, test } from 'vitest';
import { plusDays, type WeekLoad } from '@/core/calendar';
import { drawn, outOfFrame } from '@/ui/testing';
import { LoadChart } from './LoadChart';

const weeks: WeekLoad[] = Array.from({ length: 13 }, (_, index) => ({
  monday: plusDays('2026-03-02', 7 * index),
  minutes: [0, 60, 120, 240][index % 4]!,
  room: 120,
}));

function chart(own: readonly WeekLoad[] = weeks, most = 240) {
  const { unmount } = render(<LoadChart title="Before" weeks={own} most={most} />);
  const picture = screen.getByRole('img');
  const bars = drawn(picture).filter(({ element }) => element.localName === 'rect');
  const words = [...picture.querySelectorAll('text')].map(({ textContent }) => textContent);
  const rooms = drawn(picture).filter(({ element }) => element.hasAttribute('stroke-dasharray'));
  const title = screen.getByText(/^Before/).textContent;
  return { picture, bars, words, rooms, title, unmount };
}

test('weeks stand beside each other in the frame, as high as their minutes; what is over the hours stands on top', () => {
  const { picture, bars, words, rooms, title } = chart();
  expect(outOfFrame(picture)).toEqual([]);
  expect(title).toBe('Before: heaviest week 4 h, 3 of 13 weeks over the hours');
  const high = bars.map(({ minY, maxY }) => maxY - minY);
  const [kept, over] = [high.filter((_, i) => i % 2 === 0), high.filter((_, i) => i % 2 === 1)];
  expect(kept.slice(0, 4).map((one) => one / kept[1]!)).toEqual([0, 1, 2, 2].map((one) => expect.closeTo(one, 6)));
  expect(over.slice(0, 4).map((one) => one / kept[1]!)).toEqual([0, 0, 0, 2].map((one) => expect.closeTo(one, 6)));
  // The part that is over stands on the part that is not, which ends where the hours do.
  expect(bars[7]!.maxY).toBeCloseTo(bars[6]!.minY, 6);
  expect(rooms.map(({ minY }) => minY)).toEqual(weeks.map(() => expect.closeTo(bars[6]!.minY, 6)));
  expect(rooms[0]!.minX).toBeLessThan(bars[0]!.minX);
  // Side by side: each week ends before the next one begins.
  for (let i = 2; i < bars.length; i += 2) expect(bars[i]!.minX).toBeGreaterThan(bars[i - 2]!.maxX);
  expect(words.filter((one) => /^\d+ h$|^0$/.test(one ?? ''))).toEqual(['0', '1 h', '2 h', '3 h', '4 h']);
  // Of thirteen weeks every third is named.
  expect(words.filter((one) => /[A-Z]/.test(one ?? ''))).toHaveLength(5);
}); // prettier-ignore

test('a scale is no finer than an hour, and the same for charts that are compared', () => {
  const light = chart(weeks.slice(0, 2), 20);
  expect(light.words).toContain('1 h');
  const of60 = ({ bars }: typeof light) => bars[2]!.maxY - bars[2]!.minY;
  const high = of60(light);
  light.unmount();
  const heavy = chart(weeks.slice(0, 2), 240);
  expect(of60(heavy)).toBeCloseTo(high / 4, 6);
  expect(heavy.title).toContain('0 of 2 weeks over');
});

test('one week is one', () => {
  expect(chart([{ ...weeks[3]!, minutes: 240 }]).title).toBe(
    'Before: heaviest week 4 h, 1 of 1 week over the hours',
  );
});
