import { expect, test } from 'vitest';
import { SEWING_FIGURES, planAssembly } from './assembly';
import { CHOICE_LIMITS } from './bags';
import { FOLD_CONVENTIONS, planBasting, type FoldConvention } from './basting';
import { analyseBlock, buildSeamGraph, findFlatness, sideTreatments, type Patch } from './block';
import { CALENDAR_LIMITS } from './calendar';
import { PAPER_FAMILIES, defaultPaper, makePaper, recognise, type PaperFamily } from './catalogue';
import { PIECE_LIMITS, SHELF_LIMITS } from './cloth';
import { LIMITS, importSvg } from './formats';
import { RECIPE_NAMES, defaultRecipe, generate, type RecipeKind } from './generate';
import { nest, type PieceKind } from './nesting';
import { CUT_LIMITS_MM, NOTION_LIMITS, ORDER_LIMITS } from './order';
import { EXTRA_LIMITS, WEIGHING_LIMITS } from './packing';
import { LABEL_LIMITS } from './printing';
import { TEXT_LIMITS } from './reminders';
import { cutAtRandom, fingerprint, mixedMosaic, seededRandom, shaken, tumblingCubes } from './testing';
import { weldPatches } from './weld';

const KINDS = Object.keys(RECIPE_NAMES) as RecipeKind[];
const WAYS = Object.keys(FOLD_CONVENTIONS) as FoldConvention[];
const BLOCKS = KINDS.map((kind) => generate(defaultRecipe(kind)));

/** The same patches, the outline of each told from another of its corners on. */
function fromOtherCorners(patches: readonly Patch[], random: () => number): Patch[] {
  return patches.map((one) => {
    const { corners, bulges } = one.outline;
    const by = Math.floor(random() * corners.length);
    const turned = <T>(list: readonly T[]) => [...list.slice(by), ...list.slice(0, by)];
    return { ...one, outline: { corners: turned(corners), bulges: turned(bulges) } };
  });
}

test.each(KINDS)('a block is sewn as well from whichever corner its outlines are told: %s', (kind) => {
  const patches = generate(defaultRecipe(kind));
  const { totals } = planAssembly(buildSeamGraph(patches));
  for (const seed of [3, 4]) {
    const turned = planAssembly(buildSeamGraph(fromOtherCorners(patches, seededRandom(seed)))).totals;
    expect(turned.bends).toBe(totals.bends);
    // Of orders that are as good by what decides, the first that is found is taken.
    expect(Math.abs(turned.minutes / totals.minutes - 1)).toBeLessThan(0.03);
  }
});

/** Patches of which some lie where they should not. */
function displaced(patches: readonly Patch[], random: () => number): Patch[] {
  return patches.map((one) => {
    const byMm = random() < 0.3 ? 4 * random() : 0;
    const corners = one.outline.corners.map(({ x, y }) => ({ x: x + byMm, y: y - byMm / 2 }));
    return { ...one, outline: { ...one.outline, corners } };
  });
}

/** A path of curves, drawn at random. */
function scribble(random: () => number): string {
  const at = () => `${(random() * 180).toFixed(2)} ${(random() * 180).toFixed(2)}`;
  const parts = [`C${at()} ${at()} ${at()}`, `Q${at()} ${at()}`, `S${at()} ${at()}`, `T${at()}`, `A${20 + random() * 40} ${20 + random() * 40} ${random() * 90} ${random() < 0.5 ? 0 : 1} 1 ${at()}`, `l${at()}`, `h${random() * 20}`, `v-${random() * 20}`]; // prettier-ignore
  const drawn = Array.from({ length: 2 }, () => parts[Math.floor(random() * parts.length)]);
  return `<path d="M${at()} ${drawn.join(' ')} L${at()} Z"/>`;
}

