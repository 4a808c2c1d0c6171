import { itemAt, knownOf } from '../lists';
import { buildSeamGraph, type SeamGraph } from '../block';
import { boxOfPoints, toPolygon, type Box, type Point } from '../geometry';
import {
  layOutTop,
  placeBlocks,
  shareStrips,
  type BlockSide,
  type Cell,
  type SetBlock,
  type Setting,
} from '../setting';

/** A block that leaves more than this beside it in its cell is sewn onto a square, mm. */
const SPARE_MM = 1;
/** An edge within this of a block's side lies on it, mm. */
const ON_SIDE_MM = 0.5;

/** When the papers at the rim of a block in its place come out. */
export interface OuterPapers {
  readonly cell: number;
  readonly block: string;
  /** The block is sewn onto a background when it is done: pressed, its outer papers come out then. */
  readonly isAppliqued: boolean;
  /** For each patch with an edge at the rim the turn after which its paper may come out; Infinity: when the top is finished. */
  readonly outAfter: ReadonlyMap<number, number>;
}

/**
 * Finds when the papers at the rims of blocks come out. With sashing a side is sewn when the block that gets its strip
 * and this block are both made; edge to edge when both neighbours are made; at the rim of the top when that is finished.
 * @returns one entry for each block in its cell, in the order of making: its place in the list is its turn
 */
export function outerPapers(setting: Setting, blocks: readonly SetBlock[]): OuterPapers[] {
  const { shares, layout } = shareStrips(setting);
  const turnOf = new Map(shares.map(({ cell }, turn) => [cell, turn]));
  const takerOf = new Map(
    shares.flatMap(({ cell, strips }) => strips.map((strip) => [strip, cell] as const)),
  );
  const placed = placeBlocks(setting, blocks).sort(
    (a, b) => (turnOf.get(a.cell) ?? Infinity) - (turnOf.get(b.cell) ?? Infinity),
  );
  const whole = setting.joint === 'edge-to-edge' ? wholeTop(placed) : undefined;
  return placed.map(({ cell, block, patches, spareWidthMm, spareHeightMm }): OuterPapers => {
    const graph = buildSeamGraph(patches);
    const box = boxOfPoints(patches.flatMap(({ outline }) => toPolygon(outline, 0.1)));
    const own = turnOf.get(cell) ?? Infinity;
    const sides = graph.openEdges.map(({ patch, path }) => ({ patch, side: sideOf(path, box) }));
    const isAppliqued =
      Math.max(spareWidthMm, spareHeightMm) > SPARE_MM || sides.some(({ side }) => side === undefined);
    const outAfter = new Map<number, number>();
    const bring = (patch: number, turn: number) =>
      outAfter.set(patch, Math.max(outAfter.get(patch) ?? 0, turn));
    if (whole && !isAppliqued) {
      for (const { patch } of sides) bring(patch, whole.outAfter(patches[patch]?.id as string, turnOf));
    } else {
      for (const { patch, side } of sides) {
        const strip = isAppliqued
          ? undefined
          : stripAt(layout.strips, itemAt(layout.cells, cell), cell, side as BlockSide);
        const taker = strip === undefined ? undefined : takerOf.get(strip);
        const turn = isAppliqued
          ? own
          : taker === undefined
            ? Infinity
            : Math.max(own, turnOf.get(taker) ?? Infinity);
        bring(patch, turn);
      }
    }
    return { cell, block: block.id, isAppliqued, outAfter };
  });
}

/** The side of a block that an open edge lies on, if it lies on one. */
export function sideOf(path: readonly Point[], { minX, minY, maxX, maxY }: Box): BlockSide | undefined {
  const on = (isOn: (point: Point) => boolean) => path.every(isOn);
  if (on(({ y }) => Math.abs(y - minY) < ON_SIDE_MM)) return 'top';
  if (on(({ y }) => Math.abs(y - maxY) < ON_SIDE_MM)) return 'bottom';
  if (on(({ x }) => Math.abs(x - minX) < ON_SIDE_MM)) return 'left';
  return on(({ x }) => Math.abs(x - maxX) < ON_SIDE_MM) ? 'right' : undefined;
}

function stripAt(
  strips: ReturnType<typeof layOutTop>['strips'],
  at: Cell,
  cell: number,
  side: BlockSide,
): string | undefined {
  const kind = side === 'top' || side === 'bottom' ? 'horizontal' : 'vertical';
  const isThere = ({ x, y }: { x: number; y: number }) => {
    if (side === 'top') return y < at.y;
    if (side === 'bottom') return y > at.y;
    return side === 'left' ? x < at.x : x > at.x;
  };
  return strips.find((one) => one.kind === kind && one.touches.includes(cell) && isThere(one))?.id;
}

/** The top as one seam graph: which patches are joined to which blocks, and which lie at its rim. */
function wholeTop(placed: ReturnType<typeof placeBlocks>) {
  const all = placed.flatMap(({ cell, patches }) =>
    patches.map((patch) => ({ cell, patch: { ...patch, layer: 0 } })),
  );
  const graph: SeamGraph = buildSeamGraph(all.map(({ patch }) => patch));
  const place = new Map(all.map(({ patch }, index) => [patch.id, index]));
  const atRim = new Set(graph.openEdges.map(({ patch }) => patch));
  return {
    outAfter(id: string, turnOf: ReadonlyMap<number, number>): number {
      const index = knownOf(place, id);
      if (atRim.has(index)) return Infinity;
      const cells = (graph.seamsOf[index] ?? []).flatMap((seam) => graph.seams[seam]?.patches ?? []);
      return Math.max(...cells.map((patch) => turnOf.get(all[patch]?.cell as number) ?? Infinity));
    },
  };
}
