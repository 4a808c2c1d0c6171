import { itemAt, knownOf } from '../lists';
import { buildSeamGraph, type Patch } from '../block';
import type { Outline } from '../geometry';
import type { Setting } from '../setting';
import { NO_PAPER, backgroundOf, groupKinds, type PaperKind } from '../shapes';
import { outerPapers } from './outerPapers';
import { BASTE_POLICIES, papersInPlay, withSpares, type BastePolicy, type SpareRule } from './papersInPlay';

/** One block with the order in which it is sewn. */
export interface SewnBlock {
  readonly id: string;
  readonly name: string;
  readonly patches: readonly Patch[];
  readonly joins: readonly {
    readonly left: readonly number[];
    readonly right: readonly number[];
    readonly releases: readonly number[];
  }[];
  /** For each patch how often its paper can be used, by the way it is basted. */
  readonly usesPerPaper: readonly number[];
}

/** Papers of one kind for the whole project, for one maker. */
export interface ProjectKind {
  readonly outline: Outline;
  readonly uses: number;
  /** The fewest that any way of basting it allows. */
  readonly usesPerPaper: number;
  /** Papers that one maker needs when every bag brings its own, spares of each bag included. */
  readonly inBags: number;
  /** Most in use at one time, and papers that one maker needs when those that come back are used again. */
  readonly policies: Readonly<Record<BastePolicy, { readonly peak: number; readonly needed: number }>>;
}

/** Papers of one kind, by its number in the list of kinds. */
export interface KindCount {
  readonly kind: number;
  readonly count: number;
}

/** What happens to papers when one block is done. */
export interface BlockPapers {
  readonly id: string;
  readonly block: string;
  readonly isAppliqued: boolean;
  /** Papers that stay in its rim, by kind and by the block whose making lets them go; null: the finished top. */
  readonly held: readonly (KindCount & { readonly until: string | null })[];
  /** Papers free at the end of this block, its own and earlier ones, that later blocks want: save them. */
  readonly keep: readonly KindCount[];
}

export interface ProjectPapers {
  readonly kinds: readonly ProjectKind[];
  /** In the order of making. */
  readonly blocks: readonly BlockPapers[];
}

interface Turn {
  readonly block: SewnBlock;
  /** For each patch at the rim the turn after which its paper comes out. */
  readonly outAfter: ReadonlyMap<number, number>;
  readonly isAppliqued: boolean;
}

/** A turn with the kind of each of its patches. */
interface KindTurn extends Turn {
  readonly kindOf: readonly number[];
}

/**
 * Counts one maker's papers for a whole project as its blocks are made one after another: a paper is free again when its
 * patch is surrounded, those at a block's rim only when the block is joined there. Without a setting rims are kept to
 * the end. Needed = max(most in use at once, uses ÷ uses per paper), and spares.
 * @param ruleOf spares of a kind where it has its own; so many in a bag count once where papers go from bag to bag
 * @param setting order of making and how blocks are joined; null where there is none yet
 * Cost: that of a seam graph for each block, and blocks squared in counting.
 */
export function projectPapers(
  blocks: readonly SewnBlock[],
  setting: Setting | null,
  sparesPercent: number,
  ruleOf: (kind: PaperKind) => SpareRule | undefined = () => undefined,
): ProjectPapers {
  const order = inOrder(blocks, setting);
  // Backgrounds are cloth: each block's own is left out.
  const without = order.map(({ block }) => backgroundOf(block.patches));
  const { kinds, kindOf: kindOfPaper } = groupKinds(
    order.flatMap(({ block }, turn) =>
      block.patches.filter((_, patch) => patch !== without[turn]).map((one) => one.outline),
    ),
  );
  let taken = 0;
  const kindOf = order.flatMap(({ block }, turn) =>
    block.patches.map((_, patch) => (patch === without[turn] ? NO_PAPER : itemAt(kindOfPaper, taken++))),
  );
  let first = 0;
  const turns = order.map((turn): KindTurn => {
    const own = [...kindOf.slice(first, first + turn.block.patches.length)];
    first += own.length;
    return { ...turn, kindOf: own };
  });
  const peaks = Object.fromEntries(
    BASTE_POLICIES.map((policy) => [policy, peaksOf(turns, kinds.length, policy)]),
  ) as Record<BastePolicy, number[]>;
  return {
    kinds: kinds.map((own, kind) => {
      const { outline } = own;
      const rule = ruleOf(own);
      const uses = turns.reduce((sum, turn) => sum + countOf(turn, kind), 0);
      const usesPerPaper = leastUses(turns, kind);
      const policies = Object.fromEntries(
        BASTE_POLICIES.map((policy) => {
          const peak = itemAt(peaks[policy], kind);
          return [policy, { peak, needed: withSpares(Math.max(peak, Math.ceil(uses / usesPerPaper)), sparesPercent, rule) }]; // prettier-ignore
        }),
      ) as ProjectKind['policies'];
      const inBags = turns.reduce(
        (sum, turn) => sum + withSpares(countOf(turn, kind), sparesPercent, rule),
        0,
      );
      return { outline, uses, usesPerPaper, inBags, policies };
    }),
    blocks: turns.map((_, turn) => afterTurn(turns, turn, kinds.length)),
  };
}

