import { render } from '@testing-library/react';
import { expect, test } from 'vitest';
import { ChangeNote, WaitingNote } from './MakerNotes';

const changed = (block: object) => {
  const { container, unmount } = render(<ChangeNote block={{ isOwnOrder: false, covered: [], orphaned: 0, ...block } as never} />); // prettier-ignore
  const text = container.textContent;
  unmount();
  return text;
};

test('since the host changed the order a maker is told what counts, what goes round it, and what is kept', () => {
  expect(changed({})).toBe('');
  expect(changed({ covered: ['s1'] })).toBe(
    'Your host changed the order since you began. What you have sewn counts.',
  );
  const round =
    'Your host changed the order since you began. What you have sewn counts, and your steps go round it.';
  expect(changed({ isOwnOrder: true })).toBe(round);
  expect(changed({ isOwnOrder: true, covered: ['s1'] })).toBe(round);
  expect(changed({ orphaned: 2 })).toBe('2 of your ticks belong to steps that the plan no longer has; they are kept.'); // prettier-ignore
});

const waiting = (ticks: object) => {
  const { container, unmount } = render(<WaitingNote ticks={{ waitingCount: 0, setAsideCount: 0, isUnsafe: false, ...ticks } as never} />); // prettier-ignore
  const text = container.textContent;
  unmount();
  return text;
};

test('what waits and what could not be sent is told by its number; what the server says of it comes in place of the plain words', () => {
  expect(waiting({})).toBe('');
  expect(waiting({ waitingCount: 1 })).toBe('1 tick waits on this phone and will be sent.');
  expect(waiting({ waitingCount: 2, refusal: { status: 0, message: 'Away.' } })).toBe('2 ticks wait on this phone and will be sent.'); // prettier-ignore
  expect(waiting({ waitingCount: 2, refusal: { status: 404, message: 'This link was ended.' } })).toBe('This link was ended.'); // prettier-ignore
  expect(waiting({ setAsideCount: 1 })).toMatch(
    /^One tick was about a block that is no longer here and is kept/,
  );
  expect(waiting({ setAsideCount: 3 })).toMatch(/^3 ticks were about a block that is no longer here and are kept/); // prettier-ignore
});
