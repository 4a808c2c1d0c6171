import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import type { Badges } from '@/server/badges';
import { STATIONS, type Station } from './stations';

const TICKS =
  'repeating-linear-gradient(90deg, var(--mui-palette-text-secondary) 0 1px, transparent 1px 12px)';

interface TapeProps {
  readonly badges: Badges;
  readonly hrefOf: (station: Station) => string;
}

/** The stations as marks along a measuring tape, sewn by a running stitch as far as the work has come. */
export function Tape({ badges, hrefOf }: TapeProps) {
  const part = usePathname().split('/')[3];
  return (
    <Box
      component="nav"
      aria-label="Stations"
      className="no-print"
      sx={{
        mt: { md: 1.5 },
        borderTop: 1,
        borderBottom: 1,
        borderColor: 'divider',
        bgcolor: 'background.paper',
        position: { xs: 'fixed', md: 'static' },
        bottom: 0,
        left: 0,
        right: 0,
        zIndex: 5,
      }}
    >
      <Box aria-hidden="true" sx={{ height: 7, background: TICKS, opacity: 0.55 }} />
      <Box
        component="ul"
        sx={{ display: 'flex', listStyle: 'none', m: 0, p: 0, maxWidth: 1320, mx: 'auto', px: { md: 3 } }}
      >
        {STATIONS.map((station) => (
          <Mark
            key={station.key}
            name={station.name}
            href={hrefOf(station)}
            isHere={part === station.path}
            {...badges[station.key]}
          />
        ))}
      </Box>
    </Box>
  );
}

interface MarkProps {
  readonly name: string;
  readonly href: string;
  readonly isHere: boolean;
  readonly calls: string;
  readonly isReached: boolean;
}

function Mark({ name, href, isHere, calls, isReached }: MarkProps) {
  return (
    <Box component="li" sx={{ flex: { xs: 1, md: '0 1 210px' }, minWidth: 0 }}>
      <Box
        component={Link}
        href={href}
        aria-current={isHere ? 'page' : undefined}
        sx={{
          display: 'block',
          height: 58,
          px: { xs: 0.25, md: 1.5 },
          fontSize: { xs: '0.85rem', md: '1rem' },
          overflow: 'hidden',
          py: 0.75,
          color: 'text.primary',
          textDecoration: 'none',
          position: 'relative',
          textAlign: { xs: 'center', md: 'left' },
          borderLeft: { md: '1px solid var(--mui-palette-divider)' },
          bgcolor: isHere ? 'background.default' : undefined,
          fontWeight: isHere ? 700 : 500,
          lineHeight: 1.25,
          '&::after': {
            content: '""',
            position: 'absolute',
            left: 0,
            right: 0,
            bottom: 3,
            borderBottom: '3px dashed',
            borderColor: isReached ? 'primary.main' : 'transparent',
          },
        }}
      >
        {name}
        <Typography
          component="span"
          sx={{
            display: 'block',
            fontSize: '0.82rem',
            fontWeight: 500,
            color: calls ? 'warning.main' : 'text.secondary',
            minHeight: 18,
            whiteSpace: 'nowrap',
            overflow: 'hidden',
            textOverflow: 'ellipsis',
          }}
        >
          {calls}
        </Typography>
      </Box>
    </Box>
  );
}
