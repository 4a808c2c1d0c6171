import type { Chance } from '../chance';
import type { Question } from './question';

/** How a question stands with one learner. */
export interface Standing {
  /** Right so many times in a row. */
  readonly box: number;
  /** Not asked again before so many questions were asked in all. */
  readonly due: number;
  readonly asked: number;
  readonly missed: number;
}

/** What one learner has practised; it stays on their device. */
export interface Session {
  /** Questions answered so far. */
  readonly count: number;
  readonly standings: Readonly<Record<string, Standing>>;
}

export const NEW_SESSION: Session = { count: 0, standings: {} };

/** A missed question comes again after so many others; one that was right waits twice as long each time. */
const AGAIN_AFTER = 3;
const MOST_BOX = 6;

/** Notes an answer. */
export function answered(session: Session, id: string, isCorrect: boolean): Session {
  const { box = 0, asked = 0, missed = 0 } = session.standings[id] ?? {};
  const count = session.count + 1;
  const next = isCorrect ? Math.min(MOST_BOX, box + 1) : 0;
  const standing: Standing = {
    box: next,
    due: count + AGAIN_AFTER * 2 ** next,
    asked: asked + 1,
    missed: missed + (isCorrect ? 0 : 1),
  };
  return { count, standings: { ...session.standings, [id]: standing } };
}

/**
 * The question to ask next: one that was missed and is due, else one not asked yet, of a kind asked least, else the one due first.
 * @param last id of the question just answered, which is not asked twice in a row
 * @returns undefined where there are no questions
 */
export function nextQuestion(
  questions: readonly Question[],
  session: Session,
  chance: Chance,
  last?: string,
): Question | undefined {
  const open = questions.length > 1 ? questions.filter(({ id }) => id !== last) : questions;
  const at = (id: string) => session.standings[id];
  const again = open.filter(({ id }) => at(id)?.box === 0 && (at(id)?.due ?? 0) <= session.count);
  if (again.length > 0) return earliest(again, session);
  const fresh = open.filter(({ id }) => !at(id));
  if (fresh.length === 0) return earliest(open, session);
  const asked = new Map<string, number>();
  for (const { kind, id } of questions) asked.set(kind, (asked.get(kind) ?? 0) + (at(id) ? 1 : 0));
  const least = Math.min(...fresh.map(({ kind }) => asked.get(kind) ?? 0));
  const rare = fresh.filter(({ kind }) => asked.get(kind) === least);
  return rare[Math.floor(chance() * rare.length)];
}

function earliest(questions: readonly Question[], { standings }: Session): Question | undefined {
  return [...questions].sort((a, b) => (standings[a.id]?.due ?? 0) - (standings[b.id]?.due ?? 0))[0];
}

/** Questions known (right when last asked), and those there are. */
export function scoreOf(
  questions: readonly Question[],
  { standings }: Session,
): { known: number; of: number } {
  return { known: questions.filter(({ id }) => (standings[id]?.box ?? 0) > 0).length, of: questions.length };
}
