import { itemAt, lastOf } from '../lists';
import { unitKey, type Join, type Run } from '../assembly';
import { BASTE_METHODS, methodMinutes } from '../basting';
import type { SeamGraph } from '../block';
import { formatLength, type UnitSystem } from '../length';
import { distance, type Point } from '../geometry';
import { basteMoments } from '../papers';
import { stepId } from '../progress';
import { LETTER_RULE } from '../shapes';
import { counted } from '../words';
import { appliqueSteps } from './appliqueSteps';
import { endingSteps } from './endingSteps';
import { bendFolds } from './bendFolds';
import { crossingOf, halfWayOf, joinNotes, tipsOf } from './joinNotes';
import { Names, manyOf, numbersOf, shapeWord } from './names';
import { sayFolds } from './sayFolds';
import { threadChoice } from './threadChoice';
import { sayFoldWay } from './sayFoldWay';
import { unitCheck } from './unitCheck';
import type { BasteStep, JoinStep, SewnChain, Step, StepSources } from './step';

/** All work on a block in one stream: basting by kind, cloth and hand as the policy says, the joins, then appliqué and what the setting asks for. */
export function stepsOf(sources: StepSources): Step[] {
  const { graph, policy = 'all-first' } = sources;
  const joins = joinSteps(sources);
  const moments = basteMoments(joins, graph.patches.length, policy, sources.background);
  const stream = joins.flatMap((join, index): Step[] => {
    const due = moments.get(index);
    return due ? [...basteSteps(sources, due), join] : [join];
  });
  const last = moments.get(joins.length);
  return [
    ...stream,
    ...(last ? basteSteps(sources, last) : []),
    ...appliqueSteps(sources),
    ...endingSteps(sources),
  ];
}

function basteSteps(
  { graph, sorted, kindNames, rawSides = [], chosen, methods, system }: StepSources,
  due: readonly number[],
): BasteStep[] {
  const batches = new Map<string, number[]>();
  for (const patch of due) {
    const key = JSON.stringify([
      sorted.kindOf[patch],
      sorted.handOf[patch],
      graph.patches[patch]?.fabric,
      chosen.conventionOf[patch],
    ]);
    batches.set(key, [...(batches.get(key) ?? []), patch]);
  }
  return [...batches.values()].map((patches) => {
    const first = itemAt(patches, 0);
    const kind = sorted.kinds[itemAt(sorted.kindOf, first)];
    const hand = sorted.handOf[first];
    const name = kindNames[itemAt(sorted.kindOf, first)];
    const turned = hand === 'none' ? '' : `, papers ${hand}, ${LETTER_RULE}`;
    const cloth = graph.patches[first]?.fabric;
    const shape = shapeWord(name ?? 'patch');
    const shapes = patches.length === 1 ? shape : manyOf(shape);
    const bare = patches.filter((patch) => (rawSides[patch]?.length ?? 0) > 0).map((patch) => patch + 1);
    const raw =
      bare.length === 0 ? '' : ` Leave the dotted sides of ${bare.join(', ')} raw: they are covered later.`;
    const bareness = bare.length === 0 ? 'none' : bare.length < patches.length ? 'some' : 'all';
    const convention = chosen.conventionOf[first] ?? 'clockwise';
    const folds = sayFolds(itemAt(graph.patches, first).outline, convention, bareness, system);
    const method = methods[itemAt(sorted.kindOf, first)] ?? 'thread';
    return {
      kind: 'baste',
      id: stepId('baste', [patches.map((patch) => graph.patches[patch]?.id as string)]),
      text: `Baste ${patches.length} ${cloth} ${shapes}: ${name}${turned}. ${folds} ${BASTE_METHODS[method].how}${raw}`,
      minutes: kind ? methodMinutes(method, kind.outline) * patches.length : 0,
      method,
      patches,
    };
  });
}

function joinSteps({
  graph,
  plan,
  system,
  chosen,
  sorted,
  kindNames,
  pins = [],
  sewing,
}: StepSources): JoinStep[] {
  const nextOf = new Map(
    plan.joins.flatMap((join) => [join.left, join.right].map((unit) => [unitKey(unit), join] as const)),
  );
  const pinOf = new Map(pins.map((pin) => [unitKey(pin.patches), pin]));
  const names = new Names(graph, plan.joins, (patch) =>
    shapeWord(kindNames[itemAt(sorted.kindOf, patch)] ?? 'patch'),
  );
  const tips = tipsOf(graph, plan.joins);
  return plan.joins.map((join, index) => {
    const makes = `U${index + 1}`;
    const ids = (unit: readonly number[]) => unit.map((patch) => graph.patches[patch]?.id as string);
    const text = joinText(graph, join, names, system);
    const members = [...join.left, ...join.right];
    const made = unitKey(members);
    const pin = pinOf.get(made);
    const check = unitCheck(graph, join, nextOf.get(made), chosen.conventionOf);
    const thread = threadChoice(graph, join, chosen.pale, sewing);
    const [alike, whole] = [names.alike(members), names.whole(members)];
    return {
      kind: 'join',
      id: stepId('join', [ids(join.left), ids(join.right)]),
      text,
      minutes: join.minutes,
      left: join.left,
      right: join.right,
      chains: join.chains.map((chain) => sewnChain(graph, chain)),
      lengthMm: join.lengthMm,
      bends: join.bends,
      threadStarts: join.threadStarts,
      releases: join.releases,
      makes,
      papersInHand: join.papersInHand,
      notes: joinNotes(graph, join, itemAt(tips, index), thread, check, names, system),
      thread,
      check,
      folds: bendFolds(graph, join),
      carriesOn: join.carriesOn,
      ...(join.repeat ? { repeat: join.repeat } : {}),
      ...(alike ? { alike } : {}),
      ...(whole ? { whole } : {}),
      ...(join.isLaid ? { isLaid: join.isLaid } : {}),
      ...(pin ? { pin: pin.school ? { school: pin.school } : {} } : {}),
    };
  });
}

