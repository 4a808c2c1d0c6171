import { BACKGROUND_MORE_MM, squareCut } from '../bags';
import { boxOfPoints, toPolygon, type Box } from '../geometry';
import { formatLength } from '../length';
import { sideOf } from '../papers';
import { stepId } from '../progress';
import { fillsPlace, type BlockEnding, type BlockSide } from '../setting';
import { counted } from '../words';
import { CENTRE_AND_HOLD, sewnOn } from './appliqueSteps';
import { numbersOf } from './names';
import type { FinishStep, Step, StepSources } from './step';

/** Minutes for cutting a square and finding its middle; for trimming it; for looking the sides over. */
const [SQUARE_MINUTES, TRIM_MINUTES, LOOK_MINUTES] = [6, 3, 1];

/**
 * What is left when a block is pieced, as its setting says: it is sewn onto a square where it does not fill its place; it takes
 * along the strips and cornerstones that are given to it; papers at sides that are sewn later stay.
 */
export function endingSteps(sources: StepSources): Step[] {
  const { graph, ending, background } = sources;
  if (!ending) return [];
  const sides = outerSides(sources);
  const fits = background === undefined && fillsPlace(graph.patches, ending);
  const square = fits ? [] : background === undefined ? ontoSquare(sources, ending) : [trim(sources, ending)];
  const strips = ending.strips.length > 0 ? [stripsStep(sources, ending)] : [];
  const stay = fits ? papersAtSides(sources, ending, sides) : [];
  return graph.patches.length === 0 ? [] : [...square, ...strips, ...stay];
}

/** Each open edge with its patch and the side of the block that it lies on. */
function outerSides({ graph }: StepSources): { patch: number; side: BlockSide | undefined }[] {
  const box = boxOf(graph.patches);
  const base = Math.min(...graph.patches.map(({ layer }) => layer));
  return graph.openEdges
    .filter(({ patch }) => graph.patches[patch]?.layer === base)
    .map(({ patch, path }) => ({ patch, side: sideOf(path, box) }));
}

function boxOf(patches: StepSources['graph']['patches']): Box {
  return boxOfPoints(patches.flatMap(({ outline }) => toPolygon(outline, 0.1)));
}

/** The square is cut, the block is sewn onto it, and it is trimmed to its place. */
function ontoSquare(sources: StepSources, ending: BlockEnding): Step[] {
  const { graph, system, allowanceMm } = sources;
  const { widthMm, lengthMm } = squareCut(ending, { allowanceMm, system });
  const size = `${formatLength(widthMm, system)} × ${formatLength(lengthMm, system)}`;
  const base = Math.min(...graph.patches.map(({ layer }) => layer));
  const own = graph.patches.flatMap(({ layer }, patch) => (layer === base ? [patch] : []));
  return [
    finish(sources, `square ${size}`, SQUARE_MINUTES, `Cut a square of background cloth, ${size}: the place of this block in the top, with ${formatLength(BACKGROUND_MORE_MM, system)} all round to trim when it is done. ${CENTRE_AND_HOLD}`),
    ...sewnOn(sources, own, 'the block', 'its square'),
    trim(sources, ending),
  ]; // prettier-ignore
}

function trim(sources: StepSources, { widthMm, heightMm }: BlockEnding): FinishStep {
  const { system, allowanceMm } = sources;
  const size = (millimetres: number) => formatLength(millimetres + 2 * allowanceMm, system);
  return finish(sources, `trim ${size(widthMm)} × ${size(heightMm)}`, TRIM_MINUTES, `Trim it to ${size(widthMm)} × ${size(heightMm)}, the middle of the block in the middle: that is its place in the top with ${formatLength(allowanceMm, system)} allowance all round. With a rotary cutter cut away from yourself and close the blade.`); // prettier-ignore
}

function stripsStep(sources: StepSources, { strips, cornerstones, cornerstoneMm }: BlockEnding): FinishStep {
  const { system, sewing } = sources;
  const size = (millimetres: number) => formatLength(millimetres, system);
  const list = strips.map(
    ({ side, lengthMm, widthMm }) => `${AT_SIDE[side]} ${size(widthMm)} × ${size(lengthMm)}`,
  );
  const stones = cornerstones === 0 ? '' : ` ${cornerstones === 1 ? 'One cornerstone goes' : `${cornerstones} cornerstones go`} with ${strips.length === 1 ? 'it' : 'them'}, ${size(cornerstoneMm)} square, at the ${cornerstones === 1 ? 'corner' : 'corners'}.`; // prettier-ignore
  const lengthMm = strips.reduce((sum, strip) => sum + strip.lengthMm, 0);
  const minutes =
    (lengthMm * sewing.stitchesPerMm) / sewing.stitchesPerMinute + strips.length * sewing.threadStartMinutes;
  return finish(sources, `strips ${list.join(' ')} ${cornerstones}`, minutes, `Sew on ${strips.length === 1 ? 'the strip' : `the ${strips.length} strips`} in the bag, right sides together: ${list.join(', ')} (finished). That is this block’s share, so that none is left to the end.${stones}`); // prettier-ignore
}

const AT_SIDE: Readonly<Record<BlockSide, string>> = {
  top: 'above',
  right: 'at the right',
  bottom: 'below',
  left: 'at the left',
};

/** Which papers at the rim may come out now, and which stay for a side that is sewn later. */
function papersAtSides(
  sources: StepSources,
  { joint, strips }: BlockEnding,
  sides: readonly { readonly patch: number; readonly side: BlockSide | undefined }[],
): FinishStep[] {
  const held = new Set(joint === 'sashing' ? strips.map(({ side }) => side) : []);
  const rim = [...new Set(sides.map(({ patch }) => patch))];
  const isOut = (patch: number) =>
    sides.every((one) => one.patch !== patch || (one.side && held.has(one.side)));
  const [out, stay] = [rim.filter(isOut), rim.filter((patch) => !isOut(patch))];
  if (rim.length === 0) return [];
  const freed = out.length === 0 ? '' : ` Papers that may come out now: ${numbersOf(out)}; their sides have their strips.`; // prettier-ignore
  const later = joint === 'sashing' ? 'a strip of a neighbour' : 'the blocks beside it';
  const kept =
    stay.length === 0
      ? ''
      : ` Leave ${counted(stay.length, 'paper')} in (${numbersOf(stay)}): those sides are sewn to ${later} and must be stiff until then.`; // prettier-ignore
  return [finish(sources, `rim ${joint} ${numbersOf(out)}`, LOOK_MINUTES, `Lay the block down and look its sides over: they must be straight along a ruler.${freed}${kept}`)]; // prettier-ignore
}

function finish({ graph }: StepSources, what: string, minutes: number, text: string): FinishStep {
  const patches = graph.patches.map((_, patch) => patch);
  return { kind: 'finish', id: stepId('finish', [[what], graph.patches.map(({ id }) => id)]), text, minutes, patches }; // prettier-ignore
}
