import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import type { SavedDocument } from './useSavedDocument';

type SaveButtonsProps = Pick<SavedDocument<unknown>, 'undo' | 'redo' | 'canSave' | 'isSaved' | 'save'>;

/** Undo, redo and saving of a document that saves itself. */
export function SaveButtons({ undo, redo, canSave, isSaved, save }: SaveButtonsProps) {
  return (
    <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap' }}>
      <Button disabled={!undo} onClick={undo}>
        Undo
      </Button>
      <Button disabled={!redo} onClick={redo}>
        Redo
      </Button>
      <Button variant="contained" disabled={!canSave} onClick={() => void save()}>
        {isSaved ? 'Saved' : canSave ? 'Save now' : 'Saving …'}
      </Button>
    </Stack>
  );
}
