import { itemAt } from '../lists';
import type { ClothRule, Patch, Seam, SeamGraph } from '../block';
import { assertNever } from '../errors';
import { middleOfCorners, type Point } from '../geometry';
import { neighboursOf, twoTurns } from './order';

/** A place where the cloth is not as the host said it should be. */
export interface ClothViolation {
  /** Id of the rule. */
  readonly rule: string;
  readonly message: string;
  readonly at: Point;
  /** Ids of the patches to look at. */
  readonly patches: readonly string[];
}

/** Checks a colour plan against its rules. Cost: linear in patches and seams for each rule. */
export function findViolations(graph: SeamGraph, rules: readonly ClothRule[]): ClothViolation[] {
  const { patches } = graph;
  const byId = new Map(patches.map(({ id }, index) => [id, index]));
  const indices = (ids: readonly string[]) => ids.flatMap((id) => byId.get(id) ?? []);
  return rules.flatMap((rule): ClothViolation[] => {
    switch (rule.kind) {
      case 'same':
        return unlike(patches, rule.id, indices(rule.patches));
      case 'differ': {
        const among = rule.patches ? new Set(indices(rule.patches)) : undefined;
        return facing(graph, rule.id, (a, b) => (among ? among.has(a) && among.has(b) : true));
      }
      case 'not-facing':
        return facing(graph, rule.id, (a) => patches[a]?.fabric === rule.fabric);
      case 'alternate':
        return outOfTurn(graph, rule.id, indices(rule.patches));
      default:
        return assertNever(rule);
    }
  });
}

/** What a rule says, in a sentence. */
export function sayRule(rule: ClothRule): string {
  switch (rule.kind) {
    case 'same':
      return `These ${rule.patches.length} patches share one cloth.`;
    case 'differ':
      return rule.patches
        ? `No two neighbours among these ${rule.patches.length} share a cloth.`
        : 'No two neighbours share a cloth.';
    case 'alternate':
      return `Two cloths alternate round these ${rule.patches.length} patches.`;
    case 'not-facing':
      return `${rule.fabric} never faces itself.`;
    default:
      return assertNever(rule);
  }
}

function mostUsed(fabrics: readonly string[]): string {
  const counts = new Map<string, number>();
  for (const fabric of fabrics) counts.set(fabric, (counts.get(fabric) ?? 0) + 1);
  return [...counts].reduce((most, one) => (one[1] > most[1] ? one : most), ['', 0])[0];
}

function unlike(patches: readonly Patch[], rule: string, own: readonly number[]): ClothViolation[] {
  const wanted = mostUsed(own.map((index) => patches[index]?.fabric as string));
  return own.flatMap((index) => {
    const { id, fabric, outline } = itemAt(patches, index);
    if (fabric === wanted) return [];
    const message = `${id} is in ${fabric}; the others that should share its cloth are in ${wanted}.`;
    return [{ rule, message, at: middleOfCorners(outline), patches: [id] }];
  });
}

function facing(
  { patches, seams }: SeamGraph,
  rule: string,
  applies: (a: number, b: number) => boolean,
): ClothViolation[] {
  return seams.flatMap(({ patches: [a, b], path }: Seam) => {
    const [first, second] = [itemAt(patches, a), itemAt(patches, b)];
    if (first.fabric !== second.fabric || !applies(a, b)) return [];
    const at = itemAt(path, Math.floor(path.length / 2));
    const middle =
      path.length === 2 ? { x: (itemAt(path, 0).x + at.x) / 2, y: (itemAt(path, 0).y + at.y) / 2 } : at;
    const message = `${first.id} and ${second.id} lie side by side, both in ${first.fabric}.`;
    return [{ rule, message, at: middle, patches: [first.id, second.id] }];
  });
}

function outOfTurn(graph: SeamGraph, rule: string, own: readonly number[]): ClothViolation[] {
  const { patches } = graph;
  // A file may hold a rule about no patch.
  const [at] = own;
  if (at === undefined) return [];
  const first = itemAt(patches, at);
  const turns = twoTurns(neighboursOf(graph), own);
  if (!turns) {
    const message = `Two cloths cannot alternate here: an odd number of these ${own.length} patches lies in a ring.`;
    return [
      {
        rule,
        message,
        at: middleOfCorners(first.outline),
        patches: own.map((index) => patches[index]?.id as string),
      },
    ];
  }
  const fabricsOf = (turn: 0 | 1) =>
    own.filter((_, i) => turns[i] === turn).map((index) => patches[index]?.fabric as string);
  const even = mostUsed(fabricsOf(0));
  const others = fabricsOf(1).filter((fabric) => fabric !== even);
  const odd = mostUsed(others.length > 0 ? others : fabricsOf(1));
  return own.flatMap((index, i) => {
    const { id, fabric, outline } = itemAt(patches, index);
    const wanted = turns[i] === 0 ? even : odd;
    if (fabric === wanted && even !== odd) return [];
    if (fabric === wanted && turns[i] === 0) return [];
    const message =
      even === odd
        ? `${id} is in ${fabric} like its neighbours; nothing alternates.`
        : `${id} is in ${fabric}; in turn it should be ${wanted}.`;
    return [{ rule, message, at: middleOfCorners(outline), patches: [id] }];
  });
}
