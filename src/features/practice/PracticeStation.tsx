'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useCallback, useMemo, useState } from 'react';
import { QUESTION_KINDS, teachNext, type PracticeCount } from '@/core/practice';
import type { BlockSheet } from '@/core/sheet';
import { send } from '@/ui/api';
import { DarkRoom } from '@/ui/DarkRoom';
import { LinkButton } from '@/ui/LinkButton';
import { PracticeBench } from './PracticeBench';
import { usePractice } from './usePractice';

interface PracticeStationProps {
  readonly projectId: string;
  readonly block: { readonly id: string; readonly name: string; readonly sheet: BlockSheet };
  readonly fabrics: readonly string[];
  /** What the group was asked and missed on this block. */
  readonly counts: readonly PracticeCount[];
}

/** The practice bench for the host: to try it, to hold it before a class, and to see what the group misses. */
export function PracticeStation({ projectId, block, fabrics, counts }: PracticeStationProps) {
  const { id, name, sheet } = block;
  const [isClass, setIsClass] = useState(false);
  const onAnswer = useCallback(
    (question: string, isRight: boolean) => {
      // What is tried at the desk is nobody’s; what a class answers counts.
      if (isClass) send('POST', `/api/projects/${projectId}/practice`, { blockId: id, question, isRight }).catch(() => undefined); // prettier-ignore
    },
    [isClass, projectId, id],
  );
  const practice = usePractice(sheet, `kevlo-practice-desk-${id}`, onAnswer);
  const missed = useMemo(() => teachNext(practice.questions, counts), [practice.questions, counts]);
  return (
    <Box>
      <Stack direction="row" sx={{ flexWrap: 'wrap', gap: 1, alignItems: 'baseline', mb: 1.5 }}>
        <Typography variant="h2" component="p" sx={{ flex: 1 }}>
          {name}: practice
        </Typography>
        <Button variant="contained" onClick={() => setIsClass(true)}>
          Class view
        </Button>
        <LinkButton href={`/p/${projectId}/order/${id}`}>Back to the steps</LinkButton>
      </Stack>
      <Box sx={{ maxWidth: 720 }}>
        {!isClass && <PracticeBench practice={practice} sheet={sheet} fabrics={fabrics} />}
      </Box>
      <Typography variant="h3" component="h2" sx={{ mt: 3 }}>
        Teach next time
      </Typography>
      {missed.length === 0 ? (
        <Typography color="textSecondary">
          Nothing is missed often yet. Makers practise from their own page; a question shows here, without names, once it
          was answered three times and missed in two of five or more.
        </Typography>
      ) : (
        <Box component="ul" sx={{ pl: 2.5 }}>
          {missed.map(({ question, asks, asked, missed: wrong }) => (
            <li key={question}>
              <strong>{QUESTION_KINDS[asks.kind]}</strong>: missed {wrong} of {asked} times. {asks.asks}{' '}
              {asks.reason}
            </li>
          ))}
        </Box>
      )}
      <DarkRoom isOpen={isClass} label={`${name}, practice for the class`} onClose={() => setIsClass(false)}>
        <PracticeBench practice={practice} sheet={sheet} fabrics={fabrics} isClass />
      </DarkRoom>
    </Box>
  ); // prettier-ignore
}
