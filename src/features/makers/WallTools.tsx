import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { counted } from '@/core/words';
import type { MakerGroup } from '@/server/makers';
import { Choice } from '@/ui/Choice';
import { ALL, NONE, SHOWS, SORTS, shareOf, type WallChoice, type WallLineOf } from './wallView';

export interface WallDrop {
  readonly id: string;
  readonly title: string;
  readonly blocks: readonly string[];
}

interface WallToolsProps {
  readonly choice: WallChoice;
  readonly onChoice: (choice: WallChoice) => void;
  readonly groups: readonly MakerGroup[];
  readonly drops: readonly WallDrop[];
  /** Lines that are shown, over all blocks. */
  readonly lines: readonly WallLineOf[];
}

/** What of the wall is looked at: whom, which drop, in which order; and the drops side by side. */
export function WallTools({ choice, onChoice, groups, drops, lines }: WallToolsProps) {
  const set = (more: Partial<WallChoice>) => onChoice({ ...choice, ...more });
  return (
    <Box className="no-print" sx={{ mb: 1.5 }}>
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(170px, 1fr))', gap: 1.5, mb: 1 }}>
        <Choice label="Show" value={choice.show} choices={SHOWS} onChange={(show) => set({ show: show as WallChoice['show'] })} />
        <Choice label="Order" value={choice.sort} choices={SORTS} onChange={(sort) => set({ sort: sort as WallChoice['sort'] })} />
        {groups.length > 0 && (
          <Choice label="Group" value={choice.group} choices={[[ALL, 'all groups'], ...groups.map(({ id, name }) => [id, name] as const), [NONE, 'in no group']]} onChange={(group) => set({ group })} />
        )}
        {drops.length > 0 && (
          <Choice label="Drop" value={choice.drop} choices={[[ALL, 'all blocks'], ...drops.map(({ id, title }) => [id, title] as const)]} onChange={(drop) => set({ drop })} />
        )}
      </Box>
      <Typography color="textSecondary" role="status">
        {counted(lines.length, 'maker')}
        {drops.length > 1 && `. Sewn of each drop: ${drops.map(({ title, blocks }) => `${title} ${Math.round(100 * shareOf(lines, new Set(blocks)))} %`).join(', ')}`}
      </Typography>
    </Box>
  );
} // prettier-ignore
