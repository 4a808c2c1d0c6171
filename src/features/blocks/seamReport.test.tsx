import { render, screen } from '@testing-library/react';
import { expect, test } from 'vitest';
import { sheetOf } from '@/ui/testing';
import { SeamReport } from './SeamReport';

const sheet = sheetOf('plate');

/** What the report says under a heading, of a plan that is otherwise. */
function said(heading: string, plan: Partial<typeof sheet.plan>): string | null | undefined {
  const { unmount } = render(<SeamReport sheet={{ ...sheet, plan: { ...sheet.plan, ...plan } }} system="inch" />);
  const told = screen.getByText(heading).nextElementSibling?.textContent;
  unmount();
  return told;
} // prettier-ignore

test.each([
  [{ bends: 5, bendsLeast: 5, isProven: false }, '5; no order has fewer'],
  [{ bends: 5, bendsLeast: 4, isProven: true }, '5; no order has fewer'],
  [{ bends: 5, bendsLeast: 4, isProven: false }, '5; none can go below 4'],
])('bends of %j: %s', (plan, says) => {
  expect(said('Bends', plan)).toBe(says);
});

test('tails that clash are counted; where none does the reason is said', () => {
  expect(said('Tails that clash', { clashes: 0 })).toBe('none: every patch folds the same way round');
  expect(said('Tails that clash', { clashes: 2 })).toBe('2');
});
