/** Something that goes wrong at the table: how it shows, why, what to do, and how to keep it from coming again. */
export interface Trouble {
  readonly id: string;
  readonly symptom: string;
  readonly cause: string;
  readonly remedy: string;
  readonly avoid: string;
  /** Where in the work it happens; steps show the troubles that can happen at them. */
  readonly at: readonly TroubleMoment[];
}

export type TroubleMoment =
  'baste' | 'baste-sharp' | 'baste-handed' | 'join' | 'bend' | 'long-row' | 'release' | 'ring' | 'applique';

/** The trouble guide, in the order in which the troubles meet a maker. */
export const TROUBLES: readonly Trouble[] = [
  {
    id: 'handed-wrong',
    symptom: 'A slanted piece does not fit in its place, only its mirror image would.',
    cause: 'It was wrapped with the letter L or R facing the cloth.',
    remedy: 'Unpick the basting, turn the paper over and wrap it again: letter towards you while you wrap.',
    avoid: 'Before wrapping, lay all papers round the drawing seen from the back, letters up.',
    at: ['baste-handed'],
  },
  {
    id: 'clash-lump',
    symptom: 'A lump at one end of a seam; the needle hardly goes through.',
    cause: 'Two tails point at each other over the same seam.',
    remedy: 'Undo one of the two patches at that corner and fold it the other way round, like the rest.',
    avoid: 'Fold every patch the same way round as seen from the front, and tuck the last fold.',
    at: ['baste-sharp', 'join'],
  },
  {
    id: 'fray',
    symptom: 'Threads come loose at a fold or where glue was peeled.',
    cause: 'A bias edge, or a pull against the weave.',
    remedy: 'Stop, pull from the other side, lift with a blunt tool; a dab of starch holds what is loose.',
    avoid: 'Leave the full allowance at sharp corners; glue thinly, near the edge.',
    at: ['baste', 'release'],
  },
  {
    id: 'thread-shows',
    symptom: 'A broken line of stitches is seen from the front.',
    cause: 'The thread is darker or lighter than both cloths, or the bite is too deep.',
    remedy: 'Unpick that seam and sew it again in the colour of the lighter cloth, or a mid grey.',
    avoid:
      'Look at the front after the first ten stitches; take two or three threads of each fold, never the paper.',
    at: ['join'],
  },
  {
    id: 'centre-open',
    symptom: 'The points do not meet in the middle; a small hole or a step is left.',
    cause: 'The join was begun at an end, and the middle slipped.',
    remedy: 'Pick back to two or three stitches before the crossing, set an X of thread there, and go on.',
    avoid: 'In a long join sew both ends first, then the middle crossing, then fill towards it.',
    at: ['long-row', 'join'],
  },
  {
    id: 'row-grows',
    symptom: 'One row is longer than the other and bulges.',
    cause: 'Every seam adds a little cloth; the row with more seams grows.',
    remedy: 'Spread what is too much between the anchors, a thread’s breadth with each stitch.',
    avoid: 'Tie the ends and the middle crossings first; ease from there.',
    at: ['long-row'],
  },
  {
    id: 'row-turned',
    symptom: 'The pattern jumps along one row.',
    cause: 'The row was turned round before it was joined.',
    remedy: 'Unpick the row, lay it beside the drawing, join it again.',
    avoid:
      'Mark the first patch of every row with a pin; check the numbers against the drawing before the first stitch.',
    at: ['long-row'],
  },
  {
    id: 'bend-gap',
    symptom: 'A gap or a pucker at a corner that is set in.',
    cause: 'The seam was carried round the corner without folding the papers and without a knot.',
    remedy: 'Pick back past the corner, knot there, fold the papers, turn, go on.',
    avoid: 'Fold the papers that the step names before you reach the corner, and knot exactly at it.',
    at: ['bend'],
  },
  {
    id: 'tangle',
    symptom: 'The thread knots itself and will not come loose.',
    cause: 'It is too long, twisted, or threaded against the way it leaves the spool.',
    remedy: 'Cut it, pick back a few stitches, begin again two or three stitches behind.',
    avoid: 'An arm’s length at most; let the needle hang and untwist now and then.',
    at: ['join'],
  },
  {
    id: 'stuck-paper',
    symptom: 'A paper will not come out.',
    cause: 'A stitch went through it.',
    remedy: 'Pinch the seam between two fingers and tear the paper rather than the thread.',
    avoid: 'Slant the needle through the fold only; a hole in the middle of the paper helps to pop it out.',
    at: ['release'],
  },
  {
    id: 'gaps-after',
    symptom: 'Gaps open along a seam once the papers are out.',
    cause: 'Too few stitches, or a thread that broke between two knots.',
    remedy: 'Sew over the gap from the back, beginning and ending a finger’s breadth beyond it.',
    avoid:
      'About four stitches to the centimetre, ten to the inch; a knot at every crossing, and half-way on seams over 5 cm (2″).',
    at: ['release'],
  },
  {
    id: 'out-too-early',
    symptom: 'An edge is soft and stretches before its neighbour is joined.',
    cause: 'Its paper came out while that edge was still open.',
    remedy: 'Put the paper back, press the fold over it, and sew.',
    avoid: 'Take out only the papers that a step names.',
    at: ['release'],
  },
  {
    id: 'not-flat',
    symptom: 'The plate or ring does not lie flat.',
    cause: 'Before the papers are out this is usual; after that, the angles do not make a full turn.',
    remedy:
      'Wait until the papers are out and press it. If it still cups or ruffles, check one blade on the printed angle check.',
    avoid: 'Cut papers on the line, printed at 100 %; check the first two pairs on the angle check.',
    at: ['ring'],
  },
  {
    id: 'pops-out',
    symptom: 'The folded edge pops out while it is appliquéd.',
    cause: 'The allowance is too scant, or the papers came out long before.',
    remedy: 'Fold it in again with the needle, press, and set a few smaller stitches there.',
    avoid:
      'Press (and starch) before the papers come out, and pin down at once; leave outer edges the wider allowance.',
    at: ['applique'],
  },
];

/** The troubles that can happen at some moments, each once. */
export function troublesAt(moments: readonly TroubleMoment[]): Trouble[] {
  return TROUBLES.filter(({ at }) => at.some((moment) => moments.includes(moment)));
}
