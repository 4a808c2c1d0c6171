import Box from '@mui/material/Box';
import type { ReactNode } from 'react';

/** Names and what is to be said of each, in two columns. */
export function Facts({ rows }: { rows: readonly (readonly [string, ReactNode])[] }) {
  return (
    <Box
      component="dl"
      sx={{
        m: 0,
        display: 'grid',
        gridTemplateColumns: 'auto 1fr',
        gap: '4px 14px',
        '& dt': { color: 'text.secondary' },
        '& dd': { m: 0 },
      }}
    >
      {rows.map(([label, value]) => [<dt key={`${label}t`}>{label}</dt>, <dd key={`${label}d`}>{value}</dd>])}
    </Box>
  );
}
