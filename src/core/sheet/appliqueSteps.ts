import { BACKGROUND_MORE_MM, backgroundCut } from '../bags';
import { groupsOf } from '../block';
import { itemAt } from '../lists';
import { formatLength } from '../length';
import { stepId } from '../progress';
import { shapeWord } from './names';
import type { AppliqueStep, StepSources } from './step';

/** What stays of the background behind an appliqué when the rest is cut away, mm: ¼″. */
const LEFT_BEHIND_MM = 6.35;
/** Cutting away runs along the edge with scissors, mm in a minute. */
const CUT_MM_PER_MINUTE = 100;

/**
 * The upper layers sewn onto the lower ones, unit by unit. By school the papers come out before (press first, then they
 * may; pin at once) or after, from behind, where the background is cut away.
 */
export function appliqueSteps(sources: StepSources): AppliqueStep[] {
  const { graph } = sources;
  const base = Math.min(...graph.patches.map(({ layer }) => layer));
  const upper = [...new Set(graph.patches.map(({ layer }) => layer))]
    .filter((layer) => layer > base)
    .sort((a, b) => a - b);
  const sewn = upper.flatMap((layer) => {
    const own = graph.patches.flatMap((patch, index) => (patch.layer === layer ? [index] : []));
    return groupsOf(graph, own).flatMap((patches) =>
      sewnOn(sources, patches, sayPatches(sources, patches), 'the layer below'),
    );
  });
  return [...backgroundStep(sources), ...sewn];
}

/** “the Beacon circle 15”, or “patches 3, 4, 5” where there are several. */
function sayPatches({ graph, sorted, kindNames }: StepSources, patches: readonly number[]): string {
  const [first = 0, ...others] = patches;
  if (others.length > 0) return `patches ${patches.map((patch) => patch + 1).join(', ')}`;
  const kind = kindNames[itemAt(sorted.kindOf, first)];
  const shape = kind === undefined ? 'patch' : shapeWord(kind);
  return `the ${itemAt(graph.patches, first).fabric} ${shape} ${first + 1}`;
}

/** Sewing some patches onto what lies below, and cutting that away behind them where the host wants it. */
export function sewnOn(
  { graph, system, sewing, applique = {} }: StepSources,
  patches: readonly number[],
  what: string,
  onto: string,
): AppliqueStep[] {
  const { papersOut = 'before', isCutAway = papersOut === 'after' } = applique;
  const rim = graph.openEdges.filter(({ patch }) => patches.includes(patch));
  const lengthMm = rim.reduce((sum, edge) => sum + edge.lengthMm, 0);
  const ids = patches.map((patch) => graph.patches[patch]?.id as string);
  const first =
    papersOut === 'before'
      ? `Press ${what}, take the papers out, pin at once and appliqué over ${onto}`
      : `Press ${what}, leave the papers in, pin and appliqué over ${onto}`;
  const after = papersOut === 'after' && !isCutAway ? ' Take the papers out through a slit behind.' : '';
  const sew: AppliqueStep = {
    kind: 'applique',
    id: stepId('applique', [ids]),
    text: `${first}: ${formatLength(lengthMm, system)} of edge. Overlap the start by a few stitches.${after} Iron: mind your fingers and follow the product labels.`,
    minutes: lengthMm / sewing.appliqueMmPerMinute,
    patches,
    lengthMm,
  };
  if (!isCutAway) return [sew];
  const papers = papersOut === 'after' ? ' Then take the papers out.' : '';
  const cut: AppliqueStep = {
    kind: 'applique',
    id: stepId('cut-away', [ids]),
    text: `Turn the work over and cut the background away behind ${what}, leaving ${formatLength(LEFT_BEHIND_MM, system)} inside the stitches.${papers} Scissors: lift the background away from the patches before each cut.`,
    minutes: lengthMm / CUT_MM_PER_MINUTE,
    patches,
    lengthMm,
  };
  return [sew, cut];
}

/** How the middle of a background is found and how the work is held on it. */
export const CENTRE_AND_HOLD =
  'Fold it in quarters and crease: the creases cross in its middle. Lay the work on it, its own middle there. Hold it by pins, basting thread, dots of glue, or two staples paper to paper (two do not pivot). Staples out before pressing or washing; with a rotary cutter cut away from yourself and close the blade.';

/** Minutes for cutting a background, folding it and marking its middle. */
const BACKGROUND_MINUTES = 6;

/** Cutting the background and finding its middle; none where there is no background of cloth. */
function backgroundStep({ graph, system, allowanceMm, background }: StepSources): AppliqueStep[] {
  if (background === undefined) return [];
  const patch = itemAt(graph.patches, background);
  const { widthMm, lengthMm } = backgroundCut(patch, { allowanceMm, system });
  const size = `${formatLength(widthMm, system)} × ${formatLength(lengthMm, system)}`;
  return [
    {
      kind: 'applique',
      id: stepId('background', [[patch.id]]),
      text: `Cut the background ${background + 1} from ${patch.fabric}: ${size}, which leaves ${formatLength(BACKGROUND_MORE_MM, system)} all round to trim when it is done. ${CENTRE_AND_HOLD}`,
      minutes: BACKGROUND_MINUTES,
      patches: [background],
      lengthMm: 0,
    },
  ];
}
