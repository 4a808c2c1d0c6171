import type { XmlElement } from './readXml';
import { MAX_LENGTH_TEXT, MM_PER_UNIT } from './physicalSize';

/** Most points of one shape that are read; a patch may have far fewer sides. */
const MAX_POINTS = 20_000;

/** Names of the elements that may become patches. */
export const SHAPES = new Set(['path', 'polygon', 'polyline', 'rect', 'circle', 'ellipse', 'line']);

/**
 * The element's outline as path data in its own units.
 * @returns path data, or a sentence's tail that says what is wrong with it
 */
export function shapePath(element: XmlElement): { d: string } | { fault: string } {
  const { attributes } = element;
  switch (element.name) {
    case 'path':
      return { d: attributes.d ?? '' };
    case 'polygon':
      return pointsPath(attributes.points, true);
    case 'polyline':
      return pointsPath(attributes.points, false);
    case 'line':
      return { d: 'M0 0' };
    case 'rect':
      return rectPath(attributes);
    default:
      return ellipsePath(element);
  }
}

function pointsPath(points = '', isClosed: boolean): { d: string } | { fault: string } {
  const numbers = points
    .trim()
    .split(/[\s,]+/)
    .filter(Boolean)
    .map(Number);
  if (numbers.length > 2 * MAX_POINTS) return { fault: `has more than ${MAX_POINTS} points` };
  const bad = numbers.findIndex((value) => !Number.isFinite(value));
  if (bad >= 0) return { fault: `has a point whose coordinate ${bad + 1} is not a number` };
  if (numbers.length % 2 === 1) return { fault: 'has an odd number of coordinates' };
  return { d: numbers.length === 0 ? '' : `M${numbers.join(' ')}${isClosed ? 'Z' : ''}` };
}

function rectPath(attributes: XmlElement['attributes']): { d: string } | { fault: string } {
  const read = (name: string) => readNumber(attributes[name]);
  const [x, y, w, h] = [read('x') ?? 0, read('y') ?? 0, read('width') ?? 0, read('height') ?? 0];
  const [rx, ry] = [read('rx') ?? read('ry') ?? 0, read('ry') ?? read('rx') ?? 0];
  if (![x, y, w, h, rx, ry].every(Number.isFinite))
    return { fault: 'has a size or place that is not a number' };
  if (w <= 0 || h <= 0) return { fault: `has no size (width ${w}, height ${h})` };
  if (rx <= 0 || ry <= 0) return { d: `M${x} ${y}h${w}v${h}h${-w}Z` };
  const [a, b] = [Math.min(rx, w / 2), Math.min(ry, h / 2)];
  const arc = (dx: number, dy: number) => `a${a} ${b} 0 0 1 ${dx} ${dy}`;
  return {
    d: `M${x + a} ${y}h${w - 2 * a}${arc(a, b)}v${h - 2 * b}${arc(-a, b)}h${2 * a - w}${arc(-a, -b)}v${2 * b - h}${arc(a, -b)}Z`,
  };
}

function ellipsePath({ name, attributes }: XmlElement): { d: string } | { fault: string } {
  const read = (key: string) => readNumber(attributes[key]);
  const [cx, cy] = [read('cx') ?? 0, read('cy') ?? 0];
  const [rx, ry] = name === 'circle' ? [read('r') ?? 0, read('r') ?? 0] : [read('rx') ?? 0, read('ry') ?? 0];
  if (![cx, cy, rx, ry].every(Number.isFinite)) return { fault: 'has a size or place that is not a number' };
  if (rx <= 0 || ry <= 0) return { fault: `has no size (radius ${Math.min(rx, ry)})` };
  return { d: `M${cx - rx} ${cy}a${rx} ${ry} 0 0 1 ${2 * rx} 0a${rx} ${ry} 0 0 1 ${-2 * rx} 0Z` };
}

/** Reads a coordinate, with a unit or without. @returns user units, NaN when it is no number */
function readNumber(text: string | undefined): number | undefined {
  if (text === undefined || text.trim() === '') return undefined;
  const match = /^\s*([+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)\s*(mm|cm|q|in|pt|pc|px)?\s*$/i.exec(
    text.slice(0, MAX_LENGTH_TEXT),
  );
  if (!match) return NaN;
  const perUnit = match[2] ? (MM_PER_UNIT[match[2].toLowerCase()] as number) / (MM_PER_UNIT.px as number) : 1;
  return Number(match[1]) * perUnit;
}
