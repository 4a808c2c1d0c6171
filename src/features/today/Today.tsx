'use client';
import Box from '@mui/material/Box';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { todayItems, type TodayFacts, type TodayItem } from './todayItems';

interface TodayProps extends TodayFacts {
  readonly projectId: string;
}

/** What wants a decision now: the next drop, who needs help, what is due. Each leads to its place. */
export function Today({ projectId, ...facts }: TodayProps) {
  const items = todayItems(facts);
  return (
    <Box>
      <Typography variant="h2" sx={{ mb: 1.5 }}>
        Today
      </Typography>
      {items.length === 0 ? (
        <Typography>Nothing wants a decision: all bags are packed and nobody is stuck.</Typography>
      ) : (
        <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0, display: 'grid', gap: 1 }}>
          {items.map((item) => (
            <Item key={item.key} base={`/p/${projectId}`} item={item} />
          ))}
        </Box>
      )}
    </Box>
  );
}

function Item({ base, item: { path, what, why, tone } }: { base: string; item: TodayItem }) {
  return (
    <Paper component="li" sx={{ borderLeft: '4px solid', borderLeftColor: tone }}>
      <Box
        component={Link}
        href={`${base}/${path}`}
        sx={{ display: 'block', px: 2, py: 1.25, color: 'text.primary', textDecoration: 'none' }}
      >
        <strong>{what}</strong>
        <Typography color="textSecondary">{why}</Typography>
      </Box>
    </Paper>
  );
}
