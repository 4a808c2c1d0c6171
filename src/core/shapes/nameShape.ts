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
  const round = (step: number) => signature.filter(({ edgeMm }) => offGrid(edgeMm, step) < ROUND_MM).length;
  const [inch, metric] = [round(MM_PER_INCH / 8), round(0.5)];
  if (inch === metric) return system;
  return inch > metric ? 'inch' : 'metric';
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
  return signature.every(({ edgeMm }) => isSameEdge(edgeMm, (signature[0] as SignatureStep).edgeMm));
}

function degrees(value: number): string {
  return `${Math.round(value * 2) / 2}°`;
}

function nameTriangle(signature: Signature, length: LengthNamer): string {
  const edges = signature.map(({ edgeMm }) => edgeMm);
  const shortest = Math.min(...edges);
  if (isEquilateral(signature)) return `${length(shortest)} triangle`;
  const right = signature.some((step) => isAngle(step, 90));
  const apex = signature.find((step, i) =>
    isSameEdge(step.edgeMm, (signature[(i + 2) % 3] as SignatureStep).edgeMm),
  );
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
    const next = signature[(i + 1) % 4] as SignatureStep;
    return Math.abs(step.angleDeg + next.angleDeg - 180) <= SAME_ANGLE_DEG;
  });
  return isStrip ? `${length(longest)} strip with slanted ends` : `${length(longest)} four-sided shape`;
}

function namePolygon(signature: Signature, length: LengthNamer): string {
  const count = signature.length;
  const interior = 180 - 360 / count;
  const edge = (signature[0] as SignatureStep).edgeMm;
  if (isEquilateral(signature) && signature.every((step) => isAngle(step, interior))) {
    const name = REGULAR[count] ?? `${count}-sided regular shape`;
    return `${length(edge)} ${name}`;
  }
  const longest = Math.max(...signature.map(({ edgeMm }) => edgeMm));
  if (
    count === 6 &&
    signature.every(
      (step, i) =>
        isSameEdge(step.edgeMm, (signature[(i + 3) % 6] as SignatureStep).edgeMm) &&
        signature.every((corner) => isAngle(corner, 120)),
    )
  ) {
    return `${length(longest)} elongated hexagon`;
  }
  return `${length(longest)} ${count}-sided shape`;
}

function nameCurved(signature: Signature, arcs: Signature, length: LengthNamer): string {
  const isCircle =
    arcs.length === signature.length && signature.every((step) => isAngle(step, 180) && step.bulge > 0);
  const total = signature.reduce((sum, { edgeMm }) => sum + edgeMm, 0);
  if (isCircle) return `${length(total / Math.PI)} circle`;
  const longest = Math.max(...signature.map(({ edgeMm }) => edgeMm));
  if (signature.length === 3 && arcs.length === 1) return `${length(longest)} curved wedge`;
  const out = arcs.filter(({ bulge }) => bulge > 0).length;
  if (arcs.length === signature.length && out > 0 && out < arcs.length) return `${length(longest)} clamshell`;
  return `${length(longest)} curved shape, ${signature.length} sides`;
}
