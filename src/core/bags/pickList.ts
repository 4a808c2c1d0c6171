import type { BagContents, BagSettings } from './bagContents';
import { alikeBags, type BagChoice } from './ownBag';
import { sewersOf } from './sewersOf';

/** One line of the pick list: one thing, for all bags together. */
export interface PickLine {
  readonly what: string;
  /** How the whole comes about: `bag × makers` per block. */
  readonly parts: readonly { readonly block: string; readonly perBag: number; readonly bags: number }[];
  readonly total: number;
}

export interface PickList {
  readonly papers: readonly PickLine[];
  /** What the setting gives to blocks: squares, strips, cornerstones; of cloths that the host chooses. */
  readonly extras: readonly ClothLine[];
  /** Grouped by fabric, so that each shelf is visited once. */
  readonly cloth: readonly { readonly fabric: string; readonly lines: readonly ClothLine[] }[];
}

export interface ClothLine extends PickLine {
  readonly widthMm: number;
  readonly lengthMm: number;
}

export interface PackedBlock {
  readonly block: string;
  readonly contents: BagContents;
  /** Bags of this block to pack, one per maker. */
  readonly bags: number;
}

/** The bags of blocks for their makers: those as usual, and those of makers who chose otherwise. */
export function packedBlocks(
  blocks: readonly { readonly id: string; readonly name: string; readonly bag: BagContents }[],
  makers: readonly (BagChoice & { readonly skips: readonly string[] })[],
  settings: Pick<BagSettings, 'allowanceMm' | 'system'>,
): PackedBlock[] {
  return blocks.flatMap(({ id, name, bag }) =>
    alikeBags(bag, sewersOf(id, makers), settings).flatMap(({ bag: contents, note, makers: own }) =>
      note !== '' || own.length > 0
        ? [{ block: note === '' ? name : `${name} (${note})`, contents, bags: own.length }]
        : [],
    ),
  );
}

/** Adds up what all bags of all blocks take: one line per thing, papers of one name and cuts of one size together. */
export function pickList(blocks: readonly PackedBlock[]): PickList {
  const papers = new Map<string, PickLine>();
  const cloth = new Map<string, Map<string, ClothLine>>();
  const extras = new Map<string, ClothLine>();
  for (const { block, contents, bags } of blocks) {
    for (const { name, count, spares } of contents.papers) {
      papers.set(name, addPart(papers.get(name) ?? emptyLine(name), block, count + spares, bags));
    }
    for (const { kindName, widthMm, lengthMm, count } of contents.extras) {
      const key = `${kindName} ${widthMm.toFixed(2)} × ${lengthMm.toFixed(2)}`;
      const line = extras.get(key) ?? { ...emptyLine(kindName), widthMm, lengthMm };
      extras.set(key, addPart(line, block, count, bags));
    }
    for (const { fabric, cuts } of contents.fabrics) {
      const shelf = cloth.get(fabric) ?? new Map<string, ClothLine>();
      cloth.set(fabric, shelf);
      for (const { widthMm, lengthMm, count } of cuts) {
        const key = `${widthMm.toFixed(2)} × ${lengthMm.toFixed(2)}`;
        const line = shelf.get(key) ?? { ...emptyLine(fabric), widthMm, lengthMm };
        shelf.set(key, addPart(line, block, count, bags));
      }
    }
  }
  return {
    papers: [...papers.values()].sort((a, b) => a.what.localeCompare(b.what)),
    extras: [...extras.values()].sort((a, b) => a.what.localeCompare(b.what) || b.lengthMm - a.lengthMm),
    cloth: [...cloth]
      .sort(([a], [b]) => a.localeCompare(b))
      .map(([fabric, lines]) => ({
        fabric,
        lines: [...lines.values()].sort((a, b) => b.widthMm - a.widthMm),
      })),
  };
}

function emptyLine(what: string): PickLine {
  return { what, parts: [], total: 0 };
}

function addPart<Line extends PickLine>(line: Line, block: string, perBag: number, bags: number): Line {
  const same = line.parts.find((part) => part.block === block);
  const parts = same
    ? line.parts.map((part) => (part === same ? { ...part, perBag: part.perBag + perBag } : part))
    : [...line.parts, { block, perBag, bags }];
  return { ...line, parts, total: line.total + perBag * bags };
}
