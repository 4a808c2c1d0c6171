import { randomUUID } from 'node:crypto';

/** What a maker's phone sends of one step, with an id of its own, now. */
export function progressEvent(blockId: string, stepId: string, kind: 'done' | 'undone' | 'stuck' = 'done') {
  return { clientId: randomUUID(), blockId, stepId, kind, at: new Date().toISOString() };
}
