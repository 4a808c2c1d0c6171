import type { SeamGraph } from '../block';
import { moveOutline, reflectIn } from '../geometry';
import { itemAt } from '../lists';
import type { BlockSheet, SheetPatch } from '../sheet';
import type { Question } from './question';

/** Which of its two sides the tail of a corner sticks out over: one question for each corner of each kind, hand and fold. */
export function tailQuestions({ patches, kinds }: Pick<BlockSheet, 'patches' | 'kinds'>): Question[] {
  const seen = new Set<string>();
  return patches.flatMap(({ kind, hand, outline, foldOrder, tails }): Question[] =>
    tails.flatMap(({ corner, overEdge }): Question[] => {
      const count = outline.corners.length;
      const sides = [(corner + count - 1) % count, corner];
      const folds = sides.map((side) => foldOrder.indexOf(side) + 1);
      const id = `tail-way:${itemAt(kinds, kind).id}/${hand}/${foldOrder.join('-')}/${corner}`;
      if (seen.has(id) || folds.includes(0)) return [];
      seen.add(id);
      const right = sides.indexOf(overEdge);
      const [own, other] = [itemAt(folds, right), itemAt(folds, 1 - right)];
      const isTucked = own > other;
      const why = isTucked
        ? `fold ${own} comes last and is slipped under fold ${other}, so it lies beneath like one folded first`
        : `fold ${own} is folded before fold ${other}`;
      return [
        {
          id,
          kind: 'tail-way',
          asks: `You look at the paper side of a ${itemAt(kinds, kind).name}. Over which fold does the tail of the marked corner stick out?`,
          picture: { shows: 'papers', papers: [{ outline, foldOrder, corner }] },
          answer: {
            form: 'choice',
            right,
            choices: folds.map((fold) => ({ text: `Over fold ${fold}`, why: `No: ${why}, and the tail sticks out over fold ${own}.` })), // prettier-ignore
          },
          reason: `At that corner ${why}: the tail sticks out over it.`,
        },
      ];
    }),
  );
}

/** Whether the tails at an end of a seam clash or nest; ends without tails teach nothing. */
export function clashQuestions({ patches }: Pick<BlockSheet, 'patches'>, graph: SeamGraph): Question[] {
  return graph.seams.flatMap(({ id, patches: two, start, end }): Question[] => {
    const across = [start, end].map(
      (at) =>
      two.filter((patch, which) => liesAcross(itemAt(patches, patch), itemAt(graph.places, at.place), at.sides[which as 0 | 1])), // prettier-ignore
    );
    const most = across.find(({ length }) => length === 2) ?? across.find(({ length }) => length === 1);
    if (!most) return [];
    const isClash = most.length === 2;
    const [a, b] = two.map((patch) => patch + 1);
    const only = itemAt(most, 0) + 1;
    return [
      {
        id: `clash:${id}`,
        kind: 'clash',
        asks: `Patches ${a} and ${b} are sewn to each other. Will their tails clash at that seam?`,
        picture: { shows: 'patches', patches: two },
        answer: {
          form: 'choice',
          right: isClash ? 0 : 1,
          choices: [
            { text: 'They clash', why: 'No: only one of the two tails lies across the seam; they nest.' },
            { text: 'They nest', why: 'No: both tails lie across the seam, and there they make a lump.' },
          ],
        },
        reason: isClash
          ? `The tails of both ${a} and ${b} lie across this seam: a lump. Fold one of them the other way round.`
          : `Only the tail of ${only} lies across the seam; the other lies beside it: they nest.`,
      },
    ];
  });
}

/** How far the corner of a patch may lie from the place of a seam’s end, mm. */
const SAME_MM = 0.5;

function liesAcross({ outline, tails }: SheetPatch, place: { x: number; y: number }, side: number): boolean {
  return tails.some(({ corner, overEdge }) => {
    const { x, y } = itemAt(outline.corners, corner);
    return overEdge === side && Math.hypot(x - place.x, y - place.y) <= SAME_MM;
  });
}

/** Four papers of a handed kind as they lie while they are wrapped, one of them of the other hand. */
export function turnedOverQuestions({ kinds, patches }: Pick<BlockSheet, 'kinds' | 'patches'>): Question[] {
  return kinds.flatMap(({ id, name }, kind): Question[] => {
    const own = patches.find((patch) => patch.kind === kind && patch.hand !== 'none');
    if (!own) return [];
    // As seen while wrapping: the mirror of the front.
    const seen = moveOutline(reflectIn({ x: 0, y: 0 }, 90), own.outline);
    const over = moveOutline(reflectIn({ x: 0, y: 0 }, 90), seen);
    const right = kind % 4;
    return [
      {
        id: `turned-over:${id}`,
        kind: 'turned-over',
        asks: `Four papers of the ${name}, letters hidden. Which one is turned over?`,
        picture: { shows: 'papers', papers: [0, 1, 2, 3].map((paper) => ({ outline: paper === right ? over : seen })) }, // prettier-ignore
        answer: {
          form: 'choice',
          right,
          choices: [0, 1, 2, 3].map((paper) => ({
            text: `Paper ${paper + 1}`,
            why: 'That one can be turned, without lifting it, until it lies on two of the others.',
          })),
        },
        reason: `Paper ${right + 1}: however it is turned on the table, it does not lie on the others. Letter towards you while you wrap tells the two apart.`,
      },
    ];
  });
}
