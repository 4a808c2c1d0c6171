import type { Chance } from '../chance';
import { itemAt } from '../lists';
import type { Question } from './question';

/** Kinds whose answers have no order of their own: they come in another one each time, so that no place is learnt by heart. */
const FREE = new Set(['next-seam', 'turned-over']);

/** The same question with its answers in an order of chance, where they have none of their own. */
export function shuffled(question: Question, chance: Chance): Question {
  const { answer, picture, kind } = question;
  if (answer.form !== 'choice' || !FREE.has(kind)) return question;
  const order = answer.choices.map((_, i) => i);
  for (let i = order.length - 1; i > 0; i--) {
    const j = Math.floor(chance() * (i + 1));
    [order[i], order[j]] = [itemAt(order, j), itemAt(order, i)];
  }
  if (picture.shows === 'papers') {
    // The papers change places, their numbers stay in order.
    const right = order.indexOf(answer.right);
    const reason = question.reason.replace(/^Paper \d+/, `Paper ${right + 1}`);
    const papers = order.map((from) => itemAt(picture.papers, from));
    return { ...question, reason, picture: { ...picture, papers }, answer: { ...answer, right } };
  }
  return { ...question, answer: { ...answer, right: order.indexOf(answer.right), choices: order.map((from) => itemAt(answer.choices, from)) } }; // prettier-ignore
}
