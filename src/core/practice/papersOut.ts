import type { BlockSheet } from '../sheet';
import { numbersOf } from '../sheet';
import type { Question } from './question';

/** After a join: the papers that may come out, those of the unit that may not, and why. */
export function papersOutQuestions({ steps }: Pick<BlockSheet, 'steps'>): Question[] {
  const out = new Set<number>();
  return steps.flatMap((step, index): Question[] => {
    if (step.kind !== 'join') return [];
    const unit = [...step.left, ...step.right];
    const among = unit.filter((patch) => !out.has(patch));
    const right = step.releases;
    right.forEach((patch) => out.add(patch));
    const stay = among.filter((patch) => !right.includes(patch));
    // With one or two in the hand nothing is asked.
    if (among.length < 3) return [];
    const why = stay.length === 0 ? '' : ` ${stay.length === 1 ? `That of ${numbersOf(stay)} stays` : 'The others stay'}: an open side must be stiff for the next seam.`; // prettier-ignore
    return [
      {
        id: `papers-out:${step.id}`,
        kind: 'papers-out',
        asks: `Step ${index + 1} is sewn: ${step.right.length === 1 ? `patch ${numbersOf(step.right)} is on` : 'the two pieces are one'}. Which papers may come out now? Tap them; none if none may.`,
        picture: { shows: 'block', upTo: index + 1, held: unit, hidden: [] },
        answer: { form: 'tap', right, among },
        reason:
          right.length === 0
            ? 'None: every paper here still has a side that is sewn to nothing, and that side must be stiff for the next seam.'
            : `${numbersOf(right)}: every side is sewn now.${why}`,
      },
    ];
  });
}
