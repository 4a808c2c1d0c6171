'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { usePathname, useRouter } from 'next/navigation';
import { useEffect, useState, type ReactNode } from 'react';
import { SignOutButton } from './SignOutButton';
import { mayLeave } from './useUnsaved';

export interface Station {
  readonly name: string;
  readonly href: string;
  /** Pressed after g. */
  readonly key: string;
  /** What there wants a decision; empty when nothing does. */
  readonly calls: string;
  readonly isReached: boolean;
}

interface BenchProps {
  readonly project: { readonly id: string; readonly name: string; readonly shop: string };
  readonly accountName: string;
  readonly stations: readonly Station[];
  readonly children: ReactNode;
}

/** The frame of a project: its name, the tape with the stations, and the station itself. */
export function Bench({ project, accountName, stations, children }: BenchProps) {
  const [showsKeys, setShowsKeys] = useState(false);
  useStationKeys(stations, () => setShowsKeys(true));
  return (
    <Box sx={{ pb: { xs: 9, md: 4 } }}>
      <Box
        component="a"
        href="#station"
        className="no-print"
        sx={{
          position: 'absolute',
          left: -9999,
          '&:focus': { left: 8, top: 8, zIndex: 10, bgcolor: 'background.paper', p: 1 },
        }}
      >
        Skip to the work
      </Box>
      <Box
        component="header"
        className="no-print"
        sx={{ maxWidth: 1320, mx: 'auto', px: { xs: 2, md: 3 }, pt: 2 }}
      >
        <Stack
          direction="row"
          sx={{ justifyContent: 'space-between', alignItems: 'baseline', gap: 2, flexWrap: 'wrap' }}
        >
          <Box>
            <Typography
              variant="h1"
              component={Link}
              href={`/p/${project.id}`}
              sx={{ color: 'text.primary', textDecoration: 'none' }}
            >
              {project.name}
            </Typography>
            <Typography component="span" color="textSecondary" sx={{ ml: 1.5 }}>
              {project.shop}
            </Typography>
          </Box>
          <Stack direction="row" spacing={1} sx={{ alignItems: 'center' }}>
            <Typography color="textSecondary" sx={{ display: { xs: 'none', sm: 'block' } }}>
              {accountName}
            </Typography>
            <Button size="small" variant="text" component={Link} href={`/p/${project.id}/people`}>
              People
            </Button>
            <Button size="small" variant="text" component={Link} href={`/p/${project.id}/settings`}>
              Settings
            </Button>
            <Button size="small" variant="text" component={Link} href="/">
              Projects
            </Button>
            <SignOutButton />
          </Stack>
        </Stack>
      </Box>
      <Tape stations={stations} />
      <Box component="main" id="station" sx={{ maxWidth: 1320, mx: 'auto', px: { xs: 2, md: 3 }, pt: 2.5 }}>
        {children}
      </Box>
      <Dialog open={showsKeys} onClose={() => setShowsKeys(false)}>
        <DialogTitle>Keys</DialogTitle>
        <DialogContent>
          <Box
            component="dl"
            sx={{ display: 'grid', gridTemplateColumns: 'auto 1fr', gap: '4px 16px', m: 0, '& dd': { m: 0 } }}
          >
            {stations.map(({ name, key }) => [
              <dt key={`${key}t`}>
                <kbd>g</kbd> <kbd>{key}</kbd>
              </dt>,
              <dd key={`${key}d`}>{name}</dd>,
            ])}
            <dt>
              <kbd>←</kbd> <kbd>→</kbd>
            </dt>
            <dd>step back and on (Order of work)</dd>
            <dt>
              <kbd>Space</kbd>
            </dt>
            <dd>play the steps</dd>
            <dt>
              <kbd>F</kbd>
            </dt>
            <dd>flip front and back</dd>
            <dt>
              <kbd>T</kbd>
            </dt>
            <dd>tails</dd>
            <dt>
              <kbd>O</kbd>
            </dt>
            <dd>papers out</dd>
            <dt>
              <kbd>L</kbd>
            </dt>
            <dd>print</dd>
            <dt>
              <kbd>↑</kbd> <kbd>↓</kbd>
            </dt>
            <dd>
              from patch to patch in a drawing; <kbd>+</kbd> <kbd>−</kbd> <kbd>0</kbd> zoom
            </dd>
            <dt>
              <kbd>1</kbd> <kbd>2</kbd> <kbd>3</kbd> <kbd>4</kbd>
            </dt>
            <dd>pick, place, paint, centre (Workshop)</dd>
            <dt>
              <kbd>R</kbd> <kbd>X</kbd>
            </dt>
            <dd>turn, turn over what is in the hand or picked</dd>
            <dt>
              <kbd>Alt</kbd> + arrows
            </dt>
            <dd>nudge what is picked; with Shift ten times as far</dd>
            <dt>
              <kbd>Ctrl</kbd> + <kbd>Z</kbd>, <kbd>D</kbd>, <kbd>G</kbd>, <kbd>A</kbd>
            </dt>
            <dd>undo, copy, group, pick all; with Shift redo and ungroup</dd>
            <dt>
              <kbd>?</kbd>
            </dt>
            <dd>this list</dd>
          </Box>
        </DialogContent>
      </Dialog>
    </Box>
  );
}

/** The stations as marks along a measuring tape, sewn by a running stitch as far as the work has come. */
function Tape({ stations }: { stations: readonly Station[] }) {
  const path = usePathname();
  const ticks =
    'repeating-linear-gradient(90deg, var(--mui-palette-text-secondary) 0 1px, transparent 1px 12px)';
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
      <Box aria-hidden="true" sx={{ height: 7, background: ticks, opacity: 0.55 }} />
      <Box
        component="ul"
        sx={{ display: 'flex', listStyle: 'none', m: 0, p: 0, maxWidth: 1320, mx: 'auto', px: { md: 3 } }}
      >
        {stations.map((station) => {
          const isHere = path.startsWith(station.href.split('/').slice(0, 4).join('/'));
          return (
            <Box component="li" key={station.name} sx={{ flex: { xs: 1, md: '0 0 210px' } }}>
              <Box
                component={Link}
                href={station.href}
                aria-current={isHere ? 'page' : undefined}
                sx={{
                  display: 'block',
                  height: 58,
                  px: { xs: 0.75, md: 1.5 },
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
                    borderColor: station.isReached ? 'primary.main' : 'transparent',
                  },
                }}
              >
                {station.name}
                <Typography
                  component="span"
                  sx={{
                    display: 'block',
                    fontSize: '0.82rem',
                    fontWeight: 500,
                    color: station.calls ? 'warning.main' : 'text.secondary',
                    minHeight: 18,
                  }}
                >
                  {station.calls}
                </Typography>
              </Box>
            </Box>
          );
        })}
      </Box>
    </Box>
  );
}

/** Time within which the second key of `g b` must follow, ms. */
const CHORD_MS = 1200;

function useStationKeys(stations: readonly Station[], showKeys: () => void): void {
  const router = useRouter();
  useEffect(() => {
    let started = 0;
    const onKey = (event: KeyboardEvent) => {
      const isTyping = (event.target as HTMLElement).closest('input, textarea, select, [contenteditable]');
      if (isTyping || event.ctrlKey || event.metaKey || event.altKey) return;
      if (event.key === '?') return showKeys();
      const chosen = stations.find(({ key }) => key === event.key);
      if (event.timeStamp - started < CHORD_MS && chosen) {
        started = 0;
        event.preventDefault();
        if (mayLeave()) router.push(chosen.href);
      } else started = event.key === 'g' ? event.timeStamp : 0;
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [stations, showKeys, router]);
}
