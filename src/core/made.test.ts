import { expect, test } from 'vitest';
import { agendaOf, checkCalendar, EMPTY_CALENDAR, type Calendar } from './calendar';
import {
  PAPER_FAMILIES,
  defaultPaper,
  makePaper,
  measurePaper,
  recognise,
  type PaperFamily,
} from './catalogue';
import { boltPlan, boltWork, boltsOf, fromPieces, packSheets, smallestCut, standardCuts, stripCut, swell, yieldsOf } from './cutting'; // prettier-ignore
import { importDrawing, importSvg, planDocument, writeDxf, writeSvg } from './formats';
import { laidInBlock, placesOf, referencePoints, wheelOf } from './fussy';
import { RECIPE_NAMES, defaultRecipe, generate, type RecipeKind } from './generate';
import { edgesOf, narrowestBox, pointAt, roomiest, toPolygon } from './geometry';
import { packingLines } from './packing';
import { practiceQuestions } from './practice';
import { blockEndings, defaultSetting, layOutTop, shareStrips, topPieces, type Setting } from './setting';
import { findLookAlikes, groupKinds, nameShape, proposeMarks, signatureOf } from './shapes';
import { layCups, sortingPlan } from './sorting';
import { cutAtRandom, fingerprint, mixedMosaic, plannedSheet, seededRandom, shaken } from './testing';
import { Board, attach, fillRound, guessPapers, liveReport, ringRound, snapMove } from './workshop';

const SYSTEMS = ['inch', 'metric'] as const;
const KINDS = Object.keys(RECIPE_NAMES) as RecipeKind[];
const PAPERS = (Object.keys(PAPER_FAMILIES) as PaperFamily[]).flatMap((family) => [25.4, 20, 33].map((step) => makePaper(defaultPaper(family, step)))); // prettier-ignore
const sheetOf = (kind: RecipeKind) => plannedSheet(generate(defaultRecipe(kind)), { allowanceMm: 6.35, sparesPercent: 10, system: 'inch' }); // prettier-ignore
const svg = (body: string, head = 'width="200mm" height="200mm" viewBox="0 0 200 200"') =>
  `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" ${head}>${body}</svg>`;

const DRAWINGS = [
  '<defs><rect id="a" width="20" height="30"/></defs><use href="#a" x="10" y="40"/><g transform="scale(2 3) translate(5 6)"><use href="#a" x="7" y="9"/><text x="3" y="4">A</text></g>',
  '<path d="M10 10 A40 30 20 0 1 80 60 L80 90 H10 Z"/><path d="M100 10 C120 40 160 40 180 10 V80 q-40 30 -80 0 z"/><circle cx="50" cy="150" r="20"/><ellipse cx="120" cy="150" rx="30" ry="20"/>',
  '<polyline points="0,0 40,0 40,40"/><polygon points="50,50 90,50 90,90 50,90 50,50"/><path d="M100 100 L140 100 L100 140 L140 140 Z"/><line x1="3" y1="4" x2="90" y2="4"/><rect x="150" y="150" width="0" height="9"/>',
  '<g id="Tar" fill="#123456"><rect x="0" y="0" width="50" height="50"/><rect x="50.2" y="0" width="50" height="50"/></g><rect x="20" y="20" width="50" height="50" style="fill:red"/><path d="M120 0 A1 1 0 0 1 120.00001 0 L150 0 L150 30 Z"/>',
];

const BOLT = [
  { what: 'square', widthMm: 90, lengthMm: 180, total: 11 },
  { what: 'strip', widthMm: 31, lengthMm: 620, total: 5 },
  { what: 'bit', widthMm: 31, lengthMm: 62, total: 40 },
];
const shapesOf = (kind: RecipeKind, allowanceMm: number) =>
  groupKinds(generate(defaultRecipe(kind)).map(({ outline }) => outline)).kinds.map(({ outline }, i) => ({ id: `${i}`, polygon: swell(toPolygon(outline, 0.1), allowanceMm), count: 3 + i })); // prettier-ignore
const looks = (most: number) => () => {
  let asked = 0;
  return () => asked++ / most;
};

const CALENDAR: Calendar = {
  ...EMPTY_CALENDAR,
  endsOn: '2026-08-01',
  entries: [
    { kind: 'drop', id: 'd1', day: '2026-03-03', title: 'Drop 1', blocks: ['a', 'b'], isFixed: false },
    { kind: 'drop', id: 'd2', day: '2026-05-12', title: 'Drop 2', blocks: ['c'], isFixed: true },
    { kind: 'holiday', id: 'h', day: '2026-04-01', until: '2026-04-06', title: 'Closed' },
  ],
};
const work = (id: string, minutes: number) => ({ id, name: id, minutes, bags: 12, pieces: 40 });

