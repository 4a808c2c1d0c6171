'use client';
import Typography from '@mui/material/Typography';
import type { Step } from '@/core/sheet';
import { SortableList } from '@/ui/SortableList';
import type { PressJoin } from './useJoinHand';
import { shortText } from './shortText';

interface RearrangeListProps {
  readonly steps: readonly Step[];
  readonly onPress: PressJoin;
}

/** Joins to be dragged to another place, by mouse, touch or keys; what each needs comes with it. */
export function RearrangeList({ steps, onPress }: RearrangeListProps) {
  const items = steps.flatMap((step, index) => {
    if (step.kind !== 'join') return [];
    const content = (
      <>
        <strong>{index + 1}</strong>
        <span>{shortText(step)}</span>
      </>
    );
    return [{ id: step.id, content }];
  });
  return (
    <>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 0.5 }}>
        Drag a join, or take it up with the space bar. What it needs comes with it.
      </Typography>
      <SortableList
        label="Joins to rearrange"
        what="the join"
        items={items}
        onMove={(id, atStepId) => onPress('place', id, { atStepId })}
      />
    </>
  );
}
