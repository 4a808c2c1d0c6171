import Box from '@mui/material/Box';
import type { ReactNode } from 'react';

/** A station's page: the work, and beside it the map of the top. */
export function StationPage({ map, children }: { map: ReactNode; children: ReactNode }) {
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '1fr', md: 'minmax(0, 1fr) 270px' },
        gap: 3,
        alignItems: 'start',
      }}
    >
      <Box sx={{ minWidth: 0 }}>{children}</Box>
      <Box component="aside" sx={{ position: { md: 'sticky' }, top: 12 }} className="no-print">
        {map}
      </Box>
    </Box>
  );
}
