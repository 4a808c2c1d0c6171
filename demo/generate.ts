/** Writes the demo blocks as SVG drawings. Run: npx tsx demo/generate.ts */
import { writeFileSync } from 'node:fs';

type Point = readonly [number, number];
interface Shape {
  readonly id: string;
  readonly fabric: string;
  readonly points: readonly Point[];
}

const INCH = 25.4;
const SIN60 = Math.sin(Math.PI / 3);

const FILLS: Readonly<Record<string, string>> = {
  Tar: '#26333d',
  Calico: '#e9dfc8',
  Beacon: '#c8921b',
  Madder: '#a23a2a',
  Woad: '#2f5a85',
  Lichen: '#7d8f4e',
  Fog: '#b9c3c4',
  Rope: '#c4a878',
};

function polar(x: number, y: number, radius: number, degrees: number): Point {
  const angle = (degrees * Math.PI) / 180;
  return [x + radius * Math.cos(angle), y + radius * Math.sin(angle)];
}

function write(name: string, title: string, shapes: readonly Shape[]): void {
  const all = shapes.flatMap(({ points }) => points);
  const [minX, minY] = [Math.min(...all.map(([x]) => x)), Math.min(...all.map(([, y]) => y))];
  const number = (value: number) => Number(value.toFixed(4)).toString();
  const [width, height] = [
    number(Math.max(...all.map(([x]) => x)) - minX),
    number(Math.max(...all.map(([, y]) => y)) - minY),
  ];
  const lines = shapes.map(({ id, fabric, points }) => {
    const list = points.map(([x, y]) => `${number(x - minX)},${number(y - minY)}`).join(' ');
    return `  <polygon id="${id}" data-fabric="${fabric}" fill="${FILLS[fabric]}" points="${list}"/>`;
  });
  const head = `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="0 0 ${width} ${height}">`;
  writeFileSync(
    new URL(`blocks/${name}.svg`, import.meta.url),
    `${head}\n  <title>${title}</title>\n${lines.join('\n')}\n</svg>\n`,
  );
}

/** A rosette of hexagons three rings deep round one. */
function signalLamp(): Shape[] {
  const cloth = ['Beacon', 'Calico', 'Madder', 'Tar'];
  const shapes: Shape[] = [];
  for (let q = -3; q <= 3; q++) {
    for (let r = -3; r <= 3; r++) {
      const ring = Math.max(Math.abs(q), Math.abs(r), Math.abs(q + r));
      if (ring > 3) continue;
      const [x, y] = [INCH * 1.5 * q, INCH * SIN60 * (2 * r + q)];
      const points = [0, 60, 120, 180, 240, 300].map((angle) => polar(x, y, INCH, angle));
      shapes.push({ id: '', fabric: cloth[ring] as string, points });
    }
  }
  return shapes.map((shape, i) => ({ ...shape, id: `lamp-${i + 1}` }));
}

/** A six-pointed star of 60° diamonds, a second ring of diamonds in its notches, half hexagons to fill the rim. */
function starChart(): Shape[] {
  const edge = 1.5 * INCH;
  const add = (p: Point, q: Point): Point => [p[0] + q[0], p[1] + q[1]];
  const ray = (i: number) => polar(0, 0, edge, 60 * i - 90);
  const shapes: Shape[] = [];
  for (let i = 0; i < 6; i++) {
    const [a, b] = [ray(i), ray(i + 1)];
    shapes.push({
      id: `star-${i + 1}`,
      fabric: i % 2 ? 'Woad' : 'Beacon',
      points: [[0, 0], a, add(a, b), b],
    });
  }
  for (let i = 0; i < 6; i++) {
    // The notch between two star points is a diamond seen along ray i.
    const [before, a, after] = [ray(i + 5), ray(i), ray(i + 1)];
    const points: Point[] = [a, add(a, before), add(a, a), add(a, after)];
    shapes.push({ id: `ring-${i + 1}`, fabric: 'Fog', points });
  }
  for (let i = 0; i < 6; i++) {
    const [a, b] = [ray(i), ray(i + 1)];
    // The long side lies along two diamonds and the star's point between them.
    const points: Point[] = [add(a, a), add(add(a, a), b), add(add(b, b), a), add(b, b)];
    shapes.push({ id: `rim-${i + 1}`, fabric: 'Tar', points });
  }
  return shapes;
}

/** Rows of squares and half-square triangles: six by six units of two inches. */
function gangway(): Shape[] {
  const size = 2 * INCH;
  const shapes: Shape[] = [];
  for (let row = 0; row < 6; row++) {
    for (let column = 0; column < 6; column++) {
      const [x, y] = [column * size, row * size];
      const [nw, ne, se, sw]: Point[] = [
        [x, y],
        [x + size, y],
        [x + size, y + size],
        [x, y + size],
      ];
      const name = `r${row + 1}c${column + 1}`;
      if ((row + column) % 2 === 0) {
        shapes.push({ id: name, fabric: row % 2 ? 'Lichen' : 'Rope', points: [nw!, ne!, se!, sw!] });
      } else if (row % 2 === 0) {
        shapes.push({ id: `${name}a`, fabric: 'Woad', points: [nw!, ne!, sw!] });
        shapes.push({ id: `${name}b`, fabric: 'Calico', points: [ne!, se!, sw!] });
      } else {
        shapes.push({ id: `${name}a`, fabric: 'Calico', points: [nw!, ne!, se!] });
        shapes.push({ id: `${name}b`, fabric: 'Woad', points: [nw!, se!, sw!] });
      }
    }
  }
  return shapes;
}

write('signal-lamp', 'Signal Lamp', signalLamp());
write('star-chart', 'Star Chart', starChart());
write('gangway', 'Gangway', gangway());
