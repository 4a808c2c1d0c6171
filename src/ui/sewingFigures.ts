import { SEWING_FIGURES, type SewingFigure, type SewingMeasure } from '@/core/assembly';
import type { UnitSystem } from '@/core/length';
import type { Figure, FigureType } from './figures';

const TYPES: Readonly<Record<SewingMeasure, FigureType>> = {
  'per length': 'per length',
  length: 'length',
  'length per minute': 'length per minute',
  minutes: 'minutes',
  share: 'share',
  count: 'number',
};

/** What stands behind the name of a figure: what it is counted in. */
function unitOf(measure: SewingMeasure, system: UnitSystem): string {
  const length = system === 'inch' ? 'inch' : 'cm';
  switch (measure) {
    case 'per length':
      return `, per ${length}`;
    case 'length per minute':
      return `, ${length === 'inch' ? 'inches' : 'cm'} per minute`;
    case 'minutes':
      return ', minutes';
    case 'share':
      return ', %';
    default:
      return '';
  }
}

/** The figures by which sewing is timed and thread is counted. */
export function sewingFigures(
  system: UnitSystem,
  names: readonly SewingFigure[] = Object.keys(SEWING_FIGURES) as SewingFigure[],
): readonly Figure[] {
  return names.map((name) => {
    const { name: label, measure, what } = SEWING_FIGURES[name];
    return { name, label: `${label}${unitOf(measure, system)}`, type: TYPES[measure], hint: what };
  });
}
