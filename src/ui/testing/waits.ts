import { act, configure, getConfig } from '@testing-library/react';
import { createElement } from 'react';
import { createRoot } from 'react-dom/client';

// A wait ends when the page shows what is waited for. What the page does once it has shown it (effects) may come a moment later:
// on a busy machine, after the next line of the test. React does it before it renders anything else, on whatever root.
const { asyncWrapper } = getConfig();
const elsewhere = createRoot(document.createElement('div'));
let renders = 0;

configure({
  // On a busy machine an answer takes as long as it takes; where slips are tried, one does not wait for what never comes.
  asyncUtilTimeout: Number(process.env.KEVLO_TEST_WAIT_MS ?? 20_000),
  asyncWrapper: async (wait) => {
    const found = await asyncWrapper(wait);
    renders += 1;
    act(() => elsewhere.render(createElement('i', { id: String(renders) })));
    return found;
  },
});
