'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import { formatLength, type UnitSystem } from '@/core/length';
import { placeBlocks, shareStrips, type SetBlock, type Setting } from '@/core/setting';
import { ErrorNote } from '@/ui/ErrorNote';
import { SaveButtons } from '@/ui/SaveButtons';
import { SettingFigures } from './SettingFigures';
import { SettingShares } from './SettingShares';
import { SettingTop } from './SettingTop';
import { useSetting } from './useSetting';

interface SettingViewProps {
  readonly projectId: string;
  readonly initial: Setting;
  readonly revision: number;
  readonly blocks: readonly SetBlock[];
  readonly fabrics: readonly string[];
  readonly system: UnitSystem;
}

/** How the blocks are joined into the top, and which strips go with which block for the order in which they are made. */
export function SettingView({ projectId, initial, revision, blocks, fabrics, system }: SettingViewProps) {
  const own = useSetting(projectId, { setting: initial, revision }, system);
  const { setting } = own;
  const { layout, shares, leftOver } = useMemo(() => shareStrips(setting), [setting]);
  const placed = useMemo(() => placeBlocks(setting, blocks), [setting, blocks]);
  const nameOf = (cell: number) => blocks.find((one) => one.id === setting.places[cell])?.name ?? '';
  return (
    <Stack spacing={1.5}>
      <Stack direction="row" sx={{ justifyContent: 'space-between', flexWrap: 'wrap', gap: 1 }}>
        <Typography variant="h2">
          Setting: {formatLength(layout.widthMm, system)} × {formatLength(layout.heightMm, system)} finished
        </Typography>
        <SaveButtons {...own} />
      </Stack>
      <ErrorNote error={own.error} />
      {own.showTheirs && (
        <Button sx={{ alignSelf: 'flex-start' }} onClick={own.showTheirs}>
          Show theirs (undo brings yours back)
        </Button>
      )}
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: '1fr', md: '250px minmax(0, 1fr) 360px' },
          gap: 2,
          alignItems: 'start',
        }}
      >
        <SettingFigures own={own} />
        <SettingTop
          own={own}
          layout={layout}
          shares={shares}
          placed={placed}
          blocks={blocks}
          fabrics={fabrics}
        />
        <SettingShares
          own={own}
          layout={layout}
          shares={shares}
          leftOver={leftOver}
          placed={placed}
          nameOf={nameOf}
          system={system}
        />
      </Box>
    </Stack>
  );
}
