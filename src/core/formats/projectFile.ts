import type { SewingSettings } from '../assembly';
import type { BlockDocument, ProjectBasting } from '../block';
import { InvalidInputError } from '../errors';
import type { UnitSystem } from '../length';
import { layOutTop, type Setting } from '../setting';
import { PAPER_MARKS, type ChosenMark } from '../shapes';
import { LIMITS } from './limits';
import { readBlockDocument, versionOf } from './blockFile';
import { readProjectBasting } from './readBasting';
import { readSewing } from './readSewing';
import { readOutline } from './readOutline';
import { isRecord, parseJson } from './reading';

/** Present version of the project file; its schema is published as `kevlo.project.1.schema.json`. */
export const PROJECT_FORMAT = 'kevlo.project/1';

/** A whole project as a file: its blocks, settings, setting and chosen marks. Makers and their progress stay at home. */
export interface ProjectFile {
  readonly format: typeof PROJECT_FORMAT;
  readonly name: string;
  readonly shop: string;
  readonly unitSystem: UnitSystem;
  readonly pageSize: 'A4' | 'Letter';
  readonly allowanceMm: number;
  readonly sparesPercent: number;
  readonly gridColumns: number;
  readonly blocks: readonly { readonly name: string; readonly document: BlockDocument }[];
  /** Blocks are named by their names here. */
  readonly setting?: Setting;
  readonly marks?: readonly ChosenMark[];
  readonly basting?: ProjectBasting;
  /** Figures of sewing that the project changed. */
  readonly sewing?: Partial<SewingSettings>;
  /** Dates and figures, blocks and groups by their names. Checked, as the next two, where the file is brought in. */
  readonly calendar?: JsonObject;
  /** What was decided about buying, blocks by their names. */
  readonly order?: JsonObject;
  /** Cloths as they lie on the shelf. */
  readonly shelf?: readonly JsonObject[];
  /** How bags are made, what goes into them besides papers and cloth, spares kind by kind. */
  readonly bags?: JsonObject;
}

/** Something of a file of which only the outer form is looked at here. */
export type JsonObject = Readonly<Record<string, unknown>>;

/** Cloths of a shelf at most. */
const MOST_CLOTHS = 2000;

/** Most blocks of a project. */
export const MOST_BLOCKS = 200;

/** Writes a project as a file that {@link readProjectFile} reads back exactly. */
export function writeProjectFile(project: ProjectFile): string {
  return `${JSON.stringify(project, null, 1)}\n`;
}

/**
 * Reads a project file, as a whole or not at all; blocks of older versions are brought up to this one.
 * @throws InvalidInputError `block-file`, naming the place within the file
 */
export function readProjectFile(text: string): ProjectFile {
  const data = parseJson(text);
  versionOf(data, 'kevlo.project', 1, 'format');
  const record = data as Record<string, unknown>;
  const { unitSystem, pageSize, blocks, setting, marks, basting, sewing, calendar, order, shelf, bags } =
    record;
  if (unitSystem !== 'inch' && unitSystem !== 'metric')
    fail('unitSystem', 'The project has no unit.', 'Give inch or metric.');
  if (pageSize !== 'A4' && pageSize !== 'Letter')
    fail('pageSize', 'The project has no page size.', 'Give A4 or Letter.');
  if (!Array.isArray(blocks) || blocks.length > MOST_BLOCKS)
    fail(
      'blocks',
      `A project has up to ${MOST_BLOCKS} blocks in a list.`,
      'Save the project again from where it came.',
    );
  const names = new Set<string>();
  const read = blocks.map((value: unknown, index: number) => {
    const place = `blocks[${index}]`;
    if (!isRecord(value)) fail(place, 'A block is missing.', 'Save the project again from where it came.');
    const name = readText(value.name, `${place}.name`, 120, 1);
    if (names.has(name.toLowerCase()))
      fail(`${place}.name`, `Two blocks are called “${name}”.`, 'Give each a name of its own.');
    names.add(name.toLowerCase());
    return { name, document: readBlockDocument(value.document, `${place}.document`) };
  });
  const known = new Set(read.map(({ name }) => name));
  return {
    format: PROJECT_FORMAT,
    name: readText(record.name, 'name', 120, 1),
    shop: readText(record.shop, 'shop', 120, 0),
    unitSystem,
    pageSize,
    allowanceMm: readNumber(
      record.allowanceMm,
      'allowanceMm',
      LIMITS.allowanceMm.least,
      LIMITS.allowanceMm.most,
    ),
    sparesPercent: readNumber(record.sparesPercent, 'sparesPercent', 0, 100),
    gridColumns: readWhole(
      record.gridColumns,
      'gridColumns',
      LIMITS.gridColumns.least,
      LIMITS.gridColumns.most,
    ),
    blocks: read,
    ...(setting === undefined ? {} : { setting: readSetting(setting, known) }),
    ...(marks === undefined ? {} : { marks: readMarks(marks) }),
    ...(basting === undefined ? {} : { basting: readProjectBasting(basting) }),
    ...(sewing === undefined ? {} : { sewing: readSewing(sewing) }),
    ...(calendar === undefined ? {} : { calendar: readObject(calendar, 'calendar') }),
    ...(order === undefined ? {} : { order: readObject(order, 'order') }),
    ...(shelf === undefined ? {} : { shelf: readShelf(shelf) }),
    ...(bags === undefined ? {} : { bags: readObject(bags, 'bags') }),
  };
}

