import { render, screen } from '@testing-library/react';
import { expect, test } from 'vitest';
import { InnerBagsList } from './InnerBagsList';

const line = { kindName: '1″ hexagon', fabric: 'Fog', hand: 'none', count: 2 } as const;
const lines = () => screen.queryAllByRole('listitem').map(({ textContent }) => textContent);

test('inner bags are told unit by unit, then what lies loose and the spare papers, where there are any', () => {
  const units = [{ name: 'pair A', copies: 6, lines: [line] }];
  const { rerender } = render(<InnerBagsList inner={{ units, rest: [], spares: [] } as never} />);
  expect(lines()).toEqual([expect.stringMatching(/^6 × pair A, in each: .*Fog/)]);
  rerender(<InnerBagsList inner={{ units, rest: [line], spares: [{ kindName: '1″ hexagon', count: 3 }] } as never} />); // prettier-ignore
  expect(lines().slice(1)).toEqual([expect.stringMatching(/^loose: .*Fog/), 'spare papers: 3 × 1″ hexagon']);
  rerender(<InnerBagsList inner={{ units: [], rest: [line], spares: [] }} />);
  expect(lines()).toEqual([]);
});
