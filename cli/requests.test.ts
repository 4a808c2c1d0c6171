import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import Ajv from 'ajv/dist/2020';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { runCut } from './cut';
import { runForecast } from './forecast';
import { runFussy } from './fussy';
import { runShare } from './share';

let folder: string;
let said: { out: string; err: string };

beforeEach(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'kevlo-ask-'));
  said = { out: '', err: '' };
  vi.spyOn(process.stdout, 'write').mockImplementation((text) => ((said.out += String(text)), true));
  vi.spyOn(process.stderr, 'write').mockImplementation((text) => ((said.err += String(text)), true));
});

afterEach(() => {
  vi.restoreAllMocks();
  rmSync(folder, { recursive: true, force: true });
});

const SQUARE = [[0, 0], [50, 0], [50, 50], [0, 50]]; // prettier-ignore
const CUT = {
  format: 'kevlo.cut-request/1',
  unit: 'mm',
  cloth: { widthMm: 220, lengthMm: null, selvedgeMm: 10, turns: 'any', used: [] },
  pieces: [{ id: 'square', outline: SQUARE, count: 8 }],
};
const FUSSY = {
  format: 'kevlo.fussy-request/1',
  unit: 'mm',
  cloth: { widthMm: 300, lengthMm: 80, selvedgeMm: 0 },
  repeat: { widthMm: 50, heightMm: 50, halfDrop: false, offset: [0, 0] },
  anchors: [{ id: 'rose', outline: [[-25, -25], [25, -25], [25, 25], [-25, 25]], setOf: 2 }], // prettier-ignore
};

const SHARE = {
  format: 'kevlo.share-request/1',
  stock: { hexagon: 20, diamond: 6 },
  bags: [
    { id: 'late', drop: 'drop 10', needs: { hexagon: 10, diamond: 3 } },
    { id: 'large', drop: 'drop 2', needs: { hexagon: 15 } },
    { id: 'small', drop: 'drop 2', needs: { hexagon: 10, diamond: 3 } },
  ],
};

const FORECAST = {
  format: 'kevlo.forecast-request/1',
  now: '2026-03-02T12:00:00Z',
  makers: [
    {
      id: 'Ada',
      since: '2026-01-05',
      left: 250,
      work: Array.from({ length: 8 }, (_, week) => ({ at: new Date(Date.UTC(2026, 0, 10 + 7 * week, 18)).toISOString(), standardMinutes: 100 })),
    },
    { id: 'Bo', since: '2026-01-05', left: 0, work: [{ at: '2026-02-11T08:00:00+02:00', standardMinutes: 900 }] },
    { id: 'Cy', since: '2026-01-05', left: 500, work: [{ at: '2026-01-08T08:00', standardMinutes: 40 }] },
  ],
}; // prettier-ignore

/** Runs a command on a request: how it ended, its document, what it said. */
async function ask(run: typeof runCut, request: unknown, ...args: string[]) {
  said = { out: '', err: '' };
  const file = path.join(folder, 'request.json');
  writeFileSync(file, typeof request === 'string' ? request : JSON.stringify(request));
  const end = await run([file, ...args]);
  return { end, document: said.out ? JSON.parse(said.out) : undefined, said: said.err };
}

test('pieces on a roll: one document with places from the selvedge on', async () => {
  const { end, document } = await ask(runCut, CUT, '--seconds', '0');
  expect(end).toBe(0);
  expect(document).toMatchObject({ format: 'kevlo.cut-result/1', unit: 'mm', left: [], lengthMm: 100, density: 1, boundLengthMm: 100, strips: { lengthMm: 100 } }); // prettier-ignore
  expect(document.placed).toHaveLength(8);
  const corners = document.placed.map(({ turnDeg, x, y }: { turnDeg: number; x: number; y: number }) => {
    const [cos, sin] = [Math.cos((turnDeg * Math.PI) / 180), Math.sin((turnDeg * Math.PI) / 180)];
    return SQUARE.map(([p = 0, q = 0]) => [
      Math.round(cos * p - sin * q + x),
      Math.round(sin * p + cos * q + y),
    ]);
  });
  const lefts = corners.map((square: number[][]) => Math.min(...square.map(([x = 0]) => x)));
  expect([...new Set(lefts)].sort((a, b) => Number(a) - Number(b))).toEqual([10, 60, 110, 160]);
});

test('a long piece that is drawn aslant goes along a narrow roll where it may be turned, and is refused where not', async () => {
  const [cos, sin] = [Math.cos(0.5), Math.sin(0.5)];
  const outline = [[0, 0], [300, 0], [300, 40], [0, 40]].map(([x = 0, y = 0]) => [cos * x - sin * y, sin * x + cos * y]); // prettier-ignore
  const request = (turns: string) => ({ ...CUT, cloth: { ...CUT.cloth, widthMm: 65, turns }, pieces: [{ id: 'long', outline, count: 2 }] }); // prettier-ignore
  const { document } = await ask(runCut, request('any'), '--seconds', '0');
  expect(document.left).toEqual([]);
  expect(document.lengthMm).toBeCloseTo(600, 3);
  expect((await ask(runCut, request('half'))).said).toContain('it is 282.5 mm wide, the cloth between its selvedges 45.0 mm'); // prettier-ignore
});

