import type { Patch } from '../block';

/** Names of DXF layers may hold letters, digits and these marks. */
const NOT_IN_LAYER_NAMES = /[^A-Za-z0-9_$-]+/g;

/**
 * Writes outlines for a cutter as DXF R12: one closed polyline with bulges per paper, in millimetres, a DXF layer per
 * cloth. DXF has y up and counts bulges counter-clockwise, so both change sign.
 */
export function writeDxf(patches: readonly Pick<Patch, 'outline' | 'fabric'>[]): string {
  const lines: (string | number)[] = [
    0,
    'SECTION',
    2,
    'HEADER',
    9,
    '$ACADVER',
    1,
    'AC1009',
    9,
    '$INSUNITS',
    70,
    4,
    0,
    'ENDSEC',
  ];
  lines.push(0, 'SECTION', 2, 'ENTITIES');
  for (const { outline, fabric } of patches) {
    const layer = fabric.replace(NOT_IN_LAYER_NAMES, '_').slice(0, 31) || 'papers';
    lines.push(0, 'POLYLINE', 8, layer, 66, 1, 70, 1, 10, 0, 20, 0, 30, 0);
    outline.corners.forEach(({ x, y }, i) => {
      lines.push(0, 'VERTEX', 8, layer, 10, fixed(x), 20, fixed(-y), 30, 0);
      const bulge = outline.bulges[i] ?? 0;
      if (bulge !== 0) lines.push(42, fixed(-bulge));
    });
    lines.push(0, 'SEQEND', 8, layer);
  }
  lines.push(0, 'ENDSEC', 0, 'EOF');
  return `${lines.join('\n')}\n`;
}

function fixed(value: number): string {
  return value.toFixed(6).replace(/^-0\.000000$/, '0.000000');
}
