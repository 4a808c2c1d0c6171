import Box from '@mui/material/Box';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';

/** The page before one is in: the name, a line of what it is for, and a form. */
export function Doorway({ title, intro, children }: { title: string; intro: string; children?: ReactNode }) {
  return (
    <Box component="main" sx={{ maxWidth: 440, mx: 'auto', mt: { xs: 3, sm: 9 }, px: 2 }}>
      <Typography variant="h1" component="p" sx={{ mb: 0.5 }}>
        Kevlo
      </Typography>
      <Typography color="textSecondary" sx={{ mb: 3 }}>
        From a drawing to kit bags, an order of work, and every maker’s stitches.
      </Typography>
      <Paper sx={{ p: 3 }}>
        <Typography variant="h2" component="h1">
          {title}
        </Typography>
        <Typography color="textSecondary" sx={{ mb: 2.5, mt: 0.5 }}>
          {intro}
        </Typography>
        {children}
      </Paper>
    </Box>
  );
}
