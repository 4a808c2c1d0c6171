import { select, zoom, zoomIdentity, type D3ZoomEvent, type ZoomTransform } from 'd3';

/** How long the drawing must rest before it is drawn sharp, ms. */
const REST_MS = 120;

/** A drawing in its frame: what is moved, and its view box in mm, which starts at −margin. */
export interface FramedDrawing {
  readonly frame: HTMLDivElement;
  readonly svg: SVGSVGElement;
  /** What is transformed at rest. */
  readonly group: () => SVGGElement | null;
  readonly width: number;
  readonly height: number;
  readonly margin: number;
}

/** What can be done with a drawing that pans and zooms. */
export interface PanZoom {
  readonly zoomBy: (factor: number | 'fit') => void;
  readonly end: () => void;
}

/**
 * Lets a drawing pan and zoom. During a gesture the drawn picture itself is moved (cheap, whatever it shows); once it
 * rests, the group inside is transformed and redrawn at the new scale.
 */
export function panZoom({ frame, svg, group, width, height, margin }: FramedDrawing): PanZoom {
  let settled: ZoomTransform = zoomIdentity;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const settle = (now: ZoomTransform) => {
    const { clientWidth, clientHeight } = frame;
    const scale = Math.min(clientWidth / width, clientHeight / height);
    // The view box is centred in the frame; its own origin lies a margin further in.
    const left = (clientWidth - width * scale) / 2 + margin * scale;
    const top = (clientHeight - height * scale) / 2 + margin * scale;
    const [x, y] = [(now.k * left + now.x - left) / scale, (now.k * top + now.y - top) / scale];
    group()?.setAttribute('transform', `translate(${x} ${y}) scale(${now.k})`);
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
  const selection = select(frame);
  selection.call(zooming).on('dblclick.zoom', null);
  return {
    zoomBy: (factor) => {
      if (factor === 'fit') selection.call(zooming.transform, zoomIdentity);
      else selection.call(zooming.scaleBy, factor);
    },
    end: () => {
      clearTimeout(timer);
      selection.on('.zoom', null);
    },
  };
}
