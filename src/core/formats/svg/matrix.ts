import { itemAt } from '../../lists';
/** An affine map in SVG order: x' = a·x + c·y + e, y' = b·x + d·y + f. */
export type Matrix = readonly [number, number, number, number, number, number];

export const IDENTITY: Matrix = [1, 0, 0, 1, 0, 0];

/** The map that applies `inner` first and then `outer`. */
export function compose(outer: Matrix, inner: Matrix): Matrix {
  const [a, b, c, d, e, f] = outer;
  const [p, q, r, s, t, u] = inner;
  return [a * p + c * q, b * p + d * q, a * r + c * s, b * r + d * s, a * t + c * u + e, b * t + d * u + f];
}

/** Longest transform read, characters. */
const MAX_TRANSFORM = 4000;

const CALL = /\s*([a-z]+)\s*\(([^)]*)\)\s*,?/gi;

/**
 * Reads a transform attribute.
 * @returns the map, or undefined when the text is not a list of SVG transforms with finite numbers
 */
export function parseTransform(text: string): Matrix | undefined {
  if (text.length > MAX_TRANSFORM) return undefined;
  let [matrix, read]: [Matrix, number] = [IDENTITY, 0];
  for (const call of text.matchAll(CALL)) {
    const values = itemAt(call, 2)
      .trim()
      .split(/[\s,]+/)
      .filter(Boolean)
      .map(Number);
    const step = values.every(Number.isFinite) ? stepOf(itemAt(call, 1), values) : undefined;
    if (!step || call.index !== read) return undefined;
    matrix = compose(matrix, step);
    read += call[0].length;
  }
  return text.slice(read).trim() === '' ? matrix : undefined;
}

function stepOf(name: string, values: readonly number[]): Matrix | undefined {
  const [a = 0, b, c] = values;
  const rad = (a * Math.PI) / 180;
  switch (`${name}${values.length}`) {
    case 'matrix6':
      return values as unknown as Matrix;
    case 'translate1':
    case 'translate2':
      return [1, 0, 0, 1, a, b ?? 0];
    case 'scale1':
    case 'scale2':
      return [a, 0, 0, b ?? a, 0, 0];
    case 'rotate1':
      return [Math.cos(rad), Math.sin(rad), -Math.sin(rad), Math.cos(rad), 0, 0];
    case 'rotate3': {
      const turn: Matrix = [Math.cos(rad), Math.sin(rad), -Math.sin(rad), Math.cos(rad), 0, 0];
      return compose(compose([1, 0, 0, 1, b as number, c as number], turn), [
        1,
        0,
        0,
        1,
        -(b as number),
        -(c as number),
      ]);
    }
    case 'skewX1':
      return [1, 0, Math.tan(rad), 1, 0, 0];
    case 'skewY1':
      return [1, Math.tan(rad), 0, 1, 0, 0];
    default:
      return undefined;
  }
}
