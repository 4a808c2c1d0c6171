import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { SavingState } from './useSaving';

/** Whether the block is saved; where it is not, why, and a way to try again. */
export function SavingNote({ state, onAgain }: { state: SavingState; onAgain: () => void }) {
  const text = {
    saved: 'Saved',
    saving: 'Saving …',
    empty: 'An empty board is not saved',
    failed: 'Not saved yet; kept on this device',
    touches: 'Not saved yet: others have sewn by it',
  }[state.kind];
  return (
    <Typography
      component="span"
      role="status"
      color={state.kind === 'failed' || state.kind === 'touches' ? 'error' : 'textSecondary'}
    >
      {text}
      {state.kind === 'failed' && (
        <>
          {`: ${state.error.what} ${state.error.mend} `}
          <Button size="small" onClick={onAgain}>
            Try now
          </Button>
        </>
      )}
    </Typography>
  );
}
