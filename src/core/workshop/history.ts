/** States that one can go back to and on to again, without limit; states share what did not change. */
export interface History<T> {
  readonly past: readonly T[];
  readonly present: T;
  readonly future: readonly T[];
  /** What made the present state; a run of the same (a nudge held down) counts as one. */
  readonly label: string;
}

/** A history that begins here. */
export function startHistory<T>(present: T): History<T> {
  return { past: [], present, future: [], label: '' };
}

/** The state after an edit. @param isMore whether it goes on with the edit before (same label), as a drag does */
export function record<T>(history: History<T>, present: T, label: string, isMore = false): History<T> {
  if (present === history.present) return history;
  const goesOn = isMore && history.label === label && history.past.length > 0;
  return { past: goesOn ? history.past : [...history.past, history.present], present, future: [], label };
}

export function undo<T>(history: History<T>): History<T> {
  const before = history.past.at(-1);
  if (before === undefined) return history;
  return {
    past: history.past.slice(0, -1),
    present: before,
    future: [history.present, ...history.future],
    label: '',
  };
}

export function redo<T>(history: History<T>): History<T> {
  const [next, ...future] = history.future;
  if (next === undefined) return history;
  return { past: [...history.past, history.present], present: next, future, label: '' };
}
