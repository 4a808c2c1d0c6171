/** Where every key belongs to what has the focus. */
const TYPED = 'input, textarea, select, [contenteditable], [role=listbox], [role=menu]';
/** Where some keys do: those that open a list of choices, or go from tab to tab. */
const STEPPED = '[role=combobox], [role=tablist]';
const STEPS = new Set([' ', 'Enter', 'ArrowUp', 'ArrowDown', 'ArrowLeft', 'ArrowRight', 'Home', 'End']);

/** Whether a key is meant for the place where it was pressed, and for no shortcut of the page. */
export function isInField({ target, key }: KeyboardEvent): boolean {
  if (!(target instanceof Element)) return false;
  return target.closest(TYPED) !== null || (STEPS.has(key) && target.closest(STEPPED) !== null);
}
