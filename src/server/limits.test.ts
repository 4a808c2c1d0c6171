import { expect, test } from 'vitest';
import { defaultRecipe } from '@/core/generate';
import { EMPTY_CALENDAR } from '@/core/calendar';
import { NO_EXTRAS, USUAL_CARD, USUAL_SCALE } from '@/core/packing';
import { USUAL_ORDER } from '@/core/order';
import { USUAL_CLOTH } from '@/core/cloth';
import { extrasSchema } from './bags';
import { recipeSchema } from './blocks';
import { calendarFileSchema, calendarSchema } from './calendar';
import { shelfSchema } from './cloth';
import { orderSchema } from './orders';
import { reminderSettingsSchema, USUAL_SETTINGS } from './reminders/settings';

/** What can be sent: a whole that is sound, and for places in it the last value that is taken and the first that is not. */
type Edge = readonly [place: string, taken: unknown, refused: unknown];

const letters = (count: number) => 'x'.repeat(count);
const listOf = (count: number, item: (index: number) => unknown) => Array.from({ length: count }, (_, index) => item(index)); // prettier-ignore
const recordOf = (count: number, value: unknown) =>
  Object.fromEntries(listOf(count, (index) => [`key ${index}`, value]) as [string, unknown][]);

/** A whole with another value at a place like `entries.0.day`; `undefined` leaves it out. */
function withAt(whole: unknown, place: string, value: unknown): unknown {
  const [name = '', ...rest] = place.split('.');
  const inner = rest.length === 0 ? value : withAt((whole as Record<string, unknown>)[name], rest.join('.'), value);
  if (Array.isArray(whole)) return whole.map((item: unknown, index) => (String(index) === name ? inner : item));
  return { ...(whole as object), [name]: inner };
} // prettier-ignore

interface Form {
  readonly validate: (input: unknown) => { readonly error?: Error | undefined };
}

function expectEdges(form: Form, whole: unknown, edges: readonly Edge[]): void {
  const fault = (place: string, value: unknown) => form.validate(place === '' ? value : withAt(whole, place, value)).error?.message; // prettier-ignore
  expect(fault('', whole), 'the whole').toBeUndefined();
  for (const [place, taken, refused] of edges) {
    expect(fault(place, taken), `${place}, the last that is taken`).toBeUndefined();
    expect(fault(place, refused), `${place}, the first that is refused`).toBeTypeOf('string');
  }
}

