import type { Patch } from '../block';
import { InvalidInputError, assertNever } from '../errors';
import { Draft, add, between, polar, type Corner } from './draft';
import type {
  BeamsRecipe,
  ClamshellRecipe,
  DiscRecipe,
  FramedDiamondRecipe,
  GridRecipe,
  PlateRecipe,
  Recipe,
  RosetteRecipe,
  StarRecipe,
} from './recipe';

/** Least and greatest length of anything generated, mm. */
const LENGTH_MM = [3, 2000] as const;
/** Most patches of one generated block. */
const MOST_PATCHES = 5000;

/**
 * Makes the patches of a recipe, in millimetres round the origin.
 * @throws InvalidInputError `recipe`, naming the figure that cannot be and why
 */
export function generate(recipe: Recipe): Patch[] {
  if (recipe.fabrics.length === 0) fail('fabrics', 'At least one fabric is needed.', 'Name one.');
  const draft = new Draft(recipe.fabrics);
  switch (recipe.kind) {
    case 'rosette':
      rosette(recipe, draft);
      break;
    case 'grid':
      grid(recipe, draft);
      break;
    case 'star':
      star(recipe, draft);
      break;
    case 'plate':
      plate(recipe, draft);
      break;
    case 'clamshell':
      clamshell(recipe, draft);
      break;
    case 'framed-diamond':
      framedDiamond(recipe, draft);
      break;
    case 'beams':
      beams(recipe, draft);
      break;
    case 'disc':
      disc(recipe, draft);
      break;
    default:
      assertNever(recipe);
  }
  return draft.patches;
}

function fail(name: string, message: string, mend: string): never {
  throw new InvalidInputError('recipe', message, mend, { name });
}

function checkLength(name: string, millimetres: number): void {
  const [least, most] = LENGTH_MM;
  if (millimetres >= least && millimetres <= most) return;
  fail(name, `A length of ${millimetres} mm cannot be sewn.`, `Give one from ${least} mm to ${most} mm.`);
}

function checkCount(name: string, count: number, least: number, most: number): void {
  if (Number.isInteger(count) && count >= least && count <= most) return;
  fail(name, `${count} is not a possible number here.`, `Give a whole number from ${least} to ${most}.`);
}

function rosette({ edgeMm, rings }: RosetteRecipe, draft: Draft): void {
  checkLength('edgeMm', edgeMm);
  checkCount('rings', rings, 0, 20);
  const rise = edgeMm * Math.sin(Math.PI / 3);
  for (let q = -rings; q <= rings; q++) {
    for (let r = -rings; r <= rings; r++) {
      const ring = Math.max(Math.abs(q), Math.abs(r), Math.abs(q + r));
      if (ring > rings) continue;
      const centre: Corner = [edgeMm * 1.5 * q, rise * (2 * r + q)];
      draft.add(
        'hexagon',
        ring,
        [0, 60, 120, 180, 240, 300].map((angle) => add(centre, polar(angle, edgeMm))),
      );
    }
  }
}

function grid({ edgeMm, columns, rows, triangles }: GridRecipe, draft: Draft): void {
  checkLength('edgeMm', edgeMm);
  checkCount('columns', columns, 1, 60);
  checkCount('rows', rows, 1, Math.floor(MOST_PATCHES / 2 / columns));
  for (let row = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++) {
      const at = (x: number, y: number): Corner => [(column + x) * edgeMm, (row + y) * edgeMm];
      const [nw, ne, se, sw] = [at(0, 0), at(1, 0), at(1, 1), at(0, 1)];
      const isSquare = triangles === 'none' || (row + column) % 2 === 0;
      if (isSquare)
        draft.add('square', triangles === 'none' ? (row + column) % 2 : row % 2, [nw, ne, se, sw]);
      else if (row % 2 === 0) {
        draft.add('triangle', 2, [nw, ne, sw]);
        draft.add('triangle', 3, [ne, se, sw]);
      } else {
        draft.add('triangle', 3, [nw, ne, se]);
        draft.add('triangle', 2, [nw, se, sw]);
      }
    }
  }
}

