'use client';
import { useCallback, useMemo, useState } from 'react';
import {
  NEW_SESSION,
  answered,
  isRight,
  nextQuestion,
  practiceQuestions,
  scoreOf,
  shuffled,
  type Question,
  type Session,
} from '@/core/practice';
import type { BlockSheet } from '@/core/sheet';
import { useRemembered } from '@/ui/useRemembered';

/** An answer as it was given: tapped patches, the number of a choice, or a number. */
export type Given = readonly number[] | number;

/**
 * Practice on one block: which question is asked, what was answered, and how well it is known. What a learner knows stays on
 * this device.
 * @param storeKey where on the device
 * @param onAnswer told of each answer, without whose it is
 */
export function usePractice(
  sheet: BlockSheet,
  storeKey: string,
  onAnswer: (question: string, isCorrect: boolean) => void,
) {
  const questions = useMemo(() => practiceQuestions(sheet), [sheet]);
  const [kept, keep] = useRemembered(storeKey);
  const session = useMemo(() => readSession(kept), [kept]);
  const [asked, setAsked] = useState<Question | undefined>();
  const [given, setGiven] = useState<Given | undefined>();
  // Whoever comes back goes on where they were, and not with the same question again.
  const first = useMemo(() => nextQuestion(questions, session, () => 0), [questions, session]);
  const question = asked ?? first;
  const answer = useCallback(
    (value: Given) => {
      if (!question || given !== undefined) return;
      const isCorrect = isRight(question, value);
      setAsked(question);
      setGiven(value);
      keep(JSON.stringify(answered(session, question.id, isCorrect)));
      onAnswer(question.id, isCorrect);
    },
    [question, given, keep, session, onAnswer],
  );
  const goOn = useCallback(() => {
    const next = nextQuestion(questions, session, Math.random, question?.id);
    setAsked(next && shuffled(next, Math.random));
    setGiven(undefined);
  }, [questions, session, question]);
  const isCorrect = question && given !== undefined ? isRight(question, given) : undefined;
  return { questions, question, given, isCorrect, answer, goOn, score: scoreOf(questions, session) };
}

export type Practice = ReturnType<typeof usePractice>;

/** What was kept; nothing where that is of another kind. */
function readSession(kept: string | undefined): Session {
  try {
    const found = JSON.parse(kept ?? '') as Partial<Session> | null;
    return typeof found?.count === 'number' && typeof found.standings === 'object' && found.standings ? (found as Session) : NEW_SESSION; // prettier-ignore
  } catch {
    return NEW_SESSION;
  }
}
