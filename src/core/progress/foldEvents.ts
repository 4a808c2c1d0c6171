import type { StepUnits } from './standing';

/** One thing a maker recorded. Never changed: a mistake is corrected by a later event. */
export interface ProgressEvent {
  /** Made by the device, unique: the same event sent twice counts once. */
  readonly clientId: string;
  readonly stepId: string;
  readonly kind: 'done' | 'undone' | 'stuck';
  /** When it happened by the device's clock, ISO 8601. */
  readonly at: string;
  /** The patches of the step, so that it can be understood when the plan no longer has it. */
  readonly units?: StepUnits;
  /** What the step was done with; nothing in entries of older pages, which count whatever has become of the block. */
  readonly made?: string;
}

export interface Progress {
  readonly done: ReadonlySet<string>;
  /** Steps on which the maker asked for help and that are not done. */
  readonly stuck: ReadonlySet<string>;
  /** Steps recorded as done that the present plan does not have. */
  readonly orphaned: readonly string[];
  /** Steps of the present plan that were done with other papers or cloth than they take now: they are not done. */
  readonly changed: ReadonlySet<string>;
}

/**
 * Folds events into the state of one maker's block.
 * Events count in the order of their own time; at the same time in the order in which they came.
 * @param stepIds the steps of the present plan
 * @param madeOf what a step is done with now; an entry that was made with something else does not count
 */
export function foldEvents(
  events: readonly ProgressEvent[],
  stepIds: Iterable<string>,
  madeOf: (stepId: string) => string | undefined = () => undefined,
): Progress {
  const seen = new Set<string>();
  const once = events.filter(({ clientId }) => !seen.has(clientId) && seen.add(clientId));
  // Sorting leaves those of the same time as they came.
  const ordered = once.map((event) => ({ event, at: Date.parse(event.at) }));
  ordered.sort((a, b) => a.at - b.at);
  const [done, stuck, changed] = [new Set<string>(), new Set<string>(), new Set<string>()];
  const isOther = ({ stepId, made }: ProgressEvent) => made !== undefined && madeOf(stepId) !== undefined && made !== madeOf(stepId); // prettier-ignore
  for (const { event } of ordered) {
    if (event.kind === 'done' && isOther(event)) {
      if (!done.has(event.stepId)) changed.add(event.stepId);
    } else if (event.kind === 'done') {
      done.add(event.stepId);
      stuck.delete(event.stepId);
      changed.delete(event.stepId);
    } else if (event.kind === 'undone') {
      // Of a step that was not done it is the call for help that is taken back.
      if (!done.delete(event.stepId)) stuck.delete(event.stepId);
      changed.delete(event.stepId);
    } else stuck.add(event.stepId);
  }
  const known = stepIds instanceof Set ? (stepIds as ReadonlySet<string>) : new Set(stepIds);
  return {
    done: new Set([...done].filter((step) => known.has(step))),
    stuck: new Set([...stuck].filter((step) => known.has(step) && !done.has(step))),
    orphaned: [...done].filter((step) => !known.has(step)),
    changed: new Set([...changed].filter((step) => known.has(step))),
  };
}
