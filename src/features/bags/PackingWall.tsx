'use client';
import Box from '@mui/material/Box';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableContainer from '@mui/material/TableContainer';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { DropOfBlocks } from '@/core/packing';
import type { Kit, KitStatus } from '@/server/bags';
import type { Maker } from '@/server/makers';
import { Notice } from '@/ui/Notice';
import { useVisibleRows } from '@/ui/useVisibleRows';
import { ManyBags } from './ManyBags';
import { BAGS, PackingRow, isOld, type WallBlock, type AskedBag, type PackingRowProps } from './PackingRow';
import { STATUS_NAMES, useKits } from './useKits';
import { ALL, EVERYTHING, WallChoices, type BagState, type WallChoice } from './WallChoices';

interface PackingWallProps {
  readonly projectId: string;
  readonly blocks: readonly WallBlock[];
  readonly makers: readonly Maker[];
  readonly initialKits: readonly Kit[];
  readonly drops: readonly DropOfBlocks[];
}

/** A row is about so high, px. */
const ROW_PX = 56;

/** Bags × makers: one large button each, which goes on to packed and handed over; whole rows and columns by their names. */
export function PackingWall(props: PackingWallProps) {
  const { projectId, makers: everybody, initialKits, drops } = props;
  const { kitOf, change } = useKits(projectId, initialKits);
  const [asked, setAsked] = useState<AskedBag | undefined>();
  const [choice, setChoice] = useState(EVERYTHING);
  const { blocks, makers } = useWanted(props, choice, kitOf);
  const go: PackingRowProps['onGo'] = (kit, label, status) =>
    void change(
      [{ ...kit, status }],
      `${label}: ${STATUS_NAMES[status]}`,
      `${label}: ${STATUS_NAMES[kit.status]}`,
    );
  if (everybody.length === 0) {
    return (
      <Notice title="No makers yet">
        One bag per block is packed for each maker.{' '}
        <Link href={`/p/${projectId}/makers`}>Add the makers first</Link>.
      </Notice>
    );
  }
  const old = blocks.reduce((sum, block) => sum + makers.filter((maker) => isOld(kitOf(block.id, maker.id), block, maker)).length, 0); // prettier-ignore
  return (
    <Box>
      <Typography color="textSecondary" sx={{ mb: 1 }}>
        Press a bag when it is packed, and again when it is handed over. One that came back is pressed and
        asked about. Press a name to mark all of its bags.
      </Typography>
      {old > 0 && (
        <Typography role="status" color="warning.main" sx={{ mb: 1 }}>
          {old === 1 ? 'One bag was' : `${old} bags were`} packed before{' '}
          {old === 1 ? 'its block' : 'their blocks'} changed (marked !): look {old === 1 ? 'it' : 'them'}{' '}
          through, then mark {old === 1 ? 'it' : 'them'} to be packed and packed again.
        </Typography>
      )}
      <WallChoices drops={drops} choice={choice} onChoose={setChoice} makers={makers.length} />
      <WallTable {...{ blocks, makers, kitOf, change }} isTold={choice.isTold} onGo={go} onAsk={setAsked} />
      <ComeBack asked={asked} onGo={go} onClose={() => setAsked(undefined)} />
    </Box>
  );
}

type KitsOfWall = ReturnType<typeof useKits>;

const sews = (maker: Maker, block: { readonly id: string }) => !maker.skips.includes(block.id);

/** Blocks of the drop that is looked at, and makers who have a bag of the state that is looked for. */
function useWanted(
  { blocks: all, makers: everybody, drops }: PackingWallProps,
  choice: WallChoice,
  kitOf: KitsOfWall['kitOf'],
) {
  const drop = drops.find(({ id }) => id === choice.drop);
  const blocks = useMemo(() => (drop ? all.filter(({ id }) => drop.blocks.includes(id)) : all), [all, drop]);
  const isWanted = (maker: Maker, block: WallBlock) =>
    sews(maker, block) &&
    (choice.state === ALL || stateOf(kitOf(block.id, maker.id), block, maker) === choice.state);
  return { blocks, makers: everybody.filter((maker) => blocks.some((block) => isWanted(maker, block))) };
}