/**
 * Reads a setting from data of any origin.
 * @param known the blocks that its places and its order of making may name
 * @throws InvalidInputError `block-file` for what is no setting, `setting` for figures that cannot be
 */
export function readSetting(value: unknown, known: ReadonlySet<string>, place = 'setting'): Setting {
  if (!isRecord(value)) fail(place, 'The setting cannot be read.', 'Leave it out, or save it again.');
  const { layout, columns, rows, joint, hasCornerstones, places, making, school } = value;
  const isNamed = (one: unknown) => typeof one === 'string' && known.has(one);
  const isWhole =
    (layout === 'grid' || layout === 'offset') &&
    (joint === 'sashing' || joint === 'edge-to-edge') &&
    (school === 'first' || school === 'later') &&
    typeof hasCornerstones === 'boolean' &&
    Array.isArray(places) &&
    places.length <= 1000 &&
    places.every((one) => one === null || isNamed(one)) &&
    Array.isArray(making) &&
    making.every(isNamed);
  if (!isWhole)
    fail(
      place,
      'The setting cannot be read, or names blocks that are not there.',
      'Leave it out, or save it again.',
    );
  const setting: Setting = {
    layout,
    columns: Number(columns),
    rows: Number(rows),
    cellWidthMm: Number(value.cellWidthMm),
    cellHeightMm: Number(value.cellHeightMm),
    joint,
    sashMm: Number(value.sashMm),
    hasCornerstones,
    borderMm: Number(value.borderMm),
    places: places as (string | null)[],
    making: making as string[],
    school,
  };
  layOutTop(setting);
  return setting;
}

/** The same setting with its blocks called otherwise; blocks that have no other name are left out. */
export function renameInSetting(setting: Setting, nameOf: (block: string) => string | undefined): Setting {
  return {
    ...setting,
    places: setting.places.map((block) => (block === null ? null : (nameOf(block) ?? null))),
    making: setting.making.flatMap((block) => nameOf(block) ?? []),
  };
}

/** Reads chosen marks from data of any origin. @throws InvalidInputError `block-file` */
export function readMarks(value: unknown, place = 'marks'): ChosenMark[] {
  if (!Array.isArray(value) || value.length > 1000)
    fail(place, 'The marks cannot be read.', 'Leave them out.');
  return value.map((one: unknown, index): ChosenMark => {
    const { mark, outline } = isRecord(one) ? one : {};
    const isMark = mark === 'none' || PAPER_MARKS.some((own) => own === mark);
    if (!isMark)
      fail(`${place}[${index}].mark`, 'This is no mark.', `Give one of none, ${PAPER_MARKS.join(', ')}.`);
    return {
      outline: readOutline(outline, `${place}[${index}].outline`, 'marked paper'),
      mark: mark as ChosenMark['mark'],
    };
  });
}

function readObject(value: unknown, place: string): JsonObject {
  if (!isRecord(value)) fail(place, 'This cannot be read.', 'Leave it out, or save it again.');
  return value;
}

function readShelf(value: unknown): JsonObject[] {
  if (!Array.isArray(value) || value.length > MOST_CLOTHS)
    fail('shelf', `A shelf is a list of up to ${MOST_CLOTHS} cloths.`, 'Leave it out, or save it again.');
  return value.map((one: unknown, index) => readObject(one, `shelf[${index}]`));
}

function readText(value: unknown, place: string, most: number, least: number): string {
  if (typeof value !== 'string' || value.length > most || value.trim().length < least)
    fail(place, `A text of ${least} to ${most} letters is wanted here.`, 'Write one.');
  return value;
}

function readWhole(value: unknown, place: string, least: number, most: number): number {
  const number = readNumber(value, place, least, most);
  if (!Number.isInteger(number))
    fail(place, `A whole number from ${least} to ${most} is wanted here.`, 'Give one.');
  return number;
}

function readNumber(value: unknown, place: string, least: number, most: number): number {
  if (typeof value !== 'number' || !(value >= least && value <= most))
    fail(place, `A number from ${least} to ${most} is wanted here.`, 'Give one.');
  return value;
}

function fail(name: string, message: string, mend: string): never {
  throw new InvalidInputError('block-file', message, mend, { name });
}
