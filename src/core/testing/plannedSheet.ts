import type { AssemblyPlan } from '../assembly';
import { blockSheet, orderedBy, planOrder, type BlockSheet } from '../sheet';

const plans = new Map<string, AssemblyPlan>();

/** The sheet of a block; of the same patches, choices and figures of sewing the order is planned once for all tests of a run. */
export function plannedSheet(...[patches, settings, onProgress, document = {}]: Parameters<typeof blockSheet>): BlockSheet {
  const key = JSON.stringify([patches, orderedBy(document.order), settings.sewing]);
  let plan = plans.get(key);
  if (!plan) plans.set(key, (plan = planOrder(patches, document.order, settings.sewing)));
  return blockSheet(patches, settings, onProgress, document, plan);
} // prettier-ignore
