import FormControlLabel from '@mui/material/FormControlLabel';
import Stack from '@mui/material/Stack';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import type { Setting } from '@/core/setting';
import { Choice } from '@/ui/Choice';
import { ErrorNote } from '@/ui/ErrorNote';
import { FIGURES, withPlaces } from './settingForm';
import type { OwnSetting } from './useSetting';

/** The form of a setting: how the rows lie, what is between the blocks, and the sizes. */
export function SettingFigures({ own }: { readonly own: OwnSetting }) {
  const { setting, change, typed, fault } = own;
  const isTop = setting.joint === 'sashing';
  return (
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
  );
}
