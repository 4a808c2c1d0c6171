import { itemAt } from '../lists';
import { areaOf, perimeterOf, type Outline } from '../geometry';
import {
  compareSignatures,
  leadingRotation,
  matchingRotation,
  signatureOf,
  turnedOverSignature,
  type Signature,
} from './signature';

/** Which way round a paper lies: without a hand it equals its own reverse. */
export type Hand = 'none' | 'L' | 'R';

/** One paper to buy or cut; both hands of it are the same paper, one of them turned over. */
export interface PaperKind {
  /** `k1`, `k2`, … in the order in which the kinds first appear. */
  readonly id: string;
  /** Sides and corners clockwise, as the R hand (or the only one) lies face up. */
  readonly signature: Signature;
  /** Outline of the first patch of the kind, in its place. */
  readonly outline: Outline;
  readonly isHanded: boolean;
  readonly areaMm2: number;
  readonly perimeterMm: number;
}

export interface Sorted {
  readonly kinds: readonly PaperKind[];
  /** For each outline the index of its kind. */
  readonly kindOf: Int32Array;
  readonly handOf: readonly Hand[];
}

interface Entry {
  readonly kind: PaperKind;
  /** The other hand's signature. */
  readonly turned: Signature;
}

/** Kinds are looked up by perimeter, in drawers this wide, mm; no side may differ by more than tolerance anyway. */
const DRAWER_MM = 4;

/**
 * Sorts outlines into paper kinds and hands. R is the way up whose sides, read clockwise from the longest,
 * come in the leading order; so mirroring a drawing swaps L and R.
 * Cost: near-linear; only kinds of about the same perimeter are compared.
 */
export function groupKinds(outlines: readonly Outline[]): Sorted {
  const entries: Entry[] = [];
  const drawers = new Map<number, number[]>();
  const kindOf = new Int32Array(outlines.length);
  const handOf: Hand[] = [];
  outlines.forEach((outline, position) => {
    const signature = signatureOf(outline);
    const drawer = Math.round(perimeterOf(outline) / DRAWER_MM);
    let found = findEntry(entries, drawers, drawer, signature);
    if (!found) {
      found = { index: entries.length, hand: 'none' };
      const entry = makeEntry(outline, signature, entries.length);
      entries.push(entry);
      drawers.set(drawer, [...(drawers.get(drawer) ?? []), found.index]);
      found = { index: found.index, hand: handFor(entry, signature) ?? 'none' };
    }
    kindOf[position] = found.index;
    handOf.push(found.hand);
  });
  return { kinds: entries.map(({ kind }) => kind), kindOf, handOf };
}

function makeEntry(outline: Outline, signature: Signature, index: number): Entry {
  const turned = turnedOverSignature(outline);
  const [own, other] = [leadingRotation(signature), leadingRotation(turned)];
  const isHanded = matchingRotation(signature, turned) === undefined;
  const ownLeads = compareSignatures(own, other) <= 0;
  return {
    kind: {
      id: `k${index + 1}`,
      signature: ownLeads ? own : other,
      outline,
      isHanded,
      areaMm2: areaOf(outline),
      perimeterMm: perimeterOf(outline),
    },
    turned: ownLeads ? other : own,
  };
}

function handFor({ kind, turned }: Entry, signature: Signature): Hand | undefined {
  if (matchingRotation(kind.signature, signature) !== undefined) return kind.isHanded ? 'R' : 'none';
  return kind.isHanded && matchingRotation(turned, signature) !== undefined ? 'L' : undefined;
}

function findEntry(
  entries: readonly Entry[],
  drawers: ReadonlyMap<number, readonly number[]>,
  drawer: number,
  signature: Signature,
): { index: number; hand: Hand } | undefined {
  for (const near of [drawer, drawer - 1, drawer + 1]) {
    for (const index of drawers.get(near) ?? []) {
      const hand = handFor(itemAt(entries, index), signature);
      if (hand) return { index, hand };
    }
  }
  return undefined;
}
