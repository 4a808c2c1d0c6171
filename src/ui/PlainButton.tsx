import Box from '@mui/material/Box';
import type { ComponentPropsWithoutRef } from 'react';

interface PlainButtonProps extends Omit<ComponentPropsWithoutRef<'button'>, 'color'> {
  readonly look?: 'filled' | 'framed' | 'text';
  readonly tone?: 'primary' | 'error';
  /** More of its style. */
  readonly sx?: Readonly<Record<string, string | number>>;
}

/** A button as the theme draws them, without ripples and spinners: for pages that must be light. */
export function PlainButton({ look = 'framed', tone = 'primary', sx = {}, ...rest }: PlainButtonProps) {
  const own = `${tone}.main`;
  return (
    <Box
      component="button"
      type="button"
      sx={{
        minHeight: look === 'text' ? 36 : 40,
        px: look === 'text' ? 1 : 2,
        font: 'inherit',
        fontSize: look === 'text' ? '0.9rem' : '1rem',
        fontWeight: 600,
        cursor: 'pointer',
        border: look === 'text' ? 0 : 1,
        borderColor: own,
        borderRadius: 1,
        color: look === 'filled' ? `${tone}.contrastText` : own,
        bgcolor: look === 'filled' ? own : 'transparent',
        '&:hover': { filter: 'brightness(0.93)' },
        '&:disabled': {
          color: 'text.secondary',
          bgcolor: 'transparent',
          borderColor: 'divider',
          cursor: 'default',
        },
        ...sx,
      }}
      {...rest}
    />
  );
}
