import { itemAt } from '../lists';
import type { SeamGraph } from '../block';
import { STRAIGHT_DEG } from '../geometry';
import { threadOn } from '../thread';
import { turnAt } from './interface';
import { bendMinutesAt } from './joinMinutes';
import { aroundPatch } from './rims';
import type { SewingSettings } from './sewingSettings';

/** Sewing a patch in one run to those of its neighbours that are there: which they are is a mask, bit i its i-th seam going round. */
export interface Touch {
  /** Places where the run begins and ends, either way round. */
  readonly start: number;
  readonly end: number;
  readonly threadMm: number;
  /** Laying together, stitches and folds; without the thread’s beginning and for a light hand. */
  readonly minutes: number;
  /** By how many more seams lead out of the piece to patches of the unit. */
  readonly rim: number;
}

/** A seam of a patch, in the order in which its outline comes to them. */
interface Side {
  /** Number of the neighbour within the unit; −1 outside. */
  readonly other: number;
  readonly from: number;
  readonly to: number;
  readonly seam: number;
  readonly threadMm: number;
  readonly minutes: number;
  /** Whether the next seam goes on where this one ends; what passing from one to the other takes, and whether that is a bend too many. */
  readonly goesOn: boolean;
  readonly turnMinutes: number;
  readonly isDear: boolean;
}

/** Sides are bits of one number. */
const MOST_SIDES = 30;

/** Seams whose threads differ by less are alike, mm. */
const SAME_THREAD_MM = 20;

/** Thread of a seam, mm, in the steps by which seams are told apart. */
export function threadSteps(threadMm: number): number {
  return Math.round(threadMm / SAME_THREAD_MM);
}

/** The bit of a mask that says that a patch is in itself. */
export const IS_IN = 1 << 30;

/** How each patch of a unit can be sewn to some of its neighbours; each way is worked out once. */
export class Touches {
  /** For each patch its neighbours within the unit by the bits of its mask; −1 outside. */
  readonly others: readonly (readonly number[])[];
  /** For each of those which of that neighbour’s seams it is. */
  readonly backs: readonly (readonly number[])[];
  /** Whether the paper of a patch stays in whatever is sewn within the unit. */
  readonly keeps: readonly boolean[];
  /** For each patch the mask by which it is in with all its neighbours, so that its paper comes out; −1 where that stays in. */
  readonly fullMasks: readonly number[];
  /** Whether no patch has too many sides. */
  readonly isUsable: boolean;
  readonly #sides: readonly (readonly Side[])[];
  readonly #known: readonly Map<number, Touch | null>[];
  readonly #alignMinutes: number;

  constructor(graph: SeamGraph, members: readonly number[], settings: SewingSettings) {
    const number = new Map(members.map((patch, i) => [patch, i] as const));
    this.#sides = members.map((patch) => sidesOf(graph, patch, number, settings));
    this.others = this.#sides.map((sides) => sides.map(({ other }) => other));
    this.backs = this.#sides.map((sides) => sides.map(({ seam, other }) => (this.#sides[other] ?? []).findIndex((back) => back.seam === seam))); // prettier-ignore
    const isOpen = new Set(graph.openEdges.map(({ patch }) => patch));
    this.keeps = members.map((patch, i) => isOpen.has(patch) || itemAt(this.others, i).includes(-1));
    this.fullMasks = this.others.map(({ length }, i) => (this.keeps[i] ? -1 : IS_IN + 2 ** length - 1));
    this.isUsable = this.#sides.every(({ length }) => length <= MOST_SIDES);
    this.#known = members.map(() => new Map());
    this.#alignMinutes = settings.alignMinutes;
  }

  /** @returns undefined where it would take more than one run, or a bend that another order spares */
  of(patch: number, mask: number): Touch | undefined {
    const known = itemAt(this.#known, patch);
    let touch = known.get(mask);
    if (touch === undefined) known.set(mask, (touch = this.#lookAt(itemAt(this.#sides, patch), mask)));
    return touch ?? undefined;
  }

  /** Tells units apart that cannot be made in one order: by who lies next to whom, and how long the seams are. */
  signature(): string {
    return this.#sides
      .map((sides) =>
        sides
          .map(({ other, goesOn, isDear, threadMm }) => [other, +goesOn, +isDear, threadSteps(threadMm)].join())
          .join(' '),
      )
      .join(';');
  } // prettier-ignore

  #lookAt(sides: readonly Side[], mask: number): Touch | null {
    const isSewn = (i: number) => ((mask >> ((i + sides.length) % sides.length)) & 1) === 1;
    let [runs, start, end, threadMm, minutes] = [0, -1, -1, 0, this.#alignMinutes];
    for (const [i, side] of sides.entries()) {
      if (!isSewn(i)) continue;
      threadMm += side.threadMm;
      minutes += side.minutes;
      if (side.goesOn && isSewn(i + 1)) {
        if (side.isDear) return null;
        minutes += side.turnMinutes;
      } else {
        runs += 1;
        end = side.to;
      }
      const before = itemAt(sides, (i + sides.length - 1) % sides.length);
      if (!(before.goesOn && isSewn(i - 1))) start = side.from;
    }
    const rim = sides.reduce((sum, { other }, i) => sum + (other < 0 ? 0 : isSewn(i) ? -1 : 1), 0);
    return runs === 1 ? { start, end, threadMm, minutes, rim } : null;
  }
}

function sidesOf(
  graph: SeamGraph,
  patch: number,
  number: ReadonlyMap<number, number>,
  settings: SewingSettings,
): Side[] {
  const around = aroundPatch(graph, patch);
  return around.map(({ seam, from, to }, i): Side => {
    const { patches, lengthMm, innerTurns } = itemAt(graph.seams, seam);
    const next = itemAt(around, (i + 1) % around.length);
    const goesOn = around.length > 1 && next.from === to;
    const turnDeg = goesOn ? turnAt(graph, to, seam, next.seam) : 0;
    const isBend = turnDeg > STRAIGHT_DEG;
    const folding = innerTurns.reduce((sum, turn) => sum + bendMinutesAt(turn, settings), 0);
    return {
      seam,
      other: number.get(patches[0] === patch ? patches[1] : patches[0]) ?? -1,
      from,
      to,
      threadMm: threadOn(lengthMm, settings.stitchesPerMm),
      minutes: (lengthMm * settings.stitchesPerMm) / settings.stitchesPerMinute + folding,
      goesOn,
      turnMinutes: isBend ? bendMinutesAt(turnDeg, settings) : 0,
      isDear: isBend && itemAt(graph.hasLine, to),
    };
  });
}