test('what is left on a piece is said, earlier entries first', async () => {
  const pieces = [{ id: 'large', outline: SQUARE.map(([x = 0, y = 0]) => [2 * x, 2 * y]), count: 3 }, ...CUT.pieces]; // prettier-ignore
  const { document } = await ask(runCut, { ...CUT, cloth: { ...CUT.cloth, lengthMm: 100 }, pieces }, '--seconds=0.2'); // prettier-ignore
  expect(document.left).toEqual([{ piece: 'large', count: 1 }, { piece: 'square', count: 8 }]); // prettier-ignore
});

test('sets on a repeat: places, sets, and that no choice gives more', async () => {
  const { end, document } = await ask(runFussy, FUSSY);
  expect(end).toBe(0);
  expect(document).toMatchObject({ format: 'kevlo.fussy-result/1', anchors: [{ id: 'rose', sets: 2, most: 2 }], isProven: true }); // prettier-ignore
  expect(document.placed).toHaveLength(4);
  for (const { anchor, y } of document.placed) expect([anchor, y]).toEqual(['rose', 25 + 25]);
});

const cutWith = (change: object) => ({ ...CUT, ...change });
const cloth = (change: object) => cutWith({ cloth: { ...CUT.cloth, ...change } });
const pieceWith = (change: object) => cutWith({ pieces: [{ ...CUT.pieces[0], ...change }] });

test.each([
  ['{', 'it is not JSON'],
  [cutWith({ format: 'kevlo.cut-request/2' }), 'format:'],
  [cloth({ selvedgeMm: 110 }), 'leave nothing'],
  [cloth({ selvedgeMm: -1 }), 'cloth.selvedgeMm: -1 is not possible'],
  [cloth({ widthMm: '22,5' }), 'cloth.widthMm: a number is wanted'],
  [cloth({ turns: 'some' }), 'cloth.turns: “some” is not known'],
  [cloth({ used: [[[0, 0], [9, 0]]] }), 'cloth.used[0]: fewer than three'], // prettier-ignore
  [pieceWith({ count: 1_000_000 }), 'pieces[0].count: 1000000 is not possible'],
  [pieceWith({ count: 2.5 }), 'whole number'],
  [pieceWith({ outline: [[0, 0], [50, 50], [50, 0], [0, 50]] }), 'crosses or touches itself'], // prettier-ignore
  [pieceWith({ outline: SQUARE.map(([x = 0, y = 0]) => [5 * x, 5 * y]) }), 'it is 250.0 mm wide'],
  [cutWith({ pieces: [] }), 'nothing to cut'],
  [cutWith({ pieces: [CUT.pieces[0], CUT.pieces[0]] }), '“square” is there twice'],
])('a bad request %# ends with 2, one line and nothing on stdout', async (request, line) => {
  const { end, document, said: err } = await ask(runCut, request);
  expect([end, document]).toEqual([2, undefined]);
  expect(err).toContain(line);
  expect(err.trim().split('\n')).toHaveLength(1);
});

test('bags that can be packed are named in their order, with what is to be bought for the rest', async () => {
  const { end, document } = await ask(runShare, SHARE);
  expect([end, document]).toEqual([
    0,
    { format: 'kevlo.share-result/1', complete: ['late', 'small'], missing: { hexagon: 15 }, isProven: true },
  ]);
  // With cloth for one only, the earlier drop: 2 before 10 whatever the letters say.
  expect((await ask(runShare, { ...SHARE, stock: { hexagon: 10, diamond: 3 } })).document.complete).toEqual([
    'small',
  ]);
});

test('makers with their dates and states; the same request gives the same answer', async () => {
  const { end, document } = await ask(runForecast, FORECAST);
  expect([end, document.format]).toEqual([0, 'kevlo.forecast-result/1']);
  const [ada, bo, cy] = document.makers;
  // A hundred minutes every Saturday: the third Saturday from now.
  expect(ada).toMatchObject({ id: 'Ada', date50: '2026-03-21' });
  expect(ada.weekly).toBeGreaterThan(80);
  expect(ada.weekly).toBeLessThan(120);
  expect(bo).toMatchObject({ state: 'done', date50: '2026-02-11', date80: '2026-02-11' });
  expect(cy).toMatchObject({ state: 'stalled', reason: 'No entry for 53 days (since Thu 8 Jan 2026).' });
  expect((await ask(runForecast, FORECAST)).document).toEqual(document);
  // Closed from before her third Saturday on for two weeks; or for ten days of his silence.
  const closed = async (from: string, until: string) => (await ask(runForecast, { ...FORECAST, holidays: [{ from, until }] })).document.makers; // prettier-ignore
  expect((await closed('2026-03-16', '2026-03-29'))[0].date50).toBe('2026-04-04');
  const [, , silent] = await closed('2026-01-20', '2026-01-29');
  expect(silent.reason).toBe('No entry for 43 days beside holidays (since Thu 8 Jan 2026).');
});

