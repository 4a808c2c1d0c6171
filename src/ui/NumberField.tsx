import TextField from '@mui/material/TextField';
import { useState } from 'react';

interface NumberFieldProps {
  readonly label: string;
  readonly value: number;
  readonly least: number;
  readonly most: number;
  readonly isWhole?: boolean | undefined;
  /** Said below while the number can be read. */
  readonly hint?: string;
  readonly onChange: (value: number) => void;
}

/** A number that is taken over while it is typed; what cannot be read stays typed, and the number stays as it was. */
export function NumberField({
  label,
  value,
  least,
  most,
  isWhole = false,
  hint,
  onChange,
}: NumberFieldProps) {
  const [typed, setTyped] = useState<string | undefined>();
  const limits = { least, most, isWhole };
  const isWrong = typed !== undefined && numberIn(typed, limits) === undefined;
  return (
    <TextField
      label={label}
      value={typed ?? printed(value)}
      error={isWrong}
      helperText={isWrong ? `${isWhole ? 'A whole number, ' : ''}${least} to ${most}` : hint}
      onChange={({ target }) => {
        setTyped(target.value);
        const next = numberIn(target.value, limits);
        if (next !== undefined && next !== value) onChange(next);
      }}
      onBlur={() => {
        if (!isWrong) setTyped(undefined);
      }}
      slotProps={{ htmlInput: { inputMode: 'decimal' } }}
    />
  );
}

const printed = (value: number) => String(Math.round(value * 1000) / 1000);

/** The number that was typed, with a point or a comma; undefined where it is none or out of bounds. */
function numberIn(text: string, { least, most, isWhole }: { readonly least: number; readonly most: number; readonly isWhole: boolean }): number | undefined {
  const plain = text.replace(',', '.').trim();
  const value = /^\d{1,8}(\.\d{0,4})?$/.test(plain) ? Number(plain) : NaN;
  return value >= least && value <= most && (!isWhole || Number.isInteger(value)) ? value : undefined;
} // prettier-ignore
