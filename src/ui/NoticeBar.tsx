import Button from '@mui/material/Button';
import Snackbar from '@mui/material/Snackbar';

/** Time to read a notice, in milliseconds. */
const READ_MS = 8000;
/** Time to read a notice, think, and take back what it tells of. */
const UNDO_MS = 20_000;

interface NoticeBarProps {
  readonly text: string;
  readonly isOpen: boolean;
  /** Takes back what is told. */
  readonly onUndo: (() => void) | undefined;
  readonly onClose: () => void;
}

/** A notice at the foot of the page that goes by itself; one that can be taken back stays longer and can be sent away. */
export default function NoticeBar({ text, isOpen, onUndo, onClose }: NoticeBarProps) {
  return (
    <Snackbar
      open={isOpen}
      autoHideDuration={onUndo ? UNDO_MS : READ_MS}
      onClose={(_, reason) => reason !== 'clickaway' && onClose()}
      message={text}
      action={
        onUndo && (
          <>
            <Button color="inherit" size="small" onClick={onUndo}>
              Undo
            </Button>
            <Button
              color="inherit"
              size="small"
              variant="text"
              sx={{ minWidth: 44, ml: 0.5 }}
              onClick={onClose}
              aria-label="Dismiss this notice"
            >
              ×
            </Button>
          </>
        )
      }
      // On a phone the stations lie at the foot.
      sx={{ bottom: { xs: 76, md: 24 } }}
      className="no-print"
    />
  );
}
