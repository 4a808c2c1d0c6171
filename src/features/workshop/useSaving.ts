'use client';
import { useCallback, useEffect, useRef, useState, type RefObject } from 'react';
import type { BlockDocument } from '@/core/block';
import type { Touched } from '@/server/versions';
import { mergeDocuments, type Merged } from '@/core/workshop';
import { asRefusal, read, send, type RefusedError } from '@/ui/api';
import { keep, kept } from '@/ui/device';
import { useLive } from '@/ui/useLive';

/** A block as the server has it. */
export interface SavedBlock {
  readonly id: string;
  readonly name: string;
  readonly revision: number;
  readonly document: BlockDocument;
}

export type SavingState =
  | { readonly kind: 'saved' }
  | { readonly kind: 'empty' }
  | { readonly kind: 'saving' }
  /** Others have sewn or packed by what it was: nothing is saved until the host has said what becomes of that. */
  | { readonly kind: 'touches'; readonly touched: Touched; readonly by: BlockDocument }
  | { readonly kind: 'failed'; readonly error: RefusedError };

/** How long the hands rest before the block is saved, ms. */
const REST_MS = 700;
/** After a failure it is tried again this much later, ms. */
const AGAIN_MS = 5000;

interface Newer {
  readonly revision: number;
  readonly document: BlockDocument;
}

interface NewVersion {
  readonly id: string;
  readonly name: string;
  readonly stay: number;
  readonly go: number;
}

interface SavingOptions {
  readonly projectId: string;
  readonly initial: SavedBlock | undefined;
  readonly document: BlockDocument;
  /** Whether the host is being asked whose change stays: until then theirs is not saved over. */
  readonly isAsking?: boolean;
  /** Takes in what someone else saved. */
  readonly onMerged: (merged: Merged, rebase: (state: BlockDocument) => BlockDocument) => void;
  readonly onCreated: (block: SavedBlock) => void;
}

/**
 * Saves the block by itself a moment after each edit. What someone else saved meanwhile is merged, patch by patch; while
 * the server cannot be reached the block is kept on this device and sent later.
 */
export function useSaving({
  projectId,
  initial,
  document,
  isAsking = false,
  onMerged,
  onCreated,
}: SavingOptions) {
  const base = useRef(initial);
  const latest = useRef({ document, onMerged, onCreated });
  useEffect(() => {
    latest.current = { document, onMerged, onCreated };
  });
  const [state, setState] = useState<SavingState>({ kind: initial ? 'saved' : 'empty' });
  const [saved, setSaved] = useState(initial?.document);
  const isBusy = useRef(false);
  const mayTouch = useRef<ReadonlySet<string>>(new Set());

  const takeNewer = useCallback((newer: Newer) => {
    const was = base.current;
    if (!was || newer.revision <= was.revision) return;
    base.current = { ...was, ...newer };
    setSaved(newer.document);
    const merged = mergeDocuments(was.document, latest.current.document, newer.document);
    latest.current.onMerged(merged, (one) => mergeDocuments(was.document, one, newer.document).document);
  }, []);

  const save = useCallback(async () => {
    const now = latest.current.document;
    if (isBusy.current) return;
    if (now === base.current?.document)
      return setState((own) => (own.kind === 'touches' ? { kind: 'saved' } : own));
    if (now.patches.length === 0) return setState({ kind: 'empty' });
    isBusy.current = true;
    setState({ kind: 'saving' });
    try {
      const was = base.current;
      base.current = was
        ? await replace(projectId, was, now, mayTouch.current)
        : await create(projectId, now);
      if (!was) latest.current.onCreated(base.current);
      setSaved(base.current.document);
      setState({ kind: 'saved' });
    } catch (refusal) {
      const error = asRefusal(refusal);
      if (error.code === 'touches-work')
        setState({ kind: 'touches', touched: error.current as Touched, by: now });
      else if (error.status === 409 && isNewer(error.current)) takeNewer(error.current);
      else {
        if (base.current) keepDraft(base.current, now);
        setState({ kind: 'failed', error });
      }
    } finally {
      isBusy.current = false;
    }
  }, [projectId, takeNewer]);

  const isFailed = state.kind === 'failed';
  const isHeld = state.kind === 'touches' && state.by === document;
  useEffect(() => {
    // Until the host has chosen, or changed it further.
    if (isHeld || isAsking) return;
    const timer = setTimeout(() => void save(), isFailed ? AGAIN_MS : REST_MS);
    return () => clearTimeout(timer);
    // A save that ended while an edit was made has to be followed by another: `state` starts the wait again.
  }, [document, save, state, isFailed, isHeld, isAsking]);

  useLeaving(base, latest, save);

  useLive(projectId, ['blocks'], () => {
    const own = base.current;
    if (!own || isBusy.current) return undefined;
    return read<Newer>(`/api/projects/${projectId}/blocks/${own.id}/document`)
      .then(takeNewer)
      .catch(() => undefined);
  });

  /** The change is for all: makers whose work it touches are not asked about again. */
  const allow = () => {
    if (state.kind !== 'touches') return;
    const { makers, bags } = state.touched;
    mayTouch.current = new Set([...mayTouch.current, ...[...makers, ...bags].map(({ id }) => id)]);
    void save();
  };
  /** It becomes a version of its own; this block stays as it was saved. */
  const asVersion = async () => {
    const own = base.current;
    if (!own) return undefined;
    const made = await makeVersion(projectId, own, latest.current.document);
    // Nothing of it is to be saved here any more.
    base.current = { ...own, document: latest.current.document };
    setSaved(latest.current.document);
    return made;
  };
  return { state: shownFor(state, document, saved), saveNow: save, allow, asVersion };
}

