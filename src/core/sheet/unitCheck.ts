import { itemAt } from '../lists';
import type { Join } from '../assembly';
import type { FoldConvention } from '../basting';
import type { SeamGraph } from '../block';
import { cornerAngle, narrowestBox, toPolygon } from '../geometry';
import { formatLength, type UnitSystem } from '../length';
import { GROWTH_MM, growthAlong } from './growth';

/** Finished figures of a unit, to find a fault before it is sewn in. */
export interface UnitCheck {
  /** Least width, and length at right angles to it, mm, as it is when the papers are out. */
  readonly acrossMm: number;
  readonly longMm: number;
  /** The edge that the next join sews, and what its seams add while the papers are in. */
  readonly nextEdge?: { readonly lengthMm: number; readonly growthMm: number; readonly isStraight: boolean };
  /** For each point that this join closes all round, how many patches meet there. */
  readonly meeting: readonly number[];
  /** How the tails lie at the back: all turned one way, none, or as the drawing shows them. */
  readonly tails: 'one-way' | 'none' | 'as-drawn';
}

/** Works out what a unit must measure and look like when a join has made it. Cost: linear in its patches. */
export function unitCheck(
  graph: SeamGraph,
  join: Join,
  next: Join | undefined,
  conventionOf: readonly FoldConvention[],
): UnitCheck {
  const members = [...join.left, ...join.right];
  const outlines = members.map((patch) => itemAt(graph.patches, patch).outline);
  const corners = outlines.flatMap((outline) => toPolygon(outline, 0.1));
  const { length, width } = narrowestBox({ corners, bulges: corners.map(() => 0) });
  const hasTails = outlines.some((outline) => outline.corners.some((_, i) => cornerAngle(outline, i) < 89));
  const ways = new Set(members.map((patch) => conventionOf[patch]));
  const isOneWay = ways.size === 1 && (ways.has('clockwise') || ways.has('counter-clockwise'));
  return {
    acrossMm: width,
    longMm: length,
    ...(next ? { nextEdge: nextEdge(graph, join, next) } : {}),
    meeting: meeting(graph, join, new Set(members)),
    tails: !hasTails ? 'none' : isOneWay ? 'one-way' : 'as-drawn',
  };
}

/** Patches round each inner point that lies on the join and has all its seams within the unit. */
function meeting(graph: SeamGraph, join: Join, own: ReadonlySet<number>): number[] {
  const places = new Set(
    join.seams.flatMap((seam) => {
      const { start, end } = itemAt(graph.seams, seam);
      return [start.place, end.place];
    }),
  );
  return [...places].flatMap((place) => {
    const around = (graph.seamsAt[place] ?? []).flatMap((seam) => itemAt(graph.seams, seam).patches);
    const patches = new Set(around);
    const isClosed = graph.isInner[place] && [...patches].every((patch) => own.has(patch));
    return isClosed && patches.size > 2 ? [patches.size] : [];
  });
}

function nextEdge(graph: SeamGraph, join: Join, next: Join): NonNullable<UnitCheck['nextEdge']> {
  const isLeft = next.left.includes(itemAt(join.left, 0));
  const ending = next.chains.reduce((sum, chain) => {
    const { left, right } = growthAlong(graph, next, chain);
    return sum + (isLeft ? left : right);
  }, 0);
  return { lengthMm: next.lengthMm, growthMm: ending * GROWTH_MM, isStraight: next.bends === 0 };
}

/** The check in sentences. */
export function sayCheck(check: UnitCheck, makes: string, system: UnitSystem): string {
  const size = (millimetres: number) => formatLength(millimetres, system);
  const { acrossMm, longMm, nextEdge: edge, tails } = check;
  const grown = edge ? size(edge.growthMm) : '';
  // What no ruler shows is not said.
  const more = /[1-9½¼¾⅛⅜⅝⅞]/.test(grown) ? `, about ${grown} more while the papers are in` : '';
  const straight = edge?.isStraight ? '; it must lie straight along a ruler' : '';
  const back = {
    'one-way': ' At the back all tails turn one way.',
    none: ' At the back the folds lie flat: these papers leave no tails.',
    'as-drawn': ' At the back the tails lie as drawn (T).',
  }[tails];
  return [
    `Check ${makes}: ${size(acrossMm)} across at its narrowest, ${size(longMm)} long once the papers are out.`,
    edge ? ` The edge that is joined next: ${size(edge.lengthMm)}${more}${straight}.` : '',
    sayMeeting(check.meeting),
    back,
  ].join('');
}

function sayMeeting(meeting: readonly number[]): string {
  if (meeting.length === 0) return '';
  const counts = [...new Set(meeting)].sort((a, b) => a - b);
  const where = meeting.length === 1 ? 'the point closed now' : `the ${meeting.length} points closed now`;
  return ` At ${where} ${counts.join(' or ')} patches meet: no hole, and it lies flat.`;
}
