'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useEffect, useMemo, useState } from 'react';
import type { Question } from '@/core/practice';
import type { BlockSheet } from '@/core/sheet';
import { PlainButton } from '@/ui/PlainButton';
import { isInField } from '@/ui/isInField';
import { PracticePicture, type Tapping } from './PracticePicture';
import type { Given, Practice } from './usePractice';

interface PracticeBenchProps {
  readonly practice: Practice;
  readonly sheet: BlockSheet;
  readonly fabrics: readonly string[];
  /** Large, for a class before a projector: no score is shown. */
  readonly isClass?: boolean;
}

/** One question at a time: picture, answers, at once what is right and why. Keys: 1 to 9 choose, Enter answers and goes on. */
export function PracticeBench({ practice, sheet, fabrics, isClass = false }: PracticeBenchProps) {
  const { question, score } = practice;
  if (!question)
    return <Typography>This block is too small to practise on: it has no question to ask.</Typography>;
  return (
    <Box component="section" aria-label="Practice" sx={isClass ? { fontSize: 'clamp(1.2rem, 2vw, 2rem)' } : {}}>
      <Asked key={question.id} {...{ practice, question, sheet, fabrics, isClass }} />
      {!isClass && (
        <Typography color="textSecondary" sx={{ mt: 1.5 }}>
          {score.known} of {score.of} known. This stays on this device.
        </Typography>
      )}
    </Box>
  ); // prettier-ignore
}

function Asked({
  practice,
  question,
  sheet,
  fabrics,
  isClass,
}: PracticeBenchProps & { readonly question: Question; readonly isClass: boolean }) {
  const { given, isCorrect, answer, goOn } = practice;
  const [tapped, setTapped] = useState<ReadonlySet<number>>(new Set());
  const isAnswered = given !== undefined;
  useAnswerKeys(question, isAnswered, answer, goOn, tapped);
  const right = question.answer.form === 'tap' ? question.answer.right : undefined;
  const among = useMemo(() => new Set(question.answer.form === 'tap' ? question.answer.among : []), [question]); // prettier-ignore
  const toggle = (patch: number) =>
    setTapped((now) => new Set(now.has(patch) ? [...now].filter((one) => one !== patch) : [...now, patch]));
  const tapping: Tapping | undefined = right && {
    among,
    tapped,
    onTap: isAnswered ? undefined : toggle,
    right: isAnswered ? new Set(right) : undefined,
  };
  return (
    <>
      <Typography variant="h2" component="h1" sx={{ mb: 1, ...(isClass ? { fontSize: '1.5em' } : {}) }}>
        {question.asks}
      </Typography>
      <PracticePicture
        picture={question.picture}
        sheet={sheet}
        fabrics={fabrics}
        tapping={tapping}
        showTails={isAnswered}
        height={isClass ? '58vh' : 300}
      />
      <Answers {...{ question, given, answer, tapped, isClass }} />
      <Box aria-live="polite" sx={{ minHeight: 84, mt: 1 }}>
        {isAnswered && (
          <>
            <Typography sx={{ fontSize: 'inherit', color: isCorrect ? 'success.main' : 'error.main' }}>
              <strong>{isCorrect ? '✓ Right.' : '✗ Not so.'}</strong> {whyNot(question, given)}
            </Typography>
            <Typography sx={{ fontSize: 'inherit', mb: 1 }}>{question.reason}</Typography>
            <PlainButton look="filled" onClick={goOn} sx={{ minHeight: 48, fontSize: 'inherit' }}>
              Next question
            </PlainButton>
          </>
        )}
      </Box>
    </>
  );
}

/** What is said to whoever chose a wrong answer. */
function whyNot({ answer }: Question, given: Given | undefined): string {
  if (answer.form !== 'choice' || typeof given !== 'number' || given === answer.right) return '';
  return answer.choices[given]?.why ?? '';
}

interface AnswersProps {
  readonly question: Question;
  readonly given: Given | undefined;
  readonly answer: (value: Given) => void;
  readonly tapped: ReadonlySet<number>;
  readonly isClass: boolean;
}

function Answers({ question: { answer: asked }, given, answer, tapped, isClass }: AnswersProps) {
  const [typed, setTyped] = useState('');
  const isAnswered = given !== undefined;
  const size = { minHeight: 52, fontSize: isClass ? 'inherit' : '1.05rem' };
  if (asked.form === 'choice')
    return (
      <Box role="group" aria-label="Answers" sx={{ display: 'grid', gap: 1, mt: 1.5 }}>
        {asked.choices.map(({ text }, index) => (
          <PlainButton
            key={text}
            look={isAnswered && index === asked.right ? 'filled' : 'framed'}
            disabled={isAnswered && index !== asked.right}
            aria-pressed={given === index}
            onClick={() => answer(index)}
            sx={{ ...size, textAlign: 'left' }}
          >
            {index + 1} · {text}
          </PlainButton>
        ))}
      </Box>
    );
  if (asked.form === 'tap')
    return (
      <PlainButton
        look="filled"
        disabled={isAnswered}
        onClick={() => answer([...tapped])}
        sx={{ ...size, width: '100%', mt: 1.5 }}
      >
        {tapped.size === 0 ? 'None may come out' : `These ${tapped.size} may come out`}
      </PlainButton>
    );
  const number = /^\d{1,4}$/.test(typed.trim()) ? Number(typed) : undefined;
  return (
    <Box
      component="form"
      onSubmit={(event: React.FormEvent) => {
        event.preventDefault();
        if (number !== undefined) answer(number);
      }}
      sx={{ display: 'flex', gap: 1, mt: 1.5, alignItems: 'center' }}
    >
      <label>
        Papers{' '}
        <Box
          component="input"
          inputMode="numeric"
          value={typed}
          disabled={isAnswered}
          onChange={(event: React.ChangeEvent<HTMLInputElement>) => setTyped(event.target.value)}
          sx={{ font: 'inherit', width: 96, minHeight: 48, px: 1 }}
        />
      </label>
      <PlainButton
        look="filled"
        type="submit"
        disabled={isAnswered || number === undefined}
        sx={{ minHeight: 48 }}
      >
        Answer
      </PlainButton>
    </Box>
  );
}

/** 1 to 9 choose; Enter gives the tapped papers, or goes on once it is answered; the arrow to the right goes on too. */
function useAnswerKeys(
  { answer: asked }: Question,
  isAnswered: boolean,
  answer: (value: Given) => void,
  goOn: () => void,
  tapped: ReadonlySet<number>,
) {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      if (event.ctrlKey || event.metaKey || event.altKey) return;
      if (isAnswered) {
        const isOn = ['Enter', 'ArrowRight', 'PageDown'].includes(event.key);
        if (isOn && !target.closest('button, a')) goOn();
        return;
      }
      if (isInField(event)) return;
      const choice = Number(event.key) - 1;
      if (asked.form === 'choice' && asked.choices[choice]) answer(choice);
      if (asked.form === 'tap' && event.key === 'Enter' && !target.closest('button, a')) answer([...tapped]);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [asked, isAnswered, answer, goOn, tapped]);
}
