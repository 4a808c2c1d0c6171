'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
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
import { useState } from 'react';
import type { Kit, KitStatus } from '@/server/bags';
import type { Maker } from '@/server/makers';
import { Notice } from '@/ui/Notice';
import { ManyBags } from './ManyBags';
import { STATUS_NAMES, useKits } from './useKits';

interface PackingWallProps {
  readonly projectId: string;
  readonly blocks: readonly { readonly id: string; readonly name: string }[];
  readonly makers: readonly Maker[];
  readonly initialKits: readonly Kit[];
}

/** What a press makes of a bag; one that is handed over is asked about, so that no mistaken press throws work away. */
const NEXT: Readonly<Partial<Record<KitStatus, KitStatus>>> = { 'to-pack': 'packed', packed: 'handed-over' };
const COLOUR: Readonly<Record<KitStatus, 'inherit' | 'primary' | 'success'>> = {
  'to-pack': 'inherit',
  packed: 'primary',
  'handed-over': 'success',
};

/** Bags × makers: one large button each, which goes on to packed and handed over; whole rows and columns by their names. */
export function PackingWall({ projectId, blocks, makers, initialKits }: PackingWallProps) {
  const { kitOf, change } = useKits(projectId, initialKits);
  const [asked, setAsked] = useState<AskedBag | undefined>();
  const go: BagProps['onGo'] = (kit, label, status) =>
    void change(
      [{ ...kit, status }],
      `${label}: ${STATUS_NAMES[status]}`,
      `${label}: ${STATUS_NAMES[kit.status]}`,
    );
  if (makers.length === 0) {
    return (
      <Notice title="No makers yet">
        One bag per block is packed for each maker.{' '}
        <Link href={`/p/${projectId}/makers`}>Add the makers first</Link>.
      </Notice>
    );
  }
  const sews = (maker: Maker, block: { readonly id: string }) => !maker.skips.includes(block.id);
  return (
    <Box>
      <Typography color="textSecondary" sx={{ mb: 1 }}>
        Press a bag when it is packed, and again when it is handed over. One that came back is pressed and
        asked about. Press a name to mark all of its bags.
      </Typography>
      <TableContainer>
        <Table size="small" aria-label="Bags of each maker">
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
            {makers.map((maker) => (
              <TableRow key={maker.id}>
                <TableCell component="th" scope="row" sx={{ py: 0.25 }}>
                  <ManyBags
                    name={maker.name}
                    kits={blocks.filter((block) => sews(maker, block)).map(({ id }) => kitOf(id, maker.id))}
                    onChange={change}
                  />
                </TableCell>
                {blocks.map((block) => (
                  <TableCell key={block.id} sx={{ px: 0.4 }}>
                    {sews(maker, block) ? (
                      <Bag
                        kit={kitOf(block.id, maker.id)}
                        label={`${maker.name}, ${block.name}`}
                        onGo={go}
                        onAsk={setAsked}
                      />
                    ) : (
                      <Typography
                        color="textSecondary"
                        sx={{ textAlign: 'center', fontSize: '0.82rem' }}
                        aria-label={`${maker.name} does not sew ${block.name}`}
                      >
                        –
                      </Typography>
                    )}
                  </TableCell>
                ))}
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </TableContainer>
      <ComeBack asked={asked} onGo={go} onClose={() => setAsked(undefined)} />
    </Box>
  );
}

interface BagProps {
  readonly kit: Kit;
  readonly label: string;
  readonly onGo: (kit: Kit, label: string, status: KitStatus) => void;
  readonly onAsk: (asked: AskedBag) => void;
}

/** A bag that is asked about, and the button that was pressed. */
interface AskedBag {
  readonly kit: Kit;
  readonly label: string;
  readonly place: HTMLElement;
}

function Bag({ kit, label, onGo, onAsk }: BagProps) {
  const next = NEXT[kit.status];
  return (
    <Button
      fullWidth
      aria-label={`${label}: ${STATUS_NAMES[kit.status]}`}
      aria-haspopup={next ? undefined : 'menu'}
      variant={kit.status === 'to-pack' ? 'outlined' : 'contained'}
      color={COLOUR[kit.status]}
      onClick={({ currentTarget: place }) => (next ? onGo(kit, label, next) : onAsk({ kit, label, place }))}
      sx={{ minHeight: 44, minWidth: 0, px: 0.5, fontSize: '0.82rem', whiteSpace: 'nowrap' }}
    >
      {STATUS_NAMES[kit.status]}
    </Button>
  );
}

interface ComeBackProps {
  readonly asked: AskedBag | undefined;
  readonly onGo: BagProps['onGo'];
  readonly onClose: () => void;
}

/** What became of a bag that was handed over. */
function ComeBack({ asked, onGo, onClose }: ComeBackProps) {
  const go = (status: KitStatus) => {
    onClose();
    if (asked) onGo(asked.kit, asked.label, status);
  };
  return (
    <Menu open={asked !== undefined} anchorEl={asked?.place ?? null} onClose={onClose}>
      <MenuItem onClick={() => go('packed')}>It came back, packed</MenuItem>
      <MenuItem onClick={() => go('to-pack')}>It is to be packed afresh</MenuItem>
    </Menu>
  );
}
