import { screen } from '@testing-library/react';

/** The fields that are marked as wrong, in their order on the page. */
export const markedFields = (): HTMLElement[] =>
  screen.queryAllByLabelText(/.+/, { selector: '[aria-invalid=true]' });
