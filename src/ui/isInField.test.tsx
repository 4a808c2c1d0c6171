import { render } from '@testing-library/react';
import { expect, test } from 'vitest';
import { isInField } from './isInField';

test('typed text, open lists and menus have all keys; closed lists and tabs those that open them or step; the rest is free', () => {
  const { container } = render(
    <>
      <input className="all" />
      <textarea className="all" />
      <select className="all" />
      <div contentEditable suppressContentEditableWarning className="all" />
      <div role="listbox"><span role="option" aria-selected className="all" /></div>
      <div role="menu"><span className="all" /></div>
      <div role="combobox" aria-expanded={false} aria-controls="x" className="some" />
      <div role="tablist"><button className="some" /></div>
      <button className="none" />
      <p className="none" />
    </>,
  );
  const heard = (place: Element, key: string) => isInField({ target: place, key } as unknown as KeyboardEvent);
  const all = (name: string) => [...container.querySelectorAll(`.${name}`)];
  for (const key of [' ', 'Enter', 'ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown', 'Home', 'End', 't', '4'])
    expect([key, ...['all', 'some', 'none'].map((name) => all(name).map((place) => heard(place, key)))]).toEqual([
      key, Array(6).fill(true), Array(2).fill(key.length !== 1 || key === ' '), Array(2).fill(false),
    ]);
  expect(isInField({ target: window, key: 't' } as unknown as KeyboardEvent)).toBe(false);
}); // prettier-ignore
