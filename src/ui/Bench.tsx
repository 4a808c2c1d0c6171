'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { usePathname, useRouter } from 'next/navigation';
import { useCallback, useEffect, useState, type ReactNode } from 'react';
import useSWR from 'swr';
import type { Badges } from '@/server/badges';
import { HelpDialog } from './HelpDialog';
import { SignOutButton } from './SignOutButton';
import { Tape } from './Tape';
import { read } from './api';
import { STATIONS, placeOf, type Station } from './stations';
import { useCoalesced } from './useCoalesced';
import { useLive } from './useLive';
import { isInField } from './isInField';
import { mayLeave } from './useUnsaved';

interface BenchProps {
  readonly project: { readonly id: string; readonly name: string; readonly shop: string };
  readonly accountName: string;
  readonly badges: Badges;
  /** The block that the order of work opens with, where there is one. */
  readonly firstBlock: string | undefined;
  readonly children: ReactNode;
}

/** The frame of a project: its name, the tape with the stations, and the station itself. */
export function Bench({ project, accountName, badges: initial, firstBlock, children }: BenchProps) {
  const [showsHelp, setShowsHelp] = useState(false);
  const path = usePathname();
  const badges = useBadges(project.id, initial);
  const hrefOf = useCallback(
    ({ key, path: own }: Station) =>
      `/p/${project.id}/${own}${key === 'order' && firstBlock ? `/${firstBlock}` : ''}`,
    [project.id, firstBlock],
  );
  useStationKeys(hrefOf, () => setShowsHelp(true));
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
      <Header project={project} accountName={accountName} onHelp={() => setShowsHelp(true)} />
      <Tape badges={badges} hrefOf={hrefOf} />
      <Box component="main" id="station" sx={{ maxWidth: 1320, mx: 'auto', px: { xs: 2, md: 3 }, pt: 2.5 }}>
        {children}
      </Box>
      <HelpDialog place={showsHelp ? placeOf(path) : undefined} onClose={() => setShowsHelp(false)} />
    </Box>
  );
}

interface HeaderProps extends Pick<BenchProps, 'project' | 'accountName'> {
  readonly onHelp: () => void;
}

function Header({ project, accountName, onHelp }: HeaderProps) {
  return (
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
        <Stack direction="row" sx={{ alignItems: 'center', columnGap: { xs: 0, sm: 1 }, flexWrap: 'wrap' }}>
          <Typography color="textSecondary" sx={{ display: { xs: 'none', sm: 'block' } }}>
            {accountName}
          </Typography>
          <Button size="small" variant="text" onClick={onHelp}>
            Help
          </Button>
          <Button size="small" variant="text" component={Link} href={`/p/${project.id}/logbook`}>
            Logbook
          </Button>
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
  );
}

/** Where much changes at once, they are asked for so often at most, ms. */
const BADGES_MS = 2000;

/** What the stations call for, true at once whoever changes something. */
function useBadges(projectId: string, initial: Badges): Badges {
  const { data = initial, mutate } = useSWR<Badges>(`/api/projects/${projectId}/badges`, read, {
    fallbackData: initial,
    revalidateOnMount: false,
  });
  // A page that was opened or made anew brings newer ones with it.
  useEffect(() => void mutate(initial, { revalidate: false }), [initial, mutate]);
  // A class that ticks at once asks for them at every tick.
  const again = useCoalesced(() => void mutate(), BADGES_MS);
  useLive(projectId, ['progress', 'kits', 'blocks', 'makers', 'calendar', 'settings', 'badges'], again);
  return data;
}

/** Time within which the second key of `g b` must follow, ms. */
const CHORD_MS = 1200;

function useStationKeys(hrefOf: (station: Station) => string, showHelp: () => void): void {
  const router = useRouter();
  useEffect(() => {
    let started = 0;
    const onKey = (event: KeyboardEvent) => {
      if (isInField(event) || event.ctrlKey || event.metaKey || event.altKey) return;
      if (event.key === '?') return showHelp();
      const chosen = STATIONS.find(({ letter }) => letter === event.key);
      if (event.timeStamp - started < CHORD_MS && chosen) {
        started = 0;
        event.preventDefault();
        if (mayLeave()) router.push(hrefOf(chosen));
      } else started = event.key === 'g' ? event.timeStamp : 0;
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [hrefOf, showHelp, router]);
}
