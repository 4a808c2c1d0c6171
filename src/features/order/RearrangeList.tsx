'use client';
import {
  DndContext,
  KeyboardSensor,
  PointerSensor,
  closestCenter,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { JoinStep, Step } from '@/core/sheet';
import type { PressJoin } from './useJoinHand';
import { shortText } from './shortText';

interface RearrangeListProps {
  readonly steps: readonly Step[];
  readonly onPress: PressJoin;
}

/** Joins to be dragged to another place, by mouse, touch or keys; what each needs comes with it. */
export function RearrangeList({ steps, onPress }: RearrangeListProps) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const joins = steps.flatMap((step, index) => (step.kind === 'join' ? [{ step, number: index + 1 }] : []));
  const drop = ({ active, over }: DragEndEvent) => {
    if (over && over.id !== active.id) onPress('place', String(active.id), { atStepId: String(over.id) });
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={drop}
      accessibility={{
        screenReaderInstructions: {
          draggable:
            'Press space to take the join up, arrow keys to move it, space to put it down, escape to leave it.',
        },
      }}
    >
      <SortableContext items={joins.map(({ step }) => step.id)} strategy={verticalListSortingStrategy}>
        <Typography variant="body2" color="textSecondary" sx={{ mb: 0.5 }}>
          Drag a join, or take it up with the space bar. What it needs comes with it.
        </Typography>
        <Box
          component="ol"
          aria-label="Joins to rearrange"
          sx={{
            listStyle: 'none',
            p: 0,
            m: 0,
            maxHeight: 540,
            overflowY: 'auto',
            border: 1,
            borderColor: 'divider',
          }}
        >
          {joins.map(({ step, number }) => (
            <Row key={step.id} step={step} number={number} />
          ))}
        </Box>
      </SortableContext>
    </DndContext>
  );
}

function Row({ step, number }: { step: JoinStep; number: number }) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({
    id: step.id,
  });
  return (
    <Box component="li" sx={{ borderBottom: 1, borderColor: 'divider' }}>
      <Box
        ref={setNodeRef}
        {...attributes}
        {...listeners}
        style={{ transform: CSS.Translate.toString(transform), transition }}
        sx={{
          display: 'flex',
          gap: 1,
          alignItems: 'baseline',
          minHeight: 44,
          px: 1.25,
          py: 0.75,
          fontSize: '0.92rem',
          cursor: 'grab',
          touchAction: 'none',
          position: 'relative',
          zIndex: isDragging ? 2 : undefined,
          bgcolor: isDragging ? 'action.selected' : 'background.paper',
        }}
      >
        <span aria-hidden>≡</span>
        <strong>{number}</strong>
        <span>{shortText(step)}</span>
      </Box>
    </Box>
  );
}
