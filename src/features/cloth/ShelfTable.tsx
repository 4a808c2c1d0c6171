'use client';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableContainer from '@mui/material/TableContainer';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { formatBolt, formatLength, type UnitSystem } from '@/core/length';
import { sayToBuy, type ClothBolt, type OrderLine } from '@/core/order';
import { counted } from '@/core/words';
import type { ShelvedCloth } from '@/server/cloth';
import { usePictureOf } from './pictureOf';
import { FabricChip } from '@/ui/FabricChip';
import { useMoney } from '@/ui/money';

interface ShelfTableProps {
  readonly shelf: readonly ShelvedCloth[];
  readonly lines: readonly OrderLine[];
  readonly bolts: readonly ClothBolt[];
  readonly fabrics: readonly string[];
  readonly system: UnitSystem;
  readonly onEdit: (cloth: ShelvedCloth) => void;
  readonly onOther: (cloth: ShelvedCloth) => void;
  /** Cloths in which glue could show, and how that is said. */
  readonly pale: readonly string[];
  readonly onPale: (cloth: string, isPale: boolean) => void;
  readonly onPhoto: (cloth: ShelvedCloth) => void;
}

/** Every cloth: what it is, what all bags take of it, what has to be bought. */
export function ShelfTable({
  shelf,
  lines,
  bolts,
  fabrics,
  system,
  onEdit,
  onOther,
  pale,
  onPale,
  onPhoto,
}: ShelfTableProps) {
  const money = useMoney();
  const total = lines.reduce((sum, { cost }) => sum + cost, 0);
  return (
    <TableContainer>
      <Table size="small" aria-label="Cloths">
        <TableHead>
          <TableRow>
            <TableCell>Cloth</TableCell>
            <TableCell align="right">Width</TableCell>
            <TableCell align="right">All bags</TableCell>
            <TableCell align="right">In stock</TableCell>
            <TableCell align="right">To buy</TableCell>
            <TableCell align="right">Cost</TableCell>
            <TableCell />
          </TableRow>
        </TableHead>
        <TableBody>
          {shelf.map((cloth) => (
            <ShelfRow
              key={cloth.name}
              cloth={cloth}
              line={lines.find(({ thing }) => thing === cloth.name)}
              bolt={bolts.find(({ fabric }) => fabric === cloth.name)}
              fabrics={fabrics}
              system={system}
              onEdit={onEdit}
              onOther={onOther}
              isPale={pale.includes(cloth.name)}
              onPale={(isPale) => onPale(cloth.name, isPale)}
              onPhoto={() => onPhoto(cloth)}
            />
          ))}
          <TableRow>
            <TableCell colSpan={5}>Together, where prices are known</TableCell>
            <TableCell align="right">{money(total)}</TableCell>
            <TableCell />
          </TableRow>
        </TableBody>
      </Table>
    </TableContainer>
  );
}

interface ShelfRowProps {
  readonly cloth: ShelvedCloth;
  readonly line: OrderLine | undefined;
  readonly bolt: ClothBolt | undefined;
  readonly fabrics: readonly string[];
  readonly system: UnitSystem;
  readonly onEdit: (cloth: ShelvedCloth) => void;
  readonly onOther: (cloth: ShelvedCloth) => void;
  readonly isPale: boolean;
  readonly onPale: (isPale: boolean) => void;
  readonly onPhoto: () => void;
}

/** A measure stays with its unit. */
const WHOLE = { whiteSpace: 'nowrap' } as const;

function ShelfRow({
  cloth,
  line,
  bolt,
  fabrics,
  system,
  onEdit,
  onOther,
  isPale,
  onPale,
  onPhoto,
}: ShelfRowProps) {
  const photo = usePictureOf(cloth.name);
  const money = useMoney();
  const tooWide = bolt?.sizes[bolt.plan.tooWide[0] ?? -1];
  return (
    <TableRow>
      <TableCell>
        <Stack direction="row" spacing={1} sx={{ alignItems: 'center' }}>
          {photo === undefined ? (
            <FabricChip fabric={cloth.name} fabrics={fabrics} />
          ) : (
            <svg width={34} height={34} viewBox="0 0 34 34" aria-hidden="true">
              <image href={photo} width={34} height={34} preserveAspectRatio="xMidYMid slice" />
            </svg>
          )}
          <span>
            {cloth.name}
            {cloth.frays && <em> frays: cut it last, handle it little.</em>}
            {tooWide && (
              <em>
                {` A piece of ${formatLength(tooWide.widthMm, system)} × ${formatLength(tooWide.lengthMm, system)} does not go across: take a wider cloth or join it.`}
              </em>
            )}
          </span>
        </Stack>
      </TableCell>
      <TableCell align="right" sx={WHOLE}>
        {formatLength(cloth.widthMm, system)}
      </TableCell>
      <TableCell align="right" sx={WHOLE}>
        {formatBolt(line?.needed ?? 0, system)}
      </TableCell>
      <TableCell align="right">
        {formatBolt(line?.stock ?? cloth.stockMm, system)}
        {cloth.pieces.length > 0 && <span>{` with ${counted(cloth.pieces.length, 'piece')}`}</span>}
      </TableCell>
      <TableCell align="right">
        {line && (line.left > 0 || line.over > 0 || line.ordered > 0) ? sayToBuy(line, system) : 'enough'}
      </TableCell>
      <TableCell align="right" sx={WHOLE}>
        {cloth.pricePerMetre > 0 ? money(line?.cost ?? 0) : 'no price'}
      </TableCell>
      <TableCell align="right" sx={{ whiteSpace: 'nowrap' }}>
        <Button
          variant="text"
          size="small"
          aria-pressed={isPale}
          title="Glue could show in a very pale cloth"
          onClick={() => onPale(!isPale)}
          aria-label={`${cloth.name} is very pale`}
        >
          {isPale ? 'Pale ✓' : 'Pale'}
        </Button>
        <Button variant="text" size="small" onClick={onPhoto} aria-label={`A photo of ${cloth.name}`}>
          Photo
        </Button>
        <Button
          variant="text"
          size="small"
          onClick={() => onOther(cloth)}
          aria-label={`Another cloth in place of ${cloth.name}`}
        >
          Another
        </Button>
        <Button size="small" onClick={() => onEdit(cloth)} aria-label={`Change ${cloth.name}`}>
          Change
        </Button>
      </TableCell>
    </TableRow>
  );
}
