import { render, screen } from '@testing-library/react';
import { expect, test } from 'vitest';
import { FOLD_CONVENTIONS, foldBy, tailsOf, type FoldConvention } from '@/core/basting';
import { boxOf } from '@/core/geometry';
import { AROUND_ROOM, AROUND_SHARE } from '@/ui/drawing';
import { drawn, outOfFrame, sheetOf } from '@/ui/testing';
import { plannedSheet } from '@/core/testing';
import { PaperPicture } from '@/ui/PaperPicture';
import { FoldPicture } from './FoldPicture';

const [kind] = sheetOf('star').kinds;

/** Which way round the numbers of a picture run, as it is looked at. */
function wayRound(picture: Element): string {
  const numbers = drawn(picture)
    .filter(({ element }) => element.localName === 'text' && /^\d$/.test(element.textContent))
    .sort((a, b) => Number(a.element.textContent) - Number(b.element.textContent));
  const area = numbers.reduce((sum, { minX, minY }, i) => {
    const next = numbers[(i + 1) % numbers.length]!;
    return sum + minX * next.minY - minY * next.minX;
  }, 0);
  return area > 0 ? 'clockwise' : 'anticlockwise';
}

test('wherever folds are numbered the numbers run as it is said, paper side towards the hand', () => {
  const start = sheetOf('star');
  for (const convention of ['clockwise', 'counter-clockwise'] as const) {
    const { container, unmount } = render(
      <FoldPicture kind={kind!} convention={convention} allowanceMm={6.35} />,
    );
    expect(FOLD_CONVENTIONS[convention].name).toBe(`All round, ${wayRound(container.querySelector('svg')!)}`);
    unmount();
    const basting = { kinds: start.kinds.map(({ outline }) => ({ outline, convention })) };
    const sheet = plannedSheet(
      start.patches,
      { allowanceMm: 6.35, sparesPercent: 5, system: 'inch' },
      undefined,
      { basting },
    );
    const index = sheet.steps.findIndex((step) => step.kind === 'baste');
    const step = sheet.steps[index]!;
    const own = render(<PaperPicture sheet={sheet} step={step} size={100} />);
    expect(step.text).toContain(`fold 1, 2, 3 … as they are numbered (${wayRound(own.getByRole('img'))})`);
    own.unmount();
  }
});

test('a paper is drawn with its folds numbered as they are said, no other number, and room for its longest tail on every side', () => {
  for (const convention of Object.keys(FOLD_CONVENTIONS) as FoldConvention[]) {
    const { unmount } = render(<FoldPicture kind={kind!} convention={convention} allowanceMm={6.35} />);
    const picture = screen.getByRole('img');
    const fold = foldBy(convention, kind!.outline);
    expect(picture.getAttribute('aria-label')).toBe(`Paper side of ${kind!.name}: order of folding ${fold.order.map((side) => side + 1).join(', ')}`);
    expect(outOfFrame(picture)).toEqual([]);
    const numbers = drawn(picture).filter(({ element }) => element.localName === 'text' && /^\d$/.test(element.textContent));
    expect(numbers.map(({ element }) => element.textContent).sort()).toEqual(fold.order.map((_, index) => String(index + 1)));
    const { minX, minY, maxX, maxY } = boxOf(kind!.outline);
    const [, , width = 0] = picture.getAttribute('viewBox')!.split(' ').map(Number);
    const longest = Math.max(AROUND_ROOM * AROUND_SHARE * Math.max(maxX - minX, maxY - minY), ...tailsOf(kind!.outline, fold, 6.35).map(({ lengthMm }) => lengthMm));
    expect(width).toBeCloseTo(maxX - minX + 2 * (longest + 2), 6);
    unmount();
  }
}); // prettier-ignore
