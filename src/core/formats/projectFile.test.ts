import { SEWING_FIGURES } from '../assembly';
import { readFileSync } from 'node:fs';
import Ajv from 'ajv';
import { expect, test } from 'vitest';
import { defaultPaper, makePaper } from '../catalogue';
import { RECIPE_NAMES, defaultRecipe, documentOfRecipe, generate, type RecipeKind } from '../generate';
import { defaultSetting } from '../setting';
import { PROJECT_FORMAT, readProjectFile, renameInSetting, writeProjectFile, type ProjectFile } from '.';

const schema = (name: string) =>
  JSON.parse(readFileSync(`public/schema/${name}.schema.json`, 'utf8')) as object;
const ajv = new Ajv({ schemas: [schema('kevlo.block.2')], allowUnionTypes: true });
const isProject = ajv.compile(schema('kevlo.project.1'));

const KINDS = Object.keys(RECIPE_NAMES) as RecipeKind[];
const project: ProjectFile = {
  format: PROJECT_FORMAT,
  name: 'Saturday “class” <1>',
  shop: '',
  unitSystem: 'metric',
  pageSize: 'Letter',
  allowanceMm: 6.35,
  sparesPercent: 10,
  gridColumns: 3,
  blocks: KINDS.map((kind) => ({
    name: kind,
    document: {
      ...documentOfRecipe(defaultRecipe(kind)),
      rules: [{ id: 'r', kind: 'differ' }],
      order: { school: 'rings' },
      notes: { 'join-1': 'Slowly.' },
      basting: { kinds: [{ outline: makePaper(defaultPaper('kite')), method: 'starch' }] },
    },
  })),
  setting: defaultSetting(KINDS.map((id) => ({ id, widthMm: 300, heightMm: 280 })), 3, 25), // prettier-ignore
  marks: [{ outline: makePaper(defaultPaper('kite')), mark: 'two dots' }],
  sewing: { stitchesPerMm: 0.5, bendMinutes: 1.5 },
};

test('a project file reads back exactly and is what its published schema says', () => {
  const text = writeProjectFile(project);
  expect(readProjectFile(text)).toEqual(project);
  expect(isProject(JSON.parse(text)), JSON.stringify(isProject.errors)).toBe(true);
});

test('a project whose blocks are of version 1 is read, its recipes become parts', () => {
  const old = { ...project, blocks: project.blocks.map(({ name }) => ({ name, document: { format: 'kevlo.block/1', patches: generate(defaultRecipe(name as RecipeKind)), recipe: defaultRecipe(name as RecipeKind) } })) }; // prettier-ignore
  const read = readProjectFile(JSON.stringify(old));
  expect(read.blocks.map(({ document }) => document)).toEqual(
    KINDS.map((kind) => documentOfRecipe(defaultRecipe(kind))),
  );
});

test('in a setting blocks can be called otherwise, and those without another name are left out', () => {
  const renamed = renameInSetting(project.setting!, (name) =>
    name === 'star' ? undefined : `id of ${name}`,
  );
  expect(renamed.places.slice(0, 3)).toEqual(['id of rosette', 'id of grid', null]);
  expect(renamed.making).toHaveLength(KINDS.length - 1);
});

