import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { TOP_PARTS, type NamedShelf, type OrderPlan } from '@/core/order';
import type { TopPieces } from '@/core/setting';

const LABELS: Readonly<Record<keyof TopPieces, string>> = {
  squares: 'Background squares of',
  strips: 'Strips between blocks of',
  cornerstones: 'Cornerstones of',
  border: 'Border of',
};

interface TopClothFieldsProps {
  readonly top: TopPieces;
  readonly shelf: NamedShelf;
  readonly chosen: OrderPlan['topCloths'];
  readonly onChange: (chosen: OrderPlan['topCloths']) => void;
}

/** A choice of cloth for each part that the top has; without one it is not in the order. */
export function TopClothFields({ top, shelf, chosen, onChange }: TopClothFieldsProps) {
  const parts = TOP_PARTS.filter((part) => top[part].length > 0);
  if (parts.length === 0) return null;
  const choose = (part: keyof TopPieces, fabric: string) => {
    const { [part]: _, ...others } = chosen;
    onChange(fabric === '' ? others : { ...others, [part]: fabric });
  };
  return (
    <Stack direction="row" className="no-print" sx={{ gap: 1.5, flexWrap: 'wrap', my: 1.5 }}>
      {parts.map((part) => (
        <TextField
          key={part}
          select
          fullWidth={false}
          label={LABELS[part]}
          value={shelf.some(({ name }) => name === chosen[part]) ? chosen[part] : ''}
          onChange={({ target }) => choose(part, target.value)}
          helperText={`${top[part].reduce((sum, { count }) => sum + count, 0)} for each top`}
          slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true } }}
          sx={{ width: 230 }}
        >
          <MenuItem value="">not ordered here</MenuItem>
          {shelf.map(({ name }) => (
            <MenuItem key={name} value={name}>
              {name}
            </MenuItem>
          ))}
        </TextField>
      ))}
    </Stack>
  );
}
