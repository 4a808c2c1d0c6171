import { BLOCK_FORMAT, type BlockDocument, type ClothRule, type Part, type Patch } from '../block';
import { documentOfRecipe, isRecipe } from '../generate';
import { LIMITS } from './limits';
import { readBasting } from './readBasting';
import { readOrder } from './readOrder';
import { readOutline } from './readOutline';
import { fail, isLength, isName, isRecord, parseJson, readList } from './reading';

/** Writes a block as a file that {@link readBlockFile} reads back exactly. */
export function writeBlockFile(document: BlockDocument): string {
  return `${JSON.stringify(document, null, 1)}\n`;
}

/**
 * Reads a block file of this version or an older one, as a whole or not at all. Its schema is published as
 * `kevlo.block.2.schema.json`.
 * @throws InvalidInputError `block-file`, naming the place within the file
 */
export function readBlockFile(text: string): BlockDocument {
  return readBlockDocument(parseJson(text));
}

/**
 * Reads a block document from data of any origin. Version 1 had one recipe for the whole block; it becomes a part.
 * @param place what faults are placed under, for a document within another file
 * @throws InvalidInputError `block-file`
 */
export function readBlockDocument(data: unknown, place = ''): BlockDocument {
  const at = (name: string) => (place === '' ? name : `${place}.${name}`);
  const version = versionOf(data, 'kevlo.block', 2, at('format'));
  const record = data as Record<string, unknown>;
  const patches = readPatches(record.patches, at);
  const ids = new Set(patches.map(({ id }) => id));
  if (version === 1) {
    if (record.recipe === undefined) return { format: BLOCK_FORMAT, patches };
    checkRecipe(record.recipe, at('recipe'));
    const { parts = [] } = documentOfRecipe(record.recipe as never);
    return { format: BLOCK_FORMAT, patches: patches.map((one) => ({ ...one, part: 'p1' })), parts };
  }
  const parts = readList(record.parts, at('parts'), 500, readPart);
  const rules = readList(record.rules, at('rules'), 500, (value, where) => readRule(value, where, ids));
  const known = new Set(parts?.map(({ id }) => id));
  patches.forEach(({ id, part }, index) => {
    if (part !== undefined && !known.has(part))
      fail(
        at(`patches[${index}].part`),
        `Patch “${id}” belongs to a part “${part}” that is not in the file.`,
        'Add the part, or leave it out.',
      );
  });
  const order = readOrder(record.order, at('order'));
  return {
    format: BLOCK_FORMAT,
    patches,
    ...(parts ? { parts } : {}),
    ...(rules ? { rules } : {}),
    ...(order ? { order } : {}),
    ...readBasting(record.basting, at('basting'), ids),
    ...readNotes(record.notes, at('notes')),
  };
}

/**
 * The version of a file of some format.
 * @throws InvalidInputError `block-file` when it is of another format or newer than `newest`
 */
export function versionOf(data: unknown, format: string, newest: number, place: string): number {
  const named = isRecord(data) ? data.format : undefined;
  const [, number] =
    (typeof named === 'string' && new RegExp(`^${format.replace('.', '\\.')}/(\\d+)$`).exec(named)) || [];
  if (number === undefined)
    fail(place, `This is no ${format} file.`, `It must begin with "format": "${format}/${newest}".`);
  if (Number(number) > newest || Number(number) < 1)
    fail(
      place,
      `The file is of version ${format}/${number}; this Kevlo reads up to ${format}/${newest}.`,
      'Update Kevlo, or save it again with this version.',
    );
  return Number(number);
}

/** Longest note of a host on one step, letters. */
const MOST_NOTE = 1000;

function readNotes(value: unknown, place: string): Pick<BlockDocument, 'notes'> {
  if (value === undefined) return {};
  const isWhole =
    isRecord(value) &&
    Object.entries(value).every(
      ([step, note]) => step.length <= 80 && typeof note === 'string' && note.length <= MOST_NOTE,
    );
  if (!isWhole)
    fail(place, `Notes on steps are texts of up to ${MOST_NOTE} letters.`, 'Shorten or leave them out.');
  return { notes: value as Record<string, string> };
}

