'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import type { ReactNode } from 'react';
import { darkVariables } from './theme';

interface DarkRoomProps {
  readonly isOpen: boolean;
  readonly label: string;
  readonly onClose: () => void;
  readonly children: ReactNode;
}

/** The whole screen for a projector, light on dark whatever the device’s own scheme is. Escape closes it. */
export function DarkRoom({ isOpen, label, onClose, children }: DarkRoomProps) {
  return (
    <Dialog fullScreen open={isOpen} onClose={onClose} slotProps={{ paper: { 'aria-label': label, sx: { ...darkVariables, bgcolor: 'background.default', color: 'text.primary', backgroundImage: 'none' } } }}>
      <Box sx={{ p: 2, height: '100%', overflow: 'auto' }}>
        <Box sx={{ display: 'flex', justifyContent: 'flex-end' }}>
          <Button onClick={onClose}>Close (Esc)</Button>
        </Box>
        {children}
      </Box>
    </Dialog>
  ); // prettier-ignore
}
