import { useRef, useState, type PointerEvent } from 'react';
import type { Point } from '@/core/geometry';
import { snapMove } from '@/core/workshop';
import type { Workshop } from './useWorkshop';

/** How near a dragged edge must come to be pulled, screen points. */
const PULL_POINTS = 14;
/** A press that moves less than this is a tap, screen points. */
const TAP_POINTS = 5;

interface Press {
  readonly id: number;
  readonly from: Point;
  readonly clientX: number;
  readonly clientY: number;
  readonly kind: 'tap' | 'drag' | 'marquee';
}

/** What a press needs of the board. */
interface BoardPress {
  readonly toBoard: (clientX: number, clientY: number) => Point;
  readonly mmOf: (points: number) => number;
  readonly pointAt: (at: Point | undefined) => void;
  readonly placeShown: () => void;
}

/** The board by mouse and by touch: placing, picking, painting, dragging and picking all within a frame. */
export function useBoardPress(shop: Workshop, { toBoard, mmOf, pointAt, placeShown }: BoardPress) {
  const { board, patches, tool, pickedIds } = shop;
  const [drag, setDrag] = useState<Point | undefined>();
  const [marquee, setMarquee] = useState<{ from: Point; to: Point } | undefined>();
  const press = useRef<Press | null>(null);

  const tap = (at: Point, isMore: boolean) => {
    if (tool === 'place') return placeShown();
    if (tool === 'centre') {
      const point = board.nearestPoint(at, mmOf(40)) ?? at;
      shop.setCentre(point);
      shop.setTool('pick');
      return shop.setSaid('The centre is set: turning and filling go round it.');
    }
    const under = board.patchAt(at);
    if (tool === 'paint') {
      if (under === undefined) return;
      return shop.paintOne(under);
    }
    if (under === undefined) shop.pickIds([]);
    else shop.pick([under], isMore);
  };

  const onPointerDown = (event: PointerEvent<HTMLDivElement>) => {
    if (event.button !== 0) return;
    const at = toBoard(event.clientX, event.clientY);
    // A finger comes without hovering first.
    if (tool === 'place') pointAt(at);
    const under = tool === 'pick' ? board.patchAt(at) : undefined;
    const isMouse = event.pointerType === 'mouse';
    const isPicked = under !== undefined && pickedIds.has(patches[under]?.id ?? '');
    const kind =
      tool !== 'pick'
        ? 'tap'
        : event.shiftKey && isMouse
          ? 'marquee'
          : under !== undefined && (isMouse || isPicked)
            ? 'drag'
            : 'tap';
    press.current = { id: event.pointerId, from: at, clientX: event.clientX, clientY: event.clientY, kind };
    if (kind !== 'tap') event.currentTarget.setPointerCapture(event.pointerId);
  };
  const onPointerMove = (event: PointerEvent<HTMLDivElement>) => {
    const at = toBoard(event.clientX, event.clientY);
    if (tool === 'place') pointAt(at);
    const own = press.current;
    if (!own || own.id !== event.pointerId || own.kind === 'tap') return;
    const moved = Math.hypot(event.clientX - own.clientX, event.clientY - own.clientY);
    if (moved < TAP_POINTS && !drag && !marquee) return;
    if (own.kind === 'marquee') return setMarquee({ from: own.from, to: at });
    const under = board.patchAt(own.from);
    let moving = shop.picked;
    if (under !== undefined && !pickedIds.has(patches[under]?.id ?? '')) {
      shop.pick([under]);
      moving = [under];
    }
    const by = { x: at.x - own.from.x, y: at.y - own.from.y };
    const pull = event.altKey ? undefined : snapMove(board, moving, by, mmOf(PULL_POINTS));
    setDrag(pull ? { x: by.x + pull.x, y: by.y + pull.y } : by);
  };
  const onPointerUp = (event: PointerEvent<HTMLDivElement>) => {
    const own = press.current;
    press.current = null;
    if (!own || own.id !== event.pointerId) return;
    if (marquee) {
      const { from, to } = marquee;
      shop.pick(
        board.patchesIn(
          Math.min(from.x, to.x),
          Math.min(from.y, to.y),
          Math.max(from.x, to.x),
          Math.max(from.y, to.y),
        ),
      );
      return setMarquee(undefined);
    }
    if (drag) {
      shop.move(drag);
      return setDrag(undefined);
    }
    const moved = Math.hypot(event.clientX - own.clientX, event.clientY - own.clientY);
    if (moved < TAP_POINTS) tap(own.from, event.shiftKey || event.ctrlKey || event.metaKey);
  };
  const drop = () => {
    press.current = null;
    setDrag(undefined);
    setMarquee(undefined);
  };
  return {
    drag,
    marquee,
    handlers: {
      onPointerDown,
      onPointerMove,
      onPointerUp,
      onPointerCancel: drop,
      onPointerLeave: () => pointAt(undefined),
    },
  };
}
