import { itemAt } from '../lists';
import { MM_PER_INCH, formatLength, type UnitSystem } from '../length';
import { SAME_LENGTH_MM } from '../geometry';
import { SAME_ANGLE_DEG, type Signature, type SignatureStep } from './signature';

const REGULAR: Readonly<Record<number, string>> = {
  3: 'triangle',
  4: 'square',
  5: 'pentagon',
  6: 'hexagon',
  8: 'octagon',
};

/**
 * Names a paper as the craft does: size by edge, then shape, for example `1″ hexagon` or `1½″ 60° diamond`.
 * @param system the unit to use where the size is a round figure in neither or in both
 */
export function nameShape(signature: Signature, system: UnitSystem): string {
  const own = roundSystem(signature, system);
  const length = (millimetres: number) => formatLength(millimetres, own);
  const arcs = signature.filter(({ bulge }) => bulge !== 0);
  if (arcs.length > 0) return nameCurved(signature, arcs, length);
  const namer =
    signature.length === 3 ? nameTriangle : signature.length === 4 ? nameQuadrilateral : namePolygon;
  return namer(signature, length);
}

type LengthNamer = (millimetres: number) => string;

/** How far from a round figure an edge may be and still count as one, mm. */
const ROUND_MM = 0.03;

/** Papers are named in the unit in which more of their edges are round (⅛″ or 0.5 mm), whichever the project works in. */
function roundSystem(signature: Signature, system: UnitSystem): UnitSystem {
  // Of a curved side it is the straight way across that is made round.
  const sizes = signature.map((step) => (step.bulge === 0 ? step.edgeMm : chordOf(step)));
  const round = (step: number) => sizes.filter((size) => offGrid(size, step) < ROUND_MM).length;
  const [inch, metric] = [round(MM_PER_INCH / 8), round(0.5)];
  const [own, other] = system === 'inch' ? [inch, metric] : [metric, inch];
  // A single edge may be round in the other unit by chance; half of them are not.
  if (other <= own || other * 2 < sizes.length) return system;
  return system === 'inch' ? 'metric' : 'inch';
}

function offGrid(value: number, step: number): number {
  return Math.abs(value - Math.round(value / step) * step);
}

function isSameEdge(a: number, b: number): boolean {
  return Math.abs(a - b) <= SAME_LENGTH_MM;
}

function isAngle(step: SignatureStep, degrees: number): boolean {
  return Math.abs(step.angleDeg - degrees) <= SAME_ANGLE_DEG;
}

function isEquilateral(signature: Signature): boolean {
  return signature.every(({ edgeMm }) => isSameEdge(edgeMm, itemAt(signature, 0).edgeMm));
}

function degrees(value: number): string {
  return `${Math.round(value * 2) / 2}°`;
}

function nameTriangle(signature: Signature, length: LengthNamer): string {
  const edges = signature.map(({ edgeMm }) => edgeMm);
  const shortest = Math.min(...edges);
  if (isEquilateral(signature)) return `${length(shortest)} triangle`;
  const right = signature.some((step) => isAngle(step, 90));
  const apex = signature.find((step, i) => isSameEdge(step.edgeMm, itemAt(signature, (i + 2) % 3).edgeMm));
  if (right && apex) return `${length(shortest)} half-square triangle`;
  if (apex) return `${length(apex.edgeMm)} isosceles triangle, ${degrees(apex.angleDeg)}`;
  const sizes = [...edges].sort((a, b) => a - b).map(length);
  return right ? `${sizes[0]} × ${sizes[1]} right triangle` : `${sizes.join(' × ')} triangle`;
}

function nameQuadrilateral(signature: Signature, length: LengthNamer): string {
  const [a, b, c, d] = signature as unknown as [SignatureStep, SignatureStep, SignatureStep, SignatureStep];
  const acute = Math.min(...signature.map(({ angleDeg }) => angleDeg));
  if (signature.every((step) => isAngle(step, 90))) {
    if (isEquilateral(signature)) return `${length(a.edgeMm)} square`;
    const [short, long] = [a.edgeMm, b.edgeMm].sort((p, q) => p - q) as [number, number];
    return `${length(short)} × ${length(long)} rectangle`;
  }
  if (isEquilateral(signature)) return `${length(a.edgeMm)} ${degrees(acute)} diamond`;
  if (isSameEdge(a.edgeMm, c.edgeMm) && isSameEdge(b.edgeMm, d.edgeMm)) {
    const [short, long] = [a.edgeMm, b.edgeMm].sort((p, q) => p - q) as [number, number];
    return `${length(short)} × ${length(long)} slanted strip, ${degrees(acute)}`;
  }
  return nameTrapezoidOrKite(signature, length);
}

function nameTrapezoidOrKite(signature: Signature, length: LengthNamer): string {
  for (let i = 0; i < 4; i++) {
    const [a, b, c, d] = [0, 1, 2, 3].map((k) => signature[(i + k) % 4]) as SignatureStep[] as [
      SignatureStep,
      SignatureStep,
      SignatureStep,
      SignatureStep,
    ];
    if (isSameEdge(a.edgeMm, b.edgeMm) && isSameEdge(c.edgeMm, d.edgeMm)) {
      // The corner between the two equal sides a, b is where b starts; the opposite tip is where d starts.
      const tips = [b.angleDeg, d.angleDeg]
        .sort((p, q) => p - q)
        .map(degrees)
        .join('/');
      return `${length(Math.max(a.edgeMm, c.edgeMm))} kite, ${tips}`;
    }
    const isIsosceles = isSameEdge(b.edgeMm, d.edgeMm) && Math.abs(a.angleDeg - b.angleDeg) <= SAME_ANGLE_DEG;
    if (!isIsosceles || a.edgeMm < c.edgeMm) continue;
    const isHalfHexagon =
      isAngle(a, 60) &&
      isSameEdge(c.edgeMm, b.edgeMm) &&
      Math.abs(a.edgeMm - 2 * b.edgeMm) <= 2 * SAME_LENGTH_MM;
    return isHalfHexagon
      ? `${length(b.edgeMm)} half hexagon`
      : `${length(c.edgeMm)} × ${length(a.edgeMm)} trapezoid, ${degrees(a.angleDeg)}`;
  }
  const longest = Math.max(...signature.map(({ edgeMm }) => edgeMm));
  const isStrip = signature.some((step, i) => {
    const next = itemAt(signature, (i + 1) % 4);
    return Math.abs(step.angleDeg + next.angleDeg - 180) <= SAME_ANGLE_DEG;
  });
  return isStrip ? `${length(longest)} strip with slanted ends` : `${length(longest)} four-sided shape`;
}

