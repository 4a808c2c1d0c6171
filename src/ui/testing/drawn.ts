import svgpath from 'svgpath';

/** Something drawn, and the box that it takes in the coordinates of its picture. */
export interface Drawn {
  readonly element: Element;
  readonly minX: number;
  readonly minY: number;
  readonly maxX: number;
  readonly maxY: number;
}

const SHAPES = 'path, rect, polygon, line, circle, text';
/** What is not drawn where it stands. */
const ELSEWHERE = 'defs, pattern, clipPath';

/**
 * All shapes and texts of a picture, each with its box: texts as the point where they stand, curves by their control points.
 * Widths of lines are left out.
 */
export function drawn(picture: Element): Drawn[] {
  return [...picture.querySelectorAll(SHAPES)]
    .filter((element) => !element.closest(ELSEWHERE))
    .map((element) => {
      const path = svgpath(pathOf(element));
      for (let at: Element | null = element; at && at !== picture; at = at.parentElement)
        path.transform(at.getAttribute('transform') ?? '');
      const [xs, ys]: [number[], number[]] = [[], []];
      path.abs().unarc().iterate((segment, _index, x, y) => {
        const numbers = segment.slice(1) as number[];
        if (segment[0] === 'H') { xs.push(...numbers); ys.push(y); }
        else if (segment[0] === 'V') { xs.push(x); ys.push(...numbers); }
        else numbers.forEach((value, index) => (index % 2 === 0 ? xs : ys).push(value));
      });
      return { element, minX: Math.min(...xs), minY: Math.min(...ys), maxX: Math.max(...xs), maxY: Math.max(...ys) };
    })
    .filter(({ minX, minY }) => Number.isFinite(minX) && Number.isFinite(minY));
} // prettier-ignore

/** What of a picture lies outside its frame by more than `bleed`. */
export function outOfFrame(picture: Element, bleed = 0): string[] {
  const [x = 0, y = 0, width = 0, height = 0] = (picture.getAttribute('viewBox') ?? '').split(' ').map(Number);
  const slack = bleed + 1e-6 * (width + height);
  return drawn(picture)
    .filter(({ minX, minY, maxX, maxY }) => !(minX >= x - slack && minY >= y - slack && maxX <= x + width + slack && maxY <= y + height + slack))
    .map(({ element }) => element.outerHTML.slice(0, 160));
} // prettier-ignore

function pathOf(element: Element): string {
  const n = (name: string) => Number(element.getAttribute(name) ?? 0);
  switch (element.localName) {
    case 'path':
      return element.getAttribute('d') ?? '';
    case 'rect':
      return `M${n('x')} ${n('y')}H${n('x') + n('width')}V${n('y') + n('height')}H${n('x')}Z`;
    case 'polygon':
      return `M${element.getAttribute('points') ?? ''}Z`;
    case 'line':
      return `M${n('x1')} ${n('y1')}L${n('x2')} ${n('y2')}`;
    case 'circle':
      return `M${n('cx') - n('r')} ${n('cy') - n('r')}L${n('cx') + n('r')} ${n('cy') + n('r')}`;
    default:
      return `M${n('x')} ${n('y')}`;
  }
}
