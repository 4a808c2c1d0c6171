import type { AssemblyPlan, SewingSettings } from '../assembly';
import type { OrderChoices, Patch } from '../block';
import { blockSheet, orderedBy, planOrder, type BlockSheet } from '../sheet';

const plans = new Map<string, AssemblyPlan>();

/** The order of a block; of the same patches, choices and figures of sewing it is planned once for all tests of a run. */
export function plannedOrder(
  patches: readonly Patch[],
  order?: OrderChoices,
  sewing?: Partial<SewingSettings>,
): AssemblyPlan {
  // A test that is tried with slips in the planner plans anew.
  if ('__slips' in globalThis) return planOrder(patches, order, sewing);
  const key = JSON.stringify([patches, orderedBy(order), sewing]);
  let plan = plans.get(key);
  if (!plan) plans.set(key, (plan = planOrder(patches, order, sewing)));
  return plan;
}

/** The sheet of a block whose order is planned once for all tests of a run. */
export function plannedSheet(...[patches, settings, onProgress, document = {}]: Parameters<typeof blockSheet>): BlockSheet {
  const plan = plannedOrder(patches, document.order, settings.sewing);
  return blockSheet(patches, settings, onProgress, document, plan);
} // prettier-ignore
