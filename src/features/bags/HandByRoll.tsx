import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useEffect, useRef, useState } from 'react';
import { counted } from '@/core/words';
import type { Maker } from '@/server/makers';
import { PlainButton } from '@/ui/PlainButton';

interface HandByRollProps {
  /** Makers with packed bags, in the order in which they are called. */
  readonly waiting: readonly Maker[];
  readonly packedOf: (makerId: string) => readonly { readonly id: string; readonly name: string }[];
  /** All bags of a maker are handed over. @returns whether they are */
  readonly onHand: (maker: Maker) => Promise<boolean>;
  readonly onClose: () => void;
}

/** Names are called one after the other; whoever is there gets their packed bags at one press or key, whoever is not is left for later. */
export function HandByRoll({ waiting, packedOf, onHand, onClose }: HandByRollProps) {
  // Those called so far by what came of it: a list that grows shorter meanwhile loses nobody’s turn.
  const [away, setAway] = useState<readonly string[]>([]);
  const [given, setGiven] = useState(0);
  const [isBusy, setIsBusy] = useState(false);
  const buttons = useRef<HTMLDivElement>(null);
  const left = waiting.filter(({ id }) => away.includes(id)).length;
  const current = waiting.find(({ id }) => !away.includes(id));
  const currentId = current?.id;
  useEffect(() => buttons.current?.querySelector('button')?.focus(), [currentId, isBusy]);
  const give = async () => {
    if (!current || isBusy) return;
    setIsBusy(true);
    if (await onHand(current)) setGiven((before) => before + 1);
    setIsBusy(false);
  };
  const leave = () => current && setAway([...away, current.id]);
  const bags = current ? packedOf(current.id) : [];
  return (
    <Box
      component="section"
      aria-label="By roll"
      onKeyDown={(event: React.KeyboardEvent) => event.key.toLowerCase() === 'a' && leave()}
      sx={{ border: 2, borderColor: 'primary.main', p: 2, mb: 2 }}
    >
      <Box aria-live="polite">
        {current ? (
          <>
            <Typography sx={{ fontSize: '2rem', fontWeight: 600, lineHeight: 1.2 }}>{current.name}</Typography>
            <Typography sx={{ fontSize: '1.15rem', mb: 1.5 }}>
              {`${counted(bags.length, 'bag')}: ${bags.map(({ name }) => name).join(', ')}`}
            </Typography>
          </>
        ) : (
          <Typography sx={{ fontSize: '1.3rem', mb: 1.5 }}>
            {left === 0 ? 'Everybody was called.' : `Everybody was called; ${counted(left, 'maker')} not there.`}
          </Typography>
        )}
      </Box>
      <Stack ref={buttons} direction="row" sx={{ gap: 1, flexWrap: 'wrap' }}>
        {current && (
          <PlainButton look="filled" disabled={isBusy} onClick={() => void give()} sx={{ minHeight: 56, flexGrow: 1 }}>
            {`Here: hand over ${counted(bags.length, 'bag')} (Enter)`}
          </PlainButton>
        )}
        {current && (
          <PlainButton disabled={isBusy} onClick={leave} sx={{ minHeight: 56 }}>
            Not there (A)
          </PlainButton>
        )}
        {!current && left > 0 && (
          <PlainButton onClick={() => setAway([])} sx={{ minHeight: 56 }}>
            Call those again
          </PlainButton>
        )}
        <PlainButton onClick={onClose} sx={{ minHeight: 56 }}>
          Close the roll
        </PlainButton>
      </Stack>
      <Typography color="textSecondary" sx={{ mt: 1 }}>
        {`${given} handed over, ${left} not there, ${waiting.length - left} to call.`}
      </Typography>
    </Box>
  );
} // prettier-ignore
