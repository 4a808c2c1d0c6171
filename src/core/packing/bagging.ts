/** So many receipts of bags that were handed over are listed, the latest; older ones are found by their maker's name. */
export const MOST_RECEIPTS = 200;

/** How the bags of a drop are made. */
export interface Bagging {
  /** A bag for each block, or one for all blocks of the drop, each block in a bag within it. */
  readonly per: 'block' | 'drop';
  /** Whether units that are made again come in inner bags of their own. */
  readonly isInner: boolean;
}

/** How bags are made as a rule, and of which drops otherwise, by their ids. */
export interface BaggingChoices {
  readonly usual: Bagging;
  readonly drops: Readonly<Record<string, Bagging>>;
}

export const USUAL_BAGGING: BaggingChoices = { usual: { per: 'block', isInner: false }, drops: {} };

export interface DropOfBlocks {
  readonly id: string;
  readonly title: string;
  /** Ids. */
  readonly blocks: readonly string[];
}

/** A bag as it is handed over: of one block, or of a drop with a bag for each of its blocks within. */
export interface OuterBag {
  /** The drop’s id, or the block’s. */
  readonly key: string;
  /** The drop that it is the bag of; undefined where it holds one block. */
  readonly drop: string | undefined;
  readonly blocks: readonly string[];
  readonly isInner: boolean;
}

/**
 * The bags of one maker, in the order in which they are handed out: every block that they sew lies in exactly one.
 * A block that two drops name comes with the first; one of no drop has a bag of its own, made as bags are as a rule.
 * @param order all blocks in the order in which they are handed out
 * @param skips blocks that the maker does not sew
 */
export function outerBags(
  order: readonly string[],
  drops: readonly DropOfBlocks[],
  { usual, drops: own }: BaggingChoices,
  skips: readonly string[] = [],
): OuterBag[] {
  const bags = new Map<string, OuterBag>();
  for (const block of order) {
    if (skips.includes(block)) continue;
    const drop = drops.find(({ blocks }) => blocks.includes(block));
    const { per, isInner } = (drop && own[drop.id]) ?? usual;
    const isOfDrop = per === 'drop' && drop !== undefined;
    const key = isOfDrop ? drop.id : block;
    const before = bags.get(key);
    bags.set(key, { key, drop: isOfDrop ? drop.title : undefined, blocks: [...(before?.blocks ?? []), block], isInner }); // prettier-ignore
  }
  // What holds one block alone is that block’s bag.
  return [...bags.values()].map((bag) => (bag.blocks.length > 1 ? bag : { ...bag, key: bag.blocks[0] ?? bag.key, drop: undefined })); // prettier-ignore
}

/** What the account of a project's bags looks at. */
export interface BagAccountFacts {
  /** With how many pieces the setting gives each: strips, cornerstones, squares. */
  readonly blocks: readonly { readonly id: string; readonly name: string; readonly settingPieces: number }[];
  readonly drops: readonly DropOfBlocks[];
  readonly makers: readonly { readonly name: string; readonly skips: readonly string[] }[];
}

/** What is in no bag, or named for two, in sentences; nothing where everything lies in exactly one. */
export function bagAccount({ blocks, drops, makers }: BagAccountFacts): string[] {
  const said: string[] = [];
  for (const { id, name, settingPieces } of blocks) {
    const named = drops.filter(({ blocks: own }) => own.includes(id)).map(({ title }) => title);
    if (drops.length > 0 && named.length === 0)
      said.push(`${name} is in no drop: it has a bag of its own, and nothing says when it is handed out.`);
    const [first, ...others] = named;
    if (first !== undefined && others.length > 0)
      said.push(`${name} is in ${named.join(' and ')}: it is packed once, with ${first}.`);
    const without = makers.filter(({ skips }) => skips.includes(id)).map((maker) => maker.name);
    if (makers.length > 0 && without.length === makers.length)
      said.push(`Nobody sews ${name}: it is in no bag.`);
    else if (without.length > 0 && settingPieces > 0)
      said.push(
        `${without.join(', ')} ${without.length === 1 ? 'does' : 'do'} not sew ${name}: what the setting gives to it (${settingPieces === 1 ? '1 piece' : `${settingPieces} pieces`}: strips, cornerstones or its square) is in none of their bags. Hand it out apart if their top has that place.`,
      );
  }
  return said;
}
