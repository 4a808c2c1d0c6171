import { fireEvent, render, screen } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { WeekRows } from './WeekRows';

test('weeks that are long past are shown when they are asked for; where there are none, nothing is asked', () => {
  const weeksFrom = (monday: string) => (
    <WeekRows agenda={[]} load={[{ monday, minutes: 60, room: 120 }]} holidays={() => false} today="2026-03-05" onOpen={vi.fn()} onAdd={vi.fn()} onMove={vi.fn()} />
  ); // prettier-ignore
  const shown = () => screen.getAllByRole('rowheader').map(({ textContent }) => textContent.trim());
  const { unmount } = render(weeksFrom('2026-02-02'));
  expect(shown()).toEqual(['23 Feb', '2 Mar']);
  fireEvent.click(screen.getByRole('button', { name: 'Show 3 earlier weeks' }));
  expect(shown()).toEqual(['2 Feb', '9 Feb', '16 Feb', '23 Feb', '2 Mar']);
  expect(screen.queryByRole('button', { name: /earlier/ })).toBeNull();
  unmount();
  for (const monday of ['2026-02-23', '2026-03-02', '2026-03-09']) {
    const page = render(weeksFrom(monday));
    expect(screen.queryByRole('button', { name: /earlier/ })).toBeNull();
    page.unmount();
  }
});
