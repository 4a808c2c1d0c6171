'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ListSubheader from '@mui/material/ListSubheader';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { sum } from 'd3';
import { memo, useState } from 'react';
import { counted } from '@/core/words';
import type { Maker, MakerGroup } from '@/server/makers';
import type { BlockProgress } from '@/server/progress';
import { formatMinutes } from '@/ui/formatMinutes';
import { useVisibleRows } from '@/ui/useVisibleRows';
import { WallLine, WallNames, wallScale, type WallScale } from './WallLine';
import { minutesLeft, type WallLineOf } from './wallView';

/** A row is about so high, px. */
const ROW_PX = 62;

type Blocks = readonly { readonly id: string; readonly name: string }[];

interface MakersWallProps {
  readonly blocks: Blocks;
  readonly lines: readonly WallLineOf[];
  readonly progress: readonly BlockProgress[];
  readonly groups: readonly MakerGroup[];
  /** What can be done with a maker, in the order of the menu. */
  readonly ways: readonly MakerWay[];
  /** A block’s units are looked at. */
  readonly onBlock: (blockId: string) => void;
}

export interface MakerWay {
  readonly name: string;
  readonly run: (maker: Maker) => void;
  readonly isOff?: (maker: Maker) => boolean;
}

/** One line per maker, sewn as far as they have come; blocks lie along it by their hours. */
export function MakersWall({ blocks, lines, progress, groups, ways, onBlock }: MakersWallProps) {
  const [menu, setMenu] = useState<{ maker: Maker; anchor: HTMLElement } | undefined>();
  const minutes = new Map(progress.map(({ blockId, totalMinutes }) => [blockId, totalMinutes]));
  const { scroller, isLong, indices, beforePx, afterPx, measure } = useVisibleRows(lines.length, ROW_PX);
  const scale = wallScale(blocks.map(({ id }) => minutes.get(id) ?? 0));
  return (
    <Box
      ref={scroller}
      sx={{
        overflow: 'auto',
        maxHeight: isLong ? '80vh' : 'none',
        border: 1,
        borderColor: 'divider',
        bgcolor: 'background.paper',
        mb: 2,
      }}
    >
      <Box
        component="table"
        aria-rowcount={lines.length + 1}
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
              <WallNames blocks={blocks} scale={scale} onBlock={onBlock} />
            </th>
            <th scope="col">Done</th>
            <th scope="col">
              <span className="no-print">Blocks and link</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {beforePx > 0 && <tr aria-hidden style={{ height: beforePx }} />}
          {indices
            .map((index) => lines[index])
            .map(
              (line, at) =>
                line && (
                  <WallRow
                    key={line.maker.id}
                    index={indices[at] ?? 0}
                    measure={measure}
                    line={line}
                    blocks={blocks}
                    scale={scale}
                    group={groups.find(({ id }) => id === line.maker.groupId)?.name}
                    onMenu={(anchor) => setMenu({ maker: line.maker, anchor })}
                  />
                ),
            )}
          {afterPx > 0 && <tr aria-hidden style={{ height: afterPx }} />}
        </tbody>
      </Box>
      <Menu open={menu !== undefined} anchorEl={menu?.anchor ?? null} onClose={() => setMenu(undefined)}>
        <ListSubheader aria-hidden="true">{menu?.maker.name}</ListSubheader>
        {ways.map(({ name, run, isOff }) => (
          <MenuItem
            key={name}
            disabled={menu !== undefined && (isOff?.(menu.maker) ?? false)}
            onClick={() => {
              if (menu) run(menu.maker);
              setMenu(undefined);
            }}
          >
            {name}
          </MenuItem>
        ))}
      </Menu>
    </Box>
  );
}

interface WallRowProps {
  readonly index: number;
  readonly measure: ((row: HTMLTableRowElement | null) => void) | undefined;
  readonly line: WallLineOf;
  readonly blocks: Blocks;
  readonly scale: WallScale;
  readonly group: string | undefined;
  readonly onMenu: (anchor: HTMLElement) => void;
}

const SMALL = { display: 'block', fontSize: '0.82rem' } as const;

/** One maker: where they are stuck or why they are behind, their line, what is left, and their menu. */
function Row({ index, measure, line, blocks, scale, group, onMenu }: WallRowProps) {
  const { maker, own, keeping } = line;
  const done = sum(own, (entry) => entry?.done ?? 0);
  const total = sum(own, (entry) => entry?.total ?? 0);
  const stuck = own.find((entry) => entry?.stuckOn);
  const left = minutesLeft(line);
  const isBehind = !maker.isPaused && (keeping?.state === 'stalled' || keeping?.state === 'slipping');
  return (
    <tr data-maker={maker.name} data-index={index} aria-rowindex={index + 2} ref={measure}>
      <th scope="row">
        {maker.name}
        {(group || maker.isPaused || maker.sets > 1) && (
          <Box component="span" sx={{ ...SMALL, color: 'text.secondary' }}>
            {[group, maker.isPaused ? 'pausing' : undefined, maker.sets > 1 ? counted(maker.sets, 'set') : undefined].filter(Boolean).join(', ')}
          </Box>
        )}
        {stuck && (
          <Box component="span" title={stuck.stuckOn} sx={{ ...SMALL, color: 'error.main' }}>
            stuck on {blocks.find(({ id }) => id === stuck.blockId)?.name}
          </Box>
        )}
        {isBehind && (
          <Box component="span" sx={{ ...SMALL, color: keeping.state === 'stalled' ? 'error.main' : 'warning.main', maxWidth: 230 }}>
            {keeping.state === 'stalled' ? '■ stalled' : '▼ slipping'}: {keeping.reason}
          </Box>
        )}
      </th>
      <td>
        <WallLine blocks={blocks} own={own} scale={scale} />
      </td>
      <td style={{ whiteSpace: 'nowrap' }}>
        {done} of {total}
        <Box component="span" sx={{ ...SMALL, color: 'text.secondary' }}>
          {left > 0.5 ? `about ${formatMinutes(left)} left` : 'all done'}
        </Box>
      </td>
      <td>
        <Button className="no-print" size="small" variant="text" aria-haspopup="menu" aria-label={`Blocks and link of ${maker.name}`} onClick={(event) => onMenu(event.currentTarget)}>
          {sewnBy(maker, blocks)}, {maker.hasLink ? 'link in force' : 'no link'}
        </Button>
      </td>
    </tr>
  );
} // prettier-ignore

/** Drawn anew only when its own maker’s figures change: a tick repaints one row. */
const WallRow = memo(Row, (a, b) => JSON.stringify([a.line, a.group, a.blocks, a.index]) === JSON.stringify([b.line, b.group, b.blocks, b.index])); // prettier-ignore

function sewnBy({ skips }: Maker, blocks: Blocks): string {
  const sewn = blocks.filter(({ id }) => !skips.includes(id)).length;
  return sewn === blocks.length ? 'all blocks' : `${sewn} of ${counted(blocks.length, 'block')}`;
}
