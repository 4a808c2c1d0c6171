import type { Step } from './step';

/** What comes next in a block, as far as it fits into some time. */
export interface Ahead {
  readonly steps: readonly Step[];
  /** Standard minutes of these steps. */
  readonly minutes: number;
  /** Papers to wrap, and seam to sew, mm. */
  readonly papers: number;
  readonly seamMm: number;
  /** Minutes of it that can be done anywhere: wrapping and joining. The rest wants a table and an iron. */
  readonly portableMinutes: number;
}

/** The open steps in their order that fit into a time; always one, however long. @param most minutes */
export function aheadOf(steps: readonly Step[], isDone: (id: string) => boolean, most: number): Ahead {
  const own: Step[] = [];
  let minutes = 0;
  for (const step of steps) {
    if (isDone(step.id)) continue;
    if (own.length > 0 && minutes + step.minutes > most) break;
    own.push(step);
    minutes += step.minutes;
  }
  const sum = (of: (step: Step) => number) => own.reduce((total, step) => total + of(step), 0);
  return {
    steps: own,
    minutes,
    papers: sum((step) => (step.kind === 'baste' ? step.patches.length : 0)),
    seamMm: sum((step) => (step.kind === 'join' ? step.lengthMm : 0)),
    portableMinutes: sum((step) => (isPortable(step) ? step.minutes : 0)),
  };
}

/** Whether a step needs neither a table nor an iron. */
export const isPortable = ({ kind }: Pick<Step, 'kind'>): boolean => kind === 'baste' || kind === 'join';
