import { cornerAngle } from '../geometry';
import type { TroubleMoment } from '../troubles';
import type { BlockSheet } from './blockSheet';
import type { Step } from './step';

/** A join with as many knots as this is a long row: its ends come first. */
const LONG_ROW_KNOTS = 4;

/** What can go wrong at a step: by what it wraps, joins and lets go. */
export function momentsOf(step: Step, sheet: Pick<BlockSheet, 'patches'>): TroubleMoment[] {
  if (step.kind === 'applique') return ['applique'];
  if (step.kind === 'finish') return [];
  if (step.kind === 'baste') {
    const first = sheet.patches[step.patches[0] ?? 0];
    const isSharp = first?.outline.corners.some((_, i) => cornerAngle(first.outline, i) < 89);
    return [
      'baste',
      ...(isSharp ? (['baste-sharp'] as const) : []),
      ...(first && first.hand !== 'none' ? (['baste-handed'] as const) : []),
    ];
  }
  return [
    'join',
    ...(step.bends > 0 ? (['bend'] as const) : []),
    ...(step.chains.some(({ knots }) => knots.length >= LONG_ROW_KNOTS) ? (['long-row'] as const) : []),
    ...(step.releases.length > 0 ? (['release'] as const) : []),
    ...(step.chains.length > 1 ? (['ring'] as const) : []),
  ];
}