function namePolygon(signature: Signature, length: LengthNamer): string {
  const count = signature.length;
  const interior = 180 - 360 / count;
  const edge = itemAt(signature, 0).edgeMm;
  if (isEquilateral(signature) && signature.every((step) => isAngle(step, interior))) {
    const name = REGULAR[count] ?? `${count}-sided regular shape`;
    return `${length(edge)} ${name}`;
  }
  const longest = Math.max(...signature.map(({ edgeMm }) => edgeMm));
  if (count === 5) {
    const name = namePentagon(signature, length);
    if (name) return name;
  }
  if (count === 6) {
    const name = nameElongated(signature, length);
    if (name) return name;
  }
  return `${length(longest)} ${count}-sided shape`;
}

/** Five sides that are the same from either side of a tip: a jewel, or a blade with a pointed tip. */
function namePentagon(signature: Signature, length: LengthNamer): string | undefined {
  for (let tip = 0; tip < 5; tip++) {
    const side = (k: number) => itemAt(signature, (tip + k) % 5);
    if (!isSameEdge(side(0).edgeMm, side(4).edgeMm) || !isSameEdge(side(1).edgeMm, side(3).edgeMm)) continue;
    const isJewel = isAngle(side(0), 60) && isAngle(side(1), 120) && isAngle(side(2), 120);
    if (isJewel && isSameEdge(side(1).edgeMm, side(2).edgeMm)) return `${length(side(1).edgeMm)} jewel`;
    if (side(1).edgeMm > side(0).edgeMm && side(2).angleDeg > 89)
      return `${length(side(1).edgeMm)} pointed blade`;
  }
  return undefined;
}

/** Four equal edges at two tips, two equal sides between them. */
function nameElongated(signature: Signature, length: LengthNamer): string | undefined {
  for (let tip = 0; tip < 3; tip++) {
    const side = (k: number) => itemAt(signature, (tip + k) % 6);
    const isEven = [2, 3, 5].every((k) => isSameEdge(side(0).edgeMm, side(k).edgeMm));
    const isTwoFold = isSameEdge(side(1).edgeMm, side(4).edgeMm) && isSameAngle(side(0), side(3));
    if (!isEven || !isTwoFold || side(1).edgeMm <= side(0).edgeMm) continue;
    const angle = isAngle(side(0), 120) ? '' : `, ${degrees(side(0).angleDeg)}`;
    return `${length(side(0).edgeMm)} × ${length(side(1).edgeMm)} elongated hexagon${angle}`;
  }
  return undefined;
}

function isSameAngle(a: SignatureStep, b: SignatureStep): boolean {
  return Math.abs(a.angleDeg - b.angleDeg) <= SAME_ANGLE_DEG;
}

function nameCurved(signature: Signature, arcs: Signature, length: LengthNamer): string {
  const isCircle =
    arcs.length === signature.length && signature.every((step) => isAngle(step, 180) && step.bulge > 0);
  const total = signature.reduce((sum, { edgeMm }) => sum + edgeMm, 0);
  if (isCircle) return `${length(total / Math.PI)} circle`;
  const longest = Math.max(...signature.map(({ edgeMm }) => edgeMm));
  const [bow] = arcs.filter(({ bulge }) => bulge > 0);
  if (bow && arcs.length === 1) return nameBowed(signature, bow, length);
  if (bow && arcs.length === signature.length && signature.some(({ bulge }) => bulge < 0))
    return `${length(chordOf(bow))} clamshell`;
  return `${length(longest)} curved shape, ${signature.length} sides`;
}

/** Straight but for one side that bows out: a wedge of a disc, or a blade with a round tip. */
function nameBowed(signature: Signature, bow: SignatureStep, length: LengthNamer): string {
  const at = signature.indexOf(bow);
  const side = (k: number) => itemAt(signature, (at + k) % signature.length);
  const reach = length(side(1).edgeMm);
  if (signature.length === 3 && isSameEdge(side(1).edgeMm, side(2).edgeMm)) {
    const count = 360 / side(2).angleDeg;
    const isEven = Math.abs(count - Math.round(count)) < 0.1;
    return isEven
      ? `${reach} wedge, 1/${Math.round(count)} of a disc`
      : `${reach} wedge, ${degrees(side(2).angleDeg)}`;
  }
  if (signature.length === 4 && isSameEdge(side(1).edgeMm, side(3).edgeMm))
    return `${reach} round-tipped blade`;
  return `${length(Math.max(...signature.map(({ edgeMm }) => edgeMm)))} curved shape, ${signature.length} sides`;
}

/** Straight way between the ends of a curved side, from its length and bow, mm. */
function chordOf({ edgeMm, bulge }: SignatureStep): number {
  const sweep = 4 * Math.atan(Math.abs(bulge));
  return ((2 * edgeMm) / sweep) * Math.sin(sweep / 2);
}
