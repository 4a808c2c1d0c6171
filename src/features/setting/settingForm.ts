import { InvalidInputError } from '@/core/errors';
import { formatLength, parseLength, type UnitSystem } from '@/core/length';
import { checkSetting, layOutTop, type Setting } from '@/core/setting';

/** The figures of a setting as they stand in the form. */
export interface TypedSetting {
  readonly columns: string;
  readonly rows: string;
  readonly cellWidthMm: string;
  readonly cellHeightMm: string;
  readonly sashMm: string;
  readonly borderMm: string;
}

export const FIGURES: readonly (readonly [keyof TypedSetting, string])[] = [
  ['columns', 'Blocks across'],
  ['rows', 'Rows'],
  ['cellWidthMm', 'Block width, finished'],
  ['cellHeightMm', 'Block height, finished'],
  ['sashMm', 'Sashing width, finished'],
  ['borderMm', 'Border'],
];

/** The fields as a setting would fill them. */
export function typedFromSetting(setting: Setting, system: UnitSystem): TypedSetting {
  const length = (millimetres: number) => (millimetres === 0 ? '0' : formatLength(millimetres, system));
  return {
    columns: String(setting.columns),
    rows: String(setting.rows),
    cellWidthMm: length(setting.cellWidthMm),
    cellHeightMm: length(setting.cellHeightMm),
    sashMm: length(setting.sashMm),
    borderMm: length(setting.borderMm),
  };
}

export interface SettingFault {
  readonly what: string;
  readonly mend: string;
  readonly where: string;
}

/**
 * Reads the figures into a setting; places are kept where their cells still are. A figure that stands as it was printed
 * is the exact one from before, not what its fraction says.
 */
export function readSettingForm(
  before: Setting,
  typed: TypedSetting,
  system: UnitSystem,
): { readonly setting?: Setting; readonly fault?: SettingFault } {
  const figures: Record<string, number> = {};
  const printed = typedFromSetting(before, system);
  for (const [name, label] of FIGURES) {
    const text = typed[name].trim();
    if (text === printed[name]) continue;
    try {
      const isCount = name === 'columns' || name === 'rows';
      figures[name] = isCount
        ? readCount(text)
        : text === '0'
          ? 0
          : parseLength(text, system === 'inch' ? 'in' : 'mm');
    } catch (error) {
      if (!(error instanceof InvalidInputError)) throw error;
      return { fault: { what: `${label}: ${error.message}`, mend: error.mend, where: name } };
    }
  }
  const setting = { ...before, ...figures } as Setting;
  try {
    checkSetting(setting);
    return { setting: withPlaces(setting, before) };
  } catch (error) {
    if (!(error instanceof InvalidInputError)) throw error;
    return { fault: { what: error.message, mend: error.mend, where: error.place.name ?? '' } };
  }
}

function readCount(text: string): number {
  if (!/^\d{1,3}$/.test(text))
    throw new InvalidInputError('number', `“${text}” is no whole number.`, 'Write it in figures.');
  return Number(text);
}

/** As many places as there are cells; blocks that lose their cell go to the first empty one. */
export function withPlaces(setting: Setting, before: Setting): Setting {
  const count = layOutTop(setting).cells.length;
  if (count === before.places.length) return setting;
  const places: (string | null)[] = Array.from({ length: count }, (_, i) => before.places[i] ?? null);
  for (const block of before.places.slice(count)) {
    const empty = places.indexOf(null);
    if (block !== null && empty >= 0) places[empty] = block;
  }
  return { ...setting, places };
}
