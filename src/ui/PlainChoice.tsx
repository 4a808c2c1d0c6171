import Box from '@mui/material/Box';
import { useId } from 'react';

interface PlainChoiceProps {
  readonly label: string;
  readonly value: string;
  readonly choices: readonly (readonly [string, string])[];
  readonly onChange: (value: string) => void;
}

/** A list to choose one from, shown by the device itself: the best there is on a phone, and next to no script. */
export function PlainChoice({ label, value, choices, onChange }: PlainChoiceProps) {
  const id = useId();
  return (
    <Box sx={{ mb: 1.5 }}>
      <Box component="label" htmlFor={id} sx={{ display: 'block', fontSize: '0.85rem', mb: 0.25 }}>
        {label}
      </Box>
      <Box
        component="select"
        id={id}
        value={value}
        onChange={(event: React.ChangeEvent<HTMLSelectElement>) => onChange(event.target.value)}
        sx={{
          width: '100%',
          minHeight: 48,
          px: 1,
          font: 'inherit',
          color: 'text.primary',
          bgcolor: 'background.paper',
          border: 1,
          borderColor: 'text.secondary',
          borderRadius: 1,
        }}
      >
        {choices.map(([own, text]) => (
          <option key={own} value={own}>
            {text}
          </option>
        ))}
      </Box>
    </Box>
  );
}
