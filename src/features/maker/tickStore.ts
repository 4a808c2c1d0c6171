import type { ProgressEvent } from '@/core/progress';

/** Something that a maker recorded on this device and that the server is to hear of. */
export interface Tick extends ProgressEvent {
  readonly blockId: string;
  /** What it took by the maker’s own timer. */
  readonly minutes?: number;
}

/** Ticks sent at once; the server takes no more. */
export const MOST_AT_ONCE = 200;

/** A tick that the server has, with the number of the maker's entries up to which it is. */
export interface SentTick extends Tick {
  readonly upTo: number;
}

/**
 * What is on this device: ticks that are to be sent, those that the server cannot take, and those that were sent since the page
 * was read: without a connection the page is opened as it was read, and they are not in it.
 */
export interface Waiting {
  readonly ticks: readonly Tick[];
  readonly setAside: readonly Tick[];
  readonly sent: readonly SentTick[];
}

export const NOTHING: Waiting = { ticks: [], setAside: [], sent: [] };

/** The device's store belongs to the maker: a renewed link finds what waits, and all tabs share it. */
export function storeKey(makerId: string): string {
  return `kevlo-waiting-${makerId}`;
}

/** Reads what waits; what cannot be read is nothing. */
export function readWaiting(text: string | undefined): Waiting {
  try {
    const { ticks, setAside, sent } = JSON.parse(text ?? '{}') as Partial<Waiting>;
    const sound = (list: unknown) => (Array.isArray(list) ? list.filter(isTick) : []);
    const isCounted = (one: Tick): one is SentTick => Number.isFinite((one as Partial<SentTick>).upTo);
    return { ticks: sound(ticks), setAside: sound(setAside), sent: sound(sent).filter(isCounted) };
  } catch {
    return NOTHING;
  }
}

function isTick(one: unknown): one is Tick {
  const { clientId, blockId, stepId } = (one ?? {}) as Partial<Tick>;
  return [clientId, blockId, stepId].every((value) => typeof value === 'string');
}

/** Adds a tick to what waits; one that is there already is not added again. */
export function withTick(waiting: Waiting, tick: Tick): Waiting {
  if (waiting.ticks.some(({ clientId }) => clientId === tick.clientId)) return waiting;
  return { ...waiting, ticks: [...waiting.ticks, tick] };
}

/** The server has these ticks now. @param upTo the number that it gave them */
export function taken(waiting: Waiting, ids: ReadonlySet<string>, upTo: number): Waiting {
  const sent = waiting.ticks.filter(({ clientId }) => ids.has(clientId)).map((tick) => ({ ...tick, upTo }));
  return {
    ...waiting,
    ticks: waiting.ticks.filter(({ clientId }) => !ids.has(clientId)),
    sent: [...waiting.sent, ...sent],
  };
}

/** The page was read anew: what was sent up to then is in it. */
export function readUpTo(waiting: Waiting, upTo: number): Waiting {
  const later = waiting.sent.filter((tick) => tick.upTo > upTo);
  return later.length === waiting.sent.length ? waiting : { ...waiting, sent: later };
}

/** Sets a tick aside that the server cannot take, so that it holds up no other. */
export function aside(waiting: Waiting, id: string): Waiting {
  const bad = waiting.ticks.filter(({ clientId }) => clientId === id);
  return {
    ...waiting,
    ticks: waiting.ticks.filter(({ clientId }) => clientId !== id),
    setAside: [...waiting.setAside, ...bad],
  };
}

/** How an attempt to send ended. */
export type Sending =
  | { readonly kind: 'taken'; readonly upTo: number }
  /** The server looked at it and cannot take it, now or ever. */
  | { readonly kind: 'refused' }
  /** Nobody answered, or not now. */
  | { readonly kind: 'later' };

/**
 * Sends what waits in parts. A part that is refused is sent tick by tick, and what is refused alone is set aside.
 * @param send sends some ticks and says how that ended
 * @param settle called after each step with what became of ticks
 * @returns whether all was sent or set aside
 */
export async function sendAll(
  ticks: readonly Tick[],
  send: (ticks: readonly Tick[]) => Promise<Sending>,
  settle: (change: (waiting: Waiting) => Waiting) => void,
): Promise<boolean> {
  for (let from = 0; from < ticks.length; from += MOST_AT_ONCE) {
    const part = ticks.slice(from, from + MOST_AT_ONCE);
    const sending = await send(part);
    if (sending.kind === 'later') return false;
    if (sending.kind === 'taken')
      settle((now) => taken(now, new Set(part.map(({ clientId }) => clientId)), sending.upTo));
    else if (part.length === 1) settle((now) => aside(now, part[0]?.clientId as string));
    else for (const one of part) if (!(await sendAll([one], send, settle))) return false;
  }
  return true;
}
