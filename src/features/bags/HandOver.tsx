'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import FormGroup from '@mui/material/FormGroup';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useDeferredValue, useRef, useState } from 'react';
import useSWR from 'swr';
import { MOST_RECEIPTS } from '@/core/packing';
import { counted } from '@/core/words';
import type { Handover, HandoverWay, Kit } from '@/server/bags';
import type { Maker } from '@/server/makers';
import { asRefusal, read, send } from '@/ui/api';
import { Choice } from '@/ui/Choice';
import { ErrorNote } from '@/ui/ErrorNote';
import { formatDay } from '@/ui/formatDay';
import { LinkButton } from '@/ui/LinkButton';
import { newId } from '@/ui/newId';
import { NumberField } from '@/ui/NumberField';
import { useNotice } from '@/ui/Notices';
import { useLive } from '@/ui/useLive';
import { useSend } from '@/ui/useSend';
import { HandByRoll } from './HandByRoll';

interface HandOverProps {
  readonly projectId: string;
  readonly shop: string;
  readonly makers: readonly Maker[];
  readonly blocks: readonly { readonly id: string; readonly name: string }[];
  readonly kits: readonly Kit[];
  readonly handovers: readonly Handover[];
}

/** Of so many makers or receipts one is looked for by name. */
const MANY = 8;

const WAYS = [
  ['counter', 'at the counter'],
  ['post', 'by post'],
] as const;

/** At the counter or by post: which packed bags a maker gets, and the receipts of what was handed over. */
export function HandOver({ projectId, shop, makers, blocks, kits: initialKits, handovers: initial }: HandOverProps) {
  const notice = useNotice();
  const base = `/api/projects/${projectId}`;
  const [isRoll, setIsRoll] = useState(false);
  const [find, setFind] = useState('');
  const wished = useDeferredValue(find.trim());
  // By roll everybody is called.
  const asked = isRoll ? '' : wished;
  const isFound = (name: string) => name.toLowerCase().includes(asked.toLowerCase());
  const ids = useRef(new Map<string, string>());
  const { data: kits = initialKits, mutate: mutateKits } = useSWR<readonly Kit[]>(`${base}/kits`, read, { fallbackData: initialKits });
  const { data: latest = initial, mutate } = useSWR<readonly Handover[]>(`${base}/handovers`, read, { fallbackData: initial });
  const { data: ofName, error, mutate: mutateFound } = useSWR<readonly Handover[], unknown>(asked === '' ? null : `${base}/handovers?find=${encodeURIComponent(asked)}`, read);
  // Until older ones are there, and where nobody answers, the latest are looked through.
  const handovers = ofName ?? latest.filter(({ maker }) => isFound(maker));
  const again = () => Promise.all([mutateKits(), mutate(), mutateFound()]);
  useLive(projectId, ['kits', 'makers', 'blocks'], again);
  const packedOf = (makerId: string) => blocks.filter(({ id }) => kits.some((kit) => kit.makerId === makerId && kit.blockId === id && kit.status === 'packed'));
  const waiting = makers.filter(({ id }) => packedOf(id).length > 0);
  const found = waiting.filter(({ name }) => isFound(name));
  const takeBack = async (id: string) => {
    try {
      await send('PATCH', `${base}/handovers`, { id });
      notice({ text: 'Taken back: the bags are packed again.' });
    } catch (error) {
      notice({ text: asRefusal(error).message });
    }
    again();
  };
  const handAll = async (maker: Maker) => {
    const own = packedOf(maker.id);
    // A press that is made again, because its answer was lost, hands nothing over twice.
    const id = ids.current.get(maker.id) ?? newId();
    ids.current.set(maker.id, id);
    try {
      await send('POST', `${base}/handovers`, { id, makerId: maker.id, how: 'counter', tracking: '', packets: 1, grams: null, blocks: own.map((block) => block.id) });
      notice({ text: `${maker.name}: ${counted(own.length, 'bag')} handed over.`, undo: () => takeBack(id) });
      ids.current.delete(maker.id);
      await again();
      return true;
    } catch (error) {
      notice({ text: asRefusal(error).message });
      again();
      return false;
    }
  };
  return (
    <Box sx={{ maxWidth: 860 }}>
      <Stack direction="row" sx={{ justifyContent: 'space-between', flexWrap: 'wrap', gap: 1, mb: 1.5 }}>
        <Typography variant="h2">Hand over</Typography>
        <Stack direction="row" sx={{ gap: 1 }}>
          {!isRoll && waiting.length > 0 && <Button onClick={() => setIsRoll(true)}>By roll</Button>}
          <LinkButton href={`/p/${projectId}/bags`}>All bags</LinkButton>
        </Stack>
      </Stack>
      <Typography color="textSecondary" sx={{ mb: 1.5 }}>
        {waiting.length === 0 ? 'No packed bag waits for its maker.' : `${counted(waiting.length, 'maker')} with packed bags.`}
      </Typography>
      {!isRoll && (waiting.length >= MANY || latest.length >= MANY || find !== '') && (
        <Box className="no-print" sx={{ mb: 1.5 }}>
          <Box sx={{ maxWidth: 320 }}>
            <TextField label="Find a maker" value={find} onChange={({ target }) => setFind(target.value)} slotProps={{ htmlInput: { maxLength: 120 } }} />
          </Box>
          <Typography role="status" color="textSecondary">
            {asked !== '' && `${counted(found.length, 'maker')} with packed bags and ${counted(handovers.length, 'receipt')} of that name.`}
          </Typography>
          <ErrorNote error={error === undefined ? undefined : asRefusal(error)} />
        </Box>
      )}
      {isRoll && <HandByRoll waiting={waiting} packedOf={packedOf} onHand={handAll} onClose={() => setIsRoll(false)} />}
      {!isRoll && found.map((maker) => (
        <MakersBags key={`${maker.id}${packedOf(maker.id).length}`} base={base} maker={maker} blocks={packedOf(maker.id)} onDone={again} onTakeBack={takeBack} />
      ))}
      {handovers.length > 0 && <Typography variant="h3" sx={{ mt: 3, mb: 1 }}>Handed over</Typography>}
      {handovers.map((one) => (
        <Receipt key={one.id} handover={one} shop={shop} blocks={blocks} onTakeBack={() => void takeBack(one.id)} />
      ))}
      {handovers.length >= MOST_RECEIPTS && (
        <Typography color="textSecondary" sx={{ mt: 1 }}>{`The latest ${MOST_RECEIPTS} are listed: find older ones by the maker’s name.`}</Typography>
      )}
    </Box>
  );
} // prettier-ignore

