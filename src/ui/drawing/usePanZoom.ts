import { useCallback, useEffect, useRef, type RefObject } from 'react';
import type { PanZoom } from './panZoom';

/** What tells that someone is about to move the drawing. */
const INTEREST = ['pointerenter', 'pointerdown', 'wheel', 'focusin'] as const;

/**
 * Pan and zoom for a drawing in a frame. What does it is loaded when someone comes near the drawing with a hand or a key,
 * so that a page which is only looked at is light.
 * @param group what is transformed at rest
 * @param width, height, margin of the view box, mm; the box starts at −margin
 */
export function usePanZoom(
  group: RefObject<SVGGElement | null>,
  width: number,
  height: number,
  margin: number,
) {
  const frameRef = useRef<HTMLDivElement>(null);
  const svgRef = useRef<SVGSVGElement>(null);
  const load = useRef<() => Promise<PanZoom | undefined>>(async () => undefined);
  useEffect(() => {
    const [frame, svg] = [frameRef.current, svgRef.current];
    if (!frame || !svg) return;
    let own: Promise<PanZoom | undefined> | undefined;
    let isOver = false;
    const begin = () =>
      (own ??= import('./panZoom').then(
        ({ panZoom }) =>
          isOver ? undefined : panZoom({ frame, svg, group: () => group.current, width, height, margin }),
        // Without a connection the drawing stays still; the next touch asks again.
        () => (own = undefined),
      ));
    load.current = begin;
    const onInterest = () => void begin();
    for (const event of INTEREST) frame.addEventListener(event, onInterest, { passive: true });
    return () => {
      isOver = true;
      for (const event of INTEREST) frame.removeEventListener(event, onInterest);
      void own?.then((zoom) => zoom?.end());
    };
  }, [group, width, height, margin]);
  const zoomBy = useCallback((factor: number | 'fit') => {
    void load.current().then((zoom) => zoom?.zoomBy(factor));
  }, []);
  return { frameRef, svgRef, zoomBy };
}
