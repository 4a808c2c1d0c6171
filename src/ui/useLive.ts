'use client';
import { useEffect, useRef } from 'react';
import type { ChangeKind } from '@/server/live';

/** How long to wait after a refusal before asking again, ms. */
const REFUSED_WAIT_MS = 5000;

type Listener = (kind: ChangeKind | 'ready', makerId?: string) => void;

/** One stream per project and page, for however many parts of the page listen: a browser has few connections to give. */
const streams = new Map<string, Stream>();

class Stream {
  readonly #listeners = new Set<Listener>();
  readonly #address: string;
  #source: EventSource | undefined;
  #again: ReturnType<typeof setTimeout> | undefined;

  constructor(projectId: string) {
    this.#address = `/api/projects/${projectId}/live`;
  }

  add(listener: Listener): void {
    this.#listeners.add(listener);
    if (this.#source === undefined) this.#open();
    else if (this.#source.readyState === EventSource.OPEN) listener('ready');
  }

  /** @returns whether nobody listens any more; the stream is closed then */
  remove(listener: Listener): boolean {
    this.#listeners.delete(listener);
    if (this.#listeners.size > 0) return false;
    clearTimeout(this.#again);
    this.#source?.close();
    return true;
  }

  #open(): void {
    const source = new EventSource(this.#address);
    this.#source = source;
    const tell: Listener = (kind, makerId) => this.#listeners.forEach((listener) => listener(kind, makerId));
    source.addEventListener('change', ({ data }: MessageEvent<string>) => {
      const [kind, makerId] = data.split(' ');
      tell(kind as ChangeKind, makerId);
    });
    source.addEventListener('ready', () => tell('ready'));
    // After a lost line the browser asks again by itself; after a refusal (a server just starting) it gives up.
    source.addEventListener('error', () => {
      if (source.readyState === EventSource.CLOSED)
        this.#again = setTimeout(() => this.#open(), REFUSED_WAIT_MS);
    });
  }
}

/**
 * Calls back when something of these kinds changes in a project, on whichever server; also after a lost connection.
 * @param onChange told whose progress changed, where it is one maker’s. While a promise that it returned is open it is not called
 * again; what changed meanwhile is told once, when that is settled: a burst of changes never asks a server twice at a time. Only a
 * line that is back is told at once
 */
export function useLive(
  projectId: string,
  kinds: readonly ChangeKind[],
  onChange: (makerId?: string) => void | Promise<unknown>,
): void {
  const latest = useRef({ kinds, onChange });
  useEffect(() => {
    latest.current = { kinds, onChange };
  });
  useEffect(() => {
    let reading: Promise<unknown> | undefined;
    let isWanted = false;
    const tell = (makerId?: string) => {
      isWanted = reading !== undefined;
      if (isWanted) return;
      const own = latest.current.onChange(makerId);
      if (!own) return;
      reading = own;
      const end = () => {
        if (reading !== own) return;
        reading = undefined;
        if (isWanted) tell();
      };
      void own.then(end, end);
    };
    const listener: Listener = (kind, makerId) => {
      const isAnew = kind === 'ready' || kind === 'everything';
      // What was asked before a line was lost may never be answered.
      if (isAnew) reading = undefined;
      if (isAnew || latest.current.kinds.includes(kind)) tell(makerId);
    };
    const stream = streams.get(projectId) ?? new Stream(projectId);
    streams.set(projectId, stream);
    stream.add(listener);
    return () => {
      isWanted = false;
      if (stream.remove(listener)) streams.delete(projectId);
    };
  }, [projectId]);
}
