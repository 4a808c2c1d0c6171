import { render, screen, within } from '@testing-library/react';
import { expect, test } from 'vitest';
import type { PaceState } from '@/core/pace';
import type { ProjectPace } from '@/server/calendar';
import { PaceTable } from './PaceTable';

const maker = (name: string, state: PaceState, left: number) => ({ id: name, name, state, reason: 'Because.', weekly: 45, day50: '2026-05-01', day80: '2026-06-02', left, begun: true }); // prettier-ignore
const rows = () => within(screen.getByRole('table')).getAllByRole('row').slice(1).map((row) => within(row).getAllByRole('cell').map(({ textContent }) => textContent)); // prettier-ignore

test('who wants a look comes first, equals as they come; less than half a minute is nothing left', () => {
  const makers = [maker('Di', 'done', 0.4), maker('Bo', 'ahead', 0.5), maker('Ada', 'on-pace', 130), maker('Cy', 'stalled', 600), maker('Ed', 'slipping', 59), maker('Fay', 'slipping', 61)]; // prettier-ignore
  render(
    <PaceTable
      pace={{ makers, drops: [], backTest: { asked: 0, held: 0 } } as ProjectPace}
      today="2026-04-01"
    />,
  );
  expect(rows().map(([name, , left]) => [name, left])).toEqual([
    ['Cy', '10 h'],
    ['Ed', '59 min'],
    ['Fay', '1 h'],
    ['Ada', '2 h 10 min'],
    ['Bo', '1 min'],
    ['Di', 'nothing'],
  ]);
  expect(rows()[0]).toEqual([
    'Cy',
    '■stalled. Because.',
    '10 h',
    '45 min',
    'Fri 1 May 2026',
    'Tue 2 Jun 2026',
  ]);
  expect(screen.getByText(/No date has come yet by which they could be tested/)).toBeTruthy();
});

test('how far dates can be trusted is said by those that have come', () => {
  render(
    <PaceTable
      pace={{ makers: [], drops: [], backTest: { asked: 8, held: 5 } } as ProjectPace}
      today="2026-04-01"
    />,
  );
  expect(screen.getByText(/of 8 dates said at 8 in 10, 5 held \(63 %\)/)).toBeTruthy();
});
