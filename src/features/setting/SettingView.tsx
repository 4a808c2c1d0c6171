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
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { formatLength, type UnitSystem } from '@/core/length';
import { blockJoints, placeBlocks, shareStrips, type SetBlock, type Setting } from '@/core/setting';
import { record, redo, startHistory, undo } from '@/core/workshop';
import { send } from '@/ui/api';
import { ErrorNote } from '@/ui/ErrorNote';
import { useNotice } from '@/ui/Notices';
import { useSend } from '@/ui/useSend';
import { FIGURES, readSettingForm, typedFromSetting, withPlaces, type TypedSetting } from './settingForm';
import { ShareTable } from './ShareTable';
import { TopDrawing } from './TopDrawing';

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
  const router = useRouter();
  const notice = useNotice();
  const [history, setHistory] = useState(() => startHistory(initial));
  const setting = history.present;
  const [typed, setTyped] = useState(() => typedFromSetting(initial, system));
  const [saved, setSaved] = useState({ setting: initial, revision });
  const [picked, setPicked] = useState<number | undefined>();
  const { error, isBusy, run } = useSend();
  const [fault, setFault] = useState<{ what: string; mend: string; where: string } | undefined>();

  const change = (next: Setting) => {
    setHistory((own) => record(own, next, 'setting'));
    setTyped(typedFromSetting(next, system));
    setFault(undefined);
  };
  const step = (go: typeof undo<Setting>) => {
    const next = go(history);
    setHistory(next);
    setTyped(typedFromSetting(next.present, system));
    setFault(undefined);
  };
  const type = (name: keyof TypedSetting, text: string) => {
    const next = { ...typed, [name]: text };
    setTyped(next);
    const reading = readSettingForm(setting, next, system);
    setFault(reading.fault);
    if (reading.setting) setHistory((own) => record(own, reading.setting as Setting, `type ${name}`, true));
  };
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
    if (picked !== cell) {
      const places = [...setting.places];
      [places[picked], places[cell]] = [places[cell] ?? null, places[picked] ?? null];
      change({ ...setting, places });
    }
    setPicked(undefined);
  };
  const save = () =>
    run(async () => {
      const answer = await send<{ revision: number }>('PUT', `/api/projects/${projectId}/setting`, {
        setting,
        revision: saved.revision,
      });
      setSaved({ setting, revision: answer.revision });
      notice({ text: 'The setting is saved.' });
      router.refresh();
    });
  const theirs = error?.status === 409 ? newerSetting(error.current) : undefined;
  const notes = fitNotes(placed, setting, system);
  const isTop = setting.joint === 'sashing';
  return (
    <Stack spacing={1.5}>
      <Stack direction="row" sx={{ justifyContent: 'space-between', flexWrap: 'wrap', gap: 1 }}>
        <Typography variant="h2">
          Setting: {formatLength(layout.widthMm, system)} × {formatLength(layout.heightMm, system)} finished
        </Typography>
        <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap' }}>
          <Button disabled={history.past.length === 0} onClick={() => step(undo)}>
            Undo
          </Button>
          <Button disabled={history.future.length === 0} onClick={() => step(redo)}>
            Redo
          </Button>
          <Button
            variant="contained"
            disabled={isBusy || fault !== undefined || setting === saved.setting}
            onClick={save}
          >
            {setting === saved.setting ? 'Saved' : 'Save the setting'}
          </Button>
        </Stack>
      </Stack>
      <ErrorNote error={error} />
      {theirs && (
        <Button
          sx={{ alignSelf: 'flex-start' }}
          onClick={() => {
            // Theirs becomes what is shown; undo brings mine back, to be saved over theirs or not.
            change(withPlaces(theirs.setting, setting));
            setSaved(theirs);
          }}
        >
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
          {FIGURES.filter(([name]) => isTop || name !== 'sashMm').map(([name, label]) => (
            <TextField
              key={name}
              label={label}
              value={typed[name]}
              error={fault?.where === name}
              onChange={(event) => type(name, event.target.value)}
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
              onChange={(event) => {
                const places = [...setting.places];
                places[picked] = event.target.value === '' ? null : event.target.value;
                change({ ...setting, places });
              }}
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
                onMove={(from, by) =>
                  change({
                    ...setting,
                    making: movedOrder(
                      shares.map(({ cell }) => setting.places[cell] as string),
                      from,
                      by,
                    ),
                  })
                }
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
              {nameOf(a)} to {nameOf(b)}: {formatLength(lengthMm, system)} of seam; {patches.length} papers
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

function newerSetting(current: unknown): { setting: Setting; revision: number } | undefined {
  const newer = current as { setting?: Setting; revision?: number } | undefined;
  return newer?.setting && newer.revision !== undefined
    ? { setting: newer.setting, revision: newer.revision }
    : undefined;
}

interface ChoiceProps {
  readonly label: string;
  readonly value: string;
  readonly choices: readonly (readonly [string, string])[];
  readonly onChange: (value: string) => void;
}

function Choice({ label, value, choices, onChange }: ChoiceProps) {
  return (
    <TextField select label={label} value={value} onChange={(event) => onChange(event.target.value)}>
      {choices.map(([own, text]) => (
        <MenuItem key={own} value={own}>
          {text}
        </MenuItem>
      ))}
    </TextField>
  );
}

function movedOrder(order: readonly string[], from: number, by: number): string[] {
  const next = [...order];
  const [one] = next.splice(from, 1);
  if (one !== undefined) next.splice(from + by, 0, one);
  return next;
}

/** What each size of strip is and how many of it the whole top takes. */
function StripSizes({
  setting,
  counts,
  system,
}: {
  setting: Setting;
  counts: readonly { kind: string; width: number; height: number }[];
  system: UnitSystem;
}) {
  const sizes = new Map<string, number>();
  for (const { kind, width, height } of counts) {
    const size = `${kind === 'cornerstone' ? 'cornerstones' : 'strips'} ${formatLength(Math.min(width, height), system)} × ${formatLength(Math.max(width, height), system)}`;
    sizes.set(size, (sizes.get(size) ?? 0) + 1);
  }
  return (
    <Typography>
      In all, finished: {[...sizes].map(([size, count]) => `${count} ${size}`).join('; ')}
      {setting.borderMm > 0 ? `; border ${formatLength(setting.borderMm, system)} all round` : ''}.
    </Typography>
  );
}

/** Which blocks do not fill their place, and what that asks for. */
function fitNotes(placed: ReturnType<typeof placeBlocks>, setting: Setting, system: UnitSystem): string[] {
  return placed.flatMap(({ block, spareWidthMm, spareHeightMm, cell }) => {
    const half = setting.layout === 'offset' && spareWidthMm < -1;
    const least = Math.min(spareWidthMm, spareHeightMm);
    if (half) return [`${block.name} in place ${cell + 1}: half of it shows; make a half block, or cut one.`];
    if (least < -0.5)
      return [
        `${block.name} is ${formatLength(-2 * least, system)} larger than its place: make the places larger.`,
      ];
    if (Math.max(spareWidthMm, spareHeightMm) > 0.5)
      return [
        `${block.name} leaves ${formatLength(spareWidthMm, system)} beside and ${formatLength(spareHeightMm, system)} above: appliqué it to a background.`,
      ];
    return [];
  });
}
