import fc from 'fast-check';
import { expect, test } from 'vitest';
import { BLOCK_FORMAT, buildSeamGraph, type BlockDocument, type ClothRule, type Patch } from '../block';
import {
  RECIPE_NAMES,
  defaultRecipe,
  documentOfRecipe,
  generate,
  wholeRecipe,
  type RecipeKind,
} from '../generate';
import { partition } from '../testing';
import { importDrawing, importSvg, papersCsv, readBlockFile, writeBlockFile, writeDxf, writeSvg } from '.';

const KINDS = Object.keys(RECIPE_NAMES) as RecipeKind[];

function expectSame(read: readonly Patch[], written: readonly Patch[]): void {
  expect(read.map(({ id, fabric, layer }) => ({ id, fabric, layer }))).toEqual(
    written.map(({ id, fabric, layer }) => ({ id, fabric, layer })),
  );
  read.forEach(({ outline }, i) => {
    outline.corners.forEach(({ x, y }, corner) => {
      expect(x).toBeCloseTo(written[i]?.outline.corners[corner]?.x ?? NaN, 4);
      expect(y).toBeCloseTo(written[i]?.outline.corners[corner]?.y ?? NaN, 4);
      expect(outline.bulges[corner]).toBeCloseTo(written[i]?.outline.bulges[corner] ?? NaN, 4);
    });
  });
}

function atOrigin(patches: readonly Patch[]): Patch[] {
  const xs = patches.flatMap(({ outline }) => outline.corners.map(({ x }) => x));
  const ys = patches.flatMap(({ outline }) => outline.corners.map(({ y }) => y));
  const [dx, dy] = [Math.min(...xs), Math.min(...ys)];
  return patches.map((one) => ({
    ...one,
    outline: { ...one.outline, corners: one.outline.corners.map(({ x, y }) => ({ x: x - dx, y: y - dy })) },
  }));
}

test.each(KINDS)('a %s written as SVG is the same block when it is read again', (kind) => {
  const patches = generate(defaultRecipe(kind));
  const read = importSvg(writeSvg(patches, 'A <name> & "more"'));
  expect([read.faults, read.problems]).toEqual([[], []]);
  expectSame(atOrigin(read.patches), atOrigin(patches));
  expect(buildSeamGraph(read.patches).seams).toHaveLength(buildSeamGraph(patches).seams.length);
});

test('a block file reads back exactly, recipe and awkward names included', () => {
  const name = fc.string({ minLength: 1, maxLength: 30 });
  fc.assert(
    fc.property(name, fc.array(fc.nat(9), { maxLength: 6 }), (fabric, cuts) => {
      const pieces = partition(120, 90, cuts.map((which) => ({ which, share: 0.5 }))); // prettier-ignore
      const patches = pieces.map((one) => ({ ...one, fabric }));
      const [first, ...rest] = patches as [Patch, ...Patch[]];
      const parts = [{ id: 'p1', recipe: defaultRecipe('star'), prefix: 'a-', x: 3.5, y: -2, turnDeg: 15 }];
      const rules: ClothRule[] = [
        { id: 'r1', kind: 'differ' },
        { id: 'r2', kind: 'same', patches: patches.map(({ id }) => id) },
        { id: 'r3', kind: 'not-facing', fabric },
      ];
      const chosen: Patch = { ...first, part: 'p1', group: fabric, isLocked: true, edges: { 2: 'raw' } };
      const document: BlockDocument = {
        format: BLOCK_FORMAT,
        patches: [chosen, ...rest],
        parts,
        rules,
        order: { school: 'rows' },
        basting: {
          kinds: [{ outline: first.outline, convention: 'long-first', method: 'glue' }],
          patches: { [first.id]: 'counter-clockwise' },
        },
        notes: { 'join-1': fabric },
      };
      expect(readBlockFile(writeBlockFile(document))).toEqual(document);
      const { order, basting, notes } = document;
      expect(importDrawing(writeBlockFile(document))).toMatchObject({ parts, rules, order, basting, notes });
    }),
  );
});

