'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useEffect, useRef, useState } from 'react';
import { USUAL_CARD, USUAL_SCALE, scaleReading } from '@/core/packing';
import { NumberField } from '@/ui/NumberField';
import { SCALE_CHANNEL, SCALE_FORMAT, type ScaleReading } from './useScale';

/** Readings are sent this often, and a load is at rest after so long, ms. */
const [EVERY_MS, REST_MS] = [400, 900];

interface ScaleStandInProps {
  readonly papers: readonly { readonly name: string; readonly areaMm2: number }[];
}

/** Stands in for a counter scale: papers are laid on by number, the display steps, spreads and wanders as a real one does. */
export function ScaleStandIn({ papers }: ScaleStandInProps) {
  const [loads, setLoads] = useState<Readonly<Record<string, number>>>({});
  const [scale, setScale] = useState(USUAL_SCALE);
  const [gramsPerM2, setGrams] = useState(USUAL_CARD.gramsPerM2);
  const [tare, setTare] = useState(0);
  const [shown, setShown] = useState<number | undefined>();
  const zeroAt = useRef<number | undefined>(undefined);
  const loadAt = useRef(0);
  const loadG = papers.reduce((sum, { name, areaMm2 }) => sum + (loads[name] ?? 0) * (areaMm2 / 1e6) * gramsPerM2, 0);
  useEffect(() => {
    zeroAt.current ??= Date.now();
    loadAt.current = Date.now();
  }, [loadG]);
  useEffect(() => {
    const channel = new BroadcastChannel(SCALE_CHANNEL);
    const timer = setInterval(() => {
      const now = Date.now();
      const minutes = (now - (zeroAt.current ?? now)) / 60_000;
      const grams = Math.round((scaleReading(loadG, minutes, scale, Math.random) - tare) * 1000) / 1000;
      setShown(grams);
      const reading: ScaleReading = { format: SCALE_FORMAT, grams, isStable: now - loadAt.current > REST_MS };
      channel.postMessage(reading);
    }, EVERY_MS);
    return () => {
      clearInterval(timer);
      channel.close();
    };
  }, [loadG, scale, tare]);
  return (
    <Box sx={{ maxWidth: 860 }}>
      <Typography variant="h2">Scale stand-in</Typography>
      <Typography sx={{ mb: 2 }}>
        In place of a counter scale: lay papers on by number; every counting board that is open in this browser hears what
        the display shows. Whoever connects a real scale sends the same message.
      </Typography>
      <Typography role="status" sx={{ fontSize: '3rem', fontVariantNumeric: 'tabular-nums', border: 1, borderColor: 'divider', px: 2, mb: 2 }}>
        {shown === undefined ? '…' : `${shown.toFixed(Math.max(0, Math.ceil(-Math.log10(scale.resolutionG))))} g`}
      </Typography>
      <Stack direction="row" spacing={1} sx={{ mb: 2 }}>
        <Button onClick={() => { setTare((now) => now + (shown ?? 0)); }}>Tare</Button>
        <Button onClick={() => { zeroAt.current = Date.now(); setTare(0); setLoads({}); }}>Empty and set to zero</Button>
      </Stack>
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr 1fr', sm: '1fr 1fr 1fr' }, gap: 1.5 }}>
        {papers.map(({ name }) => (
          <NumberField key={name} label={name} value={loads[name] ?? 0} least={0} most={9999} isWhole onChange={(count) => setLoads((all) => ({ ...all, [name]: count }))} />
        ))}
        <NumberField label="Step of the display, g" value={scale.resolutionG} least={0.001} most={50} onChange={(resolutionG) => setScale({ ...scale, resolutionG })} />
        <NumberField label="Spread of readings, g" value={scale.repeatabilityG} least={0} most={50} onChange={(repeatabilityG) => setScale({ ...scale, repeatabilityG })} />
        <NumberField label="Wanders in ten minutes, g" value={scale.driftG} least={0} most={50} onChange={(driftG) => setScale({ ...scale, driftG })} />
        <NumberField label="True weight of the card, g/m²" value={gramsPerM2} least={30} most={1000} onChange={setGrams} />
      </Box>
    </Box>
  );
} // prettier-ignore
