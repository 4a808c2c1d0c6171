import { itemAt, lastOf } from '../lists';
import { InvalidInputError, assertNever } from '../errors';
import {
  distance,
  edgeLength,
  edgesOf,
  findSelfCrossing,
  reversedOutline,
  signedArea,
  toRadians,
  type Outline,
  type Point,
} from '../geometry';
import { bladeCorners } from './blade';
import type { Paper } from './paper';

/** Least and greatest length of a paper's edge, mm: shorter cannot be wrapped, longer is no paper. */
export const EDGE_MM = [3, 2000] as const;
/** Where the edges of a paper are given one by one they must close to within this, mm. */
const CLOSING_MM = 0.25;

/**
 * Outline of a catalogue paper, its first corner at the origin or, for blades and wedges, round the plate's middle.
 * @throws InvalidInputError `paper`, naming the figure that cannot be, why, and what would do
 */
export function makePaper(paper: Paper): Outline {
  switch (paper.family) {
    case 'regular': {
      const { sides, edgeMm } = paper;
      checkCount('sides', sides, 3, 12);
      return walk(Array<number>(sides - 1).fill(edgeMm), Array<number>(sides - 2).fill(180 - 360 / sides));
    }
    case 'diamond':
      checkAngle('angleDeg', paper.angleDeg, 10, 90);
      return walk([paper.edgeMm, paper.edgeMm, paper.edgeMm], [180 - paper.angleDeg, paper.angleDeg]);
    case 'half-hexagon':
      return walk([2 * paper.edgeMm, paper.edgeMm, paper.edgeMm], [60, 120]);
    case 'kite':
      return kite(paper.edgeMm, paper.tipDeg, paper.footDeg);
    case 'half-square-triangle':
      return walk([paper.legMm, paper.legMm], [90]);
    case 'isosceles-triangle':
      checkAngle('apexDeg', paper.apexDeg, 5, 170);
      return walk([paper.legMm, paper.legMm], [paper.apexDeg]);
    case 'rectangle':
      return walk([paper.lengthMm, paper.widthMm, paper.lengthMm], [90, 90]);
    case 'slanted-strip':
      return slantedStrip(paper.widthMm, paper.lengthMm, paper.firstDeg, paper.secondDeg);
    case 'elongated-hexagon': {
      const { edgeMm, sideMm, tipDeg } = paper;
      checkAngle('tipDeg', tipDeg, 20, 170);
      const shoulder = 180 - tipDeg / 2;
      return walk([edgeMm, sideMm, edgeMm, edgeMm, sideMm], [shoulder, shoulder, tipDeg, shoulder]);
    }
    case 'jewel':
      return walk([paper.edgeMm, paper.edgeMm, 2 * paper.edgeMm, 2 * paper.edgeMm], [120, 120, 60]);
    case 'blade':
      return blade(paper);
    case 'wedge': {
      checkCount('wedges', paper.wedges, 3, 120);
      checkEdge('radiusMm', paper.radiusMm);
      const half = 180 / paper.wedges;
      const at = (degrees: number) => polar(degrees - 90, paper.radiusMm);
      return clockwise([{ x: 0, y: 0 }, at(-half), at(half)], [0, Math.tan(toRadians(half / 2)), 0]);
    }
    case 'clamshell': {
      checkEdge('widthMm', paper.widthMm);
      const r = paper.widthMm / 2;
      const quarter = Math.tan(Math.PI / 8);
      return clockwise(
        [{ x: -r, y: 0 }, { x: r, y: 0 }, { x: 0, y: r }], // prettier-ignore
        [1, -quarter, -quarter],
      );
    }
    case 'custom':
      return customPaper(paper.edgesMm, paper.anglesDeg);
    default:
      return assertNever(paper);
  }
}

function fail(name: string, message: string, mend: string): never {
  throw new InvalidInputError('paper', message, mend, { name });
}

function checkEdge(name: string, millimetres: number): void {
  const [least, most] = EDGE_MM;
  if (millimetres >= least && millimetres <= most) return;
  fail(
    name,
    `An edge of ${tidy(millimetres)} mm cannot be wrapped.`,
    `Give one from ${least} mm (about ⅛″) to ${most} mm.`,
  );
}

function checkAngle(name: string, degrees: number, least: number, most: number): void {
  if (degrees >= least && degrees <= most) return;
  fail(name, `An angle of ${tidy(degrees)}° is impossible here.`, `Give one from ${least}° to ${most}°.`);
}

function checkCount(name: string, count: number, least: number, most: number): void {
  if (Number.isInteger(count) && count >= least && count <= most) return;
  fail(name, `${count} is not a possible number here.`, `Give a whole number from ${least} to ${most}.`);
}

function tidy(value: number): string {
  return String(Math.round(value * 100) / 100);
}

function polar(degrees: number, radius: number): Point {
  return { x: radius * Math.cos(toRadians(degrees)), y: radius * Math.sin(toRadians(degrees)) };
}

function clockwise(corners: readonly Point[], bulges: readonly number[]): Outline {
  const raw = { corners, bulges };
  return signedArea(raw) >= 0 ? raw : reversedOutline(raw);
}

/** Walks along edges, turning right by 180° − angle after each; the last edge closes the way by itself. */
function walk(edgesMm: readonly number[], anglesDeg: readonly number[]): Outline {
  for (const edge of edgesMm) checkEdge('edgesMm', edge);
  const corners: Point[] = [{ x: 0, y: 0 }];
  let heading = 0;
  edgesMm.forEach((edge, i) => {
    const last = lastOf(corners);
    const step = polar(heading, edge);
    corners.push({ x: last.x + step.x, y: last.y + step.y });
    heading += 180 - (anglesDeg[i] ?? 180);
  });
  return { corners, bulges: corners.map(() => 0) };
}