const makerWith = (change: object) => ({ ...FORECAST, makers: [{ ...FORECAST.makers[0], ...change }] });

test.each([
  [{ ...FORECAST, now: '2026-02-30' }, 'now: there is no 2026-02-30'],
  [{ ...FORECAST, now: undefined }, 'now: nothing is no time'],
  [{ ...FORECAST, holidays: [{ from: '2026-03-05', until: '2026-03-04' }] }, 'holidays[0].until: it ends before it begins'],
  [{ ...FORECAST, holidays: [{ from: '2026-03-05T10:00', until: '2026-03-06' }] }, 'holidays[0].from: "2026-03-05T10:00" is no day'],
  [makerWith({ since: '5 January' }), 'makers[0].since: "5 January" is no time'],
  [makerWith({ left: -3 }), 'makers[0].left: -3 is not possible'],
  [makerWith({ work: [{ at: '2026-01-08', standardMinutes: '5' }] }), 'makers[0].work[0].standardMinutes: a number is wanted'],
  [makerWith({ work: [{ at: '2026-01-08T25:00:00Z', standardMinutes: 5 }] }), 'makers[0].work[0].at: there is no'],
  [{ ...FORECAST, makers: [FORECAST.makers[0], FORECAST.makers[0]] }, '“Ada” is there twice'],
])('makers that cannot be forecast for %# are refused with their place', async (request, line) => {
  const { end, document, said: err } = await ask(runForecast, request);
  expect([end, document]).toEqual([2, undefined]);
  expect(err).toContain(line);
}); // prettier-ignore

const bagWith = (change: object) => ({ ...SHARE, bags: [SHARE.bags[0], { ...SHARE.bags[1], ...change }] });

test.each([
  [{ ...SHARE, stock: { hexagon: -1 } }, 'stock.hexagon: -1 is not possible'],
  [{ ...SHARE, stock: [] }, 'stock: an object is wanted'],
  [bagWith({ needs: { hexagon: 2.5 } }), 'bags[1].needs.hexagon: 2.5 is not possible'],
  [bagWith({ needs: { hexagon: 1e8 } }), 'bags[1].needs.hexagon'],
  [bagWith({ id: 'late' }), '“late” is there twice'],
  [bagWith({ drop: undefined }), 'bags[1].drop: a name is wanted'],
  [{ ...SHARE, bags: 'all' }, 'bags: a list is wanted'],
])('bags that cannot be shared for %# are refused with their place', async (request, line) => {
  const { end, document, said: err } = await ask(runShare, request);
  expect([end, document]).toEqual([2, undefined]);
  expect(err).toContain(line);
});

test('a repeat too small, no anchor, no file and a strange option are said as well', async () => {
  const tiny = { ...FUSSY, cloth: { ...FUSSY.cloth, lengthMm: 900 }, repeat: { ...FUSSY.repeat, widthMm: 0.1, heightMm: 0.1 } }; // prettier-ignore
  expect((await ask(runFussy, tiny)).said).toContain('more than 20000 places');
  expect((await ask(runFussy, { ...FUSSY, anchors: [] })).said).toContain('at least one anchor');
  expect((await ask(runCut, CUT, '--fast')).said).toContain('“--fast” is not an option. Write: ./kevlo cut');
  expect((await ask(runCut, CUT, '--seconds', 'long')).said).toContain('--seconds long is not a time');
  said.err = '';
  expect(await runCut([path.join(folder, 'none.json')])).toBe(2);
  expect(said.err).toContain('is not there');
});

test.each([
  ['cut', runCut, CUT],
  ['fussy', runFussy, FUSSY],
  ['share', runShare, SHARE],
  ['forecast', runForecast, FORECAST],
] as const)('request and result of %s keep the published schemas', async (name, run, request) => {
  const check = (kind: string, value: unknown) => {
    const schema = JSON.parse(readFileSync(path.join('public/schema', `kevlo.${name}-${kind}.1.schema.json`), 'utf8')); // prettier-ignore
    const ajv = new Ajv();
    expect(ajv.validate(schema, value), ajv.errorsText()).toBe(true);
  };
  check('request', request);
  check('result', (await ask(run, request, ...(name === 'forecast' ? [] : ['--seconds', '1']))).document);
});
