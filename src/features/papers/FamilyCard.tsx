'use client';
import Button from '@mui/material/Button';
import { useMemo } from 'react';
import { PAPER_FAMILIES, makePaper, type Paper, type PaperFamily } from '@/core/catalogue';
import { boxOf } from '@/core/geometry';
import { outlinePath } from '@/ui/outlinePath';

/** Cards draw their papers to one scale: this many mm across. */
const CARD_MM = 135;

interface FamilyCardProps {
  readonly family: PaperFamily;
  readonly paper: Paper;
  readonly isChosen: boolean;
  readonly onChoose: () => void;
}

/** A family of papers to choose, drawn to the scale of the others. */
export function FamilyCard({ family, paper, isChosen, onChoose }: FamilyCardProps) {
  const outline = useMemo(() => makePaper(paper), [paper]);
  const { minX, minY, maxX, maxY } = boxOf(outline);
  const [x, y] = [(minX + maxX) / 2 - CARD_MM / 2, (minY + maxY) / 2 - CARD_MM / 2];
  return (
    <Button
      role="radio"
      aria-checked={isChosen}
      variant={isChosen ? 'contained' : 'outlined'}
      onClick={onChoose}
      sx={{
        display: 'flex',
        flexDirection: 'column',
        justifyContent: 'space-between',
        p: 1,
        minHeight: 150,
        lineHeight: 1.25,
      }}
    >
      <svg width="100%" height={88} viewBox={`${x} ${y} ${CARD_MM} ${CARD_MM}`} aria-hidden="true">
        <path
          d={outlinePath(outline)}
          fill="currentColor"
          fillOpacity={0.14}
          stroke="currentColor"
          strokeWidth={1.6}
          vectorEffect="non-scaling-stroke"
        />
      </svg>
      {PAPER_FAMILIES[family].label}
    </Button>
  );
}
