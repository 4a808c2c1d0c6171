'use client';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { FOLD_CONVENTIONS, type FoldConvention } from '@/core/basting';
import type { BlockDocument } from '@/core/block';
import type { KindBasting } from '@/core/sheet';
import { withBasting } from './withBasting';

interface FoldExceptionProps {
  readonly kindName: string;
  readonly basting: KindBasting;
  readonly patches: readonly { readonly id: string; readonly number: number }[];
  readonly onChange: (text: string, change: (document: BlockDocument) => BlockDocument) => Promise<boolean>;
}

/** Single patches of a paper that are folded otherwise than the rest. */
export function FoldException({ kindName, basting, patches, onChange }: FoldExceptionProps) {
  const [isOpen, setIsOpen] = useState(false);
  const [id, setId] = useState(patches[0]?.id ?? '');
  const others = basting.conventions.filter((one) => one !== basting.convention);
  const [convention, setConvention] = useState<FoldConvention | ''>('');
  const chosen = convention === '' || convention === basting.convention ? (others[0] ?? '') : convention;
  const number = patches.find((one) => one.id === id)?.number;
  const fold = async () => {
    const isKept = await onChange(`Patch ${number} is folded otherwise.`, (document) =>
      withBasting(document, ({ patches: before = {}, ...rest }) => ({
        ...rest,
        patches: { ...before, [id]: chosen },
      })),
    );
    // What is chosen stays until it is saved.
    if (isKept) setIsOpen(false);
  };
  const asOthers = () =>
    onChange('They are folded as the others are.', (document) =>
      withBasting(document, ({ patches: before = {}, ...rest }) => ({
        ...rest,
        patches: Object.fromEntries(
          Object.entries(before).filter(([one]) => !patches.some((patch) => patch.id === one)),
        ),
      })),
    );
  if (others.length === 0) return null;
  return (
    <Stack spacing={1} className="no-print">
      {basting.exceptions.length > 0 && (
        <Typography variant="body2">
          Folded otherwise: {basting.exceptions.join(', ')}.{' '}
          <Button size="small" variant="text" onClick={() => void asOthers()}>
            Fold them as the others
          </Button>
        </Typography>
      )}
      {isOpen ? (
        <Stack direction="row" sx={{ flexWrap: 'wrap', gap: 1 }}>
          <TextField
            select
            size="small"
            label="Patch"
            value={id}
            onChange={({ target }) => setId(target.value)}
            sx={{ width: 92 }}
          >
            {patches.map((patch) => (
              <MenuItem key={patch.id} value={patch.id}>
                {patch.number}
              </MenuItem>
            ))}
          </TextField>
          <TextField
            select
            size="small"
            label={`Folds of this ${kindName}`}
            value={chosen}
            onChange={({ target }) => setConvention(target.value as FoldConvention)}
            sx={{ minWidth: 160, flexGrow: 1 }}
          >
            {others.map((one) => (
              <MenuItem key={one} value={one}>
                {FOLD_CONVENTIONS[one].name}
              </MenuItem>
            ))}
          </TextField>
          <Button size="small" variant="contained" onClick={() => void fold()}>
            Fold patch {number} so
          </Button>
          <Button size="small" onClick={() => setIsOpen(false)}>
            Leave it
          </Button>
        </Stack>
      ) : (
        <Button
          size="small"
          variant="text"
          onClick={() => setIsOpen(true)}
          sx={{ alignSelf: 'flex-start', px: 0 }}
        >
          One patch otherwise …
        </Button>
      )}
    </Stack>
  );
}
