import { fireEvent, render, screen } from '@testing-library/react';
import { expect, test } from 'vitest';
import type { JoinStep } from '@/core/sheet';
import { Notices } from '@/ui/Notices';
import { sheetOf } from '@/ui/testing';
import { StepPlayer } from './StepPlayer';

const sheet = sheetOf('beams');

/** The player opened at a step; pressing goes past the units that are alike. */
function openedAt(index: number) {
  const { unmount } = render(
    <Notices>
      <StepPlayer projectId="p1" blockId="b1" name="Beams" sheet={sheet} fabrics={['Ink']} system="inch" allowanceMm={6.35} photos={[]} begun={[]} opened={sheet.steps[index]!.id} />
    </Notices>,
  ); // prettier-ignore
  const button = screen.queryByRole('button', { name: 'Past those alike' });
  if (button) fireEvent.click(button);
  const shown = Number(/^Step (\d+) of/.exec(screen.getByText(/^Step \d+ of/).textContent)![1]) - 1;
  unmount();
  return button ? shown : undefined;
}

test('from any step of units that are alike one goes past all of them at once; a step that stands alone has no such way', () => {
  // Two wedges of five joins each, made one after the other, then the half that they make.
  const firstPair = sheet.steps.findIndex((step) => (step as JoinStep).alike === 'pair A');
  const half = sheet.steps.findIndex((step) => (step as JoinStep).repeat?.letter === 'F');
  expect(half - firstPair).toBe(10);
  for (const index of [firstPair, firstPair + 4, firstPair + 5, half - 1]) expect(openedAt(index)).toBe(half);
  for (const index of [0, half, sheet.steps.length - 1]) expect(openedAt(index)).toBeUndefined();
});
