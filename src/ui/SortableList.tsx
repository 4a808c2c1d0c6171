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
import type { ReactNode } from 'react';

interface SortableListProps {
  /** What the list is called. */
  readonly label: string;
  /** What is moved, in a word: “the join”. */
  readonly what: string;
  readonly items: readonly { readonly id: string; readonly content: ReactNode }[];
  /** One was put down where another is. */
  readonly onMove: (id: string, toId: string) => void;
}

/** Rows to be dragged to another place, by mouse, touch or keys. */
export function SortableList({ label, what, items, onMove }: SortableListProps) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const drop = ({ active, over }: DragEndEvent) => {
    if (over && over.id !== active.id) onMove(String(active.id), String(over.id));
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={drop}
      accessibility={{
        screenReaderInstructions: {
          draggable: `Press space to take ${what} up, arrow keys to move it, space to put it down, escape to leave it.`,
        },
      }}
    >
      <SortableContext items={items.map(({ id }) => id)} strategy={verticalListSortingStrategy}>
        <Box
          component="ol"
          aria-label={label}
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
          {items.map(({ id, content }) => (
            <Row key={id} id={id}>
              {content}
            </Row>
          ))}
        </Box>
      </SortableContext>
    </DndContext>
  );
}

function Row({ id, children }: { readonly id: string; readonly children: ReactNode }) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id });
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
        {children}
      </Box>
    </Box>
  );
}