function star({ points, edgeMm, surround }: StarRecipe, draft: Draft): void {
  checkLength('edgeMm', edgeMm);
  checkCount('points', points, 5, 24);
  if (surround === 'set-in' && points !== 6 && points !== 8) {
    fail(
      'surround',
      'Pieces are set in round stars of six or eight points only.',
      'Choose 6 or 8 points, or no surround.',
    );
  }
  const start = points === 6 ? -90 : 0;
  const ray = (i: number) => polar(start + (360 * i) / points, edgeMm);
  for (let i = 0; i < points; i++) {
    draft.add('diamond', i % 2, [[0, 0], ray(i), add(ray(i), ray(i + 1)), ray(i + 1)]);
  }
  if (surround === 'none') return;
  for (let i = 0; i < points; i++) {
    const [before, own, after] = [ray(i + points - 1), ray(i), ray(i + 1)];
    const [left, right] = [add(own, before), add(own, after)];
    if (points === 6) {
      draft.add('ring', 2, [own, left, add(own, own), right]);
      // The long side lies along two diamonds and the star's point between them.
      draft.add('rim', 3, [
        add(own, own),
        add(add(own, own), after),
        add(add(after, after), own),
        add(after, after),
      ]);
    } else if (i % 2 === 1) draft.add('corner', 2, [own, left, add(left, after), right]);
    else draft.add('side', 3, [own, left, right]);
  }
}

function plate({ blades, innerMm, outerMm, tip, centre, fabrics }: PlateRecipe, draft: Draft): void {
  checkCount('blades', blades, 6, 60);
  checkLength('innerMm', innerMm);
  checkLength('outerMm', outerMm);
  if (outerMm < innerMm + 10)
    fail(
      'outerMm',
      `The blades reach from ${innerMm} mm to ${outerMm} mm: that is no blade.`,
      'Make the outer radius at least 10 mm larger than the inner one.',
    );
  const angle = 360 / blades;
  // Of a pointed or round tip the outer tenth is beyond the shoulders.
  const shoulder = tip === 'flat' ? outerMm : Math.max(innerMm + 5, outerMm * 0.88);
  const coloured = centre === 'yes' && fabrics.length > 1 ? fabrics.length - 1 : fabrics.length;
  for (let i = 0; i < blades; i++) {
    const [a, b] = [angle * i, angle * (i + 1)];
    const base = [polar(b, innerMm), polar(a, innerMm)];
    const sides = [polar(a, shoulder), polar(b, shoulder)];
    const cloth = i % coloured;
    if (tip === 'pointed')
      draft.add('blade', cloth, [...base, sides[0]!, polar((a + b) / 2, outerMm), sides[1]!]);
    else draft.add('blade', cloth, [...base, ...sides], [0, 0, tip === 'round' ? 0.55 : 0, 0]);
  }
  const radius = innerMm + 6;
  if (centre === 'yes')
    draft.add(
      'centre',
      fabrics.length - 1,
      [
        [-radius, 0],
        [radius, 0],
      ],
      [1, 1],
      1,
    );
}

function clamshell({ widthMm, columns, rows }: ClamshellRecipe, draft: Draft): void {
  checkLength('widthMm', widthMm);
  checkCount('columns', columns, 2, 60);
  checkCount('rows', rows, 2, 60);
  const r = widthMm / 2;
  const quarter = Math.tan(Math.PI / 8);
  for (let row = 0; row < rows; row++) {
    const isOdd = row % 2 === 1;
    for (let column = 0; column < columns - (isOdd ? 1 : 0); column++) {
      const [x, y] = [column * widthMm + (isOdd ? r : 0), row * r];
      draft.add(
        'shell',
        row,
        [
          [x - r, y],
          [x + r, y],
          [x, y + r],
        ],
        [1, -quarter, -quarter],
      );
    }
  }
}