test('a calendar: entries, hours, days and names', () => {
  const drop = { kind: 'drop', id: 'a', day: '2026-05-02', title: 'One', blocks: ['b'], isFixed: false };
  const meeting = { kind: 'meeting', id: 'm', day: '2026-05-03', title: 'Circle', at: '18:30', minutes: 60, place: '', everyWeeks: 1, times: 1 }; // prettier-ignore
  const holiday = { kind: 'holiday', id: 'h', day: '2026-05-04', until: '2026-05-05', title: 'Closed' };
  const whole = {
    ...EMPTY_CALENDAR,
    entries: [drop, meeting, holiday],
    suppliers: [{ name: 'Yard', leadDays: 3 }],
  };
  const edges: readonly Edge[] = [
    ['entries', listOf(400, () => drop), listOf(401, () => drop)],
    ['entries.0.id', letters(60), letters(61)],
    ['entries.0.id', 'i', ''],
    ['entries.0.day', '2026-05-02', '2026-5-2'],
    ['entries.0.title', letters(120), letters(121)],
    ['entries.0.title', 'A', '  '],
    ['entries.0.note', letters(2000), letters(2001)],
    ['entries.0.note', '', 7],
    ['entries.0.blocks', listOf(400, () => letters(120)), listOf(401, () => 'b')],
    ['entries.0.blocks', ['b'], [letters(121)]],
    ['entries.0.isFixed', true, undefined],
    ['entries.1.at', '23:59', '24:00'],
    ['entries.1.at', '09:05', '9:05'],
    ['entries.1.at', '00:00', '00:60'],
    ['entries.1.minutes', 5, 4],
    ['entries.1.minutes', 1440, 1441],
    ['entries.1.minutes', 90, 90.5],
    ['entries.1.place', letters(120), letters(121)],
    ['entries.1.everyWeeks', 52, 53],
    ['entries.1.everyWeeks', 1, 0],
    ['entries.1.times', 104, 105],
    ['entries.2.until', '2027-01-01', undefined],
    ['timeZone', letters(60), letters(61)],
    ['hoursPerWeek', 0.25, 0.2],
    ['hoursPerWeek', 80, 81],
    ['leadDays', 365, 366],
    ['leadDays', 0, -1],
    ['eveningMinutes', 15, 14],
    ['eveningMinutes', 720, 721],
    ['suppliers', listOf(40, () => whole.suppliers[0]), listOf(41, () => whole.suppliers[0])],
    ['suppliers.0.name', letters(120), letters(121)],
    ['suppliers.0.leadDays', 0, 1.5],
    ['together', listOf(200, () => ['b']), listOf(201, () => ['b'])],
    ['together', [listOf(400, () => 'b')], [listOf(401, () => 'b')]],
    ['together', [[letters(120)]], [[letters(121)]]],
    ['isAnyWeekday', true, 'yes, any'],
    ['standards', recordOf(40, 1), recordOf(41, 1)],
    ['standards', { [letters(60)]: 5 }, { [letters(61)]: 1 }],
    ['standards', { baste: 0.2 }, { baste: 0.1 }],
    ['standards', { baste: 5 }, { baste: 5.1 }],
  ];
  expectEdges(calendarSchema, whole, [
    ...edges,
    ['entries.0.group', '6f1f7a9e-27b6-4a40-a7f5-3f7a4a4f2d10', 'Thursday circle'],
  ]);
  // In a file groups go by their names.
  expectEdges(calendarFileSchema, whole, [...edges, ['entries.1.group', letters(120), letters(121)]]);
});

test('whoever writes a day or an hour otherwise is shown how', () => {
  const says = (schema: Form, place: string, whole: unknown) => schema.validate(withAt(whole, place, 'soon')).error?.message;
  const meeting = { kind: 'meeting', id: 'm', day: '2026-05-03', title: 'Circle', at: '18:30', minutes: 60, place: '', everyWeeks: 1, times: 1 };
  const whole = { ...EMPTY_CALENDAR, entries: [meeting] };
  expect(says(calendarSchema, 'entries.0.day', whole)).toBe('A day is written like 2026-03-28.');
  expect(says(calendarSchema, 'endsOn', whole)).toBe('A day is written like 2026-03-28.');
  expect(says(calendarSchema, 'entries.0.at', whole)).toBe('An hour is written like 18:30.');
  expect(says(reminderSettingsSchema, 'quiet.from', USUAL_SETTINGS)).toBe('A time is written like 18:30.');
}); // prettier-ignore