function joinText(graph: SeamGraph, join: Join, names: Names, system: UnitSystem): string {
  const units = [names.of(join.left), names.of(join.right)];
  // Of two patches the same cloth is named first wherever such a pair is made.
  const isPair = join.left.length === 1 && join.right.length === 1;
  const [left, right] = (isPair ? units.sort() : units) as [string, string];
  const made = [...join.left, ...join.right];
  const size = formatLength(join.lengthMm, system);
  const [name, whole] = [names.alike(made), names.whole(made)];
  const own = whole ? ` This makes ${whole}.` : '';
  const alike = name && join.repeat ? ` This is ${name}, ${join.repeat.copy} of ${join.repeat.copies}.` : own;
  const out = join.releases.length === 0 ? '' : ` Papers that may come out now: ${numbersOf(join.releases)}.`;
  if (join.isLaid)
    return `Lay ${right} against ${left} on the base strip: pin it along its marked line. Sew the curve down from the front, ${size}; nothing is folded.${alike}${out}`;
  return `Right sides together, sew ${right} to ${left}: ${saySeams(graph, join, size)}.${alike} ${sayStart(join, names, system)}. Knot at each intersection and at the end.${out}`;
}

/** What is sewn in a join: “one 1″ seam”, “3 seams in one straight line, 3″ in all”. */
function saySeams(graph: SeamGraph, { seams, bends, chains }: Join, size: string): string {
  const many = counted(seams.length, 'seam');
  const runs = chains.length > 1 ? ` in ${chains.length} runs (this closes a ring)` : '';
  if (bends > 0) {
    const where =
      bends === 1
        ? 'a bend: fold the papers and knot there'
        : `${bends} bends: fold the papers and knot at each`;
    return `${many}, ${size} in all${runs}, with ${where}`;
  }
  const isCurved = seams.some((seam) => isCurvedRun(itemAt(graph.seams, seam).path));
  if (isCurved) return `${size}${runs} along the curve: pin the middle and both ends, then ease`;
  if (seams.length === 1) return `one ${size} seam`;
  return runs === ''
    ? `${many} in one straight line, ${size} in all`
    : `${many}, ${size} in all${runs}, each a straight line`;
}

/** Where the thread of a join comes from. */
function sayStart({ carriesOn, threadStarts, chains }: Join, names: Names, system: UnitSystem): string {
  if (!carriesOn) return 'Start with a new thread at the dot';
  const slides = sayFoldWay(chains[0]?.slides ?? [], names, system);
  const how = slides === '' ? 'Carry the thread on from the last join' : `Keep the thread of the last join. Slide the needle, hidden, ${slides} to the dot`; // prettier-ignore
  return `${how}${threadStarts > 0 ? '; it runs out on the way: begin a new needleful there' : ''}`;
}

/** How far a run may stray from the line between its ends and still be called straight, mm. */
const STRAIGHT_MM = 0.5;

/** Whether a run of seam bows: a curve, which is eased and not sewn along a ruler. */
function isCurvedRun(path: readonly Point[]): boolean {
  const [a, b] = [itemAt(path, 0), lastOf(path)];
  const length = distance(a, b);
  if (length < STRAIGHT_MM) return path.length > 2;
  return path.some(
    ({ x, y }) => Math.abs((b.x - a.x) * (y - a.y) - (b.y - a.y) * (x - a.x)) / length > STRAIGHT_MM,
  );
}

function sewnChain(graph: SeamGraph, chain: Run): SewnChain {
  const path: Point[] = [];
  const knots: Point[] = [itemAt(graph.places, chain.startPlace)];
  for (const { seam, isForward } of chain.steps) {
    const { path: run, start, end } = itemAt(graph.seams, seam);
    const points = isForward ? run : [...run].reverse();
    path.push(...(path.length === 0 ? points : points.slice(1)));
    knots.push(itemAt(graph.places, isForward ? end.place : start.place));
  }
  const crossing = crossingOf(graph, chain);
  const locks = chain.steps.flatMap(({ seam }) => halfWayOf(itemAt(graph.seams, seam)));
  const slides = chain.slides.map(({ patch, side, from, to, lengthMm }) => ({
    patch,
    side,
    from: itemAt(graph.places, from),
    to: itemAt(graph.places, to),
    lengthMm,
  }));
  const { bends, carriesOn } = chain;
  return { path, knots, locks, bends, carriesOn, slides, ...(crossing ? { crossing } : {}) };
}
