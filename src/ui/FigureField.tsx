import TextField from '@mui/material/TextField';
import { Choice } from './Choice';
import type { Figure } from './figures';

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
        slotProps={{ htmlInput: { inputMode: field.type === 'count' ? 'numeric' : 'text' } }}
        onChange={(event) => onChange(event.target.value)}
      />
    );
  }
  const { label, choices } = field;
  return <Choice label={label} value={value} choices={choices} isWrong={isWrong} onChange={onChange} />;
}
