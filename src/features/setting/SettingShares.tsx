import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import { useMemo } from 'react';
import { formatLength, type UnitSystem } from '@/core/length';
import { blockJoints, type StripShare, type PlacedBlock, type Setting, type TopLayout } from '@/core/setting';
import { counted } from '@/core/words';
import { Choice } from '@/ui/Choice';
import { fitNotes } from './fitNotes';
import { ShareTable } from './ShareTable';
import { StripSizes } from './StripSizes';
import type { OwnSetting } from './useSetting';

interface SettingSharesProps {
  readonly own: OwnSetting;
  readonly layout: TopLayout;
  readonly shares: readonly StripShare[];
  readonly leftOver: readonly string[];
  readonly placed: readonly PlacedBlock[];
  readonly nameOf: (cell: number) => string;
  readonly system: UnitSystem;
}

/** Which strips go with which block, seams between blocks that meet, and what does not fit. */
export function SettingShares({ own, layout, shares, leftOver, placed, nameOf, system }: SettingSharesProps) {
  const { setting, change } = own;
  const isTop = setting.joint === 'sashing';
  const joints = useMemo(
    () => (setting.joint === 'edge-to-edge' ? blockJoints(placed) : []),
    [setting.joint, placed],
  );
  const notes = fitNotes(placed, setting, system);
  return (
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
  );
}

function movedOrder(order: readonly string[], from: number, by: number): string[] {
  const next = [...order];
  const [one] = next.splice(from, 1);
  if (one !== undefined) next.splice(from + by, 0, one);
  return next;
}
