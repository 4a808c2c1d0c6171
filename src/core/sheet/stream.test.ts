import fc from 'fast-check';
import { expect, test } from 'vitest';
import { DEFAULT_SEWING, planAssembly } from '../assembly';
import { planBasting } from '../basting';
import { buildSeamGraph, type Patch } from '../block';
import { defaultRecipe, documentOfRecipe, generate, RECIPE_NAMES, type RecipeKind } from '../generate';
import { BASTE_POLICIES, papersInPlay, type BastePolicy } from '../papers';
import { defaultSetting } from '../setting';
import { cutGrid, hexagonMosaic, plannedOrder, plannedSheet, rosette, starOfDiamonds } from '../testing';
import { jointClashes, withPolicy, type JoinStep, type SheetPatch, type Step } from '.';
import { threadChoice } from './threadChoice';
import { unitCheck } from './unitCheck';

const SETTINGS = { allowanceMm: 6.35, sparesPercent: 5, system: 'inch' } as const;
const KINDS = Object.keys(RECIPE_NAMES) as RecipeKind[];
const joinsOf = (steps: readonly Step[]) => steps.filter((step): step is JoinStep => step.kind === 'join');

test('whatever the policy, each patch is basted once and before its join, and the stream holds as many papers as is said', () => {
  for (const kind of KINDS) {
    const document = documentOfRecipe(defaultRecipe(kind));
    for (const policy of BASTE_POLICIES) {
      const { order } = withPolicy(document, policy);
      const { steps, patches } = plannedSheet(document.patches, SETTINGS, undefined, order ? { order } : {});
      const basted = new Set<number>();
      let [inUse, peak] = [0, 0];
      for (const step of steps) {
        if (step.kind === 'baste') {
          for (const patch of step.patches) expect(basted.has(patch)).toBe(false);
          step.patches.forEach((patch) => basted.add(patch));
          inUse += step.patches.length;
          peak = Math.max(peak, inUse);
        } else if (step.kind === 'join') {
          expect([...step.left, ...step.right].every((patch) => basted.has(patch))).toBe(true);
          inUse -= step.releases.length;
        }
      }
      expect(basted.size).toBe(patches.length);
      const [need] = papersInPlay(joinsOf(steps), new Int32Array(patches.length), 1, policy);
      expect(need?.peakInUse, `${kind} ${policy}`).toBe(peak);
    }
  }
});

test('the policy is kept in the document only where it is not the usual one', () => {
  const document = documentOfRecipe(defaultRecipe('star'));
  const late = withPolicy(document, 'just-in-time');
  expect(late.order).toEqual({ school: 'best', policy: 'just-in-time' });
  expect(withPolicy(late, 'all-first' satisfies BastePolicy)).toEqual(document);
});

test('the check of a unit: its measures, the edge that comes next, and how many patches meet at points closed now', () => {
  const joins = joinsOf(plannedSheet(starOfDiamonds(6), SETTINGS).steps);
  const last = joins.at(-1)!.check;
  // Six 60° diamonds of 1″ round a point: the join that closes the star closes that one point.
  expect(last.meeting).toEqual([6]);
  expect(last.nextEdge).toBeUndefined();
  expect(last.tails).toBe('one-way');
  const half = joins.find(({ left, right }) => left.length + right.length === 3)!.check;
  expect(half.nextEdge).toMatchObject({ isStraight: true });
  const squares = joinsOf(plannedSheet(cutGrid(3, 2, [0]), SETTINGS).steps);
  expect(squares.every(({ check }) => check.tails === 'none')).toBe(true);
  expect(squares.at(-1)?.check.acrossMm).toBeCloseTo(50.8, 6);
  expect(squares.at(-1)?.check.longMm).toBeCloseTo(76.2, 6);
});

test('over a whole plan every inner point is closed exactly once', () => {
  fc.assert(
    fc.property(
      fc.constantFrom<readonly Patch[]>(rosette(2), hexagonMosaic(30), cutGrid(4, 4, [0, 1, 2]), generate(defaultRecipe('beams'))), // prettier-ignore
      (patches) => {
        const graph = buildSeamGraph(patches);
        const { joins } = plannedOrder(patches);
        const closed = joins.flatMap((join) => unitCheck(graph, join, undefined, []).meeting);
        const inner = graph.isInner.filter((is, place) => is && (graph.seamsAt[place]?.length ?? 0) > 2);
        expect(closed.length).toBe(inner.length);
      },
    ),
    { numRuns: 4 },
  );
});

test('thread matches the lighter cloth where that is known: by colour, or because the host calls it pale', () => {
  const graph = (a: string, b: string) =>
    buildSeamGraph(cutGrid(2, 1, [0]).map((patch, i) => ({ ...patch, fabric: [a, b][i] as string })));
  const matched = (a: string, b: string, pale: readonly string[] = []) => {
    const own = graph(a, b);
    return threadChoice(own, planAssembly(own).joins[0]!, new Set(pale), DEFAULT_SEWING).match;
  };
  expect(matched('#222', '#fee')).toBe('#fee');
  // Luminance, not the sum of the channels: yellow is lighter than magenta.
  expect(matched('#ffff00', '#ff00ff')).toBe('#ffff00');
  expect(matched('Tar', 'Fog')).toBeUndefined();
  expect(matched('Tar', 'Fog', ['Fog'])).toBe('Fog');
  expect(matched('Tar', 'Tar')).toBe('Tar');
});

test('tails clash between blocks only where they lie edge to edge and fold opposite ways', () => {
  type Way = 'clockwise' | 'counter-clockwise';
  // Squares in two right-angled triangles each, whose 45° corners meet at the upper end of the joint.
  const folded = (id: string, cut: number, way: Way) => {
    const patches = cutGrid(1, 1, [cut]);
    const plan = planBasting(buildSeamGraph(patches), 6.35, () => way);
    const own = patches.map((patch, i) => ({ ...patch, tails: plan.patches[i]!.tails }));
    return { id, name: id, patches: own as unknown as SheetPatch[] };
  };
  const blocks = (first: Way, second: Way) => [folded('a', 1, first), folded('b', 2, second)];
  const setting = {
    ...defaultSetting([{ id: 'a', widthMm: 25.4, heightMm: 25.4 }, { id: 'b', widthMm: 25.4, heightMm: 25.4 }], 2, 5), // prettier-ignore
    joint: 'edge-to-edge' as const,
    cellWidthMm: 25.4,
    cellHeightMm: 25.4,
  };
  const clashes = (first: Way, second: Way) => jointClashes(setting, blocks(first, second));
  expect(clashes('clockwise', 'clockwise')).toEqual([]);
  expect(clashes('counter-clockwise', 'counter-clockwise')).toEqual([]);
  // Folded opposite ways either both tails lie across the joint or neither does.
  const [one, other] = [clashes('clockwise', 'counter-clockwise'), clashes('counter-clockwise', 'clockwise')];
  expect([one.length, other.length].sort()).toEqual([0, 1]);
  expect([...one, ...other][0]?.patches).toEqual([
    { block: 'a', number: 2 },
    { block: 'b', number: 2 },
  ]);
  const sashed = { ...setting, joint: 'sashing' as const, sashMm: 10 };
  expect(jointClashes(sashed, blocks('clockwise', 'counter-clockwise'))).toEqual([]);
});
