import Box from '@mui/material/Box';
import type { Trouble } from '@/core/troubles';

interface TroubleHelpProps {
  readonly troubles: readonly Trouble[];
  /** Whether the list is open from the beginning. */
  readonly isOpen?: boolean;
}

/** What can go wrong at this step, each with its cause, what to do, and how to keep it from coming again. */
export function TroubleHelp({ troubles, isOpen = false }: TroubleHelpProps) {
  if (troubles.length === 0) return null;
  return (
    <Box
      component="details"
      open={isOpen}
      className="no-print"
      sx={{ my: 1, '& summary': { cursor: 'pointer', fontWeight: 600, minHeight: 32 } }}
    >
      <summary>If something goes wrong here ({troubles.length})</summary>
      {troubles.map(({ id, symptom, cause, remedy, avoid }) => (
        <Box component="details" key={id} sx={{ ml: 2, borderTop: 1, borderColor: 'divider', py: 0.5 }}>
          <summary>{symptom}</summary>
          <Box
            component="dl"
            sx={{
              m: 0,
              ml: 2,
              display: 'grid',
              gridTemplateColumns: 'auto 1fr',
              gap: '2px 12px',
              '& dt': { color: 'text.secondary' },
              '& dd': { m: 0 },
            }}
          >
            <dt>Likely why</dt>
            <dd>{cause}</dd>
            <dt>What to do</dt>
            <dd>{remedy}</dd>
            <dt>Next time</dt>
            <dd>{avoid}</dd>
          </Box>
        </Box>
      ))}
    </Box>
  );
}
