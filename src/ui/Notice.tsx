import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';

/** A page or place with one thing to say: an error, a wait, or an empty state that teaches the next action. */
export function Notice({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box sx={{ maxWidth: 560, mx: 'auto', my: 6, px: 2 }}>
      <Typography variant="h2" component="h1" gutterBottom>
        {title}
      </Typography>
      <Typography component="div" color="textSecondary">
        {children}
      </Typography>
    </Box>
  );
}
