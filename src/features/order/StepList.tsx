'use client';
import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import { useEffect, useRef } from 'react';
import type { Step } from '@/core/sheet';

/** All steps, to jump anywhere. The current one is kept in view. */
export function StepList({
  steps,
  current,
  onPick,
}: {
  steps: readonly Step[];
  current: number;
  onPick: (index: number) => void;
}) {
  const list = useRef<HTMLOListElement>(null);
  useEffect(() => {
    const item = list.current?.children[current] as HTMLElement | undefined;
    if (item && list.current) list.current.scrollTop = item.offsetTop - list.current.offsetTop - 120;
  }, [current]);
  return (
    <Box
      component="ol"
      ref={list}
      aria-label="Steps"
      sx={{
        listStyle: 'none',
        p: 0,
        m: 0,
        maxHeight: { lg: 590 },
        overflowY: 'auto',
        border: 1,
        borderColor: 'divider',
        bgcolor: 'background.paper',
        '@media print': { maxHeight: 'none' },
      }}
    >
      {steps.map((step, index) => (
        <Box component="li" key={step.id} sx={{ borderBottom: 1, borderColor: 'divider' }}>
          <ButtonBase
            onClick={() => onPick(index)}
            aria-current={index === current ? 'step' : undefined}
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
              bgcolor: index === current ? 'primary.main' : undefined,
              color: index === current ? 'primary.contrastText' : 'text.primary',
              alignItems: 'baseline',
            }}
          >
            <strong>{index + 1}</strong>
            <span>{shortText(step)}</span>
          </ButtonBase>
        </Box>
      ))}
    </Box>
  );
}

function shortText(step: Step): string {
  const sentence = (step.text.split(/[.:]/)[0] ?? '').replace(/ \(\d+ patches\)| \(patches [\d, ]+\)/g, '');
  return step.kind === 'join' && step.bends > 0
    ? `${sentence} (${step.bends} ${step.bends === 1 ? 'bend' : 'bends'})`
    : sentence;
}