interface MakersBagsProps {
  readonly base: string;
  readonly maker: Maker;
  readonly blocks: HandOverProps['blocks'];
  readonly onDone: () => void;
  readonly onTakeBack: (id: string) => Promise<void>;
}

function MakersBags({ base, maker, blocks, onDone, onTakeBack }: MakersBagsProps) {
  const notice = useNotice();
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [how, setHow] = useState<HandoverWay>('counter');
  const [tracking, setTracking] = useState('');
  const [packets, setPackets] = useState(1);
  const [grams, setGrams] = useState(0);
  const [id] = useState(newId);
  const { error, isBusy, run } = useSend();
  const own = blocks.filter((block) => !left.has(block.id));
  const hand = () =>
    run(async () => {
      const isPosted = how === 'post';
      await send('POST', `${base}/handovers`, { id, makerId: maker.id, how, tracking: isPosted ? tracking.trim() : '', packets: isPosted ? packets : 1, grams: isPosted && grams > 0 ? grams : null, blocks: own.map((block) => block.id) });
      notice({ text: `${maker.name}: ${counted(own.length, 'bag')} handed over.`, undo: () => onTakeBack(id) });
      onDone();
    });
  return (
    <Box component="section" aria-label={maker.name} sx={{ borderTop: 1, borderColor: 'divider', py: 1.25 }}>
      <ErrorNote error={error} />
      <Stack direction="row" sx={{ gap: 1.5, flexWrap: 'wrap', alignItems: 'center' }}>
        <Typography variant="h3" sx={{ minWidth: 180 }}>{maker.name}</Typography>
        <FormGroup row sx={{ flexGrow: 1 }}>
          {blocks.map((block) => (
            <FormControlLabel
              key={block.id}
              control={<Checkbox checked={!left.has(block.id)} onChange={(_, is) => setLeft((before) => new Set(is ? [...before].filter((one) => one !== block.id) : [...before, block.id]))} />}
              label={block.name}
            />
          ))}
        </FormGroup>
        <Box sx={{ minWidth: 150 }}>
          <Choice label={`How, ${maker.name}`} value={how} choices={WAYS} onChange={(way) => setHow(way as HandoverWay)} />
        </Box>
        <Button variant="contained" disabled={isBusy || own.length === 0} onClick={() => void hand()} sx={{ minHeight: 44 }}>
          {`Hand over ${counted(own.length, 'bag')}`}
        </Button>
      </Stack>
      {how === 'post' && (
        <Stack direction="row" sx={{ gap: 1, mt: 1, flexWrap: 'wrap' }}>
          <Box sx={{ flexGrow: 1, minWidth: 220 }}>
            <TextField label="Tracking number, if there is one" value={tracking} onChange={({ target }) => setTracking(target.value)} slotProps={{ htmlInput: { maxLength: 120 } }} />
          </Box>
          <Box sx={{ width: 110 }}>
            <NumberField label="Packets" value={packets} least={1} most={99} isWhole onChange={setPackets} />
          </Box>
          <Box sx={{ width: 150 }}>
            <NumberField label="Weight, g (0: not weighed)" value={grams} least={0} most={100_000} onChange={setGrams} />
          </Box>
        </Stack>
      )}
    </Box>
  );
} // prettier-ignore

interface ReceiptProps {
  readonly handover: Handover;
  readonly shop: string;
  readonly blocks: HandOverProps['blocks'];
  readonly onTakeBack: () => void;
}

function Receipt({ handover: { maker, how, tracking, packets, grams, blocks: ids, by, at }, shop, blocks, onTakeBack }: ReceiptProps) {
  const names = ids.map((id) => blocks.find((block) => block.id === id)?.name ?? 'a block that is gone').join(', ');
  const posted = [counted(packets, 'packet'), ...(grams === null ? [] : [`${grams} g`]), ...(tracking === '' ? [] : [`number ${tracking}`])].join(', ');
  return (
    <Stack direction="row" component="article" aria-label={`Receipt for ${maker}`} sx={{ justifyContent: 'space-between', gap: 1, py: 0.75, borderBottom: 1, borderColor: 'divider', breakInside: 'avoid' }}>
      <Typography>
        <strong>{maker}</strong>, {formatDay(at)}: {counted(ids.length, 'bag')} ({names}), {how === 'counter' ? 'at the counter' : `by post, ${posted}`}
        {by !== null && `; handed over by ${by}`}
        {shop !== '' && ` · ${shop}`}
      </Typography>
      <Button className="no-print" size="small" variant="text" aria-label={`Take back: ${maker}`} onClick={onTakeBack} sx={{ flexShrink: 0 }}>
        Take back
      </Button>
    </Stack>
  );
} // prettier-ignore
