'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableContainer from '@mui/material/TableContainer';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import useSWR from 'swr';
import type { Kit, KitStatus } from '@/server/kits';
import type { Maker } from '@/server/makers';
import { asRefusal, read, send } from '@/ui/api';
import { Notice } from '@/ui/Notice';
import { useNotice } from '@/ui/Notices';
import { useLive } from '@/ui/useLive';

interface PackingWallProps {
  readonly projectId: string;
  readonly blocks: readonly { readonly id: string; readonly name: string }[];
  readonly makers: readonly Maker[];
  readonly initialKits: readonly Kit[];
}

const NEXT: Readonly<Record<KitStatus, KitStatus>> = {
  'to-pack': 'packed',
  packed: 'handed-over',
  'handed-over': 'to-pack',
};
const LABEL: Readonly<Record<KitStatus, string>> = {
  'to-pack': 'to pack',
  packed: 'packed',
  'handed-over': 'handed over',
};
const COLOUR: Readonly<Record<KitStatus, 'inherit' | 'primary' | 'success'>> = {
  'to-pack': 'inherit',
  packed: 'primary',
  'handed-over': 'success',
};

/** Bags × makers: one large button each, which goes on to packed, handed over, and back. Live for all who look. */
export function PackingWall({ projectId, blocks, makers, initialKits }: PackingWallProps) {
  const router = useRouter();
  const notice = useNotice();
  const address = `/api/projects/${projectId}/kits`;
  const { data: kits = initialKits, mutate } = useSWR<readonly Kit[]>(address, read, {
    fallbackData: initialKits,
  });
  useLive(projectId, ['kits'], () => void mutate());
  if (makers.length === 0) {
    return (
      <Notice title="No makers yet">
        One bag per block is packed for each maker.{' '}
        <Link href={`/p/${projectId}/makers`}>Add the makers first</Link>.
      </Notice>
    );
  }
  const kitOf = (blockId: string, makerId: string): Kit =>
    kits.find((kit) => kit.blockId === blockId && kit.makerId === makerId) ?? {
      blockId,
      makerId,
      status: 'to-pack',
      revision: 0,
    };
  const change = async (kit: Kit, status: KitStatus, label: string, isUndo = false) => {
    try {
      const changed = await send<Kit>('PUT', address, { ...kit, status });
      await mutate(
        (before = []) => [
          ...before.filter((other) => other.blockId !== kit.blockId || other.makerId !== kit.makerId),
          changed,
        ],
        { revalidate: false },
      );
      notice({
        text: `${label}: ${LABEL[status]}.`,
        ...(isUndo ? {} : { undo: () => change(changed, kit.status, label, true) }),
      });
      router.refresh();
    } catch (error) {
      notice({ text: asRefusal(error).message });
      void mutate();
    }
  };
  return (
    <Box>
      <Typography color="textSecondary" sx={{ mb: 1 }}>
        Press a bag when it is packed, again when it is handed over; a third press starts it afresh.
      </Typography>
      <TableContainer>
        <Table size="small" aria-label="Bags of each maker">
          <TableHead>
            <TableRow>
              <TableCell>Maker</TableCell>
              {blocks.map(({ id, name }) => (
                <TableCell key={id} sx={{ px: 0.5, fontSize: '0.85rem' }}>
                  {name}
                </TableCell>
              ))}
            </TableRow>
          </TableHead>
          <TableBody>
            {makers.map((maker) => (
              <TableRow key={maker.id}>
                <TableCell component="th" scope="row">
                  {maker.name}
                </TableCell>
                {blocks.map((block) => {
                  const kit = kitOf(block.id, maker.id);
                  const label = `${maker.name}, ${block.name}`;
                  return (
                    <TableCell key={block.id} sx={{ px: 0.4 }}>
                      <Button
                        fullWidth
                        aria-label={`${label}: ${LABEL[kit.status]}`}
                        variant={kit.status === 'to-pack' ? 'outlined' : 'contained'}
                        color={COLOUR[kit.status]}
                        onClick={() => change(kit, NEXT[kit.status], label)}
                        sx={{
                          minHeight: 44,
                          minWidth: 0,
                          px: 0.5,
                          fontSize: '0.82rem',
                          whiteSpace: 'nowrap',
                        }}
                      >
                        {LABEL[kit.status]}
                      </Button>
                    </TableCell>
                  );
                })}
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </TableContainer>
    </Box>
  );
}
