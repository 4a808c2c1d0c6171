'use client';
import Box from '@mui/material/Box';
import { useEffect, useId, useMemo, useRef } from 'react';
import { counted } from '@/core/words';
import { boxOfPoints, type Point } from '@/core/geometry';
import type { UnitSystem } from '@/core/length';
import type { LiveReport } from '@/core/workshop';
import { SwatchPatterns } from '@/ui/swatches';
import { BoardButtons } from './BoardButtons';
import { BoardOverlay } from './BoardOverlay';
import { BoardPatches } from './BoardPatches';
import { useBoardGhost } from './useBoardGhost';
import { useBoardPress } from './useBoardPress';
import { useBoardWalk } from './useBoardWalk';
import { useBoardZoom } from './useBoardZoom';
import type { Workshop } from './useWorkshop';

interface BoardViewProps {
  readonly shop: Workshop;
  readonly report: LiveReport | undefined;
  readonly fabrics: readonly string[];
  readonly system: UnitSystem;
  readonly marks: readonly { readonly at: Point; readonly label: string }[];
  /** A place to bring into view. */
  readonly look?: Point;
}

/** Board round the papers that is shown before there are any, mm. */
const BARE_MM = 160;

/**
 * The board on which a block is built. By mouse, by touch, and by keys: every key has a button above it. What is done
 * is said in a line that screen readers follow.
 */
export function BoardView({ shop, report, fabrics, system, marks, look }: BoardViewProps) {
  const { patches, tool, pickedIds } = shop;
  const prefix = `ws${useId().replace(/[^a-zA-Z0-9]/g, '')}`;
  const { frameRef, svgRef, groupRef, fit, zoomBy, toBoard, mmOf } = useBoardZoom((event, locate) =>
    isEditing(shop, event, locate),
  );

  const box = useMemo(
    () =>
      patches.length === 0
        ? { minX: -BARE_MM / 2, minY: -BARE_MM / 2, maxX: BARE_MM / 2, maxY: BARE_MM / 2 }
        : boxOfPoints(patches.flatMap(({ outline }) => outline.corners)),
    [patches],
  );
  const atStart = useRef(box);
  useEffect(() => fit(atStart.current), [fit]);
  useEffect(() => {
    if (look) fit({ minX: look.x - 60, minY: look.y - 60, maxX: look.x + 60, maxY: look.y + 60 });
  }, [look, fit]);

  const { shown, placeShown, goToEdge, pointAt } = useBoardGhost(shop, mmOf);
  const { drag, marquee, handlers } = useBoardPress(shop, { toBoard, mmOf, pointAt, placeShown });
  const fitAll = () => fit(box);
  const { focused, onKeyDown } = useBoardWalk(shop, report, system, {
    goToEdge,
    placeShown,
    zoomBy,
    fit: fitAll,
  });

  const ghost = shown?.ghost;
  const isBlocked = ghost?.kind === 'fits' && ghost.covers.length > 0;
  const wrong = useMemo(() => new Set(report?.violations.flatMap((one) => one.patches) ?? []), [report]);
  const layer = useMemo(
    () => (
      <BoardPatches
        patches={patches}
        fabrics={fabrics}
        prefix={prefix}
        pickedIds={pickedIds}
        {...(focused !== undefined && patches[focused] ? { focused: patches[focused].id } : {})}
        {...(report ? { hands: report.handOf, sides: report.sides } : {})}
        wrong={wrong}
        drag={drag}
      />
    ),
    [patches, fabrics, prefix, pickedIds, focused, report, wrong, drag],
  );
  return (
    <Box
      ref={frameRef}
      role="application"
      tabIndex={0}
      aria-label={`Board, ${counted(patches.length, 'paper')}. ${tool === 'place' ? 'Arrow keys go from edge to edge, Enter places, R turns, X turns over.' : 'Arrow keys go from paper to paper, the space bar picks.'}`}
      onKeyDown={onKeyDown}
      {...handlers}
      sx={{
        position: 'relative',
        overflow: 'hidden',
        touchAction: 'none',
        height: { xs: 420, md: 'max(430px, calc(100vh - 330px))' },
        bgcolor: 'background.paper',
        border: 1,
        borderColor: 'divider',
        cursor: tool === 'pick' ? 'default' : 'crosshair',
        '&:not(:focus) .patch-focus': { display: 'none' },
      }}
    >
      <Box
        component="svg"
        ref={svgRef}
        aria-hidden="true"
        sx={{ display: 'block', width: '100%', height: '100%', transformOrigin: '0 0', overflow: 'visible' }}
      >
        <defs>
          <SwatchPatterns prefix={prefix} fabrics={fabrics} scale={1} />
        </defs>
        <g ref={groupRef}>
          {layer}
          <BoardOverlay
            ghost={ghost}
            stretch={shown?.stretch}
            isBlocked={isBlocked}
            centre={shop.centre}
            marks={marks}
            marquee={marquee}
          />
        </g>
      </Box>
      <BoardButtons zoomBy={zoomBy} fit={fitAll} />
      {patches.length === 0 && <FirstHint />}
    </Box>
  );
}

/** Whether a press or touch works on the papers; else it moves the board. */
function isEditing(
  { board, patches, tool, pickedIds }: Workshop,
  event: Event,
  locate: (clientX: number, clientY: number) => Point,
): boolean {
  const mouse = event instanceof MouseEvent ? event : undefined;
  const touches = 'touches' in event ? (event as TouchEvent).touches : undefined;
  if (touches && touches.length > 1) return false;
  if (mouse?.shiftKey && tool === 'pick') return true;
  if (tool !== 'pick') return false;
  const at = mouse ?? touches?.[0];
  if (!at) return false;
  const under = board.patchAt(locate(at.clientX, at.clientY));
  if (under === undefined) return false;
  // A finger moves the board unless what it presses is picked already.
  return mouse !== undefined || pickedIds.has(patches[under]?.id ?? '');
}

/** What to do on an empty board. */
function FirstHint() {
  return (
    <Box
      sx={{
        position: 'absolute',
        left: 16,
        top: 12,
        maxWidth: 420,
        pointerEvents: 'none',
        color: 'text.secondary',
      }}
    >
      Take a paper from the tray, then press here to lay the first one. The next ones attach to the edge under
      the pointer.
    </Box>
  );
}
