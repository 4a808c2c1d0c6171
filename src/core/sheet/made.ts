import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import type { BagContents, BagCut } from '../bags';
import type { Hand } from '../shapes';
import type { KindView } from './views';
import { itemAt } from '../lists';

/** Lengths and angles that differ by less than half of this are those of one paper, mm and degrees. */
const STEP = 0.25;
/** Digits of a mark: two that differ are alike by chance once in 2⁴⁸. */
const DIGITS = 12;

/** Names that cloths had first, by their names now. */
type Origins = Readonly<Record<string, string>>;
const firstName = (fabric: string, origins: Origins) => (Object.hasOwn(origins, fabric) ? (origins[fabric] ?? fabric) : fabric); // prettier-ignore

/** For each patch what it is made of: its paper with its size, the way up, and its cloth, whatever that is called now. */
export function marksOf(
  patches: readonly { readonly kind: number; readonly hand: Hand; readonly fabric: string }[],
  kinds: readonly Pick<KindView, 'edgesMm' | 'anglesDeg'>[],
  origins: Origins = {},
): string[] {
  const papers = kinds.map(({ edgesMm, anglesDeg }) => [...edgesMm, ...anglesDeg].map((value) => Math.round(value / STEP)).join()); // prettier-ignore
  return patches.map(({ kind, hand, fabric }) =>
    short(JSON.stringify([kind < 0 ? 'cloth' : itemAt(papers, kind), hand, firstName(fabric, origins)])),
  );
}

/** Digests are added up in two halves that numbers hold exactly. */
const HALF = 2 ** 24;

/**
 * What steps are done with: the same as long as none of a step’s patches is another. A step done with other papers is not done any
 * more. The digests of the patches are added up, so that a step costs no more than the number of its patches.
 */
export class Making {
  readonly #digests = new Map<string, readonly [number, number]>();

  /** @param markOf what a patch is made of, by its id; nothing of patches that are no longer there */
  constructor(private readonly markOf: (id: string) => string | undefined) {}

  /** @param ids of a step’s patches, in any order */
  of(ids: readonly string[]): string {
    let [high, low] = [0, 0];
    for (const id of ids) {
      const [own, other] = this.#digestOf(id);
      high = (high + own) % HALF;
      low = (low + other) % HALF;
    }
    return [high, low].map((half) => half.toString(16).padStart(DIGITS / 2, '0')).join('');
  }

  #digestOf(id: string): readonly [number, number] {
    const known = this.#digests.get(id);
    if (known) return known;
    const digits = short(`${id}=${this.markOf(id) ?? ''}`);
    const digest = [
      parseInt(digits.slice(0, DIGITS / 2), 16),
      parseInt(digits.slice(DIGITS / 2), 16),
    ] as const;
    this.#digests.set(id, digest);
    return digest;
  }
}

/** What lies in a bag: the same as long as its papers, cuts and counts are, whatever its cloths and papers are called. */
export function bagMark({ papers, fabrics, extras }: BagContents, origins: Origins = {}): string {
  const sizes = (cuts: readonly BagCut[]) => cuts.map(({ widthMm, lengthMm, count }) => [Math.round(widthMm / STEP), Math.round(lengthMm / STEP), count]); // prettier-ignore
  const counts = papers.map(({ kind, count, spares, left, right }) => [kind.id, count, spares, left, right]);
  const cloths = fabrics.map(({ fabric, cuts }) => JSON.stringify([firstName(fabric, origins), sizes(cuts)])).sort(); // prettier-ignore
  return short(JSON.stringify([counts, cloths, sizes(extras)]));
}

function short(text: string): string {
  return bytesToHex(sha256(utf8ToBytes(text))).slice(0, DIGITS);
}
