import { itemAt } from '../lists';
import { waitsFor, type BlockSheet, type Step } from '../sheet';
import { firstSentence } from '../words';
import type { Question } from './question';

/** So many answers are offered, the right one among them. */
const CHOICES = 3;

/** At a join: this one, or others that cannot be sewn yet because a piece of theirs is not made. */
export function nextSeamQuestions({ steps }: Pick<BlockSheet, 'steps'>): Question[] {
  const order = new Map(steps.map(({ id }, index) => [id, index]));
  return steps.flatMap((step, index): Question[] => {
    if (step.kind !== 'join') return [];
    const isDone = (id: string) => (order.get(id) ?? Infinity) < index;
    const early = steps.flatMap((other, at) => {
      if (other.kind !== 'join' || at <= index) return [];
      const wait = waitsFor(steps, at, (id) => isDone(id) || isBasted(steps, id, order));
      return wait === undefined ? [] : [{ text: inShort(other), why: `Not yet: step ${wait + 1} makes a piece of it.` }]; // prettier-ignore
    });
    const own = inShort(step);
    const others = early.filter(({ text }) => text !== own);
    if (others.length < CHOICES - 1) return [];
    // The nearest and the farthest: one that follows soon and one that comes at the end.
    const wrong = [itemAt(others, 0), itemAt(others, others.length - 1)];
    const right = index % CHOICES;
    const choices = [...wrong.slice(0, right), { text: own, why: 'Both pieces of it are ready.' }, ...wrong.slice(right)]; // prettier-ignore
    return [
      {
        id: `next-seam:${step.id}`,
        kind: 'next-seam',
        asks: 'So far is sewn. Which seam is next?',
        picture: { shows: 'block', upTo: index, held: [], hidden: [] },
        answer: { form: 'choice', right, choices },
        reason: `Step ${index + 1}: ${own}. Both pieces of it are ready; for the others something has to be made first.`,
      },
    ];
  });
}

/** Basting is no seam: for this question all papers are wrapped. */
function isBasted(steps: readonly Step[], id: string, order: ReadonlyMap<string, number>): boolean {
  return steps[order.get(id) ?? -1]?.kind === 'baste';
}

function inShort(step: Step): string {
  return firstSentence(step.text)
    .replace(/^Right sides together, s/, 'S')
    .replace(/[.:].*$/, '');
}
