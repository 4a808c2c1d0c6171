import { render, screen } from '@testing-library/react';
import { expect, test } from 'vitest';
import { FOLD_CONVENTIONS, foldBy, tailsOf, type FoldConvention } from '@/core/basting';
import { boxOf } from '@/core/geometry';
import { drawn, outOfFrame, sheetOf } from '@/ui/testing';
import { FoldPicture } from './FoldPicture';

const [kind] = sheetOf('star').kinds;

test('a paper is drawn with its folds numbered as they are said, no other number, and room for its longest tail on every side', () => {
  for (const convention of Object.keys(FOLD_CONVENTIONS) as FoldConvention[]) {
    const { unmount } = render(<FoldPicture kind={kind!} convention={convention} allowanceMm={6.35} />);
    const picture = screen.getByRole('img');
    const fold = foldBy(convention, kind!.outline);
    expect(picture.getAttribute('aria-label')).toBe(`${kind!.name}: order of folding ${fold.order.map((side) => side + 1).join(', ')}`);
    expect(outOfFrame(picture)).toEqual([]);
    const numbers = drawn(picture).filter(({ element }) => element.localName === 'text' && /^\d$/.test(element.textContent));
    expect(numbers.map(({ element }) => element.textContent).sort()).toEqual(fold.order.map((_, index) => String(index + 1)));
    const { minX, maxX } = boxOf(kind!.outline);
    const [, , width = 0] = picture.getAttribute('viewBox')!.split(' ').map(Number);
    const longest = Math.max(4, ...tailsOf(kind!.outline, fold, 6.35).map(({ lengthMm }) => lengthMm));
    expect(width).toBeCloseTo(maxX - minX + 2 * (longest + 2), 6);
    unmount();
  }
}); // prettier-ignore
