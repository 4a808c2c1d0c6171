import fc from 'fast-check';
import { expect, test } from 'vitest';
import { InvalidInputError } from '../errors';
import { RECIPE_NAMES, defaultRecipe, documentOfRecipe, type RecipeKind } from '../generate';
import { defaultSetting } from '../setting';
import { blockSheet } from '../sheet';
import { liveReport } from '../workshop';
import { PROJECT_FORMAT, readBlockFile, readProjectFile, writeBlockFile, writeProjectFile, writeSvg, importDrawing, type ProjectFile } from '.'; // prettier-ignore

/** Files that came to harm on their way: nothing but a readable refusal may come of them. */
const KINDS = Object.keys(RECIPE_NAMES) as RecipeKind[];
const block = {
  ...documentOfRecipe(defaultRecipe('star')),
  order: { school: 'rows', isBatched: true, policy: 'per-unit' },
  rules: [{ id: 'r', kind: 'differ' as const }],
  notes: { one: 'Slowly.' },
};
const project: ProjectFile = {
  format: PROJECT_FORMAT,
  name: 'Harm',
  shop: '',
  unitSystem: 'metric',
  pageSize: 'A4',
  allowanceMm: 6.35,
  sparesPercent: 10,
  gridColumns: 3,
  blocks: KINDS.slice(0, 3).map((name) => ({ name, document: documentOfRecipe(defaultRecipe(name)) })),
  setting: defaultSetting(KINDS.slice(0, 3).map((id) => ({ id, widthMm: 300, heightMm: 280 })), 3, 25), // prettier-ignore
  marks: [],
};

/** All places in a value, as paths of names. */
function placesOf(value: unknown, path: readonly string[] = []): string[][] {
  if (typeof value !== 'object' || value === null) return [[...path]];
  return [[...path], ...Object.entries(value).flatMap(([name, one]) => placesOf(one, [...path, name]))];
}

function changed(value: unknown, [name, ...rest]: readonly string[], put: unknown): unknown {
  if (name === undefined) return put;
  const copy = (Array.isArray(value) ? [...value] : { ...(value as object) }) as Record<string, unknown>;
  const next = changed(copy[name], rest, put);
  if (next === undefined && !Array.isArray(copy)) delete copy[name];
  else copy[name] = next;
  return copy;
}

const odd = fc.oneof(
  fc.constantFrom<unknown>(undefined, null, true, '', 'x'.repeat(300), -1, 0, 1e300, [], {}, [[]], [null], { a: {} }, '__proto__', 'constructor'), // prettier-ignore
  fc.double(),
);

const only = (read: () => unknown) => {
  try {
    read();
  } catch (error) {
    expect(error).toBeInstanceOf(InvalidInputError);
    expect((error as InvalidInputError).mend).toMatch(/\.$/);
  }
};

test.each<[string, object, (text: string) => unknown]>([
  ['block file', block, readBlockFile],
  ['project file', project, readProjectFile],
])('a %s with anything put anywhere is read or refused, never a crash', (_, whole, read) => {
  const places = placesOf(JSON.parse(JSON.stringify(whole)));
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.constantFrom(...places), odd), { minLength: 1, maxLength: 2 }),
      (harm) => {
        const damaged = harm.reduce<unknown>(
          (now, [place, put]) => {
            try {
              return changed(now, place, put);
            } catch {
              return now; // The place went with what was put there before.
            }
          },
          JSON.parse(JSON.stringify(whole)),
        );
        only(() => read(JSON.stringify(damaged) ?? 'null'));
      },
    ),
    { numRuns: 1500 },
  );
});

test('texts cut off, doubled or garbled anywhere are read or refused, never a crash', () => {
  const texts = [
    [writeBlockFile(block), readBlockFile],
    [writeProjectFile(project), readProjectFile],
    [writeSvg(block.patches.slice(0, 8), 'Harm'), importDrawing],
  ] as const;
  const harm = fc.record({ which: fc.nat(2), from: fc.nat(), to: fc.nat(), put: fc.oneof(fc.constant(''), fc.string({ maxLength: 8 })) }); // prettier-ignore
  fc.assert(
    fc.property(harm, ({ which, from, to, put }) => {
      const [text, read] = texts[which]!;
      const [a, b] = [from % text.length, to % text.length];
      only(() => read(text.slice(0, a) + put + text.slice(b)));
    }),
    { numRuns: 400 },
  );
});

test('a block that is read, however odd, can be looked at, planned and printed as a sheet', () => {
  const places = placesOf(JSON.parse(JSON.stringify(block))).filter(([top]) => top !== 'format');
  let looked = 0;
  fc.assert(
    fc.property(fc.constantFrom(...places), odd, (place, put) => {
      const text = JSON.stringify(changed(JSON.parse(JSON.stringify(block)), place, put));
      only(() => {
        const document = readBlockFile(text);
        liveReport(document, 'inch');
        blockSheet(document.patches, { allowanceMm: 6.35, sparesPercent: 5, system: 'inch' }, undefined, document); // prettier-ignore
        looked += 1;
      });
    }),
    { numRuns: 400, examples: [[['patches', '5', 'id'], 'constructor'], [['patches', '3', 'fabric'], 'constructor']] }, // prettier-ignore
  );
  expect(looked).toBeGreaterThan(10);
});