function readPatches(value: unknown, at: (name: string) => string): Patch[] {
  if (!Array.isArray(value) || value.length === 0 || value.length > LIMITS.patches) {
    fail(
      at('patches'),
      `A block has from 1 to ${LIMITS.patches} patches.`,
      'Save the block again from where it came.',
    );
  }
  const ids = new Set<string>();
  return value.map((one: unknown, index: number): Patch => {
    const patch = readPatch(one, at(`patches[${index}]`));
    if (ids.has(patch.id))
      fail(
        at(`patches[${index}].id`),
        `Two patches are called “${patch.id}”.`,
        'Give each an id of its own.',
      );
    ids.add(patch.id);
    return patch;
  });
}

function checkRecipe(recipe: unknown, place: string): void {
  if (!isRecipe(recipe))
    fail(place, 'These figures are of no generator that this Kevlo has.', 'Leave them out, or update Kevlo.');
}

function readPart(value: unknown, place: string): Part {
  if (!isRecord(value)) fail(place, 'A part is missing.', 'Save the block again from where it came.');
  const { id, recipe, prefix, x, y, turnDeg } = value;
  const isPart = isName(id) && typeof prefix === 'string' && prefix.length <= 50 && isLength(x) && isLength(y) && isLength(turnDeg); // prettier-ignore
  if (!isPart) fail(place, 'A part cannot be read.', 'It needs id, prefix, x, y and turnDeg.');
  checkRecipe(recipe, `${place}.recipe`);
  return { id, recipe, prefix, x: x as number, y: y as number, turnDeg: turnDeg as number };
}

function readRule(value: unknown, place: string, ids: ReadonlySet<string>): ClothRule {
  const { id, kind, patches, fabric } = isRecord(value) ? value : {};
  if (!isName(id)) fail(place, 'A cloth rule has no id.', 'Give it one.');
  if (kind === 'not-facing') {
    if (!isName(fabric)) fail(`${place}.fabric`, 'The rule names no fabric.', 'Name one.');
    return { id, kind, fabric };
  }
  const isList = Array.isArray(patches) && patches.every((one) => typeof one === 'string' && ids.has(one));
  if (kind === 'differ' && patches === undefined) return { id, kind };
  if ((kind === 'differ' || kind === 'same' || kind === 'alternate') && isList) return { id, kind, patches };
  return fail(
    place,
    'A cloth rule cannot be read, or names patches that are not in the block.',
    'Leave it out.',
  );
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
  const outline = readOutline(value.outline, `${place}.outline`, id);
  return { id, fabric, layer: layer as number, outline, ...readChoices(value, place, id) };
}

/** What a patch may carry besides: its part, group, lock and decisions on sides. */
function readChoices(
  { part, group, isLocked, edges }: Record<string, unknown>,
  place: string,
  id: string,
): Partial<Patch> {
  const isWhole =
    (part === undefined || isName(part)) &&
    (group === undefined || isName(group)) &&
    (isLocked === undefined || typeof isLocked === 'boolean') &&
    (edges === undefined ||
      (isRecord(edges) &&
        Object.entries(edges).every(
          ([side, is]) => /^\d{1,4}$/.test(side) && (is === 'raw' || is === 'turned'),
        )));
  if (!isWhole)
    fail(place, `Patch “${id}” carries something that cannot be read.`, 'See the published schema.');
  return {
    ...(part === undefined ? {} : { part: part as string }),
    ...(group === undefined ? {} : { group: group as string }),
    ...(isLocked === undefined ? {} : { isLocked: isLocked as boolean }),
    ...(edges === undefined ? {} : { edges: edges as NonNullable<Patch['edges']> }),
  };
}
