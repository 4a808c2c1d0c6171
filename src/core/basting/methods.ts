import { cornerAngle, edgesOf, isStraight, perimeterOf, type Outline } from '../geometry';

/** Ways of holding cloth to paper. */
export type BasteMethod = 'thread' | 'thread-in-cloth' | 'glue' | 'glue-and-thread' | 'starch' | 'stay-in';

interface MethodFacts {
  readonly name: string;
  /** What the hands do, in sentences for somebody who does it for the first time. */
  readonly how: string;
  readonly removal: string;
  readonly warning: string;
  /** Minutes to lay a paper, per corner, and mm fastened in a minute. */
  readonly layMinutes: number;
  readonly cornerMinutes: number;
  readonly mmPerMinute: number;
  /** Times a paper is used before its edges go soft. */
  readonly uses: number;
}

/** What the handbook says of each; every figure is a default. */
export const BASTE_METHODS: Readonly<Record<BasteMethod, MethodFacts>> = {
  thread: {
    name: 'Thread through the paper',
    how: 'Stitch through cloth and paper together, with thread that shows. Begin with the knot on the front, and double the last stitch.',
    removal: 'clip the stitches and pull every thread',
    warning: 'Contrasting thread, the knot on the front, the last stitch doubled.',
    layMinutes: 0.5,
    cornerMinutes: 0.1,
    mmPerMinute: 150,
    uses: 3,
  },
  'thread-in-cloth': {
    name: 'Thread in the cloth only',
    how: 'Catch the folded cloth with the needle, never the paper. Tack each corner tight with a backstitch; a longer needle helps.',
    removal: 'none: it stays',
    warning: 'Tack each corner with a backstitch, tight; a longer needle helps.',
    layMinutes: 0.5,
    cornerMinutes: 0.18,
    mmPerMinute: 320,
    uses: 5,
  },
  glue: {
    name: 'Washable glue pen',
    how: 'Draw a thin line of washable glue on the paper, near its edge, and fold the cloth onto it. Try it on pale cloth first; heat sets it. Follow the label.',
    removal: 'peel the allowance back',
    warning: 'A thin line near the edge; patch-test on pale cloth; heat sets it. Follow the label.',
    layMinutes: 0.3,
    cornerMinutes: 0.06,
    mmPerMinute: 420,
    uses: 2,
  },
  'glue-and-thread': {
    name: 'Glue on the long sides, thread at the points',
    how: 'Glue the long sides, a quarter of a side at a time: it dries. Hold each point with two stitches.',
    removal: 'peel, and pull two stitches',
    warning: 'Glue a quarter of a long side at a time: it dries.',
    layMinutes: 0.35,
    cornerMinutes: 0.14,
    mmPerMinute: 380,
    uses: 3,
  },
  starch: {
    name: 'Starch and a small iron on doubled freezer paper',
    how: 'Take doubled freezer paper. Wet a stretch of the allowance with starch and iron it dry over the edge of the paper; go on with the next stretch, still wet when it is folded. The iron is hot: use a heat-safe mat, air the room, mind your fingers, unplug it.',
    removal: 'the paper slips out',
    warning:
      'Hot iron on a heat-safe mat, ventilate, unplug; mind your fingers. What is not folded yet stays wet.',
    layMinutes: 0.6,
    cornerMinutes: 0.12,
    mmPerMinute: 200,
    uses: 20,
  },
  'stay-in': {
    name: 'Stay-in fusible sheet',
    how: 'Iron the fusible sheet on as its label says, then fold the cloth over it. It stays in.',
    removal: 'none: it stays in and softens',
    warning: 'Iron on; see the label of the sheet.',
    layMinutes: 0.5,
    cornerMinutes: 0.08,
    mmPerMinute: 350,
    uses: 1,
  },
};

/** What of a paper and its project bears on the choice. */
export interface MethodCase {
  readonly outline: Outline;
  readonly count: number;
  /** Whether it is appliquéd: its edge is seen. */
  readonly isApplique: boolean;
  /** Whether very pale cloth is among its cloths. */
  readonly isPale: boolean;
}

export interface MethodChoice {
  readonly method: BasteMethod;
  readonly minutesEach: number;
  readonly score: number;
  /** Why it stands where it stands, in a sentence. */
  readonly reason: string;
}

/** A long side: glue dries before it is folded, mm. */
const LONG_SIDE_MM = 150;
/** Many patches of a kind: speed counts. */
const MANY = 24;

/** Minutes to baste one patch by a method, from its perimeter and corners. */
export function methodMinutes(method: BasteMethod, outline: Outline): number {
  const { layMinutes, cornerMinutes, mmPerMinute } = BASTE_METHODS[method];
  return layMinutes + cornerMinutes * outline.corners.length + perimeterOf(outline) / mmPerMinute;
}

/**
 * Ranks the methods for a paper kind: each begins even, gains and loses by what the handbook says of sharp points,
 * curves, pale cloth, number, and edges that are appliquéd. The reasons are what moved it.
 */
export function rankMethods(one: MethodCase): MethodChoice[] {
  const { outline, count, isApplique, isPale } = one;
  const isCurved = edgesOf(outline).some((edge) => !isStraight(edge));
  const sharpest = Math.min(...outline.corners.map((_, i) => cornerAngle(outline, i)));
  const isSharp = sharpest < 50;
  const isLong = perimeterOf(outline) / outline.corners.length > LONG_SIDE_MM / 2;
  const gains: readonly (readonly [boolean, BasteMethod, number, string])[] = [
    [count >= MANY, 'glue', 2, `quick, and there are ${count}`],
    [count < MANY, 'thread-in-cloth', 1.5, 'nothing to pull out, and the papers last'],
    [isPale, 'thread', 2, 'leaves no colour in pale cloth'],
    [isPale, 'glue', -2, 'its colour may show in pale cloth'],
    [isSharp && isApplique, 'glue-and-thread', 4, 'holds sharp points that are appliquéd'],
    [isSharp, 'glue', -1.5, `points of ${Math.round(sharpest)}° spring open`],
    [isSharp, 'thread-in-cloth', 0.5, 'holds points tight'],
    [isCurved, 'thread', 2, 'pleats of a curve are held one by one'],
    [isCurved, 'glue', -1, 'pleats slide in wet glue'],
    [isCurved && isApplique, 'starch', 3, 'gives a curve that is appliquéd a clean edge'],
    [isCurved && isApplique, 'stay-in', 1, 'may stay in an appliquéd motif'],
    [!isApplique, 'stay-in', -3, 'papers of a pieced block should come out'],
    [isLong, 'glue', -0.5, 'dries on long sides before they are folded'],
    [!isApplique && !isCurved, 'starch', -1, 'slow for many straight patches'],
    [true, 'thread', 0.5, 'always works'],
  ];
  return (Object.keys(BASTE_METHODS) as BasteMethod[])
    .map((method): MethodChoice => {
      const own = gains.filter(([applies, of]) => applies && of === method);
      const minutesEach = methodMinutes(method, outline);
      const score = own.reduce((sum, [, , gain]) => sum + gain, 0) - minutesEach * 0.4;
      const reason =
        own.length === 0 ? 'nothing speaks for or against it' : own.map(([, , , why]) => why).join('; ');
      return { method, minutesEach, score, reason };
    })
    .sort((a, b) => b.score - a.score);
}
