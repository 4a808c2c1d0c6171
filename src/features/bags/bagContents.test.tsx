import { render, screen } from '@testing-library/react';
import { expect, test } from 'vitest';
import { sheetOf } from '@/ui/testing';
import { BagContentsCard } from './BagContentsCard';

const { bag } = sheetOf('plate');
const project = { unitSystem: 'inch', sparesPercent: 5, allowanceMm: 6.35 } as never;

test.each([
  [0, 0, '8 × kite (6 + 2 spare)'],
  [3, 3, '8 × kite (6 + 2 spare; wrap 3 L, 3 R)'],
  [0, 6, '8 × kite (6 + 2 spare; wrap 0 L, 6 R)'],
])('of a paper %d are left hands and %d right ones', (left, right, says) => {
  const papers = [{ ...bag.papers[0]!, name: 'kite', count: 6, spares: 2, left, right }];
  const block = { id: 'b', name: 'Plate', bag: { ...bag, papers }, saved: '' };
  render(<BagContentsCard block={block as never} project={project} fabrics={[]} />);
  const row = screen.getByRole('img', { name: 'Outline of kite' }).parentElement;
  expect(row?.textContent).toBe(says);
});
