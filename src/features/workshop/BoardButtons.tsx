import Box from '@mui/material/Box';
import type { PointerEvent } from 'react';

interface BoardButtonsProps {
  readonly zoomBy: (factor: number) => void;
  readonly fit: () => void;
}

/** Zooming by button, for those who have neither wheel nor two fingers free. */
export function BoardButtons({ zoomBy, fit }: BoardButtonsProps) {
  const buttons = [
    ['+', 'Zoom in', () => zoomBy(1.25)],
    ['−', 'Zoom out', () => zoomBy(0.8)],
    ['Fit', 'Fit the block into the board', fit],
  ] as const;
  return (
    <Box sx={{ position: 'absolute', right: 8, bottom: 8, display: 'flex', gap: 0.5 }}>
      {buttons.map(([text, label, act]) => (
        <Box
          key={text}
          component="button"
          type="button"
          aria-label={label}
          onPointerDown={(event: PointerEvent) => event.stopPropagation()}
          onClick={act}
          sx={{
            minWidth: 40,
            height: 40,
            font: 'inherit',
            bgcolor: 'background.default',
            color: 'text.primary',
            border: 1,
            borderColor: 'divider',
          }}
        >
          {text}
        </Box>
      ))}
    </Box>
  );
}