test('what is bought: figures, notions, cuts, stock', () => {
  const notion = { what: 'glue', amount: 1, per: 'maker', unit: 'stick', pack: 1, price: 2 };
  const cut = { blockId: 'b', fabric: 'Madder', name: 'quarter', widthMm: 500, lengthMm: 500 };
  const own = { name: 'square', widthMm: 100, lengthMm: 100 };
  const whole = { ...USUAL_ORDER, notions: [notion], givenCuts: [cut], ownCuts: [own], worn: { p: [1] } };
  expectEdges(orderSchema, whole, [
    ['currency', 'EUR', 'eur'],
    ['currency', '', 'EURO'],
    ['figures.spareSets', 1000, 1001],
    ['figures.spareSets', 2, 2.5],
    ['figures.marginPercent', 95, 95.5],
    ['figures.marginPercent', 12.5, -0.5],
    ['notions', listOf(30, (what) => ({ ...notion, what: `n${what}` })), listOf(31, (what) => ({ ...notion, what: `n${what}` }))],
    ['notions', [notion, { ...notion, what: 'pins' }], [notion, notion]],
    ['notions.0.what', letters(60), letters(61)],
    ['notions.0.unit', 'g', ' '],
    ['notions.0.pack', 0.01, 0],
    ['notions.0.per', 'metre', 'block'],
    ['paperPacks', listOf(6, () => ({ pack: 10, price: 1 })), listOf(7, () => ({ pack: 10, price: 1 }))],
    ['paperPacks', [{ pack: 10_000, price: 0 }], [{ pack: 1.5, price: 0 }]],
    ['topCloths.strips', letters(200), letters(201)],
    ['givenCuts', [cut, { ...cut, blockId: 'c' }, { ...cut, fabric: 'Woad' }], [cut, { ...cut, name: 'another' }]],
    ['givenCuts', listOf(2000, (index) => ({ ...cut, blockId: `b${index}` })), listOf(2001, (index) => ({ ...cut, blockId: `b${index}` }))],
    ['givenCuts.0.blockId', letters(60), letters(61)],
    ['givenCuts.0.fabric', letters(200), letters(201)],
    ['givenCuts.0.widthMm', 10, 9],
    ['givenCuts.0.lengthMm', 4000, 4001],
    ['ownCuts', listOf(20, (index) => ({ ...own, name: `o${index}` })), listOf(21, (index) => ({ ...own, name: `o${index}` }))],
    ['ownCuts', [own, { ...own, name: 'other' }], [own, own]],
    ['ownCuts.0.name', letters(200), letters(201)],
    ['stock', { [letters(260)]: 10_000_000 }, { [letters(261)]: 1 }],
    ['stock', { a: 0 }, { a: -1 }],
    ['stock', { a: 1 }, { a: 10_000_001 }],
    ['stock', recordOf(2000, 1), recordOf(2001, 1)],
    ['worn', { [letters(260)]: listOf(50, () => 1) }, { a: listOf(51, () => 1) }],
    ['worn', { a: [10_000_000] }, { a: [10_000_001] }],
    ['worn', { a: [0] }, { a: [-1] }],
    ['worn', { a: [3] }, { a: [3.5] }],
    ['worn', recordOf(2000, []), recordOf(2001, [])],
    ['stockAt', { a: 0 }, { a: -1 }],
    ['stockAt', { a: 5 }, { a: 5.5 }],
    ['suppliers', { a: letters(120) }, { a: letters(121) }],
    ['suppliers', { a: '' }, { a: 3 }],
  ]); // prettier-ignore
});

test('an older order without packs, own cuts and worn papers is taken as usual', () => {
  const { paperPacks: _packs, ownCuts: _cuts, worn: _worn, figures, ...older } = USUAL_ORDER;
  const { layers: _layers, ...figuresThen } = figures;
  expect(orderSchema.validate({ ...older, figures: figuresThen }).value).toEqual(USUAL_ORDER);
});

test('what lies in bags besides papers and cloth, and how bags are made', () => {
  const line = { what: 'needles', count: 1 };
  const per = { per: 'block', isInner: false };
  const whole = {
    ...NO_EXTRAS,
    first: [line],
    bagging: { usual: per, drops: {} },
    spares: {},
    gear: { sorter: { rows: 3, columns: 4 }, card: USUAL_CARD, scale: USUAL_SCALE },
    walk: ['a'],
  };
  expectEdges(extrasSchema, whole, [
    ['first', listOf(40, () => line), listOf(41, () => line)],
    ['first.0.what', letters(80), letters(81)],
    ['first.0.count', 999, 1000],
    ['first.0.count', 1, 0],
    ['last', [line], [{ ...line, count: 1.5 }]],
    ['every', [], undefined],
    ['bagging.usual.per', 'drop', 'maker'],
    ['bagging.usual.isInner', true, 'true'],
    ['bagging.drops', recordOf(200, per), recordOf(201, per)],
    ['bagging.drops', { [letters(80)]: per }, { [letters(81)]: per }],
    ['spares', { [letters(200)]: { percent: 100 } }, { [letters(201)]: { percent: 1 } }],
    ['spares', { a: { percent: 0 } }, { a: { percent: 101 } }],
    ['spares', { a: { count: 999 } }, { a: { count: 1000 } }],
    ['spares', { a: { count: 0 } }, { a: { count: -1 } }],
    ['spares', recordOf(2000, { count: 1 }), recordOf(2001, { count: 1 })],
    ['gear.sorter', { rows: 1, columns: 2 }, { rows: 0, columns: 2 }],
    ['gear.sorter', { rows: 20, columns: 20 }, { rows: 21, columns: 20 }],
    ['gear.sorter', { rows: 1, columns: 2 }, { rows: 1, columns: 1 }],
    ['gear.sorter', { rows: 1, columns: 20 }, { rows: 1, columns: 21 }],
    ['gear.scale.mostG', 100_000, 100_001],
    ['gear.scale.mostG', 1, 0.5],
    ['walk', listOf(2000, (index) => `p${index}`), listOf(2001, (index) => `p${index}`)],
    ['walk', [letters(200)], [letters(201)]],
    ['walk', ['a', 'b'], ['a', 'a']],
  ]);
});

