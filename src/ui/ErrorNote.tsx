import Alert from '@mui/material/Alert';
import type { RefusedError } from './api';

/** Says what is wrong and how to mend it. */
export function ErrorNote({ error }: { error: Pick<RefusedError, 'what' | 'mend'> | undefined }) {
  if (!error) return null;
  return (
    <Alert severity="error" variant="outlined" icon={false} role="alert">
      <strong>{error.what}</strong> {error.mend}
    </Alert>
  );
}
