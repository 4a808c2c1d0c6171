import fc from 'fast-check';
import { expect, test } from 'vitest';
import { defaultSetting, layOutTop, type Setting } from '@/core/setting';
import { FIGURES, readSettingForm, typedFromSetting, withPlaces } from './settingForm';

const blocks = (count: number) => Array.from({ length: count }, (_, i) => ({ id: `b${i}`, widthMm: 300, heightMm: 300 })); // prettier-ignore
const setting: Setting = {
  ...defaultSetting(blocks(6), 3, 25),
  cellWidthMm: 301.37,
  cellHeightMm: 287.9,
  sashMm: 31.2,
};

test('a setting put into the form and read back is the very same; a figure typed anew is taken as typed', () => {
  for (const system of ['inch', 'metric'] as const) {
    const typed = typedFromSetting(setting, system);
    expect(readSettingForm(setting, typed, system)).toEqual({ setting });
    const next = readSettingForm(setting, { ...typed, sashMm: '2 cm' }, system).setting;
    expect(next).toEqual({ ...setting, sashMm: 20 });
  }
});

test.each([
  ['columns', 'three'],
  ['rows', '0'],
  ['cellWidthMm', 'wide'],
  ['sashMm', '0'],
  ['borderMm', '-1'],
] as const)('%s of “%s” is refused at its field, with how to mend', (name, text) => {
  const { fault, setting: none } = readSettingForm(
    setting,
    { ...typedFromSetting(setting, 'metric'), [name]: text },
    'metric',
  );
  expect(none).toBeUndefined();
  expect(fault).toMatchObject({
    where: name,
    what: expect.stringMatching(/\w/),
    mend: expect.stringMatching(/\w/),
  });
});

test('however the rows and columns change, each block keeps a place while there is one, and none is there twice', () => {
  const size = fc.integer({ min: 1, max: 5 });
  fc.assert(
    fc.property(size, size, fc.constantFrom('grid' as const, 'offset' as const), (columns, rows, layout) => {
      fc.pre(layout === 'grid' || columns > 1);
      const next = withPlaces({ ...setting, columns, rows, layout }, setting);
      const cells = layOutTop(next).cells.length;
      expect(next.places).toHaveLength(cells);
      const kept = next.places.filter((block) => block !== null);
      expect(new Set(kept).size).toBe(kept.length);
      expect(kept.length).toBe(Math.min(6, cells));
    }),
  );
});

test('every figure of the form has a name to show', () => {
  expect(FIGURES.map(({ name }) => name).sort()).toEqual(
    Object.keys(typedFromSetting(setting, 'inch')).sort(),
  );
});