test('a cloth of the shelf: selvedges leave something, a repeat has both sides', () => {
  const whole = { name: 'Madder', revision: 0, ...USUAL_CLOTH };
  const piece = { widthMm: 20, lengthMm: 10_000 };
  expectEdges(shelfSchema, whole, [
    ['name', letters(200), letters(201)],
    ['revision', 0, -1],
    ['turns', 'half', 'quarter'],
    ['', { ...whole, widthMm: 390, selvedgeMm: 194 }, { ...whole, widthMm: 390, selvedgeMm: 195 }],
    ['', { ...whole, widthMm: 250, selvedgeMm: 120 }, { ...whole, widthMm: 230, selvedgeMm: 120 }],
    ['', { ...whole, repeatWidthMm: 50, repeatHeightMm: 0.5 }, { ...whole, repeatWidthMm: 50, repeatHeightMm: 0 }],
    ['', { ...whole, repeatWidthMm: 0, repeatHeightMm: 0 }, { ...whole, repeatWidthMm: 0.5, repeatHeightMm: 0 }],
    ['pieces', listOf(40, () => piece), listOf(41, () => piece)],
    ['pieces', [piece], [{ ...piece, widthMm: 19 }]],
    ['pieces', [piece], [{ ...piece, lengthMm: 10_001 }]],
    ['isHalfDrop', true, undefined],
    ['frays', undefined, 'a little'],
  ]); // prettier-ignore
  // When stock was counted is the server's to say.
  expect(shelfSchema.validate({ ...whole, stockAt: 5 }).value).not.toHaveProperty('stockAt');
  expect(shelfSchema.validate({ name: 'a', revision: 0, ...USUAL_CLOTH, pieces: undefined, frays: undefined }).value).toMatchObject({ pieces: [], frays: false }); // prettier-ignore
});

test('a recipe has the figures of its kind, and no others', () => {
  const whole = defaultRecipe('star');
  expectEdges(recipeSchema, whole, [
    ['fabrics', listOf(12, () => 'a'), listOf(13, () => 'a')],
    ['fabrics', ['a'], []],
    ['fabrics', [letters(80)], [letters(81)]],
    ['fabrics', ['a'], [' ']],
    ['points', 8, 8.5],
    ['edgeMm', 50.8, undefined],
    ['surround', 'set-in', 'round'],
    ['kind', 'star', 'sun'],
    ['', whole, { ...whole, blades: 14 }],
    ['', defaultRecipe('plate'), { ...defaultRecipe('plate'), kind: 'star' }],
  ]);
});

test('words of reminders', () => {
  const [occasion = ''] = Object.keys(USUAL_SETTINGS.texts);
  expectEdges(reminderSettingsSchema, USUAL_SETTINGS, [
    [`texts.${occasion}.subject`, letters(160), letters(161)],
    // A second line would be a line of the letter's head.
    [`texts.${occasion}.subject`, 'Your next block', 'Your next block\r\nBcc: all'],
    [`texts.${occasion}.body`, letters(4000), letters(4001)],
    [`texts.${occasion}`, { subject: 'a', body: 'b' }, undefined],
    ['quiet.from', '23:59', '24:00'],
    ['quiet.to', '19:00', '29:00'],
    ['quiet.to', '07:00', '7:00'],
    ['quiet.to', '00:59', '00:60'],
  ]);
});
