import type { Circle, Point } from '../geometry';

/** A line through the middle of points. */
export interface FittedLine {
  readonly middle: Point;
  /** Unit vector along it. */
  readonly along: Point;
  /** How far a point lies off it, mm; above zero on its right. */
  offOf(point: Point): number;
}

/** The line from which points lie least far off: total least squares. */
export function fitLine(points: readonly Point[]): FittedLine {
  let [sx, sy] = [0, 0];
  for (const { x, y } of points) {
    sx += x;
    sy += y;
  }
  const middle = { x: sx / points.length, y: sy / points.length };
  let [xx, xy, yy] = [0, 0, 0];
  for (const { x, y } of points) {
    const [dx, dy] = [x - middle.x, y - middle.y];
    xx += dx * dx;
    xy += dx * dy;
    yy += dy * dy;
  }
  const angle = Math.atan2(2 * xy, xx - yy) / 2;
  const along = { x: Math.cos(angle), y: Math.sin(angle) };
  const offOf = ({ x, y }: Point) => (y - middle.y) * along.x - (x - middle.x) * along.y;
  return { middle, along, offOf };
}

/**
 * The circle near to which points lie: least squares by Gauss and Newton from a circle near it.
 * @returns the circle it began from where the points say nothing about it
 */
export function fitCircle(points: readonly Point[], near: Circle): Circle {
  let circle = near;
  for (let round = 0; round < 8; round++) {
    const step = newtonStep(points, circle);
    if (!step || Math.hypot(step.dx, step.dy) > near.radius || circle.radius + step.dr <= 0) return near;
    circle = {
      centre: { x: circle.centre.x + step.dx, y: circle.centre.y + step.dy },
      radius: circle.radius + step.dr,
    };
    if (Math.hypot(step.dx, step.dy, step.dr) < 1e-10) break;
  }
  return circle;
}

/** Solves the 3 × 3 normal equations of one step by Cramer's rule; undefined where they are singular. */
function newtonStep(points: readonly Point[], { centre, radius }: Circle) {
  let [xx, xy, yy, x1, y1, n, rx, ry, r1] = [0, 0, 0, 0, 0, 0, 0, 0, 0];
  for (const { x, y } of points) {
    const [dx, dy] = [x - centre.x, y - centre.y];
    const reach = Math.hypot(dx, dy);
    if (reach < 1e-9) continue;
    const [ux, uy, off] = [dx / reach, dy / reach, reach - radius];
    xx += ux * ux;
    xy += ux * uy;
    yy += uy * uy;
    x1 += ux;
    y1 += uy;
    n += 1;
    rx += ux * off;
    ry += uy * off;
    r1 += off;
  }
  const determinant = xx * (yy * n - y1 * y1) - xy * (xy * n - y1 * x1) + x1 * (xy * y1 - yy * x1);
  if (Math.abs(determinant) < 1e-9 * Math.max(1, n * n)) return undefined;
  return {
    dx: (rx * (yy * n - y1 * y1) - xy * (ry * n - y1 * r1) + x1 * (ry * y1 - yy * r1)) / determinant,
    dy: (xx * (ry * n - r1 * y1) - rx * (xy * n - y1 * x1) + x1 * (xy * r1 - ry * x1)) / determinant,
    dr: (xx * (yy * r1 - y1 * ry) - xy * (xy * r1 - x1 * ry) + rx * (xy * y1 - yy * x1)) / determinant,
  };
}
