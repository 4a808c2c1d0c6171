'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { sum } from 'd3';
import { useState } from 'react';
import { counted } from '@/core/words';
import type { Maker } from '@/server/makers';
import type { BlockProgress } from '@/server/progress';
import { formatMinutes } from '@/ui/formatMinutes';
import { WallLine, WallNames, wallScale, type WallScale } from './WallLine';

interface MakersWallProps {
  readonly blocks: readonly { readonly id: string; readonly name: string }[];
  readonly makers: readonly Maker[];
  readonly progress: readonly BlockProgress[];
  readonly onChooseBlocks: (maker: Maker) => void;
  readonly onNewLink: (maker: Maker) => void;
  readonly onRevoke: (maker: Maker) => void;
  readonly onRemove: (maker: Maker) => void;
}

/** One line per maker, sewn as far as they have come; blocks lie along it by their hours. */
export function MakersWall({
  blocks,
  makers,
  progress,
  onChooseBlocks,
  onNewLink,
  onRevoke,
  onRemove,
}: MakersWallProps) {
  const [menu, setMenu] = useState<{ maker: Maker; anchor: HTMLElement } | undefined>();
  const of = (makerId: string, blockId: string) =>
    progress.find((entry) => entry.makerId === makerId && entry.blockId === blockId);
  const hours = blocks.map(({ id }) => progress.find(({ blockId }) => blockId === id)?.totalMinutes ?? 0);
  const scale = wallScale(hours);
  const choose = (action: (maker: Maker) => void) => () => {
    if (menu) action(menu.maker);
    setMenu(undefined);
  };
  return (
    <Box sx={{ overflowX: 'auto', border: 1, borderColor: 'divider', bgcolor: 'background.paper', mb: 2 }}>
      <Box
        component="table"
        sx={{
          borderCollapse: 'collapse',
          width: '100%',
          '& td, & th': { px: 1.25, py: 0.25, textAlign: 'left', fontWeight: 500 },
          '& tr': { borderBottom: '1px solid', borderColor: 'divider' },
        }}
      >
        <thead>
          <tr>
            <th scope="col">Maker</th>
            <th scope="col">
              <WallNames blocks={blocks} scale={scale} />
            </th>
            <th scope="col">Done</th>
            <th scope="col">
              <span className="no-print">Blocks and link</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {makers.map((maker) => {
            const own = blocks.map(({ id }) => of(maker.id, id));
            return (
              <WallRow
                key={maker.id}
                maker={maker}
                blocks={blocks}
                own={own}
                scale={scale}
                onMenu={(anchor) => setMenu({ maker, anchor })}
              />
            );
          })}
        </tbody>
      </Box>
      <Menu open={menu !== undefined} anchorEl={menu?.anchor ?? null} onClose={() => setMenu(undefined)}>
        <MenuItem onClick={choose(onChooseBlocks)}>Choose the blocks that they sew</MenuItem>
        <MenuItem onClick={choose(onNewLink)}>Give a new link (the old one stops)</MenuItem>
        <MenuItem onClick={choose(onRevoke)} disabled={!menu?.maker.hasLink}>
          Revoke the link
        </MenuItem>
        <MenuItem onClick={choose(onRemove)}>Take out of the project</MenuItem>
      </Menu>
    </Box>
  );
}

interface WallRowProps {
  readonly maker: Maker;
  readonly blocks: MakersWallProps['blocks'];
  readonly own: readonly (BlockProgress | undefined)[];
  readonly scale: WallScale;
  readonly onMenu: (anchor: HTMLElement) => void;
}

/** One maker: where they are stuck, their line, what is left, and their menu. */
function WallRow({ maker, blocks, own, scale, onMenu }: WallRowProps) {
  const done = sum(own, (entry) => entry?.done ?? 0);
  const total = sum(own, (entry) => entry?.total ?? 0);
  const stuck = own.find((entry) => entry?.stuckOn);
  const left = sum(own, (entry) => (entry?.totalMinutes ?? 0) - (entry?.doneMinutes ?? 0));
  return (
    <tr data-maker={maker.name}>
      <th scope="row">
        {maker.name}
        {stuck && (
          <Box
            component="span"
            title={stuck.stuckOn}
            sx={{ display: 'block', color: 'error.main', fontSize: '0.82rem' }}
          >
            stuck on {blocks.find(({ id }) => id === stuck.blockId)?.name}
          </Box>
        )}
      </th>
      <td>
        <WallLine blocks={blocks} own={own} scale={scale} />
      </td>
      <td style={{ whiteSpace: 'nowrap' }}>
        {done} of {total}
        <Box component="span" sx={{ display: 'block', color: 'text.secondary', fontSize: '0.82rem' }}>
          {left > 0.5 ? `about ${formatMinutes(left)} left` : 'all done'}
        </Box>
      </td>
      <td>
        <Button
          className="no-print"
          size="small"
          variant="text"
          aria-haspopup="menu"
          aria-label={`Blocks and link of ${maker.name}`}
          onClick={(event) => onMenu(event.currentTarget)}
        >
          {sewnBy(maker, blocks)}, {maker.hasLink ? 'link in force' : 'no link'}
        </Button>
      </td>
    </tr>
  );
}

function sewnBy({ skips }: Maker, blocks: MakersWallProps['blocks']): string {
  const sewn = blocks.filter(({ id }) => !skips.includes(id)).length;
  return sewn === blocks.length ? 'all blocks' : `${sewn} of ${counted(blocks.length, 'block')}`;
}
