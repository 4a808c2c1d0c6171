import Button from '@mui/material/Button';
import Snackbar from '@mui/material/Snackbar';

interface NoticeBarProps {
  readonly text: string;
  readonly isOpen: boolean;
  /** Takes back what is told. */
  readonly onUndo: (() => void) | undefined;
  readonly onClose: () => void;
}

/** A notice at the foot of the page that goes by itself. */
export default function NoticeBar({ text, isOpen, onUndo, onClose }: NoticeBarProps) {
  return (
    <Snackbar
      open={isOpen}
      autoHideDuration={8000}
      onClose={(_, reason) => reason !== 'clickaway' && onClose()}
      message={text}
      action={
        onUndo && (
          <Button color="inherit" size="small" onClick={onUndo}>
            Undo
          </Button>
        )
      }
      className="no-print"
    />
  );
}
