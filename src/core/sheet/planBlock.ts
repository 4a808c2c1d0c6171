import {
  planAssembly,
  sewingOf,
  type AssemblyPlan,
  type ReportProgress,
  type School,
  type SewingSettings,
} from '../assembly';
import type { BagSettings } from '../bags';
import { fewestRefolds, planBasting, type BastingPlan, type Refolds } from '../basting';
import {
  sideTreatments,
  type BlockAnalysis,
  type BlockDocument,
  type OrderChoices,
  type Patch,
} from '../block';
import type { BastePolicy } from '../papers';
import { backgroundOf, groupPapers, nameKinds, type Sorted } from '../shapes';
import { bastingChoices, kindBasting, type ChosenBasting, type KindBasting } from './bastingChoices';
import { analysisOf } from './knownAnalyses';
import { wishesOf } from './orderWishes';
import { sayHand, type Hand } from './sayHand';
import type { Step } from './step';
import { stepsOf } from './steps';

/** Everything that is computed about the work on one block, in the coordinates of its drawing. */
export interface PlannedBlock extends BlockAnalysis {
  readonly sewing: SewingSettings;
  readonly sorted: Sorted;
  readonly plan: AssemblyPlan;
  /** What the host changed in the order, and what that costs. */
  readonly hand: Hand | undefined;
  readonly chosen: ChosenBasting;
  /** By kind: how it is folded and held, and what else could be. */
  readonly kindBastings: readonly KindBasting[];
  readonly basting: BastingPlan;
  readonly refolds: Refolds;
  /** By kind, with marks. */
  readonly kindNames: readonly string[];
  /** For each patch the sides that stay raw. */
  readonly rawSides: readonly (readonly number[])[];
  readonly policy: BastePolicy;
  readonly steps: readonly Step[];
}

/** Orders the sewing of a block as its host chose or as is best: all that this depends on are its patches, those choices and the figures of sewing. */
export function planOrder(
  patches: readonly Patch[],
  order: OrderChoices | undefined,
  sewing: Partial<SewingSettings> = {},
  onProgress?: ReportProgress,
): AssemblyPlan {
  return orderOf(analysisOf(patches), order, sewingOf({ ...sewing, ...order?.sewing }), onProgress);
}

/**
 * What of a host's choices the order of sewing depends on: the school, wishes and figures of the needle, not when patches are
 * basted nor how layers are sewn on.
 * @returns undefined where that is what is proposed anyway
 */
export function orderedBy(order: OrderChoices | undefined): OrderChoices | undefined {
  if (!order) return undefined;
  const { policy: _policy, applique: _applique, ...rest } = order;
  return rest.school === 'best' && Object.keys(rest).length === 1 ? undefined : rest;
}

function orderOf(
  { graph }: BlockAnalysis,
  order: OrderChoices | undefined,
  sewing: SewingSettings,
  onProgress: ReportProgress | undefined,
): AssemblyPlan {
  // Files are read against the list of schools.
  const school = (order?.school ?? 'best') as School;
  return planAssembly(graph, sewing, onProgress, school, wishesOf(graph.patches, order).wishes);
}

/**
 * Plans all work on a block: its seams, the order of sewing that the host chose or the best, how patches are folded and
 * held, and the steps. Cost: that of the order, about n log n; little where the order is known.
 * @param known the order as {@link planOrder} gives it for these patches and choices
 */
export function planBlock(
  patches: readonly Patch[],
  settings: Pick<BagSettings, 'allowanceMm' | 'system' | 'marks' | 'basting' | 'sewing' | 'ending'>,
  onProgress: ReportProgress | undefined,
  { order, basting: choices }: Pick<BlockDocument, 'order' | 'basting'> = {},
  known?: AssemblyPlan,
): PlannedBlock {
  const analysis = analysisOf(patches);
  const { graph, problems } = analysis;
  // What lies in the needle may be this block's own.
  const sewing = sewingOf({ ...settings.sewing, ...order?.sewing });
  const sorted = groupPapers(graph.patches);
  const read = wishesOf(graph.patches, order);
  // Files are read against the list of policies.
  const policy = (order?.policy ?? 'all-first') as BastePolicy;
  const plan = known ?? orderOf(analysis, order, sewing, onProgress);
  const chosen = bastingChoices(graph, sorted, choices, settings.basting);
  const background = backgroundOf(graph.patches);
  const basting = planBasting(
    graph,
    settings.allowanceMm,
    (patch) => chosen.conventionOf[patch] ?? 'clockwise',
    background,
  );
  const kindBastings = sorted.kinds.map((kind, index) =>
    kindBasting(graph, sorted, kind.outline, index, chosen),
  );
  const kindNames = nameKinds(sorted.kinds, settings.system, settings.marks);
  const rawSides = sideTreatments(graph).map((sides) =>
    sides.flatMap(({ side, is }) => (is === 'raw' ? [side] : [])),
  );
  const steps = stepsOf({
    graph,
    plan,
    sorted,
    kindNames,
    rawSides,
    chosen,
    methods: kindBastings.map(({ method }) => method),
    policy,
    system: settings.system,
    sewing,
    background,
    allowanceMm: settings.allowanceMm,
    ending: settings.ending,
    pins: read.wishes.pins,
    applique: order?.applique,
  });
  return {
    graph,
    problems,
    sewing,
    sorted,
    plan,
    hand: sayHand(graph, plan, read, order, sewing),
    chosen,
    kindBastings,
    basting,
    refolds: fewestRefolds(graph, basting.patches, settings.allowanceMm),
    kindNames,
    rawSides,
    policy,
    steps,
  };
}
