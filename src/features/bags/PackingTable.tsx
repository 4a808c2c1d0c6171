'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { bagCode, readBagCode } from '@/core/packing';
import { counted } from '@/core/words';
import type { PackingKit } from '@/server/bags';
import type { Project } from '@/server/projects';
import { LinkButton } from '@/ui/LinkButton';
import { useNotice } from '@/ui/Notices';
import { CameraReader } from './CameraReader';
import { BagList } from './BagList';
import { OpenBag } from './OpenBag';
import type { TableBag } from './tableBag';
import { isBag, useHold, usePacking } from './usePacking';
import { useScanner } from './useScanner';

interface PackingTableProps {
  readonly project: Project;
  /** Who packs. */
  readonly me: string;
  /** All bags, those of the next drop first. */
  readonly bags: readonly TableBag[];
  readonly fabrics: readonly string[];
  readonly kits: readonly PackingKit[];
}

/** Packing with one hand: scan a bag, count its lines in, close it. Several helpers at once; a lost connection loses nothing. */
export function PackingTable({ project, me, bags, fabrics, kits }: PackingTableProps) {
  const notice = useNotice();
  const { kitOf, act, waiting, isOffline } = usePacking(project.id, kits, ({ what, mend }) => notice({ text: `${what} ${mend}` })); // prettier-ignore
  const [opened, setOpened] = useState<TableBag | undefined>();
  const [typed, setTyped] = useState('');
  const [fault, setFault] = useState('');
  const kit = opened && kitOf(opened);
  useHold(opened, kit?.holder?.id === me, (bag) => act(bag, { kind: 'take' }));
  const leave = () => {
    if (opened && kitOf(opened).status === 'to-pack') act(opened, { kind: 'leave' });
    setOpened(undefined);
  };
  const take = (bag: TableBag) => {
    setOpened(bag);
    const { status, holder } = kitOf(bag);
    if (status === 'to-pack' && (!holder || holder.id === me)) act(bag, { kind: 'take' });
  };
  const open = (bag: TableBag) => {
    if (opened && isBag(opened, bag)) return;
    leave();
    take(bag);
  };
  const read = (text: string) => {
    const code = readBagCode(text);
    const bag = code === undefined ? undefined : bags.find(({ blockId, makerId }) => bagCode(blockId, makerId) === code); // prettier-ignore
    if (bag) {
      open(bag);
      setTyped('');
      setFault('');
    } else
      setFault(
        code === undefined
          ? `“${text.slice(0, 40)}” was not read right. Scan it again, or type the nine signs below the square.`
          : 'This bag is of another project, or its block or maker was taken out.',
      );
  };
  /** The next that goes into the same bag of a drop; else the list. */
  const goOn = (bag: TableBag) => {
    const next = bags.find((one) => one.makerId === bag.makerId && !isBag(one, bag) && bag.outer?.blocks.includes(one.blockId) && kitOf(one).status === 'to-pack');
    if (!next) return setOpened(undefined);
    notice({ text: `${bag.block} is done. Into the same bag: ${next.block}.` });
    take(next);
  };
  const field = useScanner(read);
  return (
    <Box sx={{ maxWidth: 860 }}>
      <Stack direction="row" sx={{ justifyContent: 'space-between', flexWrap: 'wrap', gap: 1 }}>
        <Typography variant="h2">Packing table</Typography>
        <Stack direction="row" spacing={1}>
          <Button component="a" href={`/p/${project.id}/bags/scanner`} target="_blank" rel="noopener">
            Scanner stand-in
          </Button>
          <LinkButton href={`/p/${project.id}/bags`}>All bags</LinkButton>
        </Stack>
      </Stack>
      <Box
        component="form"
        onSubmit={(event: React.FormEvent) => {
          event.preventDefault();
          if (typed.trim() !== '') read(typed);
        }}
        sx={{ display: 'flex', gap: 1, my: 2, alignItems: 'flex-start' }}
      >
        <TextField
          label="Scan or type a bag’s code"
          value={typed}
          inputRef={field}
          error={fault !== ''}
          helperText={fault === '' ? 'A scanner that types like a keyboard may be used at any time.' : fault}
          onChange={({ target }) => setTyped(target.value)}
          slotProps={{ htmlInput: { autoComplete: 'off', autoCapitalize: 'characters', spellCheck: false, maxLength: 200 } }}
        />
        <Button type="submit" variant="contained" sx={{ minHeight: 44 }}>
          Open
        </Button>
      </Box>
      <CameraReader onCode={read} />
      <Box role="status" sx={{ minHeight: 24 }}>
        {waiting > 0 && isOffline && `${counted(waiting, 'entry', 'entries')} ${waiting === 1 ? 'waits' : 'wait'} on this device for a connection. Go on packing.`}
      </Box>
      {opened && kit ? (
        <OpenBag key={`${opened.blockId}${opened.makerId}`} bag={opened} {...{ kit, me, fabrics }} onAct={(what) => act(opened, what)} onLeave={leave} onDone={() => goOn(opened)} />
      ) : (
        <BagList bags={bags} kitOf={kitOf} me={me} onOpen={open} />
      )}
    </Box>
  );
} // prettier-ignore
