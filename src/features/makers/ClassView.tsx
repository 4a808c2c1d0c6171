'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import useSWR from 'swr';
import { firstSentence } from '@/core/words';
import type { ListedTrouble } from '@/server/troubles';
import { read } from '@/ui/api';
import { LinkButton } from '@/ui/LinkButton';
import { useLive } from '@/ui/useLive';
import { groupsOf, symptomOf, type TroublesPanelProps } from './troubleGroups';

type ClassViewProps = Pick<TroublesPanelProps, 'projectId' | 'troubles' | 'makers' | 'blocks'>;

/** For the wall of a classroom: who waves, and at which step, in letters that are read from the last row. The longest waiting first. */
export function ClassView({ projectId, troubles: initial, makers, blocks }: ClassViewProps) {
  const { data: troubles = initial, mutate } = useSWR<readonly ListedTrouble[]>(`/api/projects/${projectId}/troubles`, read, { fallbackData: initial });
  useLive(projectId, ['troubles', 'makers', 'blocks'], () => mutate());
  const groups = groupsOf(troubles.filter(({ state }) => state === 'open'));
  const nameOf = (list: readonly { readonly id: string; readonly name: string }[], id: string) => list.find((one) => one.id === id)?.name ?? '';
  return (
    <Box aria-live="polite" sx={{ fontSize: 'clamp(1.4rem, 2.6vw, 2.6rem)' }}>
      <LinkButton className="no-print" href={`/p/${projectId}/makers`} sx={{ float: 'right' }}>
        All makers
      </LinkButton>
      {groups.length === 0 && <Typography sx={{ fontSize: 'inherit', py: 6, textAlign: 'center' }}>Nobody waves. Sew on.</Typography>}
      {groups.map(({ key, blockId, symptom, troubles: own }) => (
        <Box key={key} sx={{ py: 2, borderBottom: 2, borderColor: 'divider' }}>
          <Box sx={{ fontWeight: 700, color: 'error.main' }}>{own.length === 1 ? 'Waves: ' : 'Wave: '}{own.map(({ makerId }) => nameOf(makers, makerId)).join(', ')}</Box>
          <Box>
            {nameOf(blocks, blockId)}
            {own[0]?.step && `, step ${own[0].step.number}: ${symptomOf(symptom)?.symptom ?? firstSentence(own[0].step.text)}`}
          </Box>
        </Box>
      ))}
    </Box>
  );
} // prettier-ignore
