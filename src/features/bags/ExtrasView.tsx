'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState, type ComponentProps } from 'react';
import { EXTRA_LIMITS, type BagExtra, type BagExtras } from '@/core/packing';
import { ErrorNote } from '@/ui/ErrorNote';
import { NumberField } from '@/ui/NumberField';
import { SaveButtons } from '@/ui/SaveButtons';
import type { SavedDocument } from '@/ui/useSavedDocument';
import { BaggingPanel } from './BaggingPanel';
import { SparesPanel } from './SparesPanel';

const KINDS: readonly {
  readonly key: 'first' | 'last' | 'every';
  readonly title: string;
  readonly hint: string;
}[] = [
  { key: 'first', title: 'In each maker’s first bag', hint: 'needles, thread, glue, templates' },
  { key: 'every', title: 'In every bag', hint: 'a card, a treat' },
  { key: 'last', title: 'In each maker’s last bag', hint: 'borders, backing, what finishes it' },
];

interface ExtrasViewProps extends Omit<ComponentProps<typeof BaggingPanel>, 'choices' | 'onChange'> {
  readonly own: SavedDocument<BagExtras>;
  /** Plain names of the project’s papers. */
  readonly papers: readonly string[];
  /** Spares of a paper without a rule, %. */
  readonly sparesPercent: number;
}

/** How bags are made, and what goes into them besides papers and cloth: counted in at the packing table, on cards and labels. Saved by itself, with undo. */
export function ExtrasView({ own, papers, sparesPercent, ...bags }: ExtrasViewProps) {
  const { present, change } = own;
  return (
    <Box sx={{ maxWidth: 860 }}>
      <Stack direction="row" sx={{ justifyContent: 'space-between', gap: 1, flexWrap: 'wrap', mb: 1 }}>
        <Typography variant="h3">How bags are made</Typography>
        <SaveButtons {...own} />
      </Stack>
      <ErrorNote error={own.error} />
      {own.showTheirs && (
        <Button sx={{ my: 1 }} onClick={own.showTheirs}>
          Show theirs (undo brings yours back)
        </Button>
      )}
      <BaggingPanel choices={present.bagging} onChange={(bagging) => change({ ...present, bagging })} {...bags} />
      <SparesPanel rules={present.spares} papers={papers} percent={sparesPercent} onChange={(spares) => change({ ...present, spares })} />
      <Typography color="textSecondary" sx={{ mb: 1.5 }}>
        The first bag is that of the block that a maker gets first, whichever blocks they leave out; the last likewise.
      </Typography>
      {KINDS.map(({ key, title, hint }) => (
        <ExtrasList key={key} title={title} hint={hint} list={present[key]} onChange={(list) => change({ ...present, [key]: list })} />
      ))}
    </Box>
  );
} // prettier-ignore

interface ExtrasListProps {
  readonly title: string;
  readonly hint: string;
  readonly list: readonly BagExtra[];
  readonly onChange: (list: readonly BagExtra[]) => void;
}

function ExtrasList({ title, hint, list, onChange }: ExtrasListProps) {
  const [what, setWhat] = useState('');
  const name = what.trim();
  const isThere = list.some((extra) => extra.what.toLowerCase() === name.toLowerCase());
  return (
    <Box component="section" aria-label={title} sx={{ mb: 2.5 }}>
      <Typography variant="h3" sx={{ mb: 1 }}>
        {title}
      </Typography>
      <Stack spacing={1}>
        {list.map((extra, index) => (
          <Stack key={extra.what} direction="row" spacing={1} sx={{ alignItems: 'center' }}>
            <Box sx={{ width: 110 }}>
              <NumberField label={`Count of ${extra.what}`} value={extra.count} {...EXTRA_LIMITS.count} isWhole onChange={(count) => onChange(list.map((one, i) => (i === index ? { ...one, count } : one)))} />
            </Box>
            <Typography sx={{ flexGrow: 1 }}>{extra.what}</Typography>
            <Button aria-label={`Take out ${extra.what}`} onClick={() => onChange(list.filter((_, i) => i !== index))}>
              Take out
            </Button>
          </Stack>
        ))}
        <Stack
          direction="row"
          spacing={1}
          component="form"
          onSubmit={(event) => {
            event.preventDefault();
            if (name === '' || isThere) return;
            onChange([...list, { what: name, count: 1 }]);
            setWhat('');
          }}
        >
          <TextField label={`More ${title.charAt(0).toLowerCase()}${title.slice(1)}`} value={what} helperText={isThere ? 'It is there already: change its count.' : hint} error={isThere} onChange={({ target }) => setWhat(target.value)} slotProps={{ htmlInput: { maxLength: EXTRA_LIMITS.letters } }} />
          <Button type="submit" disabled={name === '' || isThere || list.length >= EXTRA_LIMITS.lines}>
            Add
          </Button>
        </Stack>
      </Stack>
    </Box>
  );
} // prettier-ignore
