import type { Patch } from '../block';
import { outlinePath, boxOfPoints, toPolygon } from '../geometry';

/** Places kept of a coordinate: a nanometre, so that reading the file again changes nothing that can be measured. */
const DECIMALS = 6;

/**
 * Writes patches as an SVG drawing at true size that {@link importSvg} reads back: ids, cloth, layers, true arcs.
 * The drawing begins at the patches' own corner.
 */
export function writeSvg(patches: readonly Patch[], title: string): string {
  const box = boxOfPoints(patches.flatMap(({ outline }) => toPolygon(outline)));
  const n = (value: number) => String(Number(value.toFixed(DECIMALS)));
  const [width, height] = [n(box.maxX - box.minX), n(box.maxY - box.minY)];
  const shapes = patches.map(({ id, outline, fabric, layer }) => {
    const over = layer === 0 ? '' : ` data-layer="${layer}"`;
    const names = `id="${escapeXml(id)}" data-fabric="${escapeXml(fabric)}"${over}`;
    return `  <path ${names} fill="none" stroke="#000" stroke-width="0.2" d="${outlinePath(outline, DECIMALS)}"/>`;
  });
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="${n(box.minX)} ${n(box.minY)} ${width} ${height}">`,
    `  <title>${escapeXml(title)}</title>`,
    ...shapes,
    '</svg>',
    '',
  ].join('\n');
}

function escapeXml(text: string): string {
  const marks: Readonly<Record<string, string>> = {
    '&': '&amp;',
    '<': '&lt;',
    '>': '&gt;',
    '"': '&quot;',
    "'": '&apos;',
  };
  // Characters that XML 1.0 does not allow are left out.
  return text
    .replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f]/g, '')
    .replace(/[&<>"']/g, (mark) => marks[mark] ?? '');
}
