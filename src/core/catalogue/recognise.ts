import { itemAt, lastOf } from '../lists';
import { InvalidInputError } from '../errors';
import { edgeLength, edgesOf, isStraight, type Outline } from '../geometry';
import { MM_PER_INCH, type UnitSystem } from '../length';
import { resemblance, signatureOf, type SignatureStep } from '../shapes';
import { makePaper } from './makePaper';
import type { Paper } from './paper';

/** A drawn outline this near to a catalogue paper is taken for it, mm. */
export const RECOGNISED_MM = 1;
/** A drawn outline nearer than this needs no snapping, mm. */
export const EXACT_MM = 0.05;

export interface Recognised {
  readonly paper: Paper;
  /** The paper laid on the drawn outline as well as can be. */
  readonly laidOn: Outline;
  /** Greatest distance between the two, mm. */
  readonly offMm: number;
}

/**
 * Sizes in which papers are made, by the unit that a project works in, and how much nearer a drawing must come to one that
 * is less usual there, mm.
 */
const GRIDS: Readonly<Record<UnitSystem, readonly { readonly stepMm: number; readonly oddMm: number }[]>> = {
  inch: [
    { stepMm: MM_PER_INCH / 8, oddMm: 0 },
    { stepMm: 2.5, oddMm: 0.1 },
    { stepMm: 1, oddMm: 0.25 },
  ],
  metric: [
    { stepMm: 5, oddMm: 0 },
    { stepMm: 1, oddMm: 0.05 },
    { stepMm: 2.5, oddMm: 0.1 },
    { stepMm: MM_PER_INCH / 8, oddMm: 0.4 },
  ],
};
/** The same for an angle that no common paper has, mm. */
const ODD_ANGLE_MM = 0.5;
/** Angles that papers are made with, degrees; others to the nearest degree. */
const COMMON_ANGLES = [22.5, 30, 36, 45, 60, 72, 75, 90, 120, 135] as const;

/**
 * Finds the catalogue paper that an outline was meant to be: the nearest among those whose sizes are round in
 * eighths of an inch or in millimetres and whose angles are common; of those that fit about as well the one that is round
 * in the project's own unit. What fits exactly is meant, whatever its unit.
 * @param exactMm what differs by no more than this fits exactly, mm
 * @returns undefined when none comes within 1 mm
 */
export function recognise(outline: Outline, system: UnitSystem, exactMm = EXACT_MM): Recognised | undefined {
  let best: Recognised | undefined;
  let least = Infinity;
  for (const { paper, oddMm } of candidates(outline, system)) {
    const made = tryMake(paper);
    if (!made) continue;
    const { distanceMm, laidOn } = resemblance(outline, made);
    // What fits exactly is meant; of what only nearly fits the more usual paper is.
    const cost = distanceMm <= exactMm ? distanceMm - RECOGNISED_MM : distanceMm + oddMm;
    // No paper is sold with such an angle: what is only near it was meant to be something else.
    const isOdd = oddMm >= ODD_ANGLE_MM && distanceMm > exactMm;
    if (isOdd || distanceMm > RECOGNISED_MM || cost >= least) continue;
    [best, least] = [{ paper, laidOn, offMm: distanceMm }, cost];
  }
  return best;
}

function tryMake(paper: Paper): Outline | undefined {
  try {
    return makePaper(paper);
  } catch (error) {
    if (error instanceof InvalidInputError) return undefined;
    throw error;
  }
}

interface Candidate {
  readonly paper: Paper;
  readonly oddMm: number;
}

function candidates(outline: Outline, system: UnitSystem): Candidate[] {
  const steps = signatureOf(outline);
  const isCurved = edgesOf(outline).some((edge) => !isStraight(edge));
  return GRIDS[system].flatMap(({ stepMm, oddMm }) => {
    const round = (millimetres: number) => Math.round(millimetres / stepMm) * stepMm;
    const papers = isCurved ? curved(steps, outline, round) : straight(steps, round);
    return papers.map((paper) => ({ paper, oddMm: oddMm + (hasOddAngle(paper) ? ODD_ANGLE_MM : 0) }));
  });
}

type Round = (millimetres: number) => number;

