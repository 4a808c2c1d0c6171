import type { Outline } from '@/core/geometry';
import { boxOf } from '@/core/geometry';
import { outlinePath } from '../outlinePath';

/** A paper's outline alone, as large as the space allows; with an empty label it is decoration. */
export function Silhouette({
  outline,
  size = 40,
  label,
}: {
  outline: Outline;
  size?: number;
  label: string;
}) {
  const { minX, minY, maxX, maxY } = boxOf(outline);
  const pad = (maxX - minX + maxY - minY) * 0.03;
  return (
    <svg
      {...(label === '' ? { 'aria-hidden': true } : { role: 'img', 'aria-label': label })}
      width={size}
      height={size}
      viewBox={`${minX - pad} ${minY - pad} ${maxX - minX + 2 * pad} ${maxY - minY + 2 * pad}`}
    >
      <path
        d={outlinePath(outline)}
        fill="none"
        stroke="currentColor"
        strokeWidth={1.6}
        vectorEffect="non-scaling-stroke"
      />
    </svg>
  );
}
