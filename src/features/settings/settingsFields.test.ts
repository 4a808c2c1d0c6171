import { expect, test } from 'vitest';
import { DEFAULT_SEWING, SEWING_FIGURES, type SewingFigure } from '@/core/assembly';
import type { ProjectSettings } from '@/server/projects';
import { changesOf, inOtherUnit, readSettings, typedFromSettings } from './settingsFields';
import { sewingFigures } from '@/ui/sewingFigures';

const settings: ProjectSettings = {
  name: 'Night Ferry',
  shop: '',
  unitSystem: 'inch',
  pageSize: 'Letter',
  allowanceMm: 6.4123,
  sparesPercent: 7.5,
  gridColumns: 3,
  sewing: { usableNeedlefulMm: 401.337 },
};

test('settings put into the form and read back are the very same, whatever the unit was meanwhile', () => {
  const typed = typedFromSettings(settings);
  expect(changesOf(settings, readSettings(typed, settings).settings!)).toEqual({ changed: {}, back: {} });
  const metric = inOtherUnit(typed, settings, 'metric');
  expect([metric.allowanceMm, metric.usableNeedlefulMm]).toEqual(['6.5 mm', '401.5 mm']);
  const again = readSettings(metric, settings).settings!;
  expect(changesOf(settings, again).changed).toEqual({ unitSystem: 'metric' });
});

test('every figure of sewing can be typed: stitches per inch or per cm, shares in per cent, lengths in the unit', () => {
  const inch = typedFromSettings(settings);
  expect(Object.keys(SEWING_FIGURES).every((name) => inch[name] !== undefined && inch[name] !== '')).toBe(
    true,
  );
  expect([inch.stitchesPerMm, inch.heavyShare, inch.appliqueMmPerMinute]).toEqual(['10', '1', '0.98']);
  const figures = { stitchesPerMm: '14', heavyShare: '2,5 %', usableNeedlefulMm: '20', bendMinutes: '1.5' };
  expect(readSettings({ ...inch, ...figures }, settings).settings?.sewing).toMatchObject({
    stitchesPerMm: expect.closeTo(14 / 25.4, 12),
    heavyShare: 0.025,
    usableNeedlefulMm: 508,
    bendMinutes: 1.5,
    alignMinutes: DEFAULT_SEWING.alignMinutes,
  });
  const metric = inOtherUnit({ ...inch, appliqueMmPerMinute: '1' }, settings, 'metric');
  expect([metric.stitchesPerMm, metric.appliqueMmPerMinute]).toEqual(['3.94', '2.54']);
  expect(readSettings({ ...metric, stitchesPerMm: '4' }, settings).settings?.sewing.stitchesPerMm).toBe(0.4);
});

test('only what was changed is sent, and taking it back restores just that', () => {
  const typed = { ...typedFromSettings(settings), gridColumns: '4', bendMinutes: '2' };
  const after = readSettings(typed, settings).settings!;
  expect(changesOf(settings, after)).toEqual({
    changed: { gridColumns: 4, sewing: { bendMinutes: 2 } },
    back: { gridColumns: 3, sewing: { bendMinutes: DEFAULT_SEWING.bendMinutes } },
  });
});

test('a figure that cannot be read is told at its field by its label', () => {
  for (const { name, label } of sewingFigures('metric')) {
    const { fault } = readSettings({ ...typedFromSettings(settings), [name]: 'many' }, settings);
    expect(fault).toMatchObject({ where: name, what: expect.stringContaining(SEWING_FIGURES[name as SewingFigure].name) });
    expect(label).toContain(SEWING_FIGURES[name as SewingFigure].name);
  }
}); // prettier-ignore
