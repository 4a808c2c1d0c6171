import { fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { expect, test } from 'vitest';
import type { UnitSystem } from '@/core/length';
import { NOTION_LIMITS, USUAL_ORDER, usualOrder, type Notion, type OrderFigures } from '@/core/order';
import { NotionFields, OrderFields } from './OrderFields';

const notion = (what: string): Notion => ({
  what,
  amount: 2,
  per: 'maker',
  unit: 'pieces',
  pack: 10,
  price: 3,
});

function atNotions(initial: readonly Notion[], system: UnitSystem = 'metric') {
  const now = { notions: initial };
  function Page() {
    const [notions, setNotions] = useState(initial);
    return (
      <NotionFields notions={notions} system={system} onChange={(next) => setNotions((now.notions = next))} />
    );
  }
  render(<Page />);
  return now;
}
const type = (label: string, text: string, at = 0) =>
  fireEvent.change(screen.getAllByLabelText(label)[at]!, { target: { value: text } });
const add = () => screen.getByRole<HTMLButtonElement>('button', { name: 'Add a notion' });

test('a notion has a name of its own, what it is counted in and for whom; each change leaves the others alone', () => {
  const now = atNotions([notion('Needles'), notion('Clips')]);
  type('Amount', '3', 1);
  type('In a pack', '25', 1);
  type('Price of it', '4,50', 1);
  type('Counted in', 'boxes', 1);
  fireEvent.mouseDown(screen.getAllByRole('combobox', { name: 'for each' })[1]!);
  fireEvent.click(screen.getByRole('option', { name: 'metre of edge' }));
  expect(now.notions).toEqual([notion('Needles'), { what: 'Clips', amount: 3, per: 'metre', unit: 'boxes', pack: 25, price: 4.5 }]); // prettier-ignore
  expect(screen.queryByText('There is one of this name')).toBeNull();
  type('Notion', ' Needles ', 1);
  expect(screen.getAllByText('There is one of this name')).toHaveLength(1);
  type('Notion', ' ', 1);
  expect(screen.getByText('Give it a name')).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Take out Needles' }));
  expect(now.notions.map(({ what }) => what)).toEqual([' ']);
});

test('where lengths are in inches, what goes by the edge goes by the yard; what was typed stays as it reads', () => {
  const now = atNotions([notion('Tape')], 'inch');
  type('Amount', '3');
  fireEvent.mouseDown(screen.getByRole('combobox', { name: 'for each' }));
  fireEvent.click(screen.getByRole('option', { name: 'yard of edge' }));
  expect(now.notions[0]).toMatchObject({ per: 'metre', amount: expect.closeTo(3 / 0.9144, 9) });
  expect(screen.getByLabelText<HTMLInputElement>('Amount').value).toBe('3');
  type('Amount', '0.5');
  expect(now.notions[0]?.amount).toBeCloseTo(0.5 / 0.9144, 9);
  fireEvent.mouseDown(screen.getByRole('combobox', { name: 'for each' }));
  fireEvent.click(screen.getByRole('option', { name: 'maker' }));
  expect(now.notions[0]).toMatchObject({ per: 'maker', amount: expect.closeTo(0.5, 9) });
  // A thousand for each metre are 914.4 for each yard.
  fireEvent.mouseDown(screen.getByRole('combobox', { name: 'for each' }));
  fireEvent.click(screen.getByRole('option', { name: 'yard of edge' }));
  type('Amount', '914.41');
  expect(screen.getByText('0 to 914.4')).toBeTruthy();
});

test.each([
  ['inch', { 'Yards on a bolt': '15', 'Yards on a spool': '200', 'Cut by hand in a minute, ″': '12' }],
  ['metric', { 'Metres on a bolt': '15', 'Metres on a spool': '200', 'Cut by hand in a minute, cm': '30' }],
] as const)('%s: what nobody has said yet is round in the project’s own unit', (system, fields) => {
  render(<OrderFields figures={usualOrder(system).figures} system={system} onChange={() => undefined} onCurrency={() => undefined} />); // prettier-ignore
  for (const [label, value] of Object.entries(fields)) expect(screen.getByLabelText<HTMLInputElement>(label).value).toBe(value); // prettier-ignore
});

test('new notions have names that are free; there are so many and no more', () => {
  const now = atNotions([]);
  for (let i = 0; i < 3; i++) fireEvent.click(add());
  expect(now.notions.map(({ what }) => what)).toEqual(['New notion', 'New notion 2', 'New notion 3']);
  fireEvent.click(screen.getByRole('button', { name: 'Take out New notion 2' }));
  fireEvent.click(add());
  expect(now.notions.map(({ what }) => what)).toEqual(['New notion', 'New notion 3', 'New notion 2']);
});

test('the last notion that a list holds can be added', () => {
  const now = atNotions(Array.from({ length: NOTION_LIMITS.count - 1 }, (_, i) => notion(`N${i}`)));
  expect(add().disabled).toBe(false);
  fireEvent.click(add());
  expect([now.notions.length, add().disabled]).toEqual([NOTION_LIMITS.count, true]);
});

test.each([
  ['inch', 'Yards on a bolt', 'boltMetres', '10', 9.144],
  ['metric', 'Metres on a bolt', 'boltMetres', '10', 10],
  ['inch', 'Yards on a spool', 'spoolMetres', '200', 182.88],
  ['metric', 'Metres on a spool', 'spoolMetres', '200', 200],
  ['inch', 'More at the rim of blocks, ″', 'outerMoreMm', '0.25', 6.35],
  ['metric', 'More at the rim of blocks, mm', 'outerMoreMm', '6', 6],
  ['inch', 'Cut by hand in a minute, ″', 'handMmPerMinute', '20', 508],
  ['metric', 'Cut by hand in a minute, cm', 'handMmPerMinute', '50', 500],
] as const)('%s: “%s” is kept in millimetres or metres', (system, label, name, text, kept) => {
  const now: { figures: OrderFigures } = { figures: USUAL_ORDER.figures };
  render(
    <OrderFields
      figures={now.figures}
      system={system}
      onChange={(next) => (now.figures = next)}
      onCurrency={() => undefined}
    />,
  );
  type(label, text);
  expect(now.figures[name]).toBeCloseTo(kept, 6);
  expect({ ...now.figures, [name]: 0 }).toEqual({ ...USUAL_ORDER.figures, [name]: 0 });
});
