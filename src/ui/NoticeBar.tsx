import Snackbar from '@mui/material/Snackbar';
import type { ReactNode } from 'react';

interface NoticeBarProps {
  readonly text: string;
  readonly isOpen: boolean;
  /** Such as a button to undo. */
  readonly action: ReactNode;
  readonly onClose: () => void;
}

/** A notice at the foot of the page that goes by itself. */
export default function NoticeBar({ text, isOpen, action, onClose }: NoticeBarProps) {
  return (
    <Snackbar
      open={isOpen}
      autoHideDuration={8000}
      onClose={(_, reason) => reason !== 'clickaway' && onClose()}
      message={text}
      action={action}
      className="no-print"
    />
  );
}
