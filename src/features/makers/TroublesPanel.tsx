'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { counted, firstSentence } from '@/core/words';
import type { ListedTrouble } from '@/server/troubles';
import { TroubleCard } from './TroubleCard';
import { groupsOf, symptomOf, type TroublesPanelProps } from './troubleGroups';
import { useTroubles } from './useTroubles';

/** Who is stuck where, those of one step and sign together, with what was said; and what to teach next time. */
export function TroublesPanel({ projectId, troubles: initial, ...rest }: TroublesPanelProps) {
  const { troubles, act, note } = useTroubles(projectId, initial);
  const groups = groupsOf(troubles);
  const toTeach = troubles.filter(({ isToTeach }) => isToTeach);
  if (troubles.length === 0) return null;
  return (
    <Box component="section" aria-labelledby="stuck-title" sx={{ mb: 3 }}>
      <Typography variant="h3" id="stuck-title" sx={{ mb: 1 }}>
        {groups.length === 0 ? 'Nobody is stuck' : `Stuck: ${counted(groups.reduce((sum, group) => sum + group.troubles.length, 0), 'maker')} at ${counted(groups.length, 'place')}`}
      </Typography>
      {groups.map((group) => (
        <TroubleCard key={group.key} projectId={projectId} group={group} {...rest} act={act} note={note} />
      ))}
      {toTeach.length > 0 && (
        <>
          <Typography variant="h4">Teach next time</Typography>
          <Box component="ul" sx={{ pl: 2.5, mt: 0.5 }}>
            {teachLines(toTeach, rest).map((line) => (
              <li key={line}>{line}</li>
            ))}
          </Box>
        </>
      )}
    </Box>
  );
} // prettier-ignore

/** What to teach: each place and sign once, however many were stuck there. */
function teachLines(troubles: readonly ListedTrouble[], { blocks }: Pick<TroublesPanelProps, 'blocks'>): string[] {
  const lines = troubles.map(({ blockId, symptom, step }) => {
    const block = blocks.find(({ id }) => id === blockId)?.name ?? 'A block that is gone';
    return [block, step ? `step ${step.number}` : '', symptomOf(symptom)?.symptom ?? firstSentence(step?.text ?? '')].filter(Boolean).join(', ');
  });
  return [...new Set(lines)];
} // prettier-ignore
