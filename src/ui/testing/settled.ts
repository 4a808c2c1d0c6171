import { act } from '@testing-library/react';

/** Longer than a page waits before it asks for what it shows, ms: timers of a shorter wait have run by then. */
const SETTLED_MS = 100;

/** Lets a page ask for what it asks by itself as it opens, or for nothing at all. */
export function settled(): Promise<void> {
  return act(() => new Promise<void>((resolve) => setTimeout(resolve, SETTLED_MS)));
}
