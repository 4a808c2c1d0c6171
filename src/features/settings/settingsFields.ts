import { sewingOf, type SewingFigure } from '@/core/assembly';
import { UNIT_DEFAULTS, type UnitSystem } from '@/core/length';
import type { ProjectSettings } from '@/server/projects';
import {
  printFigure,
  printFigures,
  readFigure,
  readFigures,
  attempt,
  type Fault,
  type Figure,
  type Typed,
} from '@/ui/figures';
import { sewingFigures } from '@/ui/sewingFigures';

/** The figures that a project is set up by. */
export function projectFigures(system: UnitSystem): readonly Figure[] {
  return [
    {
      name: 'allowanceMm',
      label: 'Seam allowance',
      type: 'length',
      hint: UNIT_DEFAULTS[system].allowanceHint,
    },
    {
      name: 'sparesPercent',
      label: 'Spare papers, %',
      type: 'number',
      hint: 'Added to each paper kind of each bag, rounded up.',
    },
    { name: 'gridColumns', label: 'Blocks across the top', type: 'count' },
  ];
}

const all = (system: UnitSystem) => [...projectFigures(system), ...sewingFigures(system)];

/** The fields as the settings would fill them. */
export function typedFromSettings(settings: ProjectSettings): Typed {
  const { name, shop, unitSystem, pageSize, sewing, ...figures } = settings;
  const printed = printFigures(all(unitSystem), { ...figures, ...sewingOf(sewing) }, unitSystem);
  return { name, shop, unitSystem, pageSize, ...printed };
}

/**
 * Reads the fields.
 * @param before settings that filled them: a figure that stands as it was printed is the exact one
 */
export function readSettings(
  typed: Typed,
  before: ProjectSettings,
):
  | { readonly settings: ProjectSettings; readonly fault?: undefined }
  | { readonly fault: Fault; readonly settings?: undefined } {
  const unitSystem: UnitSystem = typed.unitSystem === 'inch' ? 'inch' : 'metric';
  const known = { ...before, ...sewingOf(before.sewing) };
  const { figures, fault } = readFigures(all(unitSystem), typed, unitSystem, known);
  if (fault) return { fault };
  const pick = (fields: readonly Figure[]) =>
    Object.fromEntries(fields.map(({ name }) => [name, figures[name] as number]));
  return {
    settings: {
      ...before,
      name: typed.name ?? '',
      shop: typed.shop ?? '',
      unitSystem,
      pageSize: typed.pageSize === 'A4' ? 'A4' : 'Letter',
      ...pick(projectFigures(unitSystem)),
      sewing: pick(sewingFigures(unitSystem)),
    },
  };
}

/**
 * What was changed of the settings, and nothing else: someone else may have changed the rest meanwhile.
 * @returns the changes, and how they are taken back
 */
export function changesOf(
  before: ProjectSettings,
  after: ProjectSettings,
): { readonly changed: Partial<ProjectSettings>; readonly back: Partial<ProjectSettings> } {
  const plain = (Object.keys(after) as (keyof ProjectSettings)[]).filter(
    (key) => key !== 'sewing' && after[key] !== before[key],
  );
  const [old, fresh] = [sewingOf(before.sewing), sewingOf(after.sewing)];
  const sewn = (Object.keys(fresh) as SewingFigure[]).filter((key) => fresh[key] !== old[key]);
  const only = (settings: ProjectSettings, sewing: typeof fresh): Partial<ProjectSettings> => ({
    ...Object.fromEntries(plain.map((key) => [key, settings[key]])),
    ...(sewn.length > 0 ? { sewing: Object.fromEntries(sewn.map((key) => [key, sewing[key]])) } : {}),
  });
  return { changed: only(after, fresh), back: only(before, old) };
}

/** The fields when lengths are to be typed in the other unit; what cannot be read is left as it stands. */
export function inOtherUnit(typed: Typed, before: ProjectSettings, to: UnitSystem): Typed {
  const from: UnitSystem = typed.unitSystem === 'inch' ? 'inch' : 'metric';
  const known: Readonly<Record<string, unknown>> = { ...before, ...sewingOf(before.sewing) };
  const moved = all(from).map(({ name, type }) => {
    const text = typed[name] ?? '';
    const isAsPrinted = text === printFigure(known[name], type, from);
    const read = isAsPrinted ? { value: known[name] } : attempt(() => readFigure(text, type, from));
    return [name, read.fault ? text : printFigure(read.value, type, to)];
  });
  return { ...typed, ...(Object.fromEntries(moved) as Typed), unitSystem: to };
}