type Change = (file: Record<string, never>) => unknown;
test.each<[string, Change, string]>([
  ['of a newer version', (file) => ({ ...file, format: 'kevlo.project/2' }), 'format'],
  ['that is a block', () => project.blocks[0]!.document, 'format'],
  [
    'with a block of a newer version',
    (file) => ({
      ...file,
      blocks: [{ name: 'a', document: { ...project.blocks[0]!.document, format: 'kevlo.block/3' } }],
    }),
    'blocks[0].document.format',
  ],
  [
    'with a broken patch in its third block',
    (file) => ({
      ...file,
      blocks: project.blocks.map((one, i) =>
        i === 2 ? { ...one, document: { ...one.document, patches: [{ id: 'x' }] } } : one,
      ),
    }),
    'blocks[2].document.patches[0].fabric',
  ],
  [
    'with two blocks of one name',
    (file) => ({ ...file, blocks: [project.blocks[0], { ...project.blocks[1], name: 'ROSETTE' }] }),
    'blocks[1].name',
  ],
  [
    'whose setting names a block that is not there',
    (file) => ({ ...file, blocks: project.blocks.slice(1) }),
    'setting',
  ],
  ['with impossible figures', (file) => ({ ...file, setting: { ...project.setting, sashMm: -3 } }), 'sashMm'],
  [
    'with an unknown mark',
    (file) => ({ ...file, marks: [{ ...project.marks![0], mark: 'star' }] }),
    'marks[0].mark',
  ],
  [
    'with a seam of no stitches',
    (file) => ({ ...file, sewing: { stitchesPerMm: 0 } }),
    'sewing.stitchesPerMm',
  ],
  ['with an unknown figure of sewing', (file) => ({ ...file, sewing: { speed: 1 } }), 'sewing.speed'],
  ['without a unit', (file) => ({ ...file, unitSystem: 'feet' }), 'unitSystem'],
  ['for a page of no size', (file) => ({ ...file, pageSize: 'A5' }), 'pageSize'],
  ['whose blocks are no list', (file) => ({ ...file, blocks: {} }), 'blocks'],
  ['with a block that is nothing', (file) => ({ ...file, blocks: [null] }), 'blocks[0]'],
  ['without a name', (file) => ({ ...file, name: ' ' }), 'name'],
  ['with half a column', (file) => ({ ...file, gridColumns: 2.5 }), 'gridColumns'],
  ['with more spares than papers', (file) => ({ ...file, sparesPercent: 101 }), 'sparesPercent'],
  ['whose setting is a word', (file) => ({ ...file, setting: 'grid' }), 'setting'],
  [
    'whose setting lies otherwise',
    (file) => ({ ...file, setting: { ...project.setting, layout: 'fan' } }),
    'setting',
  ],
  [
    'whose blocks are joined otherwise',
    (file) => ({ ...file, setting: { ...project.setting, joint: 'glue' } }),
    'setting',
  ],
  [
    'whose papers come out at no time',
    (file) => ({ ...file, setting: { ...project.setting, school: 'never' } }),
    'setting',
  ],
  [
    'with cornerstones perhaps',
    (file) => ({ ...file, setting: { ...project.setting, hasCornerstones: 1 } }),
    'setting',
  ],
  ['whose marks are no list', (file) => ({ ...file, marks: 'none' }), 'marks'],
  ['whose basting is a list', (file) => ({ ...file, basting: [] }), 'basting'],
  ['with a pale cloth without a name', (file) => ({ ...file, basting: { pale: [''] } }), 'basting'],
  ['whose calendar is a list', (file) => ({ ...file, calendar: [] }), 'calendar'],
  ['whose order is a word', (file) => ({ ...file, order: 'all' }), 'order'],
  ['whose bags are none', (file) => ({ ...file, bags: null }), 'bags'],
  ['whose shelf is no list', (file) => ({ ...file, shelf: {} }), 'shelf'],
  ['with a cloth that is a word', (file) => ({ ...file, shelf: [{ name: 'Fog' }, 'Sea'] }), 'shelf[1]'],
])(
  'a project file %s is refused whole, with its place, and the schema refuses it too',
  (kind, change, name) => {
    const changed = change(project as never);
    expect(() => readProjectFile(JSON.stringify(changed))).toThrow(expect.objectContaining({ place: { name }, mend: expect.stringMatching(/\.$/) })); // prettier-ignore
    // Names that only repeat or point nowhere are beyond what a schema can tell.
    if (name !== 'name' && name !== 'blocks[1].name' && !kind.includes('names a block'))
      expect(isProject(changed)).toBe(false);
  },
);

test('every figure of sewing has the same limits in the schema as where it is read', () => {
  for (const [name, { least, most }] of Object.entries(SEWING_FIGURES))
    for (const [value, isTaken] of [[least, true], [most, true], [least - 0.001, false], [most + 0.001, false]] as const) {
      const file = { ...project, sewing: { [name]: value } };
      expect([name, value, isProject(file)]).toEqual([name, value, isTaken]);
      const read = () => readProjectFile(JSON.stringify(file)).sewing;
      if (isTaken) expect(read()).toEqual({ [name]: value });
      else expect(read).toThrow(expect.objectContaining({ place: { name: `sewing.${name}` } }));
    }
}); // prettier-ignore

test('a file that breaks off is refused', () => {
  expect(() => readProjectFile(writeProjectFile(project).slice(0, -200))).toThrow(/not whole/);
});
