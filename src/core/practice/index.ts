export { practiceQuestions, isRight } from './questions';
export {
  QUESTION_KINDS,
  type Answer,
  type Choice,
  type Picture,
  type Question,
  type QuestionKind,
  type ShownPaper,
} from './question';
export { NEW_SESSION, answered, nextQuestion, scoreOf, type Session, type Standing } from './session';
export { teachNext, type Missed, type PracticeCount } from './teachNext';
export { shuffled } from './shuffled';
