import type { Question } from './question';

/** How often a group was asked a question, and how often it was missed. */
export interface PracticeCount {
  readonly question: string;
  readonly asked: number;
  readonly missed: number;
}

/** A question that a group misses. */
export interface Missed extends PracticeCount {
  readonly asks: Question;
}

/** Fewer answers say nothing yet, and this share missed calls for teaching. */
const LEAST_ASKED = 3;
const MISSED_SHARE = 0.4;

/** What to teach next: questions that a group misses often, the worst first; questions that the plan no longer asks are left out. */
export function teachNext(questions: readonly Question[], counts: readonly PracticeCount[]): Missed[] {
  const byId = new Map(questions.map((question) => [question.id, question]));
  return counts
    .flatMap((count): Missed[] => {
      const asks = byId.get(count.question);
      const isMissed = count.asked >= LEAST_ASKED && count.missed / count.asked >= MISSED_SHARE;
      return asks && isMissed ? [{ ...count, asks }] : [];
    })
    .sort((a, b) => b.missed / b.asked - a.missed / a.asked || b.asked - a.asked);
}
