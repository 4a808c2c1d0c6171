import { keep, kept } from '@/ui/device';

/** A timer on a step: it runs on while the phone is locked, because only its beginning is kept. */
export interface Timer {
  readonly stepId: string;
  /** When it was started, ms; nothing while it stands. */
  readonly since?: number;
  /** What it ran before, ms. */
  readonly before: number;
}

/** Longer than this nobody sews one step: the timer was forgotten, and says nothing. */
const MOST_MS = 12 * 3_600_000;

export const timerKey = (makerId: string) => `kevlo-timer-${makerId}`;

/** Reads the timer that a text holds; of another step than the one that is asked for it stands at nothing. */
export function timerFor(stepId: string, text: string | undefined): Timer {
  try {
    const found = JSON.parse(text ?? '{}') as Partial<Timer>;
    if (found.stepId === stepId && Number.isFinite(found.before)) return found as Timer;
  } catch {
    // What cannot be read is no timer.
  }
  return { stepId, before: 0 };
}

/** How long it ran, ms. */
export const ranMs = ({ since, before }: Timer, now: number) =>
  before + (since === undefined ? 0 : Math.max(0, now - since));

/** Starts a timer that stands, stops one that runs. */
export function turned(timer: Timer, now = Date.now()): Timer {
  const { stepId, since } = timer;
  return since === undefined
    ? { stepId, since: now, before: timer.before }
    : { stepId, before: ranMs(timer, now) };
}

/** Ends the timer of a step that is done. @returns its minutes; nothing where it never ran, or was forgotten */
export function takeMinutes(makerId: string, stepId: string, now = Date.now()): number | undefined {
  const key = timerKey(makerId);
  const ran = ranMs(timerFor(stepId, kept(key)), now);
  if (ran === 0) return undefined;
  keep(key, undefined);
  return ran > MOST_MS ? undefined : Math.round(ran / 6000) / 10;
}
