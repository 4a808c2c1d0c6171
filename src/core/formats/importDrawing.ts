import type { BastingChoices, ClothRule, OrderChoices, Part } from '../block';
import { boxOfPoints, toPolygon } from '../geometry';
import type { UnitSystem } from '../length';
import { DEFAULT_REACH_MM, weldPatches, type WeldReport } from '../weld';
import { readBlockFile } from './blockFile';
import { importSvg, type ImportOptions, type ImportedDrawing } from './svg/importSvg';

/** How a drawing is brought in. */
export interface DrawingOptions extends ImportOptions {
  /** How far off its corners may lie, mm; 0 takes it as it is drawn. See {@link weldPatches}. */
  readonly weldMm?: number;
  /** Unit of the papers that rough outlines are likely to stand for. */
  readonly system?: UnitSystem;
}

/** A drawing or block file read, and what came with a block file besides its patches. */
export interface ImportedBlock extends ImportedDrawing {
  /** What was put right in it. */
  readonly weld: WeldReport;
  readonly parts?: readonly Part[];
  readonly rules?: readonly ClothRule[];
  readonly order?: OrderChoices;
  readonly basting?: BastingChoices;
  readonly notes?: Readonly<Record<string, string>>;
}

/**
 * Reads whatever a host brings in, an SVG drawing or a block file (which begins with a brace), and makes its outlines
 * consistent. An exact drawing stays as it is.
 */
export function importDrawing(text: string, options: DrawingOptions = {}): ImportedBlock {
  const read = text.trimStart().startsWith('{') ? readBlock(text) : importSvg(text, options);
  const { weldMm: reachMm = DEFAULT_REACH_MM, system = 'inch' } = options;
  const { patches, report } = weldPatches(read.patches, { reachMm, system });
  return { ...read, patches, weld: report };
}

function readBlock(text: string): Omit<ImportedBlock, 'weld'> {
  const { format: _format, patches, ...more } = readBlockFile(text);
  const box = boxOfPoints(patches.flatMap(({ outline }) => toPolygon(outline)));
  const size = { widthMm: box.maxX - box.minX, heightMm: box.maxY - box.minY };
  return { patches, faults: [], problems: [], fills: {}, ...size, ...more };
}