function kite(edgeMm: number, tipDeg: number, footDeg: number): Outline {
  checkAngle('tipDeg', tipDeg, 5, 170);
  checkAngle('footDeg', footDeg, 5, 170);
  checkEdge('edgeMm', edgeMm);
  // The long way between the two side corners is shared by both halves.
  const half = edgeMm * Math.sin(toRadians(tipDeg / 2));
  const short = half / Math.sin(toRadians(footDeg / 2));
  const side = (360 - tipDeg - footDeg) / 2;
  return walk([edgeMm, short, short], [side, footDeg]);
}

function slantedStrip(widthMm: number, lengthMm: number, firstDeg: number, secondDeg: number): Outline {
  checkEdge('widthMm', widthMm);
  checkEdge('lengthMm', lengthMm);
  checkAngle('firstDeg', firstDeg, 15, 165);
  checkAngle('secondDeg', secondDeg, 15, 165);
  const lean = (degrees: number) => widthMm / Math.tan(toRadians(degrees));
  const top = [lean(firstDeg), lengthMm - lean(secondDeg)] as const;
  if (top[1] - top[0] < EDGE_MM[0])
    fail(
      'lengthMm',
      `Ends of ${tidy(firstDeg)}° and ${tidy(secondDeg)}° meet before the strip is ${tidy(widthMm)} mm wide.`,
      `Make it longer than ${Math.ceil(lean(firstDeg) + lean(secondDeg) + EDGE_MM[0])} mm, or narrower.`,
    );
  return clockwise(
    [
      { x: 0, y: 0 },
      { x: lengthMm, y: 0 },
      { x: top[1], y: -widthMm },
      { x: top[0], y: -widthMm },
    ],
    [0, 0, 0, 0],
  );
}

function blade({ blades, innerMm, outerMm, tip }: Extract<Paper, { family: 'blade' }>): Outline {
  checkCount('blades', blades, 4, 120);
  checkEdge('innerMm', innerMm);
  checkEdge('outerMm', outerMm);
  if (outerMm < innerMm + 10)
    fail(
      'outerMm',
      `The blade would reach from ${tidy(innerMm)} mm inside to ${tidy(outerMm)} mm outside: that is no blade.`,
      'Make the outer radius at least 10 mm larger than the inner one.',
    );
  const { corners, bulges } = bladeCorners(innerMm, outerMm, tip, -180 / blades - 90, 180 / blades - 90);
  return clockwise(corners, bulges);
}

/**
 * A paper given edge by edge. All edges but the last with the angles between them say everything; where more is given
 * it must agree.
 */
function customPaper(edgesMm: readonly number[], anglesDeg: readonly number[]): Outline {
  const zero = edgesMm.findIndex((edge) => !(edge > 0));
  if (zero >= 0) fail('edgesMm', `Edge ${zero + 1} has no length.`, 'Give every edge one, or leave it out.');
  const wrong = anglesDeg.findIndex((one) => !(one >= 1 && one <= 359));
  if (wrong >= 0)
    fail(
      'anglesDeg',
      `Angle ${wrong + 1} is impossible: ${tidy(itemAt(anglesDeg, wrong))}°.`,
      'Give one from 1° to 359°.',
    );
  const given = edgesMm.length;
  if (given < 2 || given > 40)
    fail(
      'edgesMm',
      `${given} edges do not make a paper.`,
      'Give from two to forty, the last may be left out.',
    );
  const isWhole = anglesDeg.length >= given - 1 && given >= 3 && anglesDeg.length !== given - 1;
  if (!isWhole && anglesDeg.length !== given - 1)
    fail(
      'anglesDeg',
      `${given} edges with ${anglesDeg.length} angles between them do not say what the paper is.`,
      `Give ${given - 1} angles (the last edge follows), or all ${given} edges with ${given} angles.`,
    );
  if (!isWhole) return checked(walk(edgesMm, anglesDeg));
  const sum = anglesDeg.slice(0, given).reduce((total, one) => total + one, 0);
  const wanted = (given - 2) * 180;
  if (Math.abs(sum - wanted) > 0.5)
    fail(
      'anglesDeg',
      `The angles of a ${given}-sided paper add up to ${wanted}°; these add up to ${tidy(sum)}°.`,
      `Change them by ${tidy(wanted - sum)}° in all, or leave out the last edge and its two angles.`,
    );
  const open = walk(edgesMm.slice(0, -1), anglesDeg.slice(0, given - 2));
  const closing = distance(lastOf(open.corners), itemAt(open.corners, 0));
  const last = lastOf(edgesMm);
  if (Math.abs(closing - last) > CLOSING_MM)
    fail(
      'edgesMm',
      `The edges do not close: the last is ${tidy(last)} mm, but ${tidy(closing)} mm are left for it.`,
      `Make it ${tidy(closing)} mm, or leave it out.`,
    );
  return checked(open);
}

function checked(raw: Outline): Outline {
  if (Math.abs(signedArea(raw)) < 1)
    fail('edgesMm', 'These edges lie on one line: the paper has no area.', 'Change an angle.');
  const crossing = findSelfCrossing(raw);
  if (crossing)
    fail('anglesDeg', 'These edges cross each other on the way round.', 'Widen an angle or shorten an edge.');
  const outline = signedArea(raw) >= 0 ? raw : reversedOutline(raw);
  const short = edgesOf(outline).findIndex((edge) => edgeLength(edge) < EDGE_MM[0]);
  if (short >= 0)
    fail(
      'edgesMm',
      `The edge that closes the paper is only ${tidy(edgeLength(edgesOf(outline)[short]!))} mm.`,
      'Change an edge or an angle.',
    );
  return outline;
}
