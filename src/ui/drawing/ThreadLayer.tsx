import type { SewnChain } from '@/core/sheet';
import { runPath } from '../outlinePath';

interface ThreadLayerProps {
  readonly chains: readonly SewnChain[];
  readonly scaleMm: number;
}

/** The thread of a join: start dot (a ring where it carries on), running stitches with an arrow, knots (small half-way ones), X, fold marks, and where the needle slides hidden through folds (dotted). */
export function ThreadLayer({ chains, scaleMm }: ThreadLayerProps) {
  const dot = Math.max(0.9, scaleMm / 110);
  return chains.map(({ path, knots, locks, bends, crossing, carriesOn, slides }, index) => (
    <g key={index} aria-hidden="true">
      {slides.map(({ from, to }, i) => (
        <path
          key={i}
          data-slide
          d={`M${from.x} ${from.y}L${to.x} ${to.y}`}
          fill="none"
          stroke="var(--mui-palette-error-main)"
          strokeWidth={3}
          strokeDasharray="1 6"
          strokeLinecap="round"
          vectorEffect="non-scaling-stroke"
        />
      ))}
      <path
        d={runPath(path)}
        fill="none"
        stroke="#fffdf7"
        strokeWidth={8}
        vectorEffect="non-scaling-stroke"
        strokeLinecap="round"
      />
      <path
        d={runPath(path)}
        fill="none"
        stroke="var(--mui-palette-error-main)"
        strokeWidth={4}
        strokeDasharray="9 6"
        vectorEffect="non-scaling-stroke"
      />
      {knots.slice(1).map(({ x, y }, i) => (
        <circle
          key={i}
          cx={x}
          cy={y}
          r={dot}
          fill="#fffdf7"
          stroke="var(--mui-palette-error-main)"
          strokeWidth={2}
          vectorEffect="non-scaling-stroke"
        />
      ))}
      {locks.map(({ x, y }, i) => (
        <circle key={i} cx={x} cy={y} r={dot * 0.6} fill="var(--mui-palette-error-main)" />
      ))}
      {bends.map(({ x, y }, i) => (
        <path
          key={i}
          d={`M${x - dot * 2.4} ${y}L${x} ${y - dot * 2.4}L${x + dot * 2.4} ${y}L${x} ${y + dot * 2.4}Z`}
          fill="none"
          stroke="var(--mui-palette-warning-main)"
          strokeWidth={2.5}
          vectorEffect="non-scaling-stroke"
        />
      ))}
      {crossing && (
        <path
          d={`M${crossing.x - dot * 2} ${crossing.y - dot * 2}l${dot * 4} ${dot * 4}m0 ${-dot * 4}l${-dot * 4} ${dot * 4}`}
          fill="none"
          stroke="var(--mui-palette-error-main)"
          strokeWidth={3}
          vectorEffect="non-scaling-stroke"
        />
      )}
      {path[0] && (
        <circle
          cx={path[0].x}
          cy={path[0].y}
          r={dot * 1.8}
          fill={carriesOn ? '#fffdf7' : 'var(--mui-palette-error-main)'}
          stroke="var(--mui-palette-error-main)"
          strokeWidth={3}
          vectorEffect="non-scaling-stroke"
        />
      )}
      <Arrow path={path} size={dot * 3} />
    </g>
  ));
}

function Arrow({ path, size }: { path: SewnChain['path']; size: number }) {
  const [before, tip] = [path.at(-2), path.at(-1)];
  if (!before || !tip) return null;
  const length = Math.hypot(tip.x - before.x, tip.y - before.y) || 1;
  const [ux, uy] = [(tip.x - before.x) / length, (tip.y - before.y) / length];
  const wing = (side: number) =>
    `${tip.x - ux * size + side * uy * size * 0.6} ${tip.y - uy * size - side * ux * size * 0.6}`;
  return <path d={`M${wing(1)}L${tip.x} ${tip.y}L${wing(-1)}Z`} fill="var(--mui-palette-error-main)" />;
}
