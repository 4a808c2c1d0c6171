import { tidied, type BlockDocument, type Patch } from '../block';
import { mergeChoices } from './mergeChoices';
import { isSame, mergeLists } from './threeWay';

/** Something that both changed, each in another way. */
export interface MergeConflict {
  readonly patch: string;
  /** What both changed: `place`, `fabric`, …, or whether the patch is there at all. */
  readonly what: string;
}

export interface Merged {
  readonly document: BlockDocument;
  /** What both changed; `document` holds mine there. */
  readonly conflicts: readonly MergeConflict[];
  /** The same with theirs wherever both changed something. */
  readonly withTheirs: BlockDocument;
  /** How many patches they changed, added or took out. */
  readonly theirChanges: number;
}

const FIELDS = ['outline', 'fabric', 'layer', 'part', 'group', 'isLocked', 'edges'] as const;
const SAID: Readonly<Record<(typeof FIELDS)[number], string>> = {
  outline: 'place',
  fabric: 'cloth',
  layer: 'layer',
  part: 'part',
  group: 'group',
  isLocked: 'lock',
  edges: 'raw sides',
};

/**
 * Brings two people's edits of one block together, patch by patch and field by field, from what both began with.
 * Nothing of either is lost: what only one changed is taken; what both changed differently is listed.
 */
export function mergeDocuments(base: BlockDocument, mine: BlockDocument, theirs: BlockDocument): Merged {
  const conflicts: MergeConflict[] = [];
  let theirChanges = 0;
  const [b, m, t] = [base, mine, theirs].map(
    ({ patches }) => new Map(patches.map((one) => [one.id, one])),
  ) as [Map<string, Patch>, Map<string, Patch>, Map<string, Patch>];
  const pick = (prefersMine: boolean): Patch[] => {
    const order = [
      ...mine.patches.map(({ id }) => id),
      ...theirs.patches.map(({ id }) => id).filter((id) => !m.has(id)),
    ];
    return order.flatMap((id) => {
      const one = mergePatch(id, b.get(id), m.get(id), t.get(id), prefersMine, (what) => {
        if (prefersMine) conflicts.push({ patch: id, what });
      });
      return one ? [one] : [];
    });
  };
  const patches = pick(true);
  for (const id of new Set([...b.keys(), ...t.keys()])) if (!isSame(b.get(id), t.get(id))) theirChanges++;
  const whole = (own: readonly Patch[], prefersMine: boolean): BlockDocument => {
    const parts = mergeLists(base.parts ?? [], mine.parts ?? [], theirs.parts ?? [], prefersMine);
    const rules = mergeLists(base.rules ?? [], mine.rules ?? [], theirs.rules ?? [], prefersMine);
    return tidied({
      format: mine.format,
      patches: own,
      ...(parts.length > 0 || mine.parts || theirs.parts ? { parts } : {}),
      ...(rules.length > 0 || mine.rules || theirs.rules ? { rules } : {}),
      ...mergeChoices(base, mine, theirs),
    });
  };
  return { document: whole(patches, true), conflicts, withTheirs: whole(pick(false), false), theirChanges };
}

function mergePatch(
  _id: string,
  base: Patch | undefined,
  mine: Patch | undefined,
  theirs: Patch | undefined,
  prefersMine: boolean,
  tell: (what: string) => void,
): Patch | undefined {
  if (!mine || !theirs) {
    const left = mine ?? theirs;
    if (!base || !left) return left;
    // One took it out: gone, unless the other changed it meanwhile.
    if (isSame(base, left)) return undefined;
    tell('whether it is there');
    return prefersMine === (mine !== undefined) ? left : undefined;
  }
  let merged: Patch = mine;
  for (const field of FIELDS) {
    const [was, own, other] = [base?.[field], mine[field], theirs[field]];
    if (isSame(own, other) || isSame(was, other)) continue;
    const isMineUnchanged = base !== undefined && isSame(was, own);
    if (!isMineUnchanged) tell(SAID[field]);
    if (isMineUnchanged || !prefersMine) merged = withField(merged, field, other);
  }
  return merged;
}

function withField(patch: Patch, field: (typeof FIELDS)[number], value: unknown): Patch {
  const { [field]: _was, ...rest } = patch;
  return (value === undefined ? rest : { ...rest, [field]: value }) as Patch;
}
