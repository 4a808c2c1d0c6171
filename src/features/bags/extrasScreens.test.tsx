import { fireEvent, render, screen, within } from '@testing-library/react';
import { expect, test } from 'vitest';
import { EXTRA_LIMITS, NO_EXTRAS, type BagExtras } from '@/core/packing';
import { answering } from '@/ui/testing';
import { ExtrasView } from './ExtrasView';
import { useExtras } from './useExtras';

/** The page of extras. @returns what it would save */
function atExtras(kept: BagExtras): () => BagExtras {
  let shown = kept;
  function Extras() {
    const own = useExtras('p1', { extras: kept, revision: 0 });
    shown = own.present;
    return (
      <ExtrasView own={own} blocks={[]} drops={[]} order={[]} makers={[]} papers={[]} sparesPercent={5} />
    );
  }
  render(<Extras />);
  return () => shown;
}

const list = (title: string) => within(screen.getByRole('region', { name: title }));
const add = (title: string, what: string) => {
  fireEvent.change(list(title).getByRole('textbox', { name: /^More / }), { target: { value: what } });
  fireEvent.submit(list(title).getByRole('textbox', { name: /^More / }));
};

test('what goes into bags besides is added once, one of each; it is counted, taken out, and undone', () => {
  answering({ 'PUT /api/projects/p1/extras': () => ({ revision: 1 }) });
  const shown = atExtras(NO_EXTRAS);
  add('In every bag', '  A card ');
  add('In every bag', 'Treat');
  add('In each maker’s last bag', 'Backing');
  expect([shown().first, shown().every, shown().last]).toEqual([[], [{ what: 'A card', count: 1 }, { what: 'Treat', count: 1 }], [{ what: 'Backing', count: 1 }]]); // prettier-ignore
  for (const nothing of ['a CARD', '   ']) add('In every bag', nothing);
  expect(shown().every).toHaveLength(2);
  add('In every bag', 'a card');
  expect(list('In every bag').getByText('It is there already: change its count.')).toBeTruthy();
  fireEvent.change(screen.getByRole('textbox', { name: 'Count of Treat' }), { target: { value: '3' } });
  fireEvent.click(screen.getByRole('button', { name: 'Take out A card' }));
  expect(shown().every).toEqual([{ what: 'Treat', count: 3 }]);
  fireEvent.click(screen.getByRole('button', { name: 'Undo' }));
  expect(shown().every.map(({ what }) => what)).toEqual(['A card', 'Treat']);
});

test.each([
  [EXTRA_LIMITS.lines - 1, false],
  [EXTRA_LIMITS.lines, true],
])('a list of %d lines is full: %s', (lines, isFull) => {
  const every = Array.from({ length: lines }, (_, index) => ({ what: `Thing ${index}`, count: 1 }));
  atExtras({ ...NO_EXTRAS, every });
  fireEvent.change(list('In every bag').getByRole('textbox', { name: /^More / }), {
    target: { value: 'One more' },
  });
  expect(list('In every bag').getByRole('button', { name: 'Add' }).hasAttribute('disabled')).toBe(isFull);
});
