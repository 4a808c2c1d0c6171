import type { Point } from '@/core/geometry';
import type { FreeStretch, Ghost } from '@/core/workshop';
import { outlinePath } from '@/ui/outlinePath';

interface BoardOverlayProps {
  readonly ghost: Ghost | undefined;
  /** The edge that the ghost would attach to. */
  readonly stretch: FreeStretch | undefined;
  readonly isBlocked: boolean;
  readonly centre: Point | undefined;
  readonly marks: readonly { readonly at: Point; readonly label: string }[];
  readonly marquee: { readonly from: Point; readonly to: Point } | undefined;
}

/** What is shown over the papers: the ghost and its edge, the centre, problems, the frame that picks. */
export function BoardOverlay({ ghost, stretch, isBlocked, centre, marks, marquee }: BoardOverlayProps) {
  return (
    <>
      {stretch && (
        <path
          d={`M${stretch.edge.a.x} ${stretch.edge.a.y}L${stretch.edge.b.x} ${stretch.edge.b.y}`}
          stroke="var(--mui-palette-primary-main)"
          strokeWidth={6}
          vectorEffect="non-scaling-stroke"
        />
      )}
      {ghost?.kind === 'fits' && (
        <path
          data-ghost={isBlocked ? 'blocked' : 'fits'}
          d={outlinePath(ghost.outline)}
          fill={isBlocked ? 'var(--mui-palette-error-main)' : 'var(--mui-palette-primary-main)'}
          fillOpacity={0.22}
          stroke={isBlocked ? 'var(--mui-palette-error-main)' : 'var(--mui-palette-primary-main)'}
          strokeWidth={2}
          strokeDasharray="6 4"
          vectorEffect="non-scaling-stroke"
          pointerEvents="none"
        />
      )}
      {centre && (
        <path
          d={`M${centre.x - 4} ${centre.y}h8M${centre.x} ${centre.y - 4}v8`}
          stroke="var(--mui-palette-primary-main)"
          strokeWidth={2.5}
          vectorEffect="non-scaling-stroke"
        />
      )}
      {marks.map(({ at, label }, index) => (
        <circle
          key={index}
          cx={at.x}
          cy={at.y}
          r={4}
          fill="none"
          stroke="var(--mui-palette-error-main)"
          strokeWidth={2.5}
          vectorEffect="non-scaling-stroke"
        >
          <title>{label}</title>
        </circle>
      ))}
      {marquee && (
        <rect
          x={Math.min(marquee.from.x, marquee.to.x)}
          y={Math.min(marquee.from.y, marquee.to.y)}
          width={Math.abs(marquee.to.x - marquee.from.x)}
          height={Math.abs(marquee.to.y - marquee.from.y)}
          fill="var(--mui-palette-primary-main)"
          fillOpacity={0.1}
          stroke="var(--mui-palette-primary-main)"
          vectorEffect="non-scaling-stroke"
        />
      )}
    </>
  );
}