const TOP = defaultSetting(
  ['a', 'b', 'c', 'd', 'e'].map((id) => ({ id, widthMm: 220, heightMm: 200 })),
  3,
  25.4,
);
const TOPS: readonly Setting[] = [
  TOP,
  { ...TOP, layout: 'offset', borderMm: 50, school: 'later' },
  { ...TOP, joint: 'edge-to-edge', making: ['c', 'a'] },
  { ...TOP, hasCornerstones: false, cellHeightMm: 300 },
];

const MADE: Readonly<Record<string, () => unknown>> = {
  'drawings as they are read': () => DRAWINGS.map((body) => importSvg(svg(body))),
  'drawings in pixels, inches and without a size of their own': () => [importSvg(svg(DRAWINGS[0]!, 'width="192px" height="96px" viewBox="0 0 200 100"')), importSvg(svg(DRAWINGS[1]!, 'width="4in" height="3in"')), importSvg(svg(DRAWINGS[0]!, 'viewBox="5 6 200 200"'), { widthMm: 150 })], // prettier-ignore
  'a drawing as it is taken over': () =>
    SYSTEMS.map((system) => importDrawing(svg(DRAWINGS[3]!), { system, weldMm: 0.5 })),
  'blocks as drawings': () => KINDS.map((kind) => [writeSvg(generate(defaultRecipe(kind)), 'Block'), writeDxf(generate(defaultRecipe(kind)))]), // prettier-ignore
  'plan documents': () => (['plate', 'clamshell', 'beams'] as const).map((kind) => planDocument(generate(defaultRecipe(kind)), [], { allowanceMm: 6.35, system: 'inch', marks: [], basting: {} } as never)), // prettier-ignore
  'papers, measured': () => PAPERS.map(measurePaper),
  'papers by their names': () =>
    PAPERS.map((outline) => SYSTEMS.map((system) => nameShape(signatureOf(outline), system))),
  'papers, recognised': () => PAPERS.map((outline) => recognise(outline, 'inch')),
  'papers that look alike, and their marks': () => {
    const named = PAPERS.map((outline, i) => ({ name: `paper ${i}`, outline, isHanded: i % 5 === 0 }));
    return [findLookAlikes(named), proposeMarks(named.slice(0, 20))];
  },
  'outlines, measured': () => PAPERS.map((outline) => [narrowestBox(outline), roomiest(outline), edgesOf(outline).map((edge) => pointAt(edge, 0.3))]), // prettier-ignore
  'papers on sheets': () => packSheets(PAPERS.slice(0, 12).map((outline, i) => ({ outline, count: 2 + i })), 190, 270, 2), // prettier-ignore
  'strips off a bolt': () => [true, false].map((mayTurn) => {
    const plan = boltPlan(BOLT, 1070, mayTurn);
    return [plan, boltsOf(plan, 900), boltWork(plan, { throughMinutes: 1, crossMinutes: 0.25, layers: 4 })];
  }), // prettier-ignore
  'cut from pieces that are there': () => fromPieces(BOLT, [{ widthMm: 300, lengthMm: 640 }, { widthMm: 100, lengthMm: 200 }], true), // prettier-ignore
  'sizes of strips': () =>
    PAPERS.flatMap((outline) => SYSTEMS.map((system) => stripCut(outline, 6.35, system))),
  'what cuts that are sold give': () => SYSTEMS.map((system) => yieldsOf(shapesOf('beams', 6.35)[1]!, standardCuts(1070, system), 'half', system)), // prettier-ignore
  'the smallest cut that holds a bag': () => smallestCut(shapesOf('grid', 7), standardCuts(1070, 'inch'), 'any', looks(3)), // prettier-ignore
  'motifs, laid': () => {
    const all = generate(defaultRecipe('beams')).map(({ outline }) => toPolygon(outline, 0.5));
    const paper = all[5]!;
    const repeat = { width: 60, height: 40, isHalfDrop: true, offset: { x: 7, y: 9 } };
    return [referencePoints(paper), all.map(wheelOf), laidInBlock(paper, all, { x: 140, y: 130 }), placesOf({ width: 300, length: 200, selvedge: 5 }, repeat, paper)]; // prettier-ignore
  },
  'questions to practise': () => (['star', 'grid', 'clamshell', 'beams'] as const).map((kind) => practiceQuestions(sheetOf(kind))), // prettier-ignore
  'lines of bags': () => KINDS.map((kind) => packingLines(sheetOf(kind).bag, 'inch')),
  'a calendar': () => agendaOf(checkCalendar(CALENDAR, new Set(['a', 'b', 'c'])), [work('a', 200), work('b', 90), work('c', 400)]), // prettier-ignore
  'sheets of blocks that are sewn on, joined and left in their papers': () => TOPS.flatMap((top) => {
    const [, ending] = [...blockEndings(top)][1]!;
    return (['rosette', 'clamshell', 'grid'] as const).map((kind, i) => {
      const applique = i === 0 ? { papersOut: 'after', isCutAway: false } as const : { papersOut: 'before' } as const;
      return plannedSheet(generate(defaultRecipe(kind)), { allowanceMm: 6, sparesPercent: 5, system: SYSTEMS[i % 2]!, ending }, undefined, { order: { school: 'best', applique } }); // prettier-ignore
    });
  }), // prettier-ignore
  'tops, laid out': () => TOPS.map((top) => [layOutTop(top), shareStrips(top), topPieces(top, 6.35)]),
  'cups of a sorter': () => [2, 3, 7].map((rows) => [layCups(11, [[0, 1], [2, 3], [3, 4], [1, 5]], { rows, columns: 4 }), sortingPlan([9, 4, 12, 1, 7, 7, 3].map((count, i) => ({ name: `k${i}`, count })), rows)]), // prettier-ignore
  'a board, as it is worked on': () => {
    const patches = generate(defaultRecipe('grid'));
    const board = new Board(patches.slice(0, 9));
    const stretches = board.allFree();
    const paper = makePaper(defaultPaper('half-square-triangle'));
    const wish = { turn: 1, isTurnedOver: true, isForced: false };
    return [stretches.map((stretch) => attach(board, paper, stretch, wish)), snapMove(board, [0, 1], { x: 2.5, y: -1.5 }, 6), liveReport({ patches: patches.slice(0, 7) } as never, 'inch'), ringRound(patches.slice(0, 5), makePaper(defaultPaper('regular', 50)), 'Fog', wish), fillRound(patches.slice(0, 3), [0, 1, 2], { centre: { x: 200, y: 150 }, folds: 5, mirrorDeg: 30 } as never), guessPapers(shaken(patches, 0.3, seededRandom(9)), 'inch')]; // prettier-ignore
  },
  'what a drawing of many shapes is': () => [mixedMosaic(40), cutAtRandom(150, 120, 24, 9, seededRandom(2))].map((patches) => plannedSheet(patches, { allowanceMm: 6, sparesPercent: 0, system: 'metric' })), // prettier-ignore
};

