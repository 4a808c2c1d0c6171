import { itemAt } from '../lists';
import {
  conventionsFor,
  rankMethods,
  type BasteMethod,
  type FoldConvention,
  type MethodChoice,
} from '../basting';
import type { BastingChoices, ProjectBasting, SeamGraph } from '../block';
import type { Outline } from '../geometry';
import { isSamePaper, type Sorted } from '../shapes';

/** How every patch is folded and held, the host's choices applied. */
export interface ChosenBasting {
  readonly conventionOf: readonly FoldConvention[];
  /** By kind: the method that the host chose, if any. */
  readonly methodOf: readonly (BasteMethod | undefined)[];
  /** By kind: whether the host chose for this block, for the project, or not at all. */
  readonly saidBy: readonly Said[];
  readonly pale: ReadonlySet<string>;
}

/** Where a choice comes from. */
export type Said = 'block' | 'project' | 'nobody';

/** How one paper kind is to be basted, with what else could be chosen. */
export interface KindBasting {
  readonly convention: FoldConvention;
  readonly conventions: readonly FoldConvention[];
  /** All methods, the proposed one first, each with its reason. */
  readonly methods: readonly MethodChoice[];
  readonly chosenMethod?: BasteMethod;
  /** The method in force: the chosen one, else the proposed one. */
  readonly method: BasteMethod;
  /** Patches of the kind that are folded otherwise, by number. */
  readonly exceptions: readonly number[];
  readonly saidBy: Said;
}

/** Applies the host's choices: a patch's own, its kind's in the block, its kind's in the project; else all fold clockwise. */
export function bastingChoices(
  graph: SeamGraph,
  sorted: Sorted,
  choices: BastingChoices = {},
  { kinds: ofProject = [], pale = [] }: ProjectBasting = {},
): ChosenBasting {
  const { kinds = [], patches = {} } = choices;
  const find = (list: NonNullable<BastingChoices['kinds']>, outline: Outline) =>
    list.find((one) => isSamePaper(one.outline, outline));
  const own = sorted.kinds.map(({ outline }) => find(kinds, outline));
  const common = sorted.kinds.map(({ outline }) => find(ofProject, outline));
  const byKind = own.map((one, kind) => ({ ...common[kind], ...one }));
  return {
    // The file was read against the lists of conventions and methods.
    conventionOf: graph.patches.map(({ id }, patch) => {
      const own = Object.hasOwn(patches, id) ? patches[id] : undefined;
      const said = own ?? byKind[itemAt(sorted.kindOf, patch)]?.convention ?? 'clockwise';
      return said as FoldConvention;
    }),
    methodOf: byKind.map(({ method }) => method as BasteMethod | undefined),
    saidBy: own.map((one, kind) => (one ? 'block' : common[kind] ? 'project' : 'nobody')),
    pale: new Set(pale),
  };
}

/** What is proposed and chosen for one kind. */
export function kindBasting(
  graph: SeamGraph,
  sorted: Sorted,
  outline: SeamGraph['patches'][number]['outline'],
  kind: number,
  { conventionOf, methodOf, saidBy, pale }: ChosenBasting,
): KindBasting {
  const own = graph.patches.flatMap((_, patch) => (sorted.kindOf[patch] === kind ? [patch] : []));
  const base = Math.min(...graph.patches.map(({ layer }) => layer));
  const convention = mostUsed(own.map((patch) => itemAt(conventionOf, patch)));
  const chosenMethod = methodOf[kind];
  const methods = rankMethods({
    outline,
    count: own.length,
    isApplique: own.some((patch) => (graph.patches[patch]?.layer ?? base) > base),
    isPale: own.some((patch) => pale.has(graph.patches[patch]?.fabric ?? '')),
  });
  return {
    convention,
    conventions: conventionsFor(outline),
    methods,
    ...(chosenMethod ? { chosenMethod } : {}),
    method: chosenMethod ?? itemAt(methods, 0).method,
    saidBy: saidBy[kind] ?? 'nobody',
    exceptions: own.filter((patch) => conventionOf[patch] !== convention).map((patch) => patch + 1),
  };
}

function mostUsed(list: readonly FoldConvention[]): FoldConvention {
  const counts = new Map<FoldConvention, number>();
  for (const one of list) counts.set(one, (counts.get(one) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? 'clockwise';
}
