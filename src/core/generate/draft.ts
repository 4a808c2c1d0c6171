import { itemAt } from '../lists';
import type { Patch } from '../block';
import { signedArea, reversedOutline, type Outline, type Point } from '../geometry';

/** A corner as [x, y], mm. */
export type Corner = readonly [number, number];

/** A point at an angle (degrees, clockwise on screen from the right) and a distance from the origin. */
export function polar(degrees: number, radius: number): Corner {
  const angle = (degrees * Math.PI) / 180;
  return [radius * Math.cos(angle), radius * Math.sin(angle)];
}

/** Sum of two corners taken as arrows. */
export function add([a, b]: Corner, [c, d]: Corner): Corner {
  return [a + c, b + d];
}

/** The point half-way between two corners. */
export function between([a, b]: Corner, [c, d]: Corner): Corner {
  return [(a + c) / 2, (b + d) / 2];
}

/** Collects the patches of a generated block, numbered per name. */
export class Draft {
  readonly patches: Patch[] = [];
  private readonly counts = new Map<string, number>();

  constructor(private readonly fabrics: readonly string[]) {}

  /**
   * Adds a patch. `bulges` bow sides out (above zero) or in, in the order of the corners given; which way round the
   * corners run does not matter as long as sides bow as seen along that way.
   */
  add(name: string, fabric: number, corners: readonly Corner[], bulges?: readonly number[], layer = 0): void {
    const number = (this.counts.get(name) ?? 0) + 1;
    this.counts.set(name, number);
    const points = corners.map(([x, y]): Point => ({ x, y }));
    const raw: Outline = { corners: points, bulges: bulges ?? corners.map(() => 0) };
    const outline = signedArea(raw) >= 0 ? raw : reversedOutline(raw);
    const cloth = itemAt(this.fabrics, fabric % this.fabrics.length);
    this.patches.push({ id: `${name}-${number}`, outline, fabric: cloth, layer });
  }
}
