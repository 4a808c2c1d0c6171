import { findRotation } from '../assembly';
import type { SeamGraph } from '../block';
import { itemAt } from '../lists';
import { counted } from '../words';
import type { Question } from './question';

/** A ring of a block that turns onto itself has at least so many papers. */
const LEAST_RING = 5;
/** A block turns onto itself by at most a fifth of a turn for its rings to be counted. */
const LEAST_FOLDS = 5;

/** How many papers lie round the middle, ring by ring, or in a ring with nothing in its middle. */
export function ringQuestions(graph: SeamGraph): Question[] {
  const members = graph.patches.map((_, patch) => patch).filter((patch) => graph.patches[patch]?.layer === graph.patches[0]?.layer); // prettier-ignore
  const rotation = findRotation(graph, members);
  if (!rotation || rotation.folds < LEAST_FOLDS) return [];
  const still = members.filter((patch) => rotation.next.get(patch) === patch);
  if (still.length === 0) return members.length === rotation.folds ? [closedRing(rotation.folds)] : [];
  return ringsRound(graph, still, new Set(members)).flatMap((ring, index, all): Question[] => {
    if (ring.length < LEAST_RING) return [];
    const before = index === 0 ? still.length : itemAt(all, index - 1).length;
    return [
      {
        id: `ring-count:${index + 1}`,
        kind: 'ring-count',
        asks: `How many papers does ring ${index + 1} need, counted from the middle?`,
        picture: { shows: 'block', upTo: Infinity, held: [], hidden: ring },
        answer: { form: 'number', right: ring.length },
        reason: `It lies round ${counted(before, 'paper')} and turns onto itself ${rotation.folds} times: ${ring.length}, which is ${ring.length / rotation.folds} for each ${fraction(rotation.folds)} of the ring.`,
      },
    ];
  });
}

function closedRing(folds: number): Question {
  return {
    id: 'ring-count:closed',
    kind: 'ring-count',
    asks: 'How many papers like the one shown close the ring?',
    picture: { shows: 'block', upTo: Infinity, held: [], hidden: Array.from({ length: folds - 1 }, (_, i) => i + 1) }, // prettier-ignore
    answer: { form: 'number', right: folds },
    reason: `Each takes ${Math.round((3600 / folds) * 1) / 10}° of the 360°: ${folds} of them.`,
  };
}

function fraction(folds: number): string {
  return folds === 6 ? 'sixth' : folds === 8 ? 'eighth' : `${folds}th part`;
}

/** Patches that touch what lies inside them, ring by ring. */
function ringsRound(graph: SeamGraph, middle: readonly number[], own: ReadonlySet<number>): number[][] {
  const seen = new Set(middle);
  const rings: number[][] = [];
  for (let front = middle; front.length > 0;) {
    const touching = front.flatMap((patch) =>
      (graph.seamsOf[patch] ?? []).flatMap((seam) => graph.seams[seam]?.patches ?? []),
    );
    front = [...new Set(touching)].filter((patch) => own.has(patch) && !seen.has(patch));
    front.forEach((patch) => seen.add(patch));
    if (front.length > 0) rings.push([...front]);
  }
  return rings;
}