interface WallTableProps extends KitsOfWall {
  readonly blocks: readonly WallBlock[];
  readonly makers: readonly Maker[];
  readonly isTold: boolean;
  readonly onGo: PackingRowProps['onGo'];
  readonly onAsk: PackingRowProps['onAsk'];
}

function WallTable({ blocks, makers, kitOf, change, isTold, onGo, onAsk }: WallTableProps) {
  const { scroller, isLong, indices, beforePx, afterPx, measure } = useVisibleRows(makers.length, ROW_PX);
  const calls = useLatest(onGo, change);
  return (
    <TableContainer ref={scroller} sx={{ maxHeight: isLong ? '80vh' : 'none' }}>
      <Table
        size="small"
        stickyHeader={isLong}
        aria-label="Bags of each maker"
        aria-rowcount={makers.length + 1}
        sx={BAGS}
      >
        <TableHead>
          <TableRow>
            <TableCell>Maker</TableCell>
            {blocks.map((block) => (
              <TableCell key={block.id} sx={{ px: 0.25 }}>
                <ManyBags
                  name={block.name}
                  kits={makers.filter((maker) => sews(maker, block)).map(({ id }) => kitOf(block.id, id))}
                  onChange={change}
                />
              </TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {beforePx > 0 && <tr aria-hidden style={{ height: beforePx }} />}
          {indices.flatMap((index) => {
            const maker = makers[index];
            if (!maker) return [];
            const kits = blocks.map((block) => (sews(maker, block) ? kitOf(block.id, maker.id) : undefined));
            return [
              <PackingRow
                key={maker.id}
                {...{ index, measure, maker, blocks, kits, isTold, onAsk }}
                {...calls}
              />,
            ];
          })}
          {afterPx > 0 && <tr aria-hidden style={{ height: afterPx }} />}
        </TableBody>
      </Table>
    </TableContainer>
  );
}

/** Rows are drawn anew only for what is in them: what they call stays the same, and is always that of the latest drawing. */
function useLatest(
  go: PackingRowProps['onGo'],
  change: KitsOfWall['change'],
): Pick<PackingRowProps, 'onGo' | 'onChange'> {
  const latest = useRef({ go, change });
  useEffect(() => {
    latest.current = { go, change };
  });
  const onGo = useCallback<PackingRowProps['onGo']>((...bag) => latest.current.go(...bag), []);
  const onChange = useCallback<PackingRowProps['onChange']>(
    (...bags) => void latest.current.change(...bags),
    [],
  );
  return { onGo, onChange };
}

/** What a bag is looked for by. */
function stateOf(kit: Kit, block: WallBlock, maker: Maker): BagState {
  if (isOld(kit, block, maker)) return 'old';
  if (kit.table === 'begun' || kit.table === 'in-hands') return 'begun';
  return kit.status;
}

interface ComeBackProps {
  readonly asked: AskedBag | undefined;
  readonly onGo: PackingRowProps['onGo'];
  readonly onClose: () => void;
}

/** What became of a bag that was handed over, or was packed before its block changed. */
function ComeBack({ asked, onGo, onClose }: ComeBackProps) {
  const go = (status: KitStatus) => {
    onClose();
    if (asked) onGo(asked.kit, asked.label, status);
  };
  return (
    <Menu open={asked !== undefined} anchorEl={asked?.place ?? null} onClose={onClose}>
      {asked?.kit.status === 'packed' ? (
        <MenuItem onClick={() => go('handed-over')}>It is handed over as it is</MenuItem>
      ) : (
        <MenuItem onClick={() => go('packed')}>It came back, packed</MenuItem>
      )}
      <MenuItem onClick={() => go('to-pack')}>It is to be packed afresh</MenuItem>
    </Menu>
  );
}
