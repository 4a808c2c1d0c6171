'use client';
import { useCallback, useEffect, useRef } from 'react';
import { startHistory, type History } from '@/core/workshop';

/** Letters of undo that a tab keeps for one page: the oldest steps go first. */
const MOST_LETTERS = 1_500_000;

/**
 * Keeps the steps that can be undone in the tab, so that they survive a reload and a look at another page. They count only
 * where what is shown is still what they led to: after someone else's change they are forgotten.
 * @param key names what is edited; undefined where it has no name yet
 * @returns gives the steps that the tab keeps if they led to this state, which was taken in from elsewhere
 */
export function useKeptHistory<T>(
  key: string | undefined,
  history: History<T>,
  setHistory: (change: (own: History<T>) => History<T>) => void,
): (present: T) => History<T> | undefined {
  const latest = useRef(history);
  const set = useRef(setHistory);
  useEffect(() => {
    latest.current = history;
    set.current = setHistory;
  });
  useEffect(() => {
    if (key === undefined) return;
    const kept = readHistory<T>(key);
    if (kept)
      set.current((own) =>
        own.past.length === 0 && isSame(own.present, kept.present) ? { ...kept, present: own.present } : own,
      );
  }, [key]);
  useEffect(() => {
    if (key === undefined) return;
    const keep = () => keepHistory(key, latest.current);
    window.addEventListener('pagehide', keep);
    return () => {
      window.removeEventListener('pagehide', keep);
      keep();
    };
  }, [key]);
  return useCallback(
    (present) => {
      const kept = key === undefined ? undefined : readHistory<T>(key);
      return kept && isSame(present, kept.present) ? { ...kept, present } : undefined;
    },
    [key],
  );
}

/** As many steps as there is room for, the nearest first. */
export function trimmed<T>(history: History<T>, letters: number): History<T> {
  let left = letters - JSON.stringify(history.present).length;
  const fits = (state: T) => (left -= JSON.stringify(state).length) >= 0;
  const past: T[] = [];
  for (const state of [...history.past].reverse()) if (left > 0 && fits(state)) past.unshift(state);
  const future: T[] = [];
  for (const state of history.future) if (left > 0 && fits(state)) future.push(state);
  return { ...startHistory(history.present), past, future };
}

/** Whether two values say the same, in whatever order their names were written. */
export function isSame(a: unknown, b: unknown): boolean {
  const inOrder = (_: string, value: unknown) =>
    typeof value === 'object' && value !== null && !Array.isArray(value)
      ? Object.fromEntries(Object.entries(value).sort(([p], [q]) => (p < q ? -1 : 1)))
      : value;
  return JSON.stringify(a, inOrder) === JSON.stringify(b, inOrder);
}

function keepHistory<T>(key: string, history: History<T>): void {
  try {
    if (history.past.length + history.future.length === 0) sessionStorage.removeItem(key);
    else sessionStorage.setItem(key, JSON.stringify(trimmed(history, MOST_LETTERS)));
  } catch {
    // A full or closed store: undo then ends with the page.
  }
}

function readHistory<T>(key: string): History<T> | undefined {
  try {
    const text = sessionStorage.getItem(key);
    return text === null ? undefined : (JSON.parse(text) as History<T>);
  } catch {
    return undefined;
  }
}
