'use client';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { record, redo, startHistory, undo } from '@/core/workshop';
import { asRefusal, isForNow, send, type RefusedError } from './api';
import { isSame, useKeptHistory } from './useKeptHistory';
import { useSend } from './useSend';
import { useUnsaved } from './useUnsaved';

/** A document is saved when the hands rest this long, ms. */
const REST_MS = 800;
/** What a lost connection, or a server that is not well, kept is tried again so much later, ms. */
const AGAIN_MS = 5000;

interface SavedDocumentOptions<T> {
  readonly projectId: string;
  /** What it is called in the address and in what is sent. */
  readonly name: 'setting' | 'calendar' | 'reminders' | 'order' | 'extras';
  readonly initial: T;
  readonly revision: number;
  /** Something typed cannot be read: nothing is saved until it is mended. */
  readonly isHeld?: boolean;
  /** What someone else saved meanwhile, made to fit what is here. */
  readonly fit?: (theirs: T, mine: T) => T;
  /** Another state is shown: by undo, redo or someone else’s. */
  readonly onShown?: (shown: T) => void;
}

/** A project's document while it is changed: with undo that survives a reload, saved by itself under its revision. */
export function useSavedDocument<T>({
  projectId,
  name,
  initial,
  revision,
  isHeld = false,
  fit = (theirs) => theirs,
  onShown = () => undefined,
}: SavedDocumentOptions<T>) {
  const router = useRouter();
  const [history, setHistory] = useState(() => startHistory(initial));
  useKeptHistory(`kevlo-undo-${name}-${projectId}`, history, setHistory);
  const { present } = history;
  const [saved, setSaved] = useState({ present: initial, revision });
  const { error, isBusy, run, settle } = useSend();
  /** What was sent and not answered: it may have been saved. */
  const unanswered = useRef(new Set<T>());
  // What was refused was said of the state before; where someone saved meanwhile, the host chooses.
  const settleOld = () => error && error.status !== 409 && settle();
  const change = (next: T, label: string = name, isMore = false) => {
    settleOld();
    setHistory((own) => record(own, next, label, isMore));
  };
  const step = (go: typeof undo<T>) => {
    settleOld();
    const next = go(history);
    setHistory(next);
    onShown(next.present);
  };
  const put = (under: number) =>
    send<{ revision: number }>('PUT', `/api/projects/${projectId}/${name}`, {
      [name]: present,
      revision: under,
    }).catch((problem: unknown) => {
      if (isForNow(asRefusal(problem))) unanswered.current.add(present);
      throw problem;
    });
  const save = (isAgain = false) =>
    run(async () => {
      const answer = await put(saved.revision).catch((problem: unknown) => {
        // Saved before, its answer lost on the way: what is there is one's own.
        const there = newerOf<T>(asRefusal(problem).current, name);
        if (there && isSame(there.present, present)) return there;
        if (there && [...unanswered.current].some((one) => isSame(one, there.present)))
          return put(there.revision);
        throw problem;
      });
      unanswered.current.clear();
      setSaved({ present, revision: answer.revision });
      router.refresh();
    }, isAgain);
  const isUnsaved = present !== saved.present;
  useUnsaved(isUnsaved || isHeld);
  useSavesItself(save, isUnsaved && !isBusy && !isHeld, error, present);
  const theirs = error?.status === 409 ? newerOf<T>(error.current, name) : undefined;
  return {
    present,
    change,
    undo: history.past.length > 0 ? () => step(undo) : undefined,
    redo: history.future.length > 0 ? () => step(redo) : undefined,
    error,
    isSaved: !isUnsaved,
    canSave: !isBusy && !isHeld && isUnsaved,
    save: () => save(),
    /** The server changed it for us (an order that came is stock now): that is what is shown; steps before it cannot be undone. */
    adopt: (next: T, nextRevision: number) => {
      setHistory(startHistory(next));
      setSaved({ present: next, revision: nextRevision });
    },
    /** Under which the next change is saved. */
    revision: saved.revision,
    /** Where someone saved meanwhile: theirs becomes what is shown; undo brings mine back and saves it over theirs. */
    showTheirs:
      theirs &&
      (() => {
        const fitted = fit(theirs.present, present);
        change(fitted);
        onShown(fitted);
        setSaved(theirs);
        settle();
      }),
  };
}

/**
 * It saves itself a moment after each change, and again once there is a connection; what was refused waits for the host.
 * @param waits whether there is something that can be saved
 * @param error what came of it last
 */
function useSavesItself(
  save: (isAgain?: boolean) => Promise<unknown>,
  waits: boolean,
  error: RefusedError | undefined,
  present: unknown,
): void {
  const saveNow = useRef(save);
  useEffect(() => {
    saveNow.current = save;
  });
  const rests = waits && error === undefined;
  useEffect(() => {
    if (!rests) return;
    const timer = setTimeout(() => void saveNow.current(), REST_MS);
    return () => clearTimeout(timer);
  }, [rests, present]);
  const isKeptBack = waits && error !== undefined && isForNow(error);
  useEffect(() => {
    if (!isKeptBack) return;
    const again = () => void saveNow.current(true);
    const timer = setTimeout(again, AGAIN_MS);
    window.addEventListener('online', again);
    return () => {
      clearTimeout(timer);
      window.removeEventListener('online', again);
    };
  }, [isKeptBack]);
}

function newerOf<T>(current: unknown, name: string): { present: T; revision: number } | undefined {
  const newer = current as { revision?: number; [name: string]: unknown } | undefined;
  const present = newer?.[name] as T | undefined;
  return present && newer?.revision !== undefined ? { present, revision: newer.revision } : undefined;
}

export type SavedDocument<T> = ReturnType<typeof useSavedDocument<T>>;
