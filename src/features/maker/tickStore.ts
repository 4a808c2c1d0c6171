import type { ProgressEvent } from '@/core/progress';

/** Something that a maker recorded on this device and that the server is to hear of. */
export interface Tick extends ProgressEvent {
  readonly blockId: string;
}

/** Ticks sent at once; the server takes no more. */
export const MOST_AT_ONCE = 200;

/** What waits on this device: ticks that are to be sent, and those that the server cannot take. */
export interface Waiting {
  readonly ticks: readonly Tick[];
  readonly setAside: readonly Tick[];
}

export const NOTHING: Waiting = { ticks: [], setAside: [] };

/** The device's store belongs to the maker: a renewed link finds what waits, and all tabs share it. */
export function storeKey(makerId: string): string {
  return `kevlo-waiting-${makerId}`;
}

/** Reads what waits; what cannot be read is nothing. */
export function readWaiting(text: string | null): Waiting {
  try {
    const { ticks, setAside } = JSON.parse(text ?? '{}') as Partial<Waiting>;
    const sound = (list: unknown) => (Array.isArray(list) ? list.filter(isTick) : []);
    return { ticks: sound(ticks), setAside: sound(setAside) };
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

/** Takes out ticks that the server has. */
export function without(waiting: Waiting, ids: ReadonlySet<string>): Waiting {
  return { ...waiting, ticks: waiting.ticks.filter(({ clientId }) => !ids.has(clientId)) };
}

/** Sets a tick aside that the server cannot take, so that it holds up no other. */
export function aside(waiting: Waiting, id: string): Waiting {
  const bad = waiting.ticks.filter(({ clientId }) => clientId === id);
  return {
    ticks: waiting.ticks.filter(({ clientId }) => clientId !== id),
    setAside: [...waiting.setAside, ...bad],
  };
}

/** How an attempt to send ended. */
export type Sending =
  | { readonly kind: 'taken' }
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
    const { kind } = await send(part);
    if (kind === 'later') return false;
    if (kind === 'taken') settle((now) => without(now, new Set(part.map(({ clientId }) => clientId))));
    else if (part.length === 1) settle((now) => aside(now, part[0]?.clientId as string));
    else for (const one of part) if (!(await sendAll([one], send, settle))) return false;
  }
  return true;
}