/*
 * The net under the tests that say what is right: of the same input the same is made. Where one of these changes on purpose, see
 * that the change is the one that was meant, and take its letters over.
 */
test.each([
  ['drawings as they are read', 'a689784b'],
  ['drawings in pixels, inches and without a size of their own', '5459fe83'],
  ['a drawing as it is taken over', 'dc95ac8d'],
  ['blocks as drawings', 'a0d6377b'],
  ['plan documents', '465329cb'],
  ['papers, measured', 'ba1fea74'],
  ['papers by their names', '6e485119'],
  ['papers, recognised', '0f8ad57e'],
  ['papers that look alike, and their marks', '2468514c'],
  ['outlines, measured', '56248cb2'],
  ['papers on sheets', '856bc0af'],
  ['strips off a bolt', 'd2b1591b'],
  ['cut from pieces that are there', '3e2b20e2'],
  ['sizes of strips', '3b1af7ad'],
  ['what cuts that are sold give', '56224886'],
  ['the smallest cut that holds a bag', 'cbb31b70'],
  ['motifs, laid', '9b6f25a5'],
  ['questions to practise', '064b6f22'],
  ['lines of bags', '73fd86df'],
  ['a calendar', '99e61f8b'],
  ['sheets of blocks that are sewn on, joined and left in their papers', 'cf8e90f5'],
  ['tops, laid out', '80ea463e'],
  ['cups of a sorter', 'c67a272f'],
  ['a board, as it is worked on', 'a3902415'],
  ['what a drawing of many shapes is', '1e0412de'],
] as const)('made as before: %s', (name, told) => {
  expect(fingerprint(MADE[name]!())).toBe(told);
});
