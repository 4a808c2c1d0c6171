'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { scaleLinear, sum } from 'd3';
import { useState } from 'react';
import { counted } from '@/core/words';
import type { Maker } from '@/server/makers';
import type { BlockProgress } from '@/server/progress';
import { formatMinutes } from '@/ui/formatMinutes';

interface MakersWallProps {
  readonly blocks: readonly { readonly id: string; readonly name: string }[];
  readonly makers: readonly Maker[];
  readonly progress: readonly BlockProgress[];
  readonly onChooseBlocks: (maker: Maker) => void;
  readonly onNewLink: (maker: Maker) => void;
  readonly onRevoke: (maker: Maker) => void;
  readonly onRemove: (maker: Maker) => void;
}

const LINE_WIDTH = 520;
const LINE_HEIGHT = 34;
/** Names of blocks stand in turn in this many rows, so that they do not run into each other. */
const NAME_ROWS = 3;
const NAME_HEIGHT = 16;

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
  const scale = scaleLinear([0, Math.max(1, sum(hours))], [0, LINE_WIDTH]);
  const starts = hours.map((_, index) => sum(hours.slice(0, index)));
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
              <Box
                component="svg"
                viewBox={`0 0 ${LINE_WIDTH} ${NAME_ROWS * NAME_HEIGHT + 4}`}
                sx={{ width: '100%', minWidth: 380, display: 'block' }}
                aria-label={blocks.map(({ name }) => name).join(', ')}
                role="img"
              >
                {blocks.map(({ id, name }, index) => (
                  <text
                    key={id}
                    x={index === blocks.length - 1 ? LINE_WIDTH : scale(starts[index] ?? 0)}
                    textAnchor={index === blocks.length - 1 && index > 0 ? 'end' : 'start'}
                    y={NAME_HEIGHT * ((index % NAME_ROWS) + 1) - 2}
                    fontSize={15}
                    fill="currentColor"
                  >
                    {name}
                  </text>
                ))}
              </Box>
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
            const done = sum(own, (entry) => entry?.done ?? 0);
            const total = sum(own, (entry) => entry?.total ?? 0);
            const stuck = own.find((entry) => entry?.stuckOn);
            const left = sum(own, (entry) => (entry?.totalMinutes ?? 0) - (entry?.doneMinutes ?? 0));
            return (
              <tr key={maker.id} data-maker={maker.name}>
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
                  <svg
                    viewBox={`0 0 ${LINE_WIDTH} ${LINE_HEIGHT}`}
                    width="100%"
                    role="img"
                    aria-label={own
                      .map((entry, i) =>
                        entry
                          ? `${blocks[i]?.name} ${entry.done} of ${counted(entry.total, 'step')}`
                          : `${blocks[i]?.name} not sewn`,
                      )
                      .join(', ')}
                  >
                    {own.map((entry, index) => {
                      if (!entry) return null;
                      const [from, to] = [
                        scale(starts[index] ?? 0) + 2,
                        scale((starts[index] ?? 0) + (hours[index] ?? 0)) - 6,
                      ];
                      const share = entry.totalMinutes === 0 ? 0 : entry.doneMinutes / entry.totalMinutes;
                      const colour = entry.stuckOn ? 'error' : share >= 0.999 ? 'success' : 'primary';
                      return (
                        <g key={entry.blockId}>
                          <path
                            d={`M${from} 17H${to}`}
                            stroke="var(--mui-palette-divider)"
                            strokeWidth={1.5}
                          />
                          <path
                            d={`M${from} 11V23M${to} 11V23`}
                            stroke="var(--mui-palette-text-secondary)"
                            strokeWidth={1}
                          />
                          {share > 0 && (
                            <path
                              d={`M${from} 17H${from + (to - from) * share}`}
                              stroke={`var(--mui-palette-${colour}-main)`}
                              strokeWidth={6}
                              strokeDasharray="9 3"
                            />
                          )}
                        </g>
                      );
                    })}
                  </svg>
                </td>
                <td style={{ whiteSpace: 'nowrap' }}>
                  {done} of {total}
                  <Box
                    component="span"
                    sx={{ display: 'block', color: 'text.secondary', fontSize: '0.82rem' }}
                  >
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
                    onClick={(event) => setMenu({ maker, anchor: event.currentTarget })}
                  >
                    {sewnBy(maker, blocks)}, {maker.hasLink ? 'link in force' : 'no link'}
                  </Button>
                </td>
              </tr>
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

function sewnBy({ skips }: Maker, blocks: MakersWallProps['blocks']): string {
  const sewn = blocks.filter(({ id }) => !skips.includes(id)).length;
  return sewn === blocks.length ? 'all blocks' : `${sewn} of ${counted(blocks.length, 'block')}`;
}
