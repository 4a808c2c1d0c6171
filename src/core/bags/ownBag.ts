import { formatLength, roundUpToGrid, type UnitSystem } from '../length';
import { counted } from '../words';
import type { BagContents, BagCut, BagSettings } from './bagContents';
import type { InnerBags, InnerLine } from './innerBags';

/** What a maker chose for their own bags. */
export interface BagChoice {
  /** How many of each block they make, a top of each; 1 as a rule. */
  readonly sets: number;
  /** The allowance that their cloth is cut with, mm; null for the project’s. */
  readonly allowanceMm: number | null;
  /** Cloths in place of others, by their names. */
  readonly cloths: Readonly<Record<string, string>>;
}

/** The cloths of a bag. */
interface WithCloths {
  readonly fabrics: readonly { readonly fabric: string }[];
}

/** How far a choice goes: sets, and mm of allowance. */
export const CHOICE_LIMITS = { sets: { least: 1, most: 9 }, allowanceMm: { least: 1, most: 40 } } as const;

type CutSettings = Pick<BagSettings, 'allowanceMm' | 'system'>;

/**
 * A maker’s own bag: so many of everything, spares too, and cloth cut with their own allowance. A piece grows by the difference on
 * every side and is rounded up to the cutting grid again: it may come out one step of the grid larger than it had to, never smaller.
 */
export function ownBag(
  bag: BagContents,
  { sets, allowanceMm, cloths }: BagChoice,
  settings: CutSettings,
): BagContents {
  const moreMm = 2 * ((allowanceMm ?? settings.allowanceMm) - settings.allowanceMm);
  if (sets === 1 && moreMm === 0 && othersIn(bag, cloths).length === 0) return bag;
  const cut = (own: BagCut): BagCut => ({
    ...own,
    widthMm: grown(own.widthMm, moreMm, settings.system),
    lengthMm: grown(own.lengthMm, moreMm, settings.system),
    count: own.count * sets,
  });
  return {
    papers: bag.papers.map((own) => ({
      ...own,
      count: own.count * sets,
      spares: own.spares * sets,
      left: own.left * sets,
      right: own.right * sets,
    })),
    fabrics: inPlace(bag.fabrics, cloths).map(({ fabric, cuts }) => ({ fabric, cuts: cuts.map(cut) })),
    extras: bag.extras.map(cut),
  };
}

/** Of the cloths that a maker has in place of others those that concern a bag. */
const othersIn = ({ fabrics }: WithCloths, cloths: BagChoice['cloths']) =>
  Object.entries(cloths).filter(([cloth]) => fabrics.some(({ fabric }) => fabric === cloth));

/** The same pieces of other cloths; where that is one of the bag already, its pieces of one size are counted together. */
function inPlace(fabrics: BagContents['fabrics'], cloths: BagChoice['cloths']): BagContents['fabrics'] {
  const byName = new Map<string, BagCut[]>();
  for (const { fabric, cuts } of fabrics) {
    const name = cloths[fabric] ?? fabric;
    const own = byName.get(name) ?? [];
    for (const cut of cuts) {
      const same = own.findIndex(({ kindName, widthMm, lengthMm }) => kindName === cut.kindName && widthMm === cut.widthMm && lengthMm === cut.lengthMm);
      if (same < 0) own.push(cut);
      else own[same] = { ...cut, count: cut.count + (own[same]?.count ?? 0) };
    }
    byName.set(name, own);
  }
  return [...byName].map(([fabric, cuts]) => ({ fabric, cuts })).sort((a, b) => (a.fabric < b.fabric ? -1 : 1));
} // prettier-ignore

const grown = (mm: number, moreMm: number, system: UnitSystem) =>
  moreMm === 0 ? mm : roundUpToGrid(mm + moreMm, system);

/** The inner bags of a maker’s own bag: so many of each. */
export function ownInner({ units, rest, spares }: InnerBags, { sets }: BagChoice): InnerBags {
  const times = (line: InnerLine) => ({ ...line, count: line.count * sets });
  return {
    units: units.map((unit) => ({ ...unit, copies: unit.copies * sets })),
    rest: rest.map(times),
    spares: spares.map((line) => ({ ...line, count: line.count * sets })),
  };
}

/**
 * What a maker’s bags are told apart by: “2 sets, Slate for Tar, cut with ⅜″ allowance”; empty for bags as usual.
 * @param bag where only what concerns one bag is said
 */
export function sayChoice(
  { sets, allowanceMm, cloths }: BagChoice,
  { allowanceMm: usual, system }: CutSettings,
  bag?: WithCloths,
): string {
  const others = bag ? othersIn(bag, cloths) : Object.entries(cloths);
  const isOwn = allowanceMm !== null && allowanceMm !== usual;
  return [
    ...(sets > 1 ? [counted(sets, 'set')] : []),
    ...others.map(([cloth, other]) => `${other} for ${cloth}`),
    ...(isOwn ? [`cut with ${formatLength(allowanceMm, system)} allowance`] : []),
  ].join(', ');
}

/** The mark of what lies in a maker’s bag: that of its block, and what the maker chose. */
export function ownMark(mark: string, { sets, allowanceMm, cloths }: BagChoice, bag: WithCloths): string {
  const others = othersIn(bag, cloths).map(([cloth, other]) => `;${cloth}=${other}`).sort(); // prettier-ignore
  const own = `${sets}×${allowanceMm ?? ''}${others.join('')}`;
  return own === '1×' ? mark : `${mark}+${own}`;
}

/** Bags of one block that hold the same. */
export interface AlikeBags<Maker> {
  readonly bag: BagContents;
  /** What tells them apart from the usual ones; empty for these. */
  readonly note: string;
  /** How much of a whole block’s things they hold. */
  readonly sets: number;
  readonly makers: readonly Maker[];
}

/** The bags of one block by what they hold: the usual ones first, even where nobody has one. */
export function alikeBags<Maker extends BagChoice>(
  bag: BagContents,
  sewers: readonly Maker[],
  settings: CutSettings,
): AlikeBags<Maker>[] {
  const byNote = new Map<string, Maker[]>([['', []]]);
  for (const maker of sewers) {
    const note = sayChoice(maker, settings, bag);
    byNote.set(note, [...(byNote.get(note) ?? []), maker]);
  }
  return [...byNote].map(([note, makers]) => {
    // Of allowances that are said alike the widest: what is cut for it does for all.
    const [first = USUAL_CHOICE] = [...makers].sort((a, b) => (b.allowanceMm ?? 0) - (a.allowanceMm ?? 0)); // prettier-ignore
    return { bag: ownBag(bag, first, settings), note, sets: first.sets, makers };
  });
}

/** Tops that makers make: one for each set. */
export const topsOf = (makers: readonly BagChoice[]) => makers.reduce((sum, { sets }) => sum + sets, 0);

/** Bags as the project makes them. */
export const USUAL_CHOICE: BagChoice = { sets: 1, allowanceMm: null, cloths: {} };
