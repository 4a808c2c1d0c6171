import type { BastingChoices, ClothRule, OrderChoices, Part } from '../block';
import { boxOfPoints, toPolygon } from '../geometry';
import { readBlockFile } from './blockFile';
import { importSvg, type ImportOptions, type ImportedDrawing } from './svg/importSvg';

/** A drawing or block file read, and what came with a block file besides its patches. */
export interface ImportedBlock extends ImportedDrawing {
  readonly parts?: readonly Part[];
  readonly rules?: readonly ClothRule[];
  readonly order?: OrderChoices;
  readonly basting?: BastingChoices;
  readonly notes?: Readonly<Record<string, string>>;
}

/** Reads whatever a host brings in: an SVG drawing, or a block file (which begins with a brace). */
export function importDrawing(text: string, options: ImportOptions = {}): ImportedBlock {
  if (!text.trimStart().startsWith('{')) return importSvg(text, options);
  const { format: _format, patches, ...more } = readBlockFile(text);
  const box = boxOfPoints(patches.flatMap(({ outline }) => toPolygon(outline)));
  const size = { widthMm: box.maxX - box.minX, heightMm: box.maxY - box.minY };
  return { patches, faults: [], problems: [], ...size, ...more };
}
