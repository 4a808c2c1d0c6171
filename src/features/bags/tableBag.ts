import type { InnerBags } from '@/core/bags';
import type { PackingLine } from '@/core/packing';

/** A bag at the packing table. */
export interface TableBag {
  readonly blockId: string;
  readonly makerId: string;
  readonly block: string;
  readonly maker: string;
  /** What its maker chose otherwise than usual: “2 sets”; empty for a bag as usual. */
  readonly choice?: string;
  /** The drop it is handed out with; empty where none names its block. */
  readonly drop: string;
  readonly lines: readonly PackingLine[];
  /** The bag of a drop that it goes into: ids of the blocks that this maker gets in it. */
  readonly outer?: { readonly drop: string; readonly blocks: readonly string[] };
  /** Where its units that are made again come in inner bags. */
  readonly inner?: InnerBags;
}