const MADE: Readonly<Record<string, () => unknown>> = {
  'seams of what is cut at random': () =>
    [1, 2, 3, 4, 5].map((seed) => {
      const drawn = cutAtRandom(220, 160, 30, 7, seededRandom(seed));
      return [drawn, shaken(drawn, 0.04, seededRandom(seed))].map((patches) => {
        const { seams, places, openEdges, isInner } = buildSeamGraph(patches);
        return [seams, places, openEdges, isInner];
      });
    }),
  'faults of what lies where it should not': () =>
    [...BLOCKS, mixedMosaic(30)].flatMap((patches, i) => {
      const moved = displaced(patches, seededRandom(i + 1));
      const { graph, problems } = analyseBlock(moved);
      return [problems, findFlatness(graph).faults, sideTreatments(graph)];
    }),
  'how papers are wrapped': () =>
    BLOCKS.map((patches, i) =>
      planBasting(buildSeamGraph(patches), 6.35, (patch) => WAYS[(patch + i) % WAYS.length]!),
    ),
  'rough drawings, welded': () =>
    [...BLOCKS, tumblingCubes(3, 3)].map((patches, i) => weldPatches(shaken(patches, [0.1, 0.3, 0.6][i % 3]!, seededRandom(i)), { reachMm: [0.4, 1, 1.5][i % 3]!, system: 'metric' })), // prettier-ignore
  'scribbles, as they are read': () => {
    const random = seededRandom(8);
    const drawing = Array.from({ length: 40 }, () => scribble(random)).join('');
    return importSvg(`<svg xmlns="http://www.w3.org/2000/svg" width="180mm" height="180mm" viewBox="0 0 180 180">${drawing}</svg>`); // prettier-ignore
  },
  'papers, recognised from any corner': () => {
    const random = seededRandom(6);
    const papers = (Object.keys(PAPER_FAMILIES) as PaperFamily[]).flatMap((family) => [25.4, 30, 42].map((step) => makePaper(defaultPaper(family, step)))); // prettier-ignore
    const turned = fromOtherCorners(papers.map((outline) => ({ outline }) as Patch), random); // prettier-ignore
    return shaken(turned, 0.1, random).map(({ outline }) => recognise(outline, 'inch'));
  },
  'odd pieces on cloth': () => {
    const random = seededRandom(4);
    const odd = (id: string): PieceKind => {
      const polygon = Array.from({ length: 7 }, (_, i) => {
        const [far, turn] = [20 + 25 * random(), (i * 2 * Math.PI) / 7];
        return { x: 50 + far * Math.cos(turn), y: 50 + far * Math.sin(turn) };
      });
      return { id, polygon, count: 4 };
    };
    return (['any', 'half', 'none'] as const).map((turns) => {
      let asked = 0;
      return nest([odd('a'), odd('b')], { width: 180, length: turns === 'none' ? 260 : Infinity, selvedge: 5, turns, used: [] }, { spent: () => asked++ / 30 }); // prettier-ignore
    });
  },
  'what may be typed': () => [CALENDAR_LIMITS, CHOICE_LIMITS, CUT_LIMITS_MM, EXTRA_LIMITS, LABEL_LIMITS, LIMITS, NOTION_LIMITS, ORDER_LIMITS, PIECE_LIMITS, SEWING_FIGURES, SHELF_LIMITS, TEXT_LIMITS, WEIGHING_LIMITS], // prettier-ignore
};

/* As in `made.test`, of what is rough, odd or wrong. */
test.each([
  ['seams of what is cut at random', '87d03194'],
  ['faults of what lies where it should not', '75bcad01'],
  ['how papers are wrapped', '51d3a1bd'],
  ['rough drawings, welded', '14484b41'],
  ['scribbles, as they are read', '62de909c'],
  ['papers, recognised from any corner', 'd21d5a11'],
  ['odd pieces on cloth', 'de24eb18'],
  ['what may be typed', '600d43ad'],
] as const)('made as before: %s', (name, told) => {
  expect(fingerprint(MADE[name]!())).toBe(told);
});
