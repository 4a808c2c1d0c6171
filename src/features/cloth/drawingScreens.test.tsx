import { render, screen } from '@testing-library/react';
import { expect, test } from 'vitest';
import { USUAL_CLOTH } from '@/core/cloth';
import { nest } from '@/core/nesting';
import { DimensionLine } from './DimensionLine';
import { LayoutDrawing } from './LayoutDrawing';

const marksOf = (lengthMm: number, system: 'inch' | 'metric') => {
  const { container, unmount } = render(
    <svg>
      <DimensionLine x={0} y={0} lengthMm={lengthMm} word="wide" size={10} system={system} />
    </svg>,
  );
  const marks =
    container
      .querySelectorAll('path')[2]
      ?.getAttribute('d')
      ?.match(/M[\d.]+/g) ?? [];
  unmount();
  return marks.map((one) => Number(one.slice(1)));
};

test('a dimension line has a mark every four inches or ten centimetres, none at its ends', () => {
  expect(marksOf(350, 'metric')).toEqual([100, 200, 300]);
  expect(marksOf(300, 'metric')).toEqual([100, 200]);
  expect(marksOf(250, 'inch')).toEqual([101.6, 203.2]);
  expect(marksOf(90, 'metric')).toEqual([]);
});

test('a layout says its width, what lies between the selvedges, and its length', () => {
  const square = { id: 's', count: 4, polygon: [{ x: 0, y: 0 }, { x: 100, y: 0 }, { x: 100, y: 100 }, { x: 0, y: 100 }] }; // prettier-ignore
  const cloth = { ...USUAL_CLOTH, name: 'Fog', widthMm: 520, selvedgeMm: 10 };
  const nested = nest(
    [square],
    { width: 520, length: Infinity, selvedge: 10, turns: 'any', used: [] },
    { spent: () => 1 },
  );
  render(<LayoutDrawing kinds={[square]} nested={nested} cloth={cloth} system="metric" />);
  const words = [...screen.getByRole('img').querySelectorAll('text')].map(({ textContent }) => textContent);
  expect(words).toEqual(expect.arrayContaining(['520 mm wide', '500 mm between the selvedges']));
  expect(words.some((one) => one?.endsWith(' long'))).toBe(true);
  expect(words.filter((one) => one === '1')).toHaveLength(4);
});
