'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import { memo, useEffect, useMemo, useRef, useState } from 'react';
import { batchesOf, type Batch, type Step } from '@/core/sheet';
import { counted } from '@/core/words';
import type { PressJoin } from './useJoinHand';
import { RearrangeList } from './RearrangeList';
import { shortText } from './shortText';

interface StepListProps {
  readonly steps: readonly Step[];
  readonly current: number;
  readonly onPick: (index: number) => void;
  readonly onPress: PressJoin;
}

/** All steps, to jump anywhere; the current one is kept in view. On wish the joins can be dragged to another place. */
export function StepList({ steps, current, onPick, onPress }: StepListProps) {
  const [isRearranging, setIsRearranging] = useState(false);
  const list = useRef<HTMLOListElement>(null);
  const headings = useMemo(
    () => new Map(batchesOf(steps).map((batch) => [batch.from, headingOf(batch)])),
    [steps],
  );
  useEffect(() => {
    const item = list.current?.children[current] as HTMLElement | undefined;
    if (item && list.current) list.current.scrollTop = item.offsetTop - list.current.offsetTop - 120;
  }, [current]);
  return (
    <Box>
      <Button
        size="small"
        className="no-print"
        aria-pressed={isRearranging}
        onClick={() => setIsRearranging(!isRearranging)}
        sx={{ mb: 0.5 }}
      >
        {isRearranging ? 'Done rearranging' : 'Rearrange the joins'}
      </Button>
      {isRearranging ? (
        <RearrangeList steps={steps} onPress={onPress} />
      ) : (
        <Box component="ol" ref={list} aria-label="Steps" sx={LIST}>
          {steps.map((step, index) => (
            <Item
              key={step.id}
              step={step}
              index={index}
              isCurrent={index === current}
              batch={headings.get(index)}
              onPick={onPick}
            />
          ))}
        </Box>
      )}
    </Box>
  );
}

const LIST = {
  listStyle: 'none',
  p: 0,
  m: 0,
  maxHeight: { lg: 560 },
  overflowY: 'auto',
  border: 1,
  borderColor: 'divider',
  bgcolor: 'background.paper',
  '@media print': { maxHeight: 'none' },
};

interface ItemProps {
  readonly step: Step;
  readonly index: number;
  readonly isCurrent: boolean;
  /** Said above the first of several like units that are made one after another. */
  readonly batch: string | undefined;
  readonly onPick: (index: number) => void;
}

/** One step; drawn anew only when it becomes or ceases to be the current one, so that long lists stay quick. */
const Item = memo(function Item({ step, index, isCurrent, batch, onPick }: ItemProps) {
  return (
    <Box component="li" sx={{ borderBottom: 1, borderColor: 'divider' }}>
      {batch && (
        <Box sx={{ px: 1.25, pt: 0.75, fontSize: '0.9rem', fontWeight: 600, color: 'text.secondary' }}>
          {batch}
        </Box>
      )}
      <ButtonBase
        onClick={() => onPick(index)}
        aria-current={isCurrent ? 'step' : undefined}
        sx={{
          display: 'flex',
          width: '100%',
          justifyContent: 'flex-start',
          textAlign: 'left',
          gap: 1,
          px: 1.25,
          py: 0.75,
          fontFamily: 'inherit',
          fontSize: '0.92rem',
          lineHeight: 1.35,
          bgcolor: isCurrent ? 'primary.main' : undefined,
          color: isCurrent ? 'primary.contrastText' : 'text.primary',
          alignItems: 'baseline',
        }}
      >
        <strong>{index + 1}</strong>
        <span>{shortText(step)}</span>
      </ButtonBase>
    </Box>
  );
});

/** “6 to make: winged kite D, 4 steps each”, above the first step of like units. */
function headingOf({ name, count, size }: Batch): string {
  return `${count} to make: ${name}${size > 1 ? `, ${counted(size, 'step')} each` : ''}`;
}
