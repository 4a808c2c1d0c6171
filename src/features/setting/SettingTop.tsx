import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import type { StripShare, PlacedBlock, SetBlock, TopLayout } from '@/core/setting';
import { TopDrawing } from './TopDrawing';
import type { OwnSetting } from './useSetting';

interface SettingTopProps {
  readonly own: OwnSetting;
  readonly layout: TopLayout;
  readonly shares: readonly StripShare[];
  readonly placed: readonly PlacedBlock[];
  readonly blocks: readonly SetBlock[];
  readonly fabrics: readonly string[];
}

/** The top as it is set: press one place and then another to change the two, or choose a block for a place. */
export function SettingTop({ own, layout, shares, placed, blocks, fabrics }: SettingTopProps) {
  const { setting } = own;
  const [picked, setPicked] = useState<number | undefined>();
  const nameOf = (cell: number) => blocks.find((one) => one.id === setting.places[cell])?.name ?? '';
  const stripOf = useMemo(
    () =>
      new Map(
        shares.flatMap(({ cell, strips }) =>
          strips.map(
            (id) => [id, blocks.find((one) => one.id === setting.places[cell])?.name ?? ''] as const,
          ),
        ),
      ),
    [shares, blocks, setting.places],
  );
  const onCell = (cell: number) => {
    if (picked === undefined) return setPicked(cell);
    if (picked !== cell) own.exchange(picked, cell);
    setPicked(undefined);
  };
  return (
    <Box>
      <TopDrawing
        layout={layout}
        placed={placed}
        fabrics={fabrics}
        stripOf={stripOf}
        {...(picked === undefined ? {} : { shownCell: picked, pickedCell: picked })}
        nameOf={nameOf}
        onCell={onCell}
      />
      <Typography variant="body2" color="textSecondary" role="status">
        {picked === undefined
          ? 'Press a block to see its strips; press another place to change the two.'
          : `${nameOf(picked) || `Place ${picked + 1}`} is picked. Press another place to change the two, or the same to put it down.`}
      </Typography>
      {picked !== undefined && (
        <TextField
          select
          label={`Block in place ${picked + 1}`}
          value={setting.places[picked] ?? ''}
          onChange={(event) => own.putBlock(picked, event.target.value === '' ? null : event.target.value)}
          sx={{ maxWidth: 280, mt: 1 }}
        >
          <MenuItem value="">none</MenuItem>
          {blocks.map(({ id, name }) => (
            <MenuItem key={id} value={id}>
              {name}
            </MenuItem>
          ))}
        </TextField>
      )}
    </Box>
  );
}
