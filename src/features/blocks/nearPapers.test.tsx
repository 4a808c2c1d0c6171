import { fireEvent, render, screen } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { NearPapers } from './NearPapers';

const guess = (name: string, count: number) => ({ name, offMm: 0.184, patches: Array.from({ length: count }, (_, i) => i) }); // prettier-ignore
const preview = (guesses: readonly object[]) => ({ kind: 'good', drawing: { guesses } }) as never;
const items = () => screen.getAllByRole('listitem').map(({ textContent }) => textContent);

test('papers that are nearly of the catalogue: how many, what and how far off; eight kinds are named', () => {
  const onSnap = vi.fn();
  const { rerender, container } = render(<NearPapers preview={preview([guess('1″ square', 1), guess('kite', 2)])} isSnapped={false} onSnap={onSnap} />); // prettier-ignore
  expect(items()).toEqual(['One paper is a 1″ square; the drawing is 0.18 mm off.', '2 papers are a kite; the drawing is 0.18 mm off.']); // prettier-ignore
  fireEvent.click(screen.getByRole('button', { name: 'Snap them to the exact papers' }));
  expect(onSnap).toHaveBeenLastCalledWith(true);
  const many = Array.from({ length: 8 }, (_, i) => guess(`k${i}`, 1));
  rerender(<NearPapers preview={preview(many)} isSnapped onSnap={onSnap} />);
  expect(items()).toHaveLength(8);
  fireEvent.click(screen.getByRole('button', { name: 'Leave them as drawn' }));
  expect(onSnap).toHaveBeenLastCalledWith(false);
  rerender(<NearPapers preview={preview([...many, guess('k8', 1)])} isSnapped onSnap={onSnap} />);
  expect(items().at(-1)).toBe('… and 1 kind more.');
  rerender(<NearPapers preview={preview([])} isSnapped onSnap={onSnap} />);
  expect(container.textContent).toBe('');
});
