import { render, screen } from '@testing-library/react';
import { useLayoutEffect } from 'react';
import { hydrateRoot } from 'react-dom/client';
import { renderToString } from 'react-dom/server';
import { afterEach, expect, test, vi } from 'vitest';
import { keep } from './device';
import { useIsUnsafe, useRemembered } from './useRemembered';

afterEach(() => vi.unstubAllGlobals());

test('what the device keeps is shown as soon as the page listens: a press before the next picture finds no older state', async () => {
  // As in a browser: nothing is done at once for the sake of a test.
  vi.stubGlobal('IS_REACT_ACT_ENVIRONMENT', false);
  keep('papers', '37');
  const place = document.createElement('div');
  let atFirstPress = '';
  const Counted = () => {
    const [papers = '0'] = useRemembered('papers');
    useLayoutEffect(() => queueMicrotask(() => (atFirstPress ||= place.textContent)), []);
    return <b>{papers}</b>;
  };
  place.innerHTML = renderToString(<Counted />);
  expect(place.textContent).toBe('0');
  const root = hydrateRoot(place, <Counted />);
  await vi.waitFor(() => expect(atFirstPress).toBe('37'));
  root.unmount();
});

test('that a word would be lost with the page is shown as soon as it is known, and no longer', async () => {
  vi.stubGlobal('indexedDB', undefined);
  const Note = () => <p>{useIsUnsafe('papers') ? 'leave it open' : 'safe'}</p>;
  // The server knows of no phone that is full.
  expect(renderToString(<Note />)).toBe('<p>safe</p>');
  render(<Note />);
  const full = vi.spyOn(window.localStorage, 'setItem').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError');
  });
  keep('papers', '38');
  expect(await screen.findByText('leave it open')).toBeTruthy();
  full.mockRestore();
  keep('papers', '39');
  expect(await screen.findByText('safe')).toBeTruthy();
});
