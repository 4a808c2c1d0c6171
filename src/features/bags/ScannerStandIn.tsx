'use client';
import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { bagCode, sayCode } from '@/core/packing';
import { PlainButton } from '@/ui/PlainButton';
import { SCANNER_CHANNEL } from './useScanner';

interface ScannerStandInProps {
  readonly bags: readonly { readonly blockId: string; readonly makerId: string; readonly block: string; readonly maker: string }[];
} // prettier-ignore

/** Codes that are shown at once. */
const MOST_SHOWN = 60;

/** Stands in for a hand scanner: a press sends a bag's code, or whatever was typed, to the packing tables in this browser. */
export function ScannerStandIn({ bags }: ScannerStandInProps) {
  const [typed, setTyped] = useState('');
  const [sent, setSent] = useState('');
  const sendCode = (code: string) => {
    const channel = new BroadcastChannel(SCANNER_CHANNEL);
    channel.postMessage(code);
    channel.close();
    setSent(code);
  };
  const wanted = typed.trim().toLowerCase();
  const shown = bags.filter(({ block, maker }) => `${block}, ${maker}`.toLowerCase().includes(wanted)).slice(0, MOST_SHOWN); // prettier-ignore
  return (
    <Box sx={{ maxWidth: 860 }}>
      <Typography variant="h2">Scanner stand-in</Typography>
      <Typography sx={{ mb: 2 }}>
        In place of a hand scanner: a press sends a code to every packing table that is open in this browser. A real
        scanner that types like a keyboard needs none of this.
      </Typography>
      <Box component="form" onSubmit={(event: React.FormEvent) => { event.preventDefault(); if (typed !== '') sendCode(typed); }} sx={{ display: 'flex', gap: 1, mb: 1 }}>
        <TextField label="Find a bag, or type a code" value={typed} onChange={({ target }) => setTyped(target.value)} slotProps={{ htmlInput: { maxLength: 200 } }} />
        <PlainButton look="framed" type="submit" sx={{ minHeight: 56, whiteSpace: 'nowrap' }}>
          Send as typed
        </PlainButton>
      </Box>
      <Box role="status" sx={{ minHeight: 28 }}>{sent === '' ? '' : `Sent: ${sent}`}</Box>
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' }, gap: 1 }}>
        {shown.map(({ blockId, makerId, block, maker }) => {
          const code = bagCode(blockId, makerId);
          return (
            <PlainButton key={code} look="framed" onClick={() => sendCode(code)} sx={{ minHeight: 48, textAlign: 'left' }}>
              {`${block}, ${maker} · ${sayCode(code)}`}
            </PlainButton>
          );
        })}
      </Box>
    </Box>
  );
} // prettier-ignore