test('awkward names survive SVG as well', () => {
  const [patch] = partition(50, 50, []);
  const named = { ...(patch as Patch), id: `a"'<&>`, fabric: 'Tar & <Rope> "fine"' };
  expectSame(importSvg(writeSvg([named], '')).patches, [named]);
});

const whole = writeBlockFile({
  format: BLOCK_FORMAT,
  patches: partition(60, 40, [{ which: 0, share: 0.5 }]),
});

test.each([
  ['cut off', whole.slice(0, -40), 'file'],
  ['of a newer version', whole.replace('block/2', 'block/3'), 'format'],
  ['of something else', '{"format":"other"}', 'format'],
  ['without patches', '{"format":"kevlo.block/2","patches":[]}', 'patches'],
  ['with a corner that is no number', whole.replace('"x": 0', '"x": null'), 'patches[0].outline'],
  ['with an id twice', whole.replace('"p1"', '"p0"'), 'patches[1].id'],
  ['with a layer below zero', whole.replace('"layer": 0', '"layer": -1'), 'patches[0].layer'],
  [
    'with a part that is not there',
    whole.replace('"layer": 0', '"layer": 0, "part": "p9"'),
    'patches[0].part',
  ],
  [
    'with a rule on a patch that is not there',
    whole.replace('"patches": [', '"rules": [{"id":"r","kind":"same","patches":["no"]}], "patches": ['),
    'rules[0]',
  ],
  [
    'with figures of no generator',
    whole.replace(
      '"patches": [',
      '"parts": [{"id":"p","prefix":"","x":0,"y":0,"turnDeg":0,"recipe":{"kind":"toString"}}], "patches": [',
    ),
    'parts[0].recipe',
  ],
])('a block file %s is refused whole, with its place', (_, text, name) => {
  expect(() => importDrawing(text)).toThrow(
    expect.objectContaining({ code: 'block-file', place: { name }, mend: expect.stringMatching(/\.$/) }),
  );
});

test('a file of version 1 is read as what it was: its recipe becomes a part that can be made again', () => {
  const recipe = defaultRecipe('rosette');
  const old = JSON.stringify({ format: 'kevlo.block/1', patches: generate(recipe), recipe });
  expect(readBlockFile(old)).toEqual(documentOfRecipe(recipe));
  expect(wholeRecipe(readBlockFile(old))).toEqual(recipe);
  const plain = JSON.stringify({ format: 'kevlo.block/1', patches: generate(recipe) });
  expect(readBlockFile(plain)).toEqual({ format: BLOCK_FORMAT, patches: generate(recipe) });
});

test('DXF holds each outline as a closed polyline, y up, arcs as bulges', () => {
  const text = writeDxf(generate({ ...defaultRecipe('disc'), kind: 'disc' } as never));
  const pairs = text.trim().split('\n');
  expect(pairs.length % 2).toBe(0);
  expect(pairs.filter((line, i) => i % 2 === 1 && line === 'POLYLINE')).toHaveLength(12);
  expect(pairs.filter((line, i) => i % 2 === 1 && line === 'VERTEX')).toHaveLength(36);
  const bulges = pairs.flatMap((line, i) => (i % 2 === 0 && line === '42' ? [Number(pairs[i + 1])] : []));
  expect(bulges).toHaveLength(12);
  expect(bulges.every((bulge) => Math.abs(bulge + Math.tan(Math.PI / 24)) < 1e-6)).toBe(true);
});

test('the papers table quotes what needs it and offers spreadsheets no formula', () => {
  const line = {
    name: '=1″, "fine"',
    count: 3,
    left: 0,
    right: 0,
    areaMm2: 645.16,
    edgesMm: [25.4],
    anglesDeg: [90],
  };
  expect(papersCsv([line]).split('\r\n')[1]).toBe('"\'=1″, ""fine""",3,0,0,645.2,1.000,25.40,90.0');
});
