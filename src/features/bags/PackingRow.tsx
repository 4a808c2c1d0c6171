import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import { memo } from 'react';
import { ownMark, type BagChoice } from '@/core/bags';
import type { Kit, KitStatus } from '@/server/bags';
import type { Maker } from '@/server/makers';
import { formatDay } from '@/ui/formatDay';
import type { BagBlock } from './bagBlock';
import { ManyBags } from './ManyBags';
import { STATUS_NAMES } from './useKits';

/** What a press makes of a bag; one that is handed over is asked about, so that no mistaken press throws work away. */
const NEXT: Readonly<Partial<Record<KitStatus, KitStatus>>> = { 'to-pack': 'packed', packed: 'handed-over' };

/** A bag that is asked about, and the button that was pressed. */
export interface AskedBag {
  readonly kit: Kit;
  readonly label: string;
  readonly place: HTMLElement;
}

/** A block as far as the wall looks at it. */
export interface WallBlock extends Pick<BagBlock, 'id' | 'name' | 'bagMark'> {
  readonly bag: { readonly fabrics: readonly { readonly fabric: string }[] };
}

type Blocks = readonly WallBlock[];

export interface PackingRowProps {
  readonly index: number;
  readonly measure: ((row: HTMLTableRowElement | null) => void) | undefined;
  readonly maker: Maker;
  readonly blocks: Blocks;
  /** By block; undefined for one that this maker does not sew. */
  readonly kits: readonly (Kit | undefined)[];
  /** Whether who changed a bag last, and when, stands below. */
  readonly isTold: boolean;
  readonly onGo: (kit: Kit, label: string, status: KitStatus) => void;
  readonly onAsk: (asked: AskedBag) => void;
  readonly onChange: (wishes: readonly Kit[], label: string) => void;
}

const filled = (colour: string) => ({
  bgcolor: `${colour}.main`,
  borderColor: `${colour}.main`,
  color: `${colour}.contrastText`,
});

/** One style for all bags of a wall: there may be ten thousand. */
export const BAGS = {
  '& .bag': { display: 'block', width: '100%', minHeight: 44, px: 0.5, border: 1, borderColor: 'text.secondary', borderRadius: '4px', bgcolor: 'transparent', color: 'text.primary', font: 'inherit', fontSize: '0.82rem', fontWeight: 600, whiteSpace: 'nowrap', cursor: 'pointer' },
  '& .bag:focus-visible': { outline: '3px solid var(--mui-palette-primary-main)', outlineOffset: '2px' },
  '& .bag:hover': { borderColor: 'text.primary' },
  '& .bag[data-state=packed]': filled('primary'),
  '& .bag[data-state=handed-over]': filled('success'),
  '& .bag[data-state=old]': filled('warning'),
  '& tbody > tr > td': { borderBottom: 1, borderColor: 'divider' },
  '& .bag > small': { display: 'block', fontSize: '0.72rem', fontWeight: 400 },
  '& .none': { textAlign: 'center', fontSize: '0.82rem', color: 'text.secondary' },
} as const; // prettier-ignore

function Row({ index, measure, maker, blocks, kits, isTold, onGo, onAsk, onChange }: PackingRowProps) {
  const own = kits.filter((kit) => kit !== undefined);
  return (
    <TableRow data-index={index} aria-rowindex={index + 2} ref={measure}>
      <TableCell component="th" scope="row" sx={{ py: 0.25 }}>
        <ManyBags name={maker.name} kits={own} onChange={onChange} />
      </TableCell>
      {blocks.map(({ id, name, bagMark, bag }, place) => {
        const kit = kits[place];
        const label = `${maker.name}, ${name}`;
        return (
          <td key={id} style={{ padding: '6px 3px' }}>
            {kit ? (
              <Bag
                kit={kit}
                isOld={isOld(kit, { bagMark, bag }, maker)}
                {...{ isTold, label, onGo, onAsk }}
              />
            ) : (
              <div className="none" role="img" aria-label={`${maker.name} does not sew ${name}`}>
                –
              </div>
            )}
          </td>
        );
      })}
    </TableRow>
  );
}

/** Drawn anew only when something in it changes: while a wall is scrolled its other rows stay as they are. */
export const PackingRow = memo(Row, (a, b) => a.measure === b.measure && a.blocks === b.blocks && seen(a) === seen(b)); // prettier-ignore

const seen = ({ index, maker, kits, isTold }: PackingRowProps) => JSON.stringify([index, maker, kits, isTold]); // prettier-ignore

interface BagProps extends Pick<PackingRowProps, 'isTold' | 'onGo' | 'onAsk'> {
  readonly kit: Kit;
  /** Packed before its block changed. */
  readonly isOld: boolean;
  readonly label: string;
}

/** Whether a bag was packed with something else than its block and its maker take now; of bags of older pages nobody knows. */
export function isOld(
  { status, packedMark }: Kit,
  { bagMark, bag }: Pick<WallBlock, 'bagMark' | 'bag'>,
  maker: BagChoice,
): boolean {
  return status !== 'to-pack' && packedMark !== null && packedMark !== ownMark(bagMark, maker, bag);
}

/** What is said of a bag: how it stands at the packing table, where that is more than its status. */
function nameOf({ status, table }: Kit): string {
  return table ? TABLE_NAMES[table] : STATUS_NAMES[status];
}

const TABLE_NAMES: Readonly<Record<NonNullable<Kit['table']>, string>> = {
  'in-hands': 'in hands',
  begun: 'begun',
  checked: 'packed ✓',
};

function Bag({ kit, isOld: isPackedBefore, isTold, label, onGo, onAsk }: BagProps) {
  const next = NEXT[kit.status];
  const isPlain = next !== undefined && !isPackedBefore;
  return (
    <button
      type="button"
      className="bag"
      data-state={isPackedBefore ? 'old' : kit.status}
      aria-label={`${label}: ${nameOf(kit)}${isPackedBefore ? ', before the block changed' : ''}`}
      aria-haspopup={isPlain ? undefined : 'menu'}
      onClick={({ currentTarget: place }) =>
        isPlain ? onGo(kit, label, next) : onAsk({ kit, label, place })
      }
    >
      {nameOf(kit)}
      {isPackedBefore && ' !'}
      {isTold && kit.changedAt && (
        <small>{`${kit.changedBy ?? 'someone'}, ${formatDay(kit.changedAt)}`}</small>
      )}
    </button>
  );
}
