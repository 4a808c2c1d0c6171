'use client';
import Box from '@mui/material/Box';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { counted } from '@/core/words';
import { formatLength, type UnitSystem } from '@/core/length';
import type { BlockWithSheet } from '@/server/blocks';
import { PatchPaths } from '@/ui/PatchPaths';
import { SwatchPatterns } from '@/ui/swatches';

interface ContactSheetProps {
  readonly projectId: string;
  readonly blocks: readonly BlockWithSheet[];
  readonly fabrics: readonly string[];
  readonly system: UnitSystem;
}

/** All blocks of a project side by side, drawn to one scale, with their size, papers and problems. */
export function ContactSheet({ projectId, blocks, fabrics, system }: ContactSheetProps) {
  const largest = Math.max(...blocks.map(({ sheet }) => Math.max(sheet.widthMm, sheet.heightMm))) * 1.04;
  return (
    <Box
      component="ul"
      sx={{
        display: 'grid',
        gridTemplateColumns: 'repeat(auto-fill, minmax(260px, 1fr))',
        gap: 2,
        listStyle: 'none',
        p: 0,
        m: 0,
      }}
    >
      {blocks.map(({ id, name, sheet }) => (
        <Paper component="li" key={id}>
          <Box
            component={Link}
            href={`/p/${projectId}/blocks/${id}`}
            sx={{ display: 'block', color: 'text.primary', textDecoration: 'none', p: 1.5 }}
          >
            <Box
              component="svg"
              role="img"
              aria-label={`Drawing of ${name}`}
              viewBox={`${(sheet.widthMm - largest) / 2} ${(sheet.heightMm - largest) / 2} ${largest} ${largest}`}
              sx={{ width: '100%', display: 'block', aspectRatio: '1' }}
            >
              <defs>
                <SwatchPatterns prefix={`c${id.slice(0, 8)}`} fabrics={fabrics} scale={largest / 200} />
              </defs>
              <PatchPaths
                patches={sheet.patches}
                prefix={`c${id.slice(0, 8)}`}
                fabrics={fabrics}
                strokeWidth={0.8}
              />
            </Box>
            <Typography variant="h3" component="h3" sx={{ mt: 1 }}>
              {name}
            </Typography>
            <Typography color="textSecondary">
              {formatLength(sheet.widthMm, system)} × {formatLength(sheet.heightMm, system)} ·{' '}
              {counted(sheet.patches.length, 'paper')} of {sheet.kinds.length}{' '}
              {sheet.kinds.length === 1 ? 'kind' : 'kinds'}
            </Typography>
            <Typography color={sheet.problems.length + sheet.violations.length > 0 ? 'warning' : 'success'}>
              {sheet.problems.length > 0
                ? `${sheet.problems.length} problems in the drawing`
                : sheet.violations.length > 0
                  ? `${sheet.violations.length} against the cloth rules`
                  : 'All edges fit'}
            </Typography>
          </Box>
        </Paper>
      ))}
    </Box>
  );
}