/** Blocks in the order of making; those that the setting does not place come last and keep their rims. */
function inOrder(blocks: readonly SewnBlock[], setting: Setting | null): Turn[] {
  const byId = new Map(blocks.map((block) => [block.id, block]));
  const placed = setting ? outerPapers(setting, blocks) : [];
  const isPlaced = new Set(placed.map(({ block }) => block));
  return [
    ...placed.map(({ block, ...rest }) => ({ ...rest, block: knownOf(byId, block) })),
    ...blocks
      .filter(({ id }) => !isPlaced.has(id))
      .map((block) => {
        const rim = buildSeamGraph(block.patches).openEdges.map(({ patch }) => [patch, Infinity] as const);
        return { block, outAfter: new Map(rim), isAppliqued: false };
      }),
  ];
}

function countOf({ kindOf }: KindTurn, kind: number): number {
  return kindOf.reduce((count, own) => count + (own === kind ? 1 : 0), 0);
}

function leastUses(turns: readonly KindTurn[], kind: number): number {
  const all = turns.flatMap(({ block, kindOf }) =>
    block.usesPerPaper.filter((_, patch) => kindOf[patch] === kind),
  );
  return Math.max(1, Math.min(...all));
}

/** Papers of a kind in the rims of earlier blocks while a turn is sewn. */
function heldAt(turns: readonly KindTurn[], turn: number, kind: number): number {
  return turns
    .slice(0, turn)
    .reduce(
      (sum, { outAfter, kindOf }) =>
        sum + [...outAfter].filter(([patch, after]) => kindOf[patch] === kind && after >= turn).length,
      0,
    );
}

/** For each kind the most papers in use at one time over the whole project. */
function peaksOf(turns: readonly KindTurn[], kindCount: number, policy: BastePolicy): number[] {
  const most = new Array<number>(kindCount).fill(0);
  turns.forEach(({ block, kindOf }, turn) => {
    const needs = papersInPlay(block.joins, kindOf, kindCount, policy);
    needs.forEach(({ uses, peakInUse }, kind) => {
      const now = heldAt(turns, turn, kind) + (uses > 0 ? peakInUse : 0);
      most[kind] = Math.max(itemAt(most, kind), now);
    });
  });
  return most;
}

function afterTurn(turns: readonly KindTurn[], turn: number, kindCount: number): BlockPapers {
  const { block, isAppliqued, outAfter, kindOf } = itemAt(turns, turn);
  const held = new Map<string, { kind: number; count: number; until: string | null }>();
  for (const [patch, after] of outAfter) {
    if (after <= turn) continue;
    const kind = itemAt(kindOf, patch);
    if (kind === NO_PAPER) continue;
    const until = turns[after]?.block.name ?? null;
    const before = held.get(`${kind}/${until}`)?.count ?? 0;
    held.set(`${kind}/${until}`, { kind, count: before + 1, until });
  }
  const keep = Array.from({ length: kindCount }, (_, kind): KindCount => {
    const held = heldAt(turns, turn + 1, kind);
    const most = (list: readonly KindTurn[], from: number) =>
      Math.max(0, ...list.map((one, i) => heldAt(turns, from + i, kind) + countOf(one, kind)));
    const free = most(turns.slice(0, turn + 1), 0) - held;
    const wanted = most(turns.slice(turn + 1), turn + 1) - held;
    return { kind, count: Math.max(0, Math.min(free, wanted)) };
  });
  return {
    id: block.id,
    block: block.name,
    isAppliqued,
    held: [...held.values()],
    keep: keep.filter(({ count }) => count > 0),
  };
}
