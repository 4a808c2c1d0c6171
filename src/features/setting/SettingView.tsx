'use client';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { counted } from '@/core/words';
import { formatLength, type UnitSystem } from '@/core/length';
import { blockJoints, placeBlocks, shareStrips, type SetBlock, type Setting } from '@/core/setting';
import { Choice } from '@/ui/Choice';
import { ErrorNote } from '@/ui/ErrorNote';
import { fitNotes } from './fitNotes';
import { FIGURES, withPlaces } from './settingForm';
import { ShareTable } from './ShareTable';
import { StripSizes } from './StripSizes';
import { TopDrawing } from './TopDrawing';
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
  const { setting, change, typed, fault } = own;
  const [picked, setPicked] = useState<number | undefined>();
  const nameOfBlock = (id: string | null | undefined) => blocks.find((one) => one.id === id)?.name ?? '';
  const { layout, shares, leftOver } = useMemo(() => shareStrips(setting), [setting]);
  const placed = useMemo(() => placeBlocks(setting, blocks), [setting, blocks]);
  const joints = useMemo(
    () => (setting.joint === 'edge-to-edge' ? blockJoints(placed) : []),
    [setting.joint, placed],
  );
  const nameOf = (cell: number) => nameOfBlock(setting.places[cell]);
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
  const notes = fitNotes(placed, setting, system);
  const isTop = setting.joint === 'sashing';
  return (
    <Stack spacing={1.5}>
      <Stack direction="row" sx={{ justifyContent: 'space-between', flexWrap: 'wrap', gap: 1 }}>
        <Typography variant="h2">
          Setting: {formatLength(layout.widthMm, system)} × {formatLength(layout.heightMm, system)} finished
        </Typography>
        <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap' }}>
          <Button disabled={!own.undo} onClick={own.undo}>
            Undo
          </Button>
          <Button disabled={!own.redo} onClick={own.redo}>
            Redo
          </Button>
          <Button variant="contained" disabled={!own.canSave} onClick={own.save}>
            {own.isSaved ? 'Saved' : own.canSave ? 'Save now' : 'Saving …'}
          </Button>
        </Stack>
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
        <Stack spacing={1.25}>
          <Choice
            label="How the rows lie"
            value={setting.layout}
            choices={[
              ['grid', 'even'],
              ['offset', 'every second one set off by half a block'],
            ]}
            onChange={(value) => {
              const next = { ...setting, layout: value as Setting['layout'] };
              if (next.layout === 'offset' && next.columns < 2) return;
              change(withPlaces(next, setting));
            }}
          />
          <Choice
            label="Between the blocks"
            value={setting.joint}
            choices={[
              ['sashing', 'sashing'],
              ['edge-to-edge', 'nothing: edge to edge'],
            ]}
            onChange={(value) => change({ ...setting, joint: value as Setting['joint'] })}
          />
          {FIGURES.filter(({ name }) => isTop || name !== 'sashMm').map(({ name, label }) => (
            <TextField
              key={name}
              label={label}
              value={typed[name]}
              error={fault?.where === name}
              onChange={(event) => own.type(name, event.target.value)}
            />
          ))}
          <ErrorNote error={fault} />
          {isTop && (
            <FormControlLabel
              control={
                <Switch
                  checked={setting.hasCornerstones && setting.layout === 'grid'}
                  disabled={setting.layout === 'offset'}
                  onChange={(_, is) => change({ ...setting, hasCornerstones: is })}
                />
              }
              label="Cornerstones"
            />
          )}
        </Stack>
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
              onChange={(event) =>
                own.putBlock(picked, event.target.value === '' ? null : event.target.value)
              }
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
        <Stack spacing={1.5}>
          {isTop && (
            <>
              <Choice
                label="A strip between two blocks goes to"
                value={setting.school}
                choices={[
                  ['first', 'the one made first'],
                  ['later', 'the one made later'],
                ]}
                onChange={(value) => change({ ...setting, school: value as Setting['school'] })}
              />
              <ShareTable
                shares={shares}
                leftOver={leftOver}
                nameOf={nameOf}
                onMove={(from, by) => {
                  const making = shares.flatMap(({ cell }) => setting.places[cell] ?? []);
                  change({ ...setting, making: movedOrder(making, from, by) });
                }}
              />
              <StripSizes setting={setting} counts={layout.strips} system={system} />
            </>
          )}
          {joints.map(({ cells: [a, b], lengthMm, patches, facing }) => (
            <Alert
              key={`${a}-${b}`}
              severity={facing.length > 0 ? 'warning' : 'info'}
              variant="outlined"
              icon={false}
              sx={{ py: 0 }}
            >
              {nameOf(a)} to {nameOf(b)}: {formatLength(lengthMm, system)} of seam;{' '}
              {counted(patches.length, 'paper')}
              stay in until it is sewn.
              {facing.length > 0 &&
                ` ${[...new Set(facing.map(({ fabric }) => fabric))].join(', ')} meets itself across it.`}
            </Alert>
          ))}
          {notes.length > 0 && (
            <Alert severity="info" variant="outlined" icon={false}>
              <Box component="ul" sx={{ pl: 2, m: 0 }}>
                {notes.map((note) => (
                  <li key={note}>{note}</li>
                ))}
              </Box>
            </Alert>
          )}
        </Stack>
      </Box>
    </Stack>
  );
}

function movedOrder(order: readonly string[], from: number, by: number): string[] {
  const next = [...order];
  const [one] = next.splice(from, 1);
  if (one !== undefined) next.splice(from + by, 0, one);
  return next;
}