function framedDiamond({ widthMm, heightMm, stripMm, rounds }: FramedDiamondRecipe, draft: Draft): void {
  checkLength('widthMm', widthMm);
  checkLength('heightMm', heightMm);
  checkLength('stripMm', stripMm);
  checkCount('rounds', rounds, 1, 20);
  const [a, b] = [widthMm / 2, heightMm / 2];
  // A strip as wide as wished moves every side out by that much: the diamond grows by strip ÷ its inner radius.
  const grow = stripMm / ((a * b) / Math.hypot(a, b));
  const ring = (round: number): Corner[] => {
    const k = 1 + round * grow;
    return [
      [0, -b * k],
      [a * k, 0],
      [0, b * k],
      [-a * k, 0],
    ];
  };
  draft.add('heart', 0, ring(0));
  for (let round = 1; round <= rounds; round++) {
    const [inner, outer] = [ring(round - 1), ring(round)];
    for (let i = 0; i < 4; i++) {
      const next = (i + 1) % 4;
      draft.add('strip', round, [inner[i]!, outer[i]!, outer[next]!, inner[next]!]);
    }
  }
}

function beams({ edgeMm, reachMm, diamondMm }: BeamsRecipe, draft: Draft): void {
  checkLength('edgeMm', edgeMm);
  checkLength('reachMm', reachMm);
  checkLength('diamondMm', diamondMm);
  if (reachMm < edgeMm * 1.6)
    fail(
      'reachMm',
      `A reach of ${reachMm} mm leaves no room for the beams.`,
      `Give at least ${Math.ceil(edgeMm * 1.6)} mm.`,
    );
  if (diamondMm > edgeMm * 0.8)
    fail(
      'diamondMm',
      `Diamonds ${diamondMm} mm wide run into each other.`,
      `Give at most ${Math.floor(edgeMm * 0.8)} mm.`,
    );
  draft.add(
    'hexagon',
    4,
    Array.from({ length: 6 }, (_, i) => polar(60 * i, edgeMm)),
  );
  const waist = (i: number, side: number): Corner =>
    add(polar(60 * i, (edgeMm + reachMm) / 2), polar(60 * i + 90 * side, diamondMm / 2));
  for (let i = 0; i < 6; i++) {
    const [near, far] = [polar(60 * i, edgeMm), polar(60 * i, reachMm)];
    const [nextNear, nextFar] = [polar(60 * (i + 1), edgeMm), polar(60 * (i + 1), reachMm)];
    const [left, right] = [waist(i, 1), waist(i + 1, -1)];
    const [foot, head] = [between(near, nextNear), between(far, nextFar)];
    draft.add('diamond', 0, [near, waist(i, -1), far, left]);
    draft.add('kite', 1, [foot, left, head, right]);
    draft.add('footwing', 2, [near, left, foot]);
    draft.add('footwing', 2, [nextNear, foot, right]);
    draft.add('headwing', 3, [left, far, head]);
    draft.add('headwing', 3, [right, head, nextFar]);
  }
}

function disc({ wedges, radiusMm, portion }: DiscRecipe, draft: Draft): void {
  checkLength('radiusMm', radiusMm);
  checkCount('wedges', wedges, 4, 60);
  const count = portion === 'half' ? Math.ceil(wedges / 2) : wedges;
  if (portion === 'half' && wedges % 2 === 1)
    fail('wedges', 'Half a disc needs an even number of wedges.', `Give ${wedges + 1}.`);
  const bulge = Math.tan((2 * Math.PI) / wedges / 4);
  for (let i = 0; i < count; i++) {
    draft.add(
      'wedge',
      i,
      [[0, 0], polar((360 * i) / wedges - 180, radiusMm), polar((360 * (i + 1)) / wedges - 180, radiusMm)],
      [0, bulge, 0],
    );
  }
}
