import {
  DEFAULT_SEWING,
  planAssembly,
  type AssemblyPlan,
  type ReportProgress,
  type School,
} from '../assembly';
import type { BagSettings } from '../bags';
import { fewestRefolds, planBasting, type BastingPlan, type Refolds } from '../basting';
import { analyseBlock, sideTreatments, type BlockAnalysis, type BlockDocument, type Patch } from '../block';
import type { BastePolicy } from '../papers';
import { groupKinds, nameKinds, type Sorted } from '../shapes';
import { bastingChoices, kindBasting, type ChosenBasting, type KindBasting } from './bastingChoices';
import { wishesOf } from './orderWishes';
import { sayHand, type Hand } from './sayHand';
import { stepsOf, type Step } from './steps';

/** Everything that is computed about the work on one block, in the coordinates of its drawing. */
export interface PlannedBlock extends BlockAnalysis {
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

/**
 * Plans all work on a block: its seams, the order of sewing that the host chose or the best, how patches are folded and
 * held, and the steps. Cost: that of the order, about n log n.
 */
export function planBlock(
  patches: readonly Patch[],
  settings: Pick<BagSettings, 'allowanceMm' | 'system' | 'marks' | 'basting'>,
  onProgress: ReportProgress | undefined,
  { order, basting: choices }: Pick<BlockDocument, 'order' | 'basting'> = {},
): PlannedBlock {
  const { graph, problems } = analyseBlock(patches);
  const sorted = groupKinds(graph.patches.map(({ outline }) => outline));
  const read = wishesOf(graph.patches, order);
  // Files are read against the lists of schools and policies.
  const school = (order?.school ?? 'best') as School;
  const policy = (order?.policy ?? 'all-first') as BastePolicy;
  const plan = planAssembly(graph, DEFAULT_SEWING, onProgress, school, read.wishes);
  const chosen = bastingChoices(graph, sorted, choices, settings.basting);
  const basting = planBasting(
    graph,
    settings.allowanceMm,
    (patch) => chosen.conventionOf[patch] ?? 'clockwise',
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
    pins: read.wishes.pins,
    applique: order?.applique,
  });
  return {
    graph,
    problems,
    sorted,
    plan,
    hand: sayHand(graph, plan, read, order),
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
