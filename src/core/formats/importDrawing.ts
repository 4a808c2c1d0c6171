import { boxOfPoints, toPolygon } from '../geometry';
import { readBlockFile } from './blockFile';
import { importSvg, type ImportOptions, type ImportedDrawing } from './svg/importSvg';

/** A drawing or block file read, and the recipe that came with a block file. */
export interface ImportedBlock extends ImportedDrawing {
  readonly recipe?: unknown;
}

/** Reads whatever a host brings in: an SVG drawing, or a block file (which begins with a brace). */
export function importDrawing(text: string, options: ImportOptions = {}): ImportedBlock {
  if (!text.trimStart().startsWith('{')) return importSvg(text, options);
  const { patches, recipe } = readBlockFile(text);
  const box = boxOfPoints(patches.flatMap(({ outline }) => toPolygon(outline)));
  const size = { widthMm: box.maxX - box.minX, heightMm: box.maxY - box.minY };
  return { patches, faults: [], problems: [], ...size, ...(recipe === undefined ? {} : { recipe }) };
}
