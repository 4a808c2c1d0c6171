import { expect, test } from 'vitest';
import type { Pleat } from '@/core/basting';
import { sayPleats } from './sayPleats';

const some = (pleats: number, clips: number): Pleat[] => [
  ...Array.from({ length: pleats }, () => ({ kind: 'pleat' }) as Pleat),
  ...Array.from({ length: clips }, () => ({ kind: 'clip' }) as Pleat),
];

test.each([
  [0, 0, ''],
  [1, 0, ' Pleat the curve every ¼″: 1 pleat.'],
  [7, 1, ' Pleat the curve every ¼″: 7 pleats. Clip where it bows in, not quite to the paper: 1 clip.'],
  [0, 2, ' Clip where it bows in, not quite to the paper: 2 clips.'],
])('%d pleats and %d clips', (pleats, clips, says) => {
  expect(sayPleats(some(pleats, clips), 'inch')).toBe(says);
});
