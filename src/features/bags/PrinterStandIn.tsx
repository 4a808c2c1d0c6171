'use client';
import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useEffect, useRef, useState } from 'react';
import { counted } from '@/core/words';
import { keep, keptList } from '@/ui/device';
import { Choice } from '@/ui/Choice';
import { NumberField } from '@/ui/NumberField';
import { SquareCode } from '@/ui/SquareCode';
import { PRINTER_CHANNEL, PRINTER_FORMAT, isJob, type LabelJob, type PrintedLabel } from './labelPrinter';

const STATES = [
  ['ready', 'ready'],
  ['jammed', 'jammed'],
  ['unplugged', 'unplugged: it hears nothing'],
] as const;
type State = (typeof STATES)[number][0];

interface Out {
  readonly id: string;
  readonly label: PrintedLabel;
}

const KEY = 'kevlo-label-printer-out';
/** It remembers so many, so that none is printed twice. */
const MOST_KEPT = 2000;
const FULL_ROLL = 20;

/** Stands in for a label printer: what came out lies here; it can jam, run out, and lose its connection. */
export function PrinterStandIn() {
  const [state, setState] = useState<State>('ready');
  const [roll, setRoll] = useState(FULL_ROLL);
  const [out, setOut] = useState<readonly Out[]>([]);
  const latest = useRef({ state, roll });
  useEffect(() => {
    latest.current = { state, roll };
  });
  useEffect(() => {
    const timer = setTimeout(() => setOut(keptList<Out>(KEY)));
    const channel = new BroadcastChannel(PRINTER_CHANNEL);
    const take = ({ id, label }: LabelJob) => {
      const now = latest.current;
      if (now.state === 'unplugged') return;
      const answer = (said: object) => channel.postMessage({ format: PRINTER_FORMAT, id, ...said });
      const before = keptList<Out>(KEY);
      // It came out already, and the answer was lost.
      if (before.some((one) => one.id === id)) return answer({ kind: 'printed' });
      if (now.state === 'jammed') return answer({ kind: 'waits', why: 'The printer is jammed' });
      if (now.roll <= 0) return answer({ kind: 'waits', why: 'The printer has run out of labels' });
      const next = [...before, { id, label }].slice(-MOST_KEPT);
      keep(KEY, JSON.stringify(next));
      latest.current = { ...now, roll: now.roll - 1 };
      setRoll(now.roll - 1);
      setOut(next);
      answer({ kind: 'printed' });
    };
    channel.addEventListener('message', ({ data }: MessageEvent<unknown>) => void (isJob(data) && take(data)));
    return () => {
      clearTimeout(timer);
      channel.close();
    };
  }, []);
  return (
    <Box sx={{ maxWidth: 860 }}>
      <Typography variant="h2">Label printer stand-in</Typography>
      <Typography sx={{ mb: 2 }}>
        In place of a label printer: labels that are sent from “Print lists and labels” in this browser come out here.
      </Typography>
      <Stack direction="row" sx={{ gap: 1.5, mb: 1, flexWrap: 'wrap' }}>
        <Box sx={{ minWidth: 220 }}>
          <Choice label="The printer is" value={state} choices={STATES} onChange={(next) => setState(next as State)} />
        </Box>
        <Box sx={{ width: 160 }}>
          <NumberField label="Labels on the roll" value={roll} least={0} most={2000} isWhole onChange={setRoll} />
        </Box>
      </Stack>
      <Typography role="status" sx={{ mb: 1 }}>{counted(out.length, 'label')} came out.</Typography>
      <Box component="ol" aria-label="Labels that came out" sx={{ listStyle: 'none', p: 0, m: 0, display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(240px, 1fr))', gap: 1 }}>
        {[...out].reverse().map(({ id, label }) => (
          <Box component="li" key={id} sx={{ border: 1, borderColor: 'text.secondary', p: 1, bgcolor: 'background.paper' }}>
            <Stack direction="row" sx={{ justifyContent: 'space-between' }}>
              <Box>
                <strong>{label.block}</strong>
                <div>{label.maker}</div>
                <div>{label.code}</div>
              </Box>
              <SquareCode text={label.code.replaceAll('-', '')} label={`Code ${label.code}`} size={64} />
            </Stack>
            <Typography variant="body2">{label.lines.slice(0, 6).join(', ')}</Typography>
          </Box>
        ))}
      </Box>
    </Box>
  );
} // prettier-ignore
