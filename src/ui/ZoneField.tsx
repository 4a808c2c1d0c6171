import TextField from '@mui/material/TextField';
import { useId } from 'react';

interface ZoneFieldProps {
  readonly value: string;
  readonly helperText?: string;
  readonly onChange: (zone: string) => void;
}

/** The name of a time zone, with those that there are to choose from. */
export function ZoneField({ value, helperText, onChange }: ZoneFieldProps) {
  const list = useId();
  return (
    <>
      <TextField
        label="Time zone"
        value={value}
        helperText={helperText}
        onChange={({ target }) => onChange(target.value)}
        slotProps={{ htmlInput: { list, maxLength: 60 } }}
      />
      <datalist id={list}>
        {Intl.supportedValuesOf('timeZone').map((zone) => (
          <option key={zone} value={zone} />
        ))}
      </datalist>
    </>
  );
}
