import type { UnitSystem } from '@/core/length';
import { checkSetting, layOutTop, type Setting } from '@/core/setting';
import { attempt, printFigures, readFigures, type Fault, type Figure, type Typed } from '@/ui/figures';

/** The figures of a setting, in the order in which the form asks for them. */
export const FIGURES: readonly Figure[] = [
  { name: 'columns', label: 'Blocks across', type: 'count' },
  { name: 'rows', label: 'Rows', type: 'count' },
  { name: 'cellWidthMm', label: 'Block width, finished', type: 'length or none' },
  { name: 'cellHeightMm', label: 'Block height, finished', type: 'length or none' },
  { name: 'sashMm', label: 'Sashing width, finished', type: 'length or none' },
  { name: 'borderMm', label: 'Border', type: 'length or none' },
];

/** The fields as a setting would fill them. */
export function typedFromSetting(setting: Setting, system: UnitSystem): Typed {
  return printFigures(FIGURES, { ...setting }, system);
}

/**
 * Reads the figures into a setting; places are kept where their cells still are. A figure that stands as it was printed
 * is the exact one from before, not what its fraction says.
 */
export function readSettingForm(
  before: Setting,
  typed: Typed,
  system: UnitSystem,
): { readonly setting?: Setting; readonly fault?: Fault } {
  const { figures, fault } = readFigures(FIGURES, typed, system, { ...before });
  if (fault) return { fault };
  const setting: Setting = { ...before, ...figures };
  const checked = attempt(() => {
    checkSetting(setting);
    return withPlaces(setting, before);
  });
  return checked.fault ? { fault: checked.fault } : { setting: checked.value };
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
