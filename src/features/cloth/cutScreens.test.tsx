import { fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { expect, test } from 'vitest';
import type { StandardCut } from '@/core/cutting';
import { USUAL_ORDER, type OrderFigures } from '@/core/order';
import { OrderFields } from './OrderFields';
import { OwnCuts } from './OwnCuts';
import { UsedAreas } from './UsedAreas';
import type { UsedArea } from './useLayout';

const type = (name: string, value: string) => fireEvent.change(screen.getByRole('textbox', { name, hidden: true }), { target: { value } }); // prettier-ignore
const button = (name: string | RegExp) => screen.getByRole('button', { name, hidden: true });
const items = () => screen.queryAllByRole('listitem', { hidden: true }).map(({ textContent }) => textContent);

test('what of a cloth is not to be used is listed with its place, on the cloth alone, and taken out again', () => {
  let known: readonly UsedArea[] = [];
  function Page() {
    const [areas, setAreas] = useState<readonly UsedArea[]>([]);
    known = areas;
    return <UsedAreas areas={areas} widthMm={1100} system="metric" onChange={setAreas} />;
  }
  render(<Page />);
  const fill = (...values: string[]) => ['From the left rim', 'From the cut edge', 'Wide', 'Long'].forEach((name, index) => type(name, values[index] ?? ''));
  fill('0', '20 cm', '10 cm', '');
  expect(button('Not to be used').hasAttribute('disabled')).toBe(true);
  fill('120 cm', '20 cm', '10 cm', '5 cm');
  expect(button('Not to be used').hasAttribute('disabled')).toBe(true);
  fill('0', 'there', '10 cm', '5 cm');
  expect(screen.getByRole('alert', { hidden: true }).textContent).toContain('there');
  fill('0', '20 cm', '10 cm', '5 cm');
  fireEvent.click(button('Not to be used'));
  expect(known).toEqual([{ x: 0, y: 200, widthMm: 100, lengthMm: 50 }]);
  expect(items()[0]).toContain('100 mm × 50 mm, 0 from the left rim, 200 mm from the cut edge');
  fireEvent.click(button(/^It can be used/));
  expect(known).toEqual([]);
}); // prettier-ignore

test('own cuts are added once each, within what a cut can be, and taken out', () => {
  let known: readonly StandardCut[] = [];
  function Page() {
    const [cuts, setCuts] = useState<readonly StandardCut[]>([]);
    known = cuts;
    return <OwnCuts cuts={cuts} system="inch" onChange={setCuts} />;
  }
  render(<Page />);
  const add = (width: string, length: string) => {
    type('Own cut: width', width);
    type('Own cut: length', length);
    return button('Add this cut');
  };
  expect(add('14', '200').hasAttribute('disabled')).toBe(true);
  fireEvent.click(add('14', '20'));
  expect(known).toEqual([{ name: 'own cut, 14″ × 20″', widthMm: 355.6, lengthMm: 508 }]);
  expect(add('14', '20').hasAttribute('disabled')).toBe(true);
  fireEvent.click(button('Take out own cut, 14″ × 20″'));
  expect(known).toEqual([]);
});

test('allowances at the rim and the pace of scissors are typed in the project’s own unit', () => {
  let known: OrderFigures = USUAL_ORDER.figures;
  const show = (system: 'inch' | 'metric') => render(<OrderFields figures={known} system={system} onChange={(figures) => (known = figures)} />); // prettier-ignore
  const { unmount } = show('inch');
  type('More allowance at the rim of blocks, ″', '0,25');
  expect(known.outerMoreMm).toBeCloseTo(6.35, 9);
  type('Cut by hand in a minute, ″', '12');
  expect(known.handMmPerMinute).toBeCloseTo(304.8, 9);
  unmount();
  show('metric');
  type('Less allowance where a side stays raw, mm', '3');
  expect(known.rawLessMm).toBe(3);
  expect((screen.getByRole('textbox', { name: 'Cut by hand in a minute, cm' }) as HTMLInputElement).value).toBe('30.48'); // prettier-ignore
});
