'use client';
import Box from '@mui/material/Box';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import type { ReactNode } from 'react';
import { sewersOf } from '@/core/bags';
import { counted } from '@/core/words';
import type { Kit } from '@/server/bags';
import type { Maker } from '@/server/makers';
import type { BlockProgress } from '@/server/progress';

interface TodayProps {
  readonly projectId: string;
  readonly blocks: readonly { readonly id: string; readonly name: string; readonly problems: number }[];
  readonly makers: readonly Maker[];
  readonly kits: readonly Kit[];
  readonly progress: readonly BlockProgress[];
}

/** What wants a decision now: bags not packed, makers who are stuck, drawings with problems. Each leads to its place. */
export function Today({ projectId, blocks, makers, kits, progress }: TodayProps) {
  const base = `/p/${projectId}`;
  const stuck = progress.filter(({ stuckOn }) => stuckOn !== undefined);
  const nameOf = (list: readonly { id: string; name: string }[], id: string) =>
    list.find((entry) => entry.id === id)?.name ?? '';
  const unpacked = blocks.map((block) => {
    const own = sewersOf(block.id, makers);
    const ready = own.filter(({ id }) =>
      kits.some((kit) => kit.blockId === block.id && kit.makerId === id && kit.status !== 'to-pack'),
    );
    return { ...block, bags: own.length, left: own.length - ready.length };
  });
  const items: ReactNode[] = [
    ...(blocks.length === 0
      ? [
          <Item
            key="first"
            href={`${base}/blocks/new`}
            what="Bring in the first block drawing"
            why="Everything else (bags, order of work, makers’ pages) is worked out from it."
          />,
        ]
      : []),
    ...(makers.length === 0
      ? [
          <Item
            key="makers"
            href={`${base}/makers`}
            what="Add the makers"
            why="One bag per block is packed for each, and each gets a personal link."
          />,
        ]
      : []),
    ...stuck.map(({ makerId, blockId, stuckOn }) => (
      <Item
        key={`s${makerId}${blockId}`}
        tone="error.main"
        href={`${base}/makers`}
        what={`${nameOf(makers, makerId)} is stuck on ${nameOf(blocks, blockId)}`}
        why={stuckOn ?? ''}
      />
    )),
    ...blocks
      .filter(({ problems }) => problems > 0)
      .map(({ id, name, problems }) => (
        <Item
          key={`p${id}`}
          tone="warning.main"
          href={`${base}/blocks/${id}`}
          what={`${name}: ${problems} ${problems === 1 ? 'problem' : 'problems'} in the drawing`}
          why="See the place on the drawing."
        />
      )),
    ...unpacked
      .filter(({ left }) => left > 0)
      .map(({ id, name, left, bags }) => (
        <Item
          key={`b${id}`}
          tone="warning.main"
          href={`${base}/bags`}
          what={`${name}: ${left} of ${counted(bags, 'bag')} to pack`}
          why="The pick list adds up what they take."
        />
      )),
  ];
  return (
    <Box>
      <Typography variant="h2" sx={{ mb: 1.5 }}>
        Today
      </Typography>
      {items.length === 0 ? (
        <Typography>Nothing wants a decision: all bags are packed and nobody is stuck.</Typography>
      ) : (
        <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0, display: 'grid', gap: 1 }}>
          {items}
        </Box>
      )}
    </Box>
  );
}

function Item({
  href,
  what,
  why,
  tone = 'primary.main',
}: {
  href: string;
  what: string;
  why: string;
  tone?: string;
}) {
  return (
    <Paper component="li" sx={{ borderLeft: '4px solid', borderLeftColor: tone }}>
      <Box
        component={Link}
        href={href}
        sx={{ display: 'block', px: 2, py: 1.25, color: 'text.primary', textDecoration: 'none' }}
      >
        <strong>{what}</strong>
        <Typography color="textSecondary">{why}</Typography>
      </Box>
    </Paper>
  );
}
