'use client';
import { select, zoom, zoomIdentity, type D3ZoomEvent, type ZoomBehavior, type ZoomTransform } from 'd3';
import { useCallback, useEffect, useRef } from 'react';
import type { Box, Point } from '@/core/geometry';

/** How long the board must rest before it is drawn sharp at its new scale, ms. */
const REST_MS = 140;

/**
 * Pan and zoom of the board. While it moves the drawn picture itself is moved, which costs the same whatever it shows;
 * at rest the group inside is redrawn at its new place.
 * @param isEdit whether a press begins an edit instead of moving the board
 */
export function useBoardZoom(
  isEdit: (event: Event, toBoard: (clientX: number, clientY: number) => Point) => boolean,
) {
  const frameRef = useRef<HTMLDivElement>(null);
  const svgRef = useRef<SVGSVGElement>(null);
  const groupRef = useRef<SVGGElement>(null);
  const now = useRef<ZoomTransform>(zoomIdentity);
  const behaviour = useRef<ZoomBehavior<HTMLDivElement, unknown>>(null);
  const latest = useRef(isEdit);
  /** Where on the board a place of the window lies, mm. */
  const toBoard = useCallback((clientX: number, clientY: number): Point => {
    const box = frameRef.current?.getBoundingClientRect();
    const [x, y] = now.current.invert([clientX - (box?.left ?? 0), clientY - (box?.top ?? 0)]);
    return { x, y };
  }, []);
  useEffect(() => {
    latest.current = isEdit;
  });
  useEffect(() => {
    const [frame, svg] = [frameRef.current, svgRef.current];
    if (!frame || !svg) return;
    let settled: ZoomTransform = zoomIdentity;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const settle = () => {
      settled = now.current;
      groupRef.current?.setAttribute('transform', settled.toString());
      svg.style.transform = '';
    };
    const zooming = zoom<HTMLDivElement, unknown>()
      .scaleExtent([0.2, 60])
      .filter((event: Event) => {
        const { button = 0 } = event as MouseEvent;
        return button === 0 && !(event.type !== 'wheel' && latest.current(event, toBoard));
      })
      .on('zoom', ({ transform, sourceEvent }: D3ZoomEvent<HTMLDivElement, unknown>) => {
        now.current = transform;
        clearTimeout(timer);
        if (!sourceEvent) return settle();
        const k = transform.k / settled.k;
        svg.style.transform = `translate(${transform.x - k * settled.x}px, ${transform.y - k * settled.y}px) scale(${k})`;
        timer = setTimeout(settle, REST_MS);
      });
    behaviour.current = zooming;
    const selection = select(frame);
    selection.call(zooming).on('dblclick.zoom', null);
    return () => {
      clearTimeout(timer);
      selection.on('.zoom', null);
    };
  }, [toBoard]);
  const fit = useCallback(({ minX, minY, maxX, maxY }: Box) => {
    const frame = frameRef.current;
    if (!frame || !behaviour.current) return;
    const { clientWidth, clientHeight } = frame;
    const k = Math.min(clientWidth / (maxX - minX), clientHeight / (maxY - minY), 8) * 0.88;
    const at = zoomIdentity
      .translate(clientWidth / 2, clientHeight / 2)
      .scale(k)
      .translate(-(minX + maxX) / 2, -(minY + maxY) / 2);
    select(frame).call(behaviour.current.transform, at);
  }, []);
  const zoomBy = useCallback((factor: number) => {
    if (frameRef.current && behaviour.current)
      select(frameRef.current).call(behaviour.current.scaleBy, factor);
  }, []);
  /** Millimetres that a number of screen points covers. */
  const mmOf = useCallback((points: number) => points / now.current.k, []);
  return { frameRef, svgRef, groupRef, fit, zoomBy, toBoard, mmOf };
}
