import type { BlockDocument, Patch } from '../block';
import { InvalidInputError } from '../errors';
import { areaOf, findSelfCrossing, reversedOutline, signedArea, type Outline } from '../geometry';

/** Present version of the block file; its schema is in docs/block-file.md. */
export const BLOCK_FORMAT = 'kevlo.block/1';

const MOST_PATCHES = 20_000;
const MOST_CORNERS = 2000;
const MOST_MM = 50_000;

/** Writes a block as a file that {@link readBlockFile} reads back exactly. */
export function writeBlockFile(document: BlockDocument): string {
  return `${JSON.stringify(document, null, 1)}\n`;
}

/**
 * Reads a block file, as a whole or not at all.
 * @throws InvalidInputError `block-file`, naming the place within the file
 */
export function readBlockFile(text: string): BlockDocument {
  const data = parseJson(text);
  const format = isRecord(data) ? data.format : undefined;
  if (typeof format === 'string' && /^kevlo\.block\/\d+$/.test(format) && format !== BLOCK_FORMAT) {
    fail(
      'format',
      `The file is of version ${format}; this Kevlo reads ${BLOCK_FORMAT}.`,
      'Update Kevlo, or save the block with this version.',
    );
  }
  if (!isRecord(data) || format !== BLOCK_FORMAT)
    fail('format', 'The file is no block file.', `It must begin with "format": "${BLOCK_FORMAT}".`);
  if (!Array.isArray(data.patches) || data.patches.length === 0 || data.patches.length > MOST_PATCHES) {
    fail(
      'patches',
      `A block has from 1 to ${MOST_PATCHES} patches.`,
      'Save the block again from where it came.',
    );
  }
  const ids = new Set<string>();
  const patches = data.patches.map((value: unknown, index: number): Patch => {
    const patch = readPatch(value, `patches[${index}]`);
    if (ids.has(patch.id))
      fail(`patches[${index}].id`, `Two patches are called “${patch.id}”.`, 'Give each an id of its own.');
    ids.add(patch.id);
    return patch;
  });
  return { format: BLOCK_FORMAT, patches, ...(data.recipe === undefined ? {} : { recipe: data.recipe }) };
}

function readPatch(value: unknown, place: string): Patch {
  if (!isRecord(value)) fail(place, 'A patch is missing.', 'Save the block again from where it came.');
  const { id, fabric, layer } = value;
  if (!isName(id)) fail(`${place}.id`, 'A patch has no id of up to 200 letters.', 'Give it one.');
  if (!isName(fabric))
    fail(`${place}.fabric`, `Patch “${id}” names no fabric of up to 200 letters.`, 'Name one.');
  if (!Number.isInteger(layer) || (layer as number) < 0 || (layer as number) > 999) {
    fail(`${place}.layer`, `Patch “${id}” has no layer.`, 'Give a whole number from 0.');
  }
  return { id, fabric, layer: layer as number, outline: readOutline(value.outline, `${place}.outline`, id) };
}

function readOutline(value: unknown, place: string, id: string): Outline {
  const { corners, bulges } = isRecord(value) ? value : {};
  const isOutline =
    Array.isArray(corners) &&
    Array.isArray(bulges) &&
    corners.length === bulges.length &&
    corners.length >= 2 &&
    corners.length <= MOST_CORNERS &&
    corners.every((corner) => isRecord(corner) && isLength(corner.x) && isLength(corner.y)) &&
    bulges.every((bulge) => typeof bulge === 'number' && Number.isFinite(bulge) && Math.abs(bulge) < 1000);
  if (!isOutline)
    fail(
      place,
      `The outline of patch “${id}” cannot be read.`,
      'It needs as many bulges as corners, all of them numbers in mm.',
    );
  const raw: Outline = {
    corners: corners.map(({ x, y }: { x: number; y: number }) => ({ x, y })),
    bulges: bulges.map(Number),
  };
  const outline = signedArea(raw) >= 0 ? raw : reversedOutline(raw);
  if (areaOf(outline) < 1) fail(place, `Patch “${id}” has no size to speak of.`, 'Enlarge or delete it.');
  if (findSelfCrossing(outline))
    fail(
      place,
      `The outline of patch “${id}” crosses itself.`,
      'Redraw it so that it runs round the patch once.',
    );
  return outline;
}

function parseJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return fail(
      'file',
      'The file is not whole: it ends or breaks off where it should go on.',
      'Copy it again from where it came.',
    );
  }
}

function isRecord(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

function isName(value: unknown): value is string {
  return typeof value === 'string' && value.length > 0 && value.length <= 200;
}

function isLength(value: unknown): boolean {
  return typeof value === 'number' && Math.abs(value) < MOST_MM;
}

function fail(name: string, message: string, mend: string): never {
  throw new InvalidInputError('block-file', message, mend, { name });
}
