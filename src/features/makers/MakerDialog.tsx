'use client';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Maker, MakerChange, MakerGroup } from '@/server/makers';
import { CHOICE_LIMITS } from '@/core/bags';
import { formatLength, parseLength, type UnitSystem } from '@/core/length';
import { Choice } from '@/ui/Choice';
import { NumberField } from '@/ui/NumberField';
import type { Roster } from './useRoster';

interface MakerDialogProps {
  readonly project: { readonly id: string; readonly unitSystem: UnitSystem; readonly allowanceMm: number };
  readonly maker: Maker;
  readonly groups: readonly MakerGroup[];
  readonly roster: Roster;
  readonly onClose: () => void;
}

const NO_GROUP = 'none';

/** One maker: name, group, whether they pause, what their page cautions of, and their own data. */
export function MakerDialog({ project, maker, groups, roster, onClose }: MakerDialogProps) {
  const [name, setName] = useState(maker.name);
  const [groupId, setGroupId] = useState(maker.groupId ?? NO_GROUP);
  const [flags, setFlags] = useState({ isPaused: maker.isPaused, isUnderAge: maker.isUnderAge, travels: maker.travels, isLeftHanded: maker.isLeftHanded });
  const [sets, setSets] = useState(maker.sets);
  const [allowance, setAllowance] = useState(maker.allowanceMm === null ? '' : formatLength(maker.allowanceMm, project.unitSystem));
  const allowanceMm = readAllowance(allowance, project, maker.allowanceMm);
  const [isErasing, setIsErasing] = useState(false);
  const wished: MakerChange = { name: name.trim(), groupId: groupId === NO_GROUP ? null : groupId, ...flags, sets, ...(allowanceMm === undefined ? {} : { allowanceMm }) };
  const changed = Object.fromEntries(Object.entries(wished).filter(([key, value]) => maker[key as keyof MakerChange] !== value)) as MakerChange;
  const saySize = (mm: number) => formatLength(mm, project.unitSystem);
  const save = () => {
    void roster.change(maker, changed, `${wished.name}: changed.`);
    onClose();
  };
  const flag = (key: keyof typeof flags, label: string) => (
    <FormControlLabel control={<Checkbox checked={flags[key]} onChange={(_, is) => setFlags({ ...flags, [key]: is })} />} label={label} />
  );
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="maker-title">
      <DialogTitle id="maker-title">{maker.name}</DialogTitle>
      <DialogContent>
        <Stack spacing={2} sx={{ pt: 1 }}>
          <TextField label="Name" value={name} onChange={({ target }) => setName(target.value)} slotProps={{ htmlInput: { maxLength: 120 } }} />
          <Choice label="Group" value={groupId} choices={[[NO_GROUP, 'in no group'], ...groups.map((group) => [group.id, group.name] as const)]} onChange={setGroupId} />
          <Stack>
            {flag('isPaused', 'Pauses: nobody waits for them or writes to them')}
            {flag('isUnderAge', 'Under age: their page says what needs a grown-up')}
            {flag('travels', 'Sews while travelling: their page says what to ask the carrier')}
            {flag('isLeftHanded', 'Sews with the left hand: their page shows it so')}
          </Stack>
          <Stack direction="row" sx={{ gap: 1.5, alignItems: 'flex-start', flexWrap: 'wrap' }}>
            <NumberField label="Sets of each block" {...CHOICE_LIMITS.sets} isWhole value={sets} hint="a top of each" onChange={setSets} />
            <TextField
              label="Cut with an allowance of"
              value={allowance}
              placeholder={formatLength(project.allowanceMm, project.unitSystem)}
              error={allowanceMm === undefined}
              helperText={allowanceMm === undefined ? `From ${saySize(CHOICE_LIMITS.allowanceMm.least)} to ${saySize(CHOICE_LIMITS.allowanceMm.most)}` : 'empty: as the project'}
              onChange={({ target }) => setAllowance(target.value)}
              slotProps={{ inputLabel: { shrink: true } }}
            />
          </Stack>
          <Typography color="textSecondary">
            Bags, labels, pick lists and the order count each maker’s own; bags that are packed already show that they changed.
          </Typography>
          <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap' }}>
            <Button component="a" href={`/api/projects/${project.id}/makers/${maker.id}`} download>
              All that is known of them, as a file
            </Button>
            <Button color="error" onClick={() => setIsErasing(true)} disabled={isErasing}>
              Erase them
            </Button>
          </Stack>
          {isErasing && (
            <Stack role="alert" spacing={1}>
              <Typography>
                Name, address, link, letters, questions and pictures go for good. Their ticks stay without a name, so that the
                group’s figures stay true. This cannot be undone; “Take out of the project” can.
              </Typography>
              <Button
                color="error"
                variant="contained"
                onClick={() => {
                  void roster.erase(maker);
                  onClose();
                }}
              >
                {`Erase ${maker.name} for good`}
              </Button>
            </Stack>
          )}
        </Stack>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Leave it</Button>
        <Button variant="contained" disabled={Object.keys(changed).length === 0 || wished.name === '' || allowanceMm === undefined} onClick={save}>
          Save
        </Button>
      </DialogActions>
    </Dialog>
  );
} // prettier-ignore

/** Allowances that differ by less are one, mm. */
const SAME_MM = 0.01;

/**
 * The allowance that was typed, mm; null where the field is empty or says the project’s, undefined where it is none or out of bounds. One that still reads as
 * what is kept stays that, to the last digit.
 */
function readAllowance(text: string, { unitSystem: system, allowanceMm: usual }: MakerDialogProps['project'], kept: number | null): number | null | undefined {
  if (text.trim() === '') return null;
  if (kept !== null && text === formatLength(kept, system)) return kept;
  try {
    const mm = parseLength(text, system === 'inch' ? 'in' : 'mm');
    const { least, most } = CHOICE_LIMITS.allowanceMm;
    if (Math.abs(mm - usual) < SAME_MM) return null;
    return mm >= least && mm <= most ? mm : undefined;
  } catch {
    return undefined;
  }
} // prettier-ignore
