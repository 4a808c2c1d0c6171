'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useCallback, useMemo } from 'react';
import type { BlockSheet } from '@/core/sheet';
import { PracticeBench } from './PracticeBench';
import { usePractice } from './usePractice';
import { useMissesSent } from './useMissesSent';

interface MakerPracticeProps {
  readonly token: string;
  readonly makerId: string;
  readonly block: { readonly id: string; readonly name: string; readonly sheet: BlockSheet };
}

/** Practice for one maker on a phone. What they know stays on it; the host learns only which questions the group misses. */
export function MakerPractice({ token, makerId, block }: MakerPracticeProps) {
  const { sheet, id, name } = block;
  const send = useMissesSent(token, makerId);
  const onAnswer = useCallback((question: string, isRight: boolean) => send({ blockId: id, question, isRight }), [send, id]); // prettier-ignore
  const practice = usePractice(sheet, `kevlo-practice-${makerId}-${id}`, onAnswer);
  const fabrics = useMemo(() => [...new Set(sheet.patches.map(({ fabric }) => fabric))].sort(), [sheet]);
  return (
    <Box component="main" sx={{ maxWidth: 560, mx: 'auto', px: 2, py: 1.5 }}>
      <Typography sx={{ mb: 1 }}>
        <a href={`/m/${token}`}>← {name}</a>
      </Typography>
      <PracticeBench practice={practice} sheet={sheet} fabrics={fabrics} />
      <Typography variant="body2" color="textSecondary" sx={{ mt: 2 }}>
        Your host sees which questions the group misses, not who missed them.
      </Typography>
    </Box>
  );
}
