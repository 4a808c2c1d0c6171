import { select, zoom, zoomIdentity, type D3ZoomEvent, type ZoomBehavior, type ZoomTransform } from 'd3';
import { useCallback, useEffect, useRef, type RefObject } from 'react';

/** How long the drawing must rest before it is drawn sharp, ms. */
const REST_MS = 120;

/**
 * Pan and zoom for a drawing in a frame. During a gesture the drawn picture itself is moved (cheap, whatever it shows);
 * once it rests, the group inside is transformed and redrawn at the new scale.
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
  const behaviour = useRef<ZoomBehavior<HTMLDivElement, unknown>>(null);
  useEffect(() => {
    const [frame, svg] = [frameRef.current, svgRef.current];
    if (!frame || !svg) return;
    let settled: ZoomTransform = zoomIdentity;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const settle = (now: ZoomTransform) => {
      const { clientWidth, clientHeight } = frame;
      const scale = Math.min(clientWidth / width, clientHeight / height);
      // The view box is centred in the frame; its own origin lies a margin further in.
      const left = (clientWidth - width * scale) / 2 + margin * scale;
      const top = (clientHeight - height * scale) / 2 + margin * scale;
      const [x, y] = [(now.k * left + now.x - left) / scale, (now.k * top + now.y - top) / scale];
      group.current?.setAttribute('transform', `translate(${x} ${y}) scale(${now.k})`);
      svg.style.transform = '';
      svg.style.willChange = '';
      settled = now;
    };
    const move = (now: ZoomTransform) => {
      const k = now.k / settled.k;
      svg.style.willChange = 'transform';
      svg.style.transform = `translate(${now.x - k * settled.x}px, ${now.y - k * settled.y}px) scale(${k})`;
      clearTimeout(timer);
      timer = setTimeout(() => settle(now), REST_MS);
    };
    const zooming = zoom<HTMLDivElement, unknown>()
      .scaleExtent([0.6, 40])
      .on('zoom', ({ transform }: D3ZoomEvent<HTMLDivElement, unknown>) => move(transform));
    behaviour.current = zooming;
    const selection = select(frame);
    selection.call(zooming).on('dblclick.zoom', null);
    return () => {
      clearTimeout(timer);
      selection.on('.zoom', null);
    };
  }, [group, width, height, margin]);
  const zoomBy = useCallback((factor: number | 'fit') => {
    if (!frameRef.current || !behaviour.current) return;
    const selection = select(frameRef.current);
    if (factor === 'fit') selection.call(behaviour.current.transform, zoomIdentity);
    else selection.call(behaviour.current.scaleBy, factor);
  }, []);
  return { frameRef, svgRef, zoomBy };
}
