import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Outline } from '@/core/geometry';
import type { Sorter } from '@/core/sorting';
import { Silhouette } from '@/ui/drawing';

/** What lies in one cup. */
export interface Cup {
  readonly names: readonly string[];
  readonly says: string;
  readonly outline?: Outline | undefined;
}

interface CupGridProps {
  readonly title: string;
  readonly sorter: Sorter;
  /** Row by row; undefined for an empty cup. */
  readonly cups: readonly (Cup | undefined)[];
  /** Look-alikes that lie side by side after all. */
  readonly clashes: readonly string[];
}

/** Kinds that are named in a cup with several; the others are counted. */
const MOST_NAMED = 2;

/** A sorter as it stands on the table, each cup with its label. */
export function CupGrid({ title, sorter, cups, clashes }: CupGridProps) {
  return (
    <Box sx={{ mb: 3, breakInside: 'avoid' }}>
      <Typography variant="h3" sx={{ mb: 1 }}>
        {title}
      </Typography>
      {clashes.length > 0 && (
        <Typography role="alert" color="warning.main" sx={{ mb: 1 }}>
          Easily mixed up, and side by side: {clashes.join('; ')}. A larger sorter keeps them apart; till then measure them.
        </Typography>
      )}
      <Box sx={{ overflowX: 'auto' }} role="region" aria-label={title} tabIndex={0}>
        <Box component="ol" sx={{ listStyle: 'none', p: 0, m: 0, display: 'grid', gridTemplateColumns: `repeat(${sorter.columns}, minmax(118px, 1fr))`, gap: 1 }}>
          {cups.map((cup, place) => (
            <Box component="li" key={place} sx={{ border: 1, borderColor: cup ? 'text.secondary' : 'divider', borderRadius: '14px', p: 1, minHeight: 92, textAlign: 'center' }}>
              {cup ? (
                <>
                  {cup.names.length === 1 && cup.outline && <Silhouette outline={cup.outline} size={36} label={`Outline of ${cup.names[0]}`} />}
                  <Typography sx={{ fontWeight: 600, lineHeight: 1.2 }}>{named(cup.names)}</Typography>
                  <Typography variant="body2" color="textSecondary">{cup.says}</Typography>
                </>
              ) : (
                <Typography color="textSecondary" variant="body2">empty</Typography>
              )}
            </Box>
          ))}
        </Box>
      </Box>
    </Box>
  );
} // prettier-ignore

function named(names: readonly string[]): string {
  if (names.length <= MOST_NAMED) return names.join(' and ');
  return `${names.slice(0, MOST_NAMED).join(', ')} and ${names.length - MOST_NAMED} more`;
}