function mean(values: readonly number[]): number {
  return values.reduce((sum, value) => sum + value, 0) / values.length;
}

function straight(steps: readonly SignatureStep[], round: Round): Paper[] {
  const edges = steps.map(({ edgeMm }) => edgeMm);
  const angles = steps.map(({ angleDeg }) => angleDeg);
  const edgeMm = round(mean(edges));
  const sorted = [...edges].sort((a, b) => a - b);
  const [least, most] = [round(itemAt(sorted, 0)), round(lastOf(sorted))];
  const papers: Paper[] = [{ family: 'regular', sides: steps.length, edgeMm }];
  const acute = Math.min(...angles);
  switch (steps.length) {
    case 3:
      papers.push(
        { family: 'half-square-triangle', legMm: round((itemAt(sorted, 0) + itemAt(sorted, 1)) / 2) },
        ...[0, 1, 2].flatMap((i): Paper[] => {
          const legMm = round((itemAt(edges, i) + itemAt(edges, (i + 2) % 3)) / 2);
          return near(itemAt(angles, i)).map((apexDeg) => ({
            family: 'isosceles-triangle',
            legMm,
            apexDeg,
          }));
        }),
      );
      break;
    case 4:
      papers.push(
        ...near(acute).map((angleDeg): Paper => ({ family: 'diamond', edgeMm, angleDeg })),
        { family: 'half-hexagon', edgeMm: round(mean(sorted.slice(0, 3))) },
        { family: 'rectangle', widthMm: least, lengthMm: most },
        ...kites(edges, angles, round),
      );
      break;
    case 5:
      papers.push({ family: 'jewel', edgeMm: round(mean(sorted.slice(0, 3))) });
      break;
    case 6:
      papers.push(...[0, 1, 2].flatMap((i) => elongated(edges, angles, i, round)));
      break;
  }
  return papers;
}

function kites(edges: readonly number[], angles: readonly number[], round: Round): Paper[] {
  return [0, 1, 2, 3].flatMap((i) => {
    const edgeMm = round((itemAt(edges, i) + itemAt(edges, (i + 3) % 4)) / 2);
    return near(itemAt(angles, i)).flatMap((tipDeg) =>
      near(itemAt(angles, (i + 2) % 4)).map((footDeg): Paper => ({
        family: 'kite',
        edgeMm,
        tipDeg,
        footDeg,
      })),
    );
  });
}

function elongated(edges: readonly number[], angles: readonly number[], i: number, round: Round): Paper[] {
  const at = (k: number) => itemAt(edges, (i + k) % 6);
  // Corner i + 1 lies between two short edges: it is the tip.
  const [edgeMm, sideMm] = [round(mean([at(0), at(1), at(3), at(4)])), round(mean([at(2), at(5)]))];
  return near(itemAt(angles, (i + 1) % 6)).map((tipDeg) => ({
    family: 'elongated-hexagon',
    edgeMm,
    sideMm,
    tipDeg,
  }));
}

function curved(steps: readonly SignatureStep[], outline: Outline, round: Round): Paper[] {
  if (steps.length !== 3) return [];
  const edges = edgesOf(outline);
  const arcs = edges.filter((edge) => !isStraight(edge));
  if (arcs.length === 3) {
    const out = arcs.find(({ bulge }) => bulge > 0);
    return out ? [{ family: 'clamshell', widthMm: round((edgeLength(out) / Math.PI) * 2) }] : [];
  }
  if (arcs.length !== 1) return [];
  const radiusMm = round(mean(edges.filter(isStraight).map(edgeLength)));
  const apex = Math.min(...steps.map(({ angleDeg }) => angleDeg));
  return [{ family: 'wedge', wedges: Math.round(360 / apex), radiusMm }];
}

function hasOddAngle(paper: Paper): boolean {
  const angles = Object.entries(paper).flatMap(([name, value]) =>
    name.endsWith('Deg') ? [Number(value)] : [],
  );
  return angles.some((angle) => !COMMON_ANGLES.some((one) => one === angle));
}

/** The common angle next to one, and the whole degree. */
function near(degrees: number): number[] {
  const common = COMMON_ANGLES.filter((one) => Math.abs(one - degrees) <= 2);
  return [...new Set([...common, Math.round(degrees)])];
}