/** An edit that waits for the hands to rest is not saved yet, and a board with a first paper is not empty. */
function shownFor(
  state: SavingState,
  document: BlockDocument,
  saved: BlockDocument | undefined,
): SavingState {
  const isWaiting = state.kind === 'saved' ? document !== saved : state.kind === 'empty' && document.patches.length > 0; // prettier-ignore
  return isWaiting ? { kind: 'saving' } : state;
}

/** Makes a version of a block on the server; the draft of it on this device is done with. */
async function makeVersion(
  projectId: string,
  { id }: SavedBlock,
  document: BlockDocument,
): Promise<NewVersion> {
  const made = await send<NewVersion>('POST', `/api/projects/${projectId}/blocks/${id}/version`, {
    document,
  });
  forgetDraft(id);
  return made;
}

/** What is not saved when the page is left is kept on this device; the browser asks first, and another page of Kevlo sends it at once. */
function useLeaving(
  base: RefObject<SavedBlock | undefined>,
  latest: RefObject<Pick<SavingOptions, 'document'>>,
  save: () => Promise<void>,
): void {
  useEffect(() => {
    const keepUnsaved = (): boolean => {
      const now = latest.current.document;
      const isUnsaved = now !== base.current?.document && now.patches.length > 0;
      if (base.current && isUnsaved) keepDraft(base.current, now);
      return isUnsaved;
    };
    const onLeave = (event: BeforeUnloadEvent) => {
      if (keepUnsaved()) event.preventDefault();
    };
    window.addEventListener('beforeunload', onLeave);
    return () => {
      window.removeEventListener('beforeunload', onLeave);
      keepUnsaved();
      void save();
    };
  }, [base, latest, save]);
}

/** Puts a block in the place of what the server has, as it was when it was last heard of; the draft on this device is done with. */
async function replace(
  projectId: string,
  was: SavedBlock,
  document: BlockDocument,
  mayTouch: ReadonlySet<string>,
): Promise<SavedBlock> {
  const { id, revision } = was;
  const saved = await send<{ revision: number }>('PUT', `/api/projects/${projectId}/blocks/${id}/document`, {
    document,
    revision,
    ...(mayTouch.size > 0 ? { mayTouch: [...mayTouch] } : {}),
  });
  forgetDraft(id);
  return { ...was, document, revision: saved.revision };
}

function isNewer(value: unknown): value is Newer {
  return typeof value === 'object' && value !== null && 'document' in value && 'revision' in value;
}

/** Makes the block on the server, under the first free name. */
async function create(projectId: string, document: BlockDocument): Promise<SavedBlock> {
  for (let number = 1; ; number++) {
    const name = number === 1 ? 'New block' : `New block ${number}`;
    try {
      const { id } = await send<{ id: string }>('POST', `/api/projects/${projectId}/blocks`, {
        name,
        document,
      });
      return { id, name, revision: 1, document };
    } catch (error) {
      if (asRefusal(error).code !== 'name-taken' || number > 50) throw error;
    }
  }
}

interface Draft {
  readonly base: BlockDocument;
  readonly document: BlockDocument;
}

const draftKey = (id: string) => `kevlo-workshop-${id}`;

/** Where the device keeps nothing, the page itself still holds the block. */
function keepDraft(base: SavedBlock, document: BlockDocument): void {
  keep(draftKey(base.id), JSON.stringify({ base: base.document, document } satisfies Draft));
}

function forgetDraft(id: string): void {
  keep(draftKey(id), undefined);
}

/** What was kept on this device because it could not be sent, merged with what the server has now. */
export function takeDraft(saved: SavedBlock): Merged | undefined {
  try {
    const text = kept(draftKey(saved.id));
    if (!text) return undefined;
    const { base, document } = JSON.parse(text) as Draft;
    forgetDraft(saved.id);
    return mergeDocuments(base, document, saved.document);
  } catch {
    return undefined;
  }
}
