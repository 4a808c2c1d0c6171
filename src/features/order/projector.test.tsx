import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { expect, test } from 'vitest';
import { firstSentence } from '@/core/words';
import { sheetOf } from '@/ui/testing';
import { ProjectorView } from './ProjectorView';

/** The view before a class, and how far the class has been led. @param at a step, from the end where it is below 0 */
function atProjector(at = 1) {
  const sheet = sheetOf('star');
  const start = at < 0 ? sheet.steps.length + at : at;
  const now = { step: start, isClosed: false };
  function Page({ isOpen }: { readonly isOpen: boolean }) {
    const [current, setCurrent] = useState(start);
    const go = (by: number) => setCurrent((own) => (now.step = own + by));
    return <ProjectorView isOpen={isOpen} name="Star" sheet={sheet} current={current} fabrics={['Ink', 'Straw']} system="inch" onStep={go} onClose={() => (now.isClosed = true)} />;
  } // prettier-ignore
  const { rerender } = render(<Page isOpen />);
  return { sheet, now, show: (isOpen: boolean) => rerender(<Page isOpen={isOpen} />) };
}
const key = (name: string, on: Element = document.body, more = {}) =>
  fireEvent.keyDown(on, { key: name, ...more });
const button = (name: string) => screen.getByRole('button', { name });
const isDisabled = (name: string) => button(name).hasAttribute('disabled');

test('a class is led by the keys of a clicker: one sentence at a time, with where it is', () => {
  const { sheet, now } = atProjector();
  expect(screen.getByText(firstSentence(sheet.steps[1]!.text))).toBeTruthy();
  expect(screen.getByText(`Star, step 2 of ${sheet.steps.length}`)).toBeTruthy();
  for (const [name, step] of [['PageDown', 2], [' ', 3], ['Enter', 4], ['PageUp', 3]] as const) {
    key(name);
    expect(now.step).toBe(step);
  }
  expect(screen.getByText(firstSentence(sheet.steps[3]!.text))).toBeTruthy();
  for (const more of [{ ctrlKey: true }, { metaKey: true }, { altKey: true }]) key('PageDown', document.body, more);
  // Enter and Space on a button press that button, and do not go on besides.
  key('Enter', button('← Back'));
  key(' ', button('← Back'));
  expect(now.step).toBe(3);
  key('PageDown', button('← Back'));
  expect(now.step).toBe(4);
}); // prettier-ignore

test('at the ends no button leads further', () => {
  const { now } = atProjector(0);
  expect([isDisabled('← Back'), isDisabled('Next →')]).toEqual([true, false]);
  fireEvent.click(button('Next →'));
  expect([now.step, isDisabled('← Back')]).toEqual([1, false]);
  fireEvent.click(button('← Back'));
  expect(now.step).toBe(0);
  cleanup();
  atProjector(-2);
  expect(isDisabled('Next →')).toBe(false);
  key('PageDown');
  expect([isDisabled('← Back'), isDisabled('Next →')]).toEqual([false, true]);
});

test('F turns the work over, B or a full stop darkens the screen and lights it again; what is heard goes no further', () => {
  const { now, show } = atProjector();
  const heard: string[] = [];
  const listen = (event: KeyboardEvent) => heard.push(event.key);
  window.addEventListener('keydown', listen);
  const drawing = screen.getByRole('img', { name: /^Star, step 2 of/ });
  const front = drawing.innerHTML;
  key('f');
  expect(drawing.innerHTML).not.toBe(front);
  key('f');
  expect(drawing.innerHTML).toBe(front);
  const isDark = () => getComputedStyle(screen.getByText(/^Star, step/).parentElement!.parentElement!).visibility === 'hidden';
  for (const dark of ['b', '.']) {
    key(dark);
    expect(isDark()).toBe(true);
    key(dark);
    expect(isDark()).toBe(false);
  }
  key('ArrowRight');
  expect(heard).toEqual(['ArrowRight']);
  fireEvent.click(button('Close (Esc)'));
  expect(now.isClosed).toBe(true);
  act(() => show(false));
  key('PageDown');
  expect([now.step, heard.at(-1)]).toEqual([1, 'PageDown']);
  window.removeEventListener('keydown', listen);
}); // prettier-ignore
