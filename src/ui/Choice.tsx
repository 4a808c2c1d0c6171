import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';

interface ChoiceProps {
  readonly label: string;
  readonly value: string;
  readonly choices: readonly (readonly [string, string])[];
  readonly isWrong?: boolean;
  readonly onChange: (value: string) => void;
}

/** A list to choose one from. */
export function Choice({ label, value, choices, isWrong = false, onChange }: ChoiceProps) {
  return (
    <TextField
      select
      label={label}
      value={value}
      error={isWrong}
      onChange={(event) => onChange(event.target.value)}
    >
      {choices.map(([own, text]) => (
        <MenuItem key={own} value={own}>
          {text}
        </MenuItem>
      ))}
    </TextField>
  );
}
