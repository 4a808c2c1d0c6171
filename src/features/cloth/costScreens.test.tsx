import { fireEvent, render, screen } from '@testing-library/react';
import { expect, test } from 'vitest';
import { OrderCosts } from './OrderCosts';

/** What four sets take, one of them to spare, with money in round figures; a margin of a quarter and a fifth of tax. */
const own = (more = {}) =>
  ({
    plan: { figures: { spareSets: 1, marginPercent: 25, taxPercent: 20 } },
    steps: { more: 17.5, less: 12.25 },
    order: {
      sets: 4,
      worth: { all: 90, notions: 10 },
      bagCosts: [{ block: 'Kelp', each: 6.125, bags: 4 }, { block: 'Wake', each: 0, bags: 4 }],
      topCost: 2.5,
      ...more,
    },
  }) as never; // prettier-ignore

const facts = () => {
  const said = (tag: string) => [...document.querySelectorAll(tag)].map(({ textContent }) => textContent);
  const values = said('dd');
  return Object.fromEntries(said('dt').map((name, i) => [name, values[i]]));
};

test('three who sew pay for four sets: what one costs, what to ask with margin and tax, and what each thing takes of it', () => {
  render(<OrderCosts own={own()} />);
  // 90 for three; of 40 a quarter is left, and a fifth comes on top.
  expect(facts()).toEqual({
    'a maker costs': '30.00, with a share of 1 spare set',
    'to ask': '48.00: 40.00 and 8.00 tax, for a margin of 25 %',
    'one more maker costs': '17.50',
    'one maker less saves': '12.25',
    'a bag of Kelp': '6.13',
    'strips, squares and border of a top': '2.50',
    'notions of a maker': '2.50',
  });
});

test('a price that is fixed says what is left of it, with a point or a comma; what is no price says nothing', () => {
  render(<OrderCosts own={own({ topCost: 0 })} />);
  expect(facts()).not.toHaveProperty('strips, squares and border of a top');
  const field = screen.getByLabelText('A price that is fixed, tax in it');
  const says = (typed: string) => {
    fireEvent.change(field, { target: { value: typed } });
    return document.querySelector('.MuiFormHelperText-root')?.textContent;
  };
  expect(says('45,00')).toBe('Leaves a margin of 20.0 %.');
  expect(says('36')).toBe('Leaves a margin of 0.0 %.');
  expect(['0', '-3', 'much', ' '].map(says)).toEqual(Array(4).fill('Says the margin that is left.'));
});

test('nothing is said of costs while there is no set; those who sew are never fewer than one', () => {
  const { rerender } = render(<OrderCosts own={own({ sets: 0 })} />);
  expect(facts()).toEqual({});
  rerender(<OrderCosts own={own({ sets: 1 })} />);
  expect(facts()['a maker costs']).toMatch(/^90\.00/);
});
