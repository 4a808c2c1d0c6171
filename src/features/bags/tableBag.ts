import type { PackingLine } from '@/core/packing';

/** A bag at the packing table. */
export interface TableBag {
  readonly blockId: string;
  readonly makerId: string;
  readonly block: string;
  readonly maker: string;
  /** The drop it is handed out with; empty where none names its block. */
  readonly drop: string;
  readonly lines: readonly PackingLine[];
}
