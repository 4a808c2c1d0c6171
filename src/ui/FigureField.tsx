import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';

/** A figure that a form asks for: a length, a number, an angle, a list of them, or one of some choices. */
export interface Figure {
  readonly name: string;
  readonly label: string;
  readonly type: string;
  readonly choices?: readonly (readonly [string, string])[];
  readonly hint?: string;
}

interface FigureFieldProps {
  readonly field: Figure;
  readonly value: string;
  readonly isWrong: boolean;
  readonly onChange: (value: string) => void;
}

/** The field of one figure. */
export function FigureField({ field, value, isWrong, onChange }: FigureFieldProps) {
  if (!field.choices) {
    return (
      <TextField
        label={field.label}
        value={value}
        error={isWrong}
        helperText={field.hint}
        inputMode={field.type === 'count' ? 'numeric' : 'text'}
        onChange={(event) => onChange(event.target.value)}
      />
    );
  }
  return (
    <TextField
      label={field.label}
      select
      value={value}
      error={isWrong}
      onChange={(event) => onChange(event.target.value)}
    >
      {field.choices.map(([own, label]) => (
        <MenuItem key={own} value={own}>
          {label}
        </MenuItem>
      ))}
    </TextField>
  );
}
