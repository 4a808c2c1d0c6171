import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import type { NamedShelf, TopCut } from '@/core/order';
import type { TopPieces } from '@/core/setting';
import { useRemembered } from '@/ui/useRemembered';

type Part = keyof TopPieces;
type Chosen = Readonly<Partial<Record<Part, string>>>;

const LABELS: Readonly<Record<Part, string>> = {
  strips: 'Strips between blocks of',
  cornerstones: 'Cornerstones of',
  border: 'Border of',
};
const PARTS = Object.keys(LABELS) as Part[];

/** Of which cloth the parts of the top are that the host orders as well; kept on this device. */
export function useTopCloths(projectId: string) {
  const [kept, keep] = useRemembered(`kevlo-order-top-${projectId}`);
  const chosen = readChosen(kept);
  return {
    chosen,
    choose: (part: Part, fabric: string) => keep(JSON.stringify({ ...chosen, [part]: fabric })),
  };
}

function readChosen(kept: string | undefined): Chosen {
  try {
    return kept === undefined ? {} : (JSON.parse(kept) as Chosen);
  } catch {
    return {};
  }
}

/** The pieces of one top whose cloth was chosen, where it is on the shelf still. */
export function topCuts(top: TopPieces, chosen: Chosen, shelf: NamedShelf): TopCut[] {
  return PARTS.flatMap((part) => {
    const fabric = chosen[part];
    return shelf.some(({ name }) => name === fabric) && fabric
      ? top[part].map((piece) => ({ ...piece, fabric }))
      : [];
  });
}

interface TopClothFieldsProps {
  readonly top: TopPieces;
  readonly shelf: NamedShelf;
  readonly cloths: ReturnType<typeof useTopCloths>;
}

/** A choice of cloth for each part that the top has; without one it is not in the order. */
export function TopClothFields({ top, shelf, cloths: { chosen, choose } }: TopClothFieldsProps) {
  const parts = PARTS.filter((part) => top[part].length > 0);
  if (parts.length === 0) return null;
  return (
    <Stack direction="row" className="no-print" sx={{ gap: 1.5, flexWrap: 'wrap', mb: 1.5 }}>
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
