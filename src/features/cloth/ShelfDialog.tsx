'use client';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Stack from '@mui/material/Stack';
import { useState } from 'react';
import { readPieces, sayPieces } from '@/core/cloth';
import { boltUnit, type UnitSystem } from '@/core/length';
import type { ShelvedCloth } from '@/server/cloth';
import { RefusedError, send } from '@/ui/api';
import { ErrorNote } from '@/ui/ErrorNote';
import { FigureField } from '@/ui/FigureField';
import { printFigures, readFigures, type Fault, type Figure, type Typed } from '@/ui/figures';
import { usePriceLabel } from '@/ui/money';
import { useSend } from '@/ui/useSend';

const figures = (system: UnitSystem, priceLabel: (label: string) => string): readonly Figure[] => {
  const unit = system === 'inch' ? 'yard' : 'metre';
  return [
    { name: 'widthMm', label: 'Width from rim to rim', type: 'length' },
    { name: 'selvedgeMm', label: 'Selvedge at each side', type: 'length or none' },
    {
      name: 'turns',
      label: 'Pieces may lie',
      type: 'choice',
      choices: [
        ['any', 'any way round'],
        ['half', 'with the thread: as drawn or half round'],
        ['none', 'one way only: the print has a way up'],
      ],
    },
    {
      name: 'repeatWidthMm',
      label: 'Repeat across, from motif to motif',
      type: 'length or none',
      hint: '0 where nothing repeats that matters',
    },
    { name: 'repeatHeightMm', label: 'Repeat along', type: 'length or none' },
    {
      name: 'drop',
      label: 'Columns of motifs',
      type: 'choice',
      choices: [
        ['straight', 'side by side'],
        ['half', 'every second one half a repeat lower'],
      ],
    },
    { name: 'stock', label: `In stock, ${unit}s`, type: 'number' },
    {
      name: 'pieces',
      label: 'Pieces besides, without selvedges',
      type: 'text',
      hint: `width × length, like ${system === 'inch' ? '12″ × 18″; 5″ × 40″' : '30 cm × 45 cm; 12 cm × 100 cm'}`,
    },
    {
      name: 'price',
      label: priceLabel(`Price of a ${unit}`),
      type: 'number',
      hint: '0 where it is not known',
    },
    {
      name: 'fraying',
      label: 'Its edges',
      type: 'choice',
      choices: [
        ['hold', 'hold together'],
        ['fray', 'fray: cut it last, handle it little'],
      ],
    },
  ];
};

interface ShelfDialogProps {
  readonly projectId: string;
  readonly cloth: ShelvedCloth;
  readonly system: UnitSystem;
  readonly onSaved: (before: ShelvedCloth, after: ShelvedCloth) => void;
  readonly onClose: () => void;
}

/** How one cloth lies on the shelf; saved at once for all. */
export function ShelfDialog({ projectId, cloth, system, onSaved, onClose }: ShelfDialogProps) {
  const priceLabel = usePriceLabel();
  const fields = figures(system, priceLabel);
  const unit = boltUnit(system);
  const round = (value: number) => Math.round(value * 100) / 100;
  const before = { ...cloth, drop: cloth.isHalfDrop ? 'half' : 'straight', stock: round(cloth.stockMm / unit), price: round((cloth.pricePerMetre * unit) / 1000), pieces: sayPieces(cloth.pieces, system), fraying: cloth.frays ? 'fray' : 'hold' };
  const [typed, setTyped] = useState<Typed>(() => printFigures(fields, before, system));
  const [fault, setFault] = useState<Fault | undefined>();
  const { error, isBusy, run } = useSend();
  const save = () => {
    const read = readFigures(fields, typed, system, before);
    setFault(read.fault);
    if (read.fault) return;
    const { stock, price, drop, pieces: typedPieces, fraying, ...rest } = read.figures as Record<string, number>;
    const isSame = typed.pieces === before.pieces;
    const pieces = isSame ? cloth.pieces : readPieces(String(typedPieces ?? ''), system === 'inch' ? 'in' : 'cm');
    if (!pieces) {
      setFault({ what: `“${String(typedPieces)}” is no list of pieces.`, mend: 'Write width × length, with a semicolon between two pieces.', where: 'pieces' });
      return;
    }
    void run(async () => {
      const next = {
        name: cloth.name,
        revision: cloth.revision,
        ...rest,
        isHalfDrop: (drop as unknown) === 'half',
        frays: (fraying as unknown) === 'fray',
        pieces,
        stockMm: (stock ?? 0) * unit,
        pricePerMetre: ((price ?? 0) * 1000) / unit,
      };
      onSaved(cloth, await send<ShelvedCloth>('PUT', `/api/projects/${projectId}/cloths`, next));
    });
  };
  const shown = fault ? new RefusedError(422, 'figure', fault.what, fault.mend, fault.where) : error;
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby="shelf-title">
      <DialogTitle id="shelf-title">{cloth.name}</DialogTitle>
      <DialogContent>
        <Stack spacing={2} sx={{ pt: 1 }}>
          <ErrorNote error={shown} />
          {fields.map((field) => (
            <FigureField
              key={field.name}
              field={field}
              value={typed[field.name] ?? ''}
              isWrong={shown?.where === field.name}
              onChange={(value) => setTyped({ ...typed, [field.name]: value })}
            />
          ))}
        </Stack>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Leave it</Button>
        <Button variant="contained" disabled={isBusy} onClick={save}>
          Save
        </Button>
      </DialogActions>
    </Dialog>
  );
} // prettier-ignore
