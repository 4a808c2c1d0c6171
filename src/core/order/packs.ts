/** A pack as it is sold: how much is in it, and its price; 0 where that is not known. */
export interface PackSize {
  readonly pack: number;
  readonly price: number;
}

/** So many packs of one size. */
export interface PackCount extends PackSize {
  readonly packs: number;
}

/** An amount that ends a hair over a pack is not another pack. */
const HAIR = 1e-9;
/** Whole packs of one size that hold an amount. */
export const packsOf = (amount: number, pack: number) => Math.max(0, Math.ceil(amount / pack - HAIR));

/** Amounts up to here are tried one by one; what is above is bought in the packs that cost least for what they hold. */
const MOST_TRIED = 200_000;

/**
 * The cheapest whole packs that hold an amount; of equal price those that hold least, of these the fewest packs. Packs without a
 * price are bought only where none has one: then the fewest things are bought.
 * Cost: amount × sizes (the covering knapsack by dynamic programming, as in any textbook). Sizes of which there are several must be whole.
 */
export function cheapestPacks(amount: number, sizes: readonly PackSize[]): readonly PackCount[] {
  const priced = sizes.filter(({ price }) => price > 0);
  const used = [...(priced.length > 0 ? priced : sizes)].sort((a, b) => b.pack - a.pack);
  const [only, ...others] = used;
  if (!only || amount <= HAIR) return [];
  if (others.length === 0) return [{ ...only, packs: packsOf(amount, only.pack) }];
  const worth = ({ pack, price }: PackSize) => (priced.length > 0 ? price : pack);
  const best = used.reduce((a, b) => (worth(b) / b.pack < worth(a) / a.pack ? b : a));
  const whole = Math.ceil(amount - HAIR);
  const bulk = whole > MOST_TRIED ? Math.ceil((whole - MOST_TRIED) / best.pack) : 0;
  const counts = new Map(used.map((size) => [size, size === best ? bulk : 0]));
  for (const size of tried(Math.max(0, whole - bulk * best.pack), used, worth))
    counts.set(size, (counts.get(size) ?? 0) + 1);
  return used.flatMap((size) => {
    const packs = counts.get(size) ?? 0;
    return packs > 0 ? [{ ...size, packs }] : [];
  });
}

/** The packs one by one. Prices are compared to a ten-thousandth, so that sums in another order are the same. */
function tried(amount: number, sizes: readonly PackSize[], worth: (size: PackSize) => number): PackSize[] {
  const [cost, held, packs] = [new Float64Array(amount + 1), new Float64Array(amount + 1), new Float64Array(amount + 1)]; // prettier-ignore
  const last = new Uint8Array(amount + 1);
  for (let want = 1; want <= amount; want++) {
    cost[want] = Infinity;
    sizes.forEach((size, index) => {
      const rest = Math.max(0, want - size.pack);
      const next = [round((cost[rest] ?? 0) + worth(size)), (held[rest] ?? 0) + size.pack, (packs[rest] ?? 0) + 1] as const; // prettier-ignore
      if (!isLess(next, [cost[want] ?? 0, held[want] ?? 0, packs[want] ?? 0])) return;
      [cost[want], held[want], packs[want]] = next;
      last[want] = index;
    });
  }
  const chosen: PackSize[] = [];
  for (let want = amount; want > 0;) {
    const size = sizes[last[want] ?? 0] as PackSize;
    chosen.push(size);
    want -= size.pack;
  }
  return chosen;
}

const round = (money: number) => Math.round(money * 1e4) / 1e4;

function isLess(a: readonly number[], b: readonly number[]): boolean {
  const at = a.findIndex((one, index) => one !== b[index]);
  return at >= 0 && (a[at] ?? 0) < (b[at] ?? 0);
}

/** What packs cost together. */
export const costOf = (packs: readonly PackCount[]) =>
  packs.reduce((sum, { packs: count, price }) => sum + count * price, 0);
