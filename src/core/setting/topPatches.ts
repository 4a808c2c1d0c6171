import { itemAt } from '../lists';
import { buildSeamGraph, type Patch } from '../block';
import { boxOfPoints, moveOutline, shiftBy, toPolygon } from '../geometry';
import { layOutTop, type Cell, type Setting } from './setting';

/** A block to be set. */
export interface SetBlock {
  readonly id: string;
  readonly name: string;
  readonly patches: readonly Patch[];
}

/** A block in its cell. */
export interface PlacedBlock {
  readonly cell: number;
  readonly block: SetBlock;
  /** Patches where they lie in the top; ids begin with the cell's number. */
  readonly patches: readonly Patch[];
  /** What the cell leaves beside the block on each side, mm; below zero the block is too large. */
  readonly spareWidthMm: number;
  readonly spareHeightMm: number;
}

/** Puts every block into the middle of its cell; in a half cell, the half that shows. */
export function placeBlocks(setting: Setting, blocks: readonly SetBlock[]): PlacedBlock[] {
  const { cells } = layOutTop(setting);
  const byId = new Map(blocks.map((block) => [block.id, block]));
  return cells.flatMap((cell, index): PlacedBlock[] => {
    const block = byId.get(setting.places[index] ?? '');
    if (!block || block.patches.length === 0) return [];
    const box = boxOfPoints(block.patches.flatMap(({ outline }) => toPolygon(outline, 0.1)));
    const [width, height] = [box.maxX - box.minX, box.maxY - box.minY];
    const motion = shiftBy(left(cell, width) - box.minX, cell.y + (cell.height - height) / 2 - box.minY);
    return [
      {
        cell: index,
        block,
        patches: block.patches.map((patch) => ({
          ...patch,
          id: `${index}:${patch.id}`,
          outline: moveOutline(motion, patch.outline),
        })),
        spareWidthMm: (cell.width - width) / 2,
        spareHeightMm: (cell.height - height) / 2,
      },
    ];
  });
}

/** A half block stands with its cut side at the rim of the top. */
function left(cell: Cell, width: number): number {
  if (cell.half === 'right') return cell.x;
  if (cell.half === 'left') return cell.x + cell.width - width;
  return cell.x + (cell.width - width) / 2;
}

/** Where two blocks of an edge-to-edge setting are sewn to each other. */
export interface BlockJoint {
  readonly cells: readonly [number, number];
  readonly lengthMm: number;
  /** Ids of the patches whose papers stay until this is sewn. */
  readonly patches: readonly string[];
  /** Seams along it where one cloth meets itself, by name of the cloth. */
  readonly facing: readonly { readonly fabric: string; readonly patches: readonly [string, string] }[];
}

/** Finds the seams between blocks that lie edge to edge. Cost: near-linear in all patches. */
export function blockJoints(placed: readonly PlacedBlock[]): BlockJoint[] {
  const patches = placed.flatMap((one) => one.patches.map((patch) => ({ ...patch, layer: 0 })));
  const cellOf = placed.flatMap((one) => one.patches.map(() => one.cell));
  const joints = new Map<
    string,
    {
      cells: [number, number];
      lengthMm: number;
      patches: Set<string>;
      facing: BlockJoint['facing'][number][];
    }
  >();
  for (const {
    patches: [a, b],
    lengthMm,
  } of buildSeamGraph(patches).seams) {
    const [p, q] = [itemAt(cellOf, a), itemAt(cellOf, b)];
    if (p === q) continue;
    const key = `${Math.min(p, q)}-${Math.max(p, q)}`;
    const joint = joints.get(key) ?? {
      cells: [Math.min(p, q), Math.max(p, q)] as [number, number],
      lengthMm: 0,
      patches: new Set<string>(),
      facing: [],
    };
    const [first, second] = [itemAt(patches, a), itemAt(patches, b)];
    joint.lengthMm += lengthMm;
    joint.patches.add(first.id).add(second.id);
    if (first.fabric === second.fabric)
      joint.facing.push({ fabric: first.fabric, patches: [first.id, second.id] });
    joints.set(key, joint);
  }
  return [...joints.values()].map((joint) => ({ ...joint, patches: [...joint.patches] }));
}
