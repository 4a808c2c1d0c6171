import { MM_PER_INCH } from '../length';
import { csvText } from './csvText';

/** What a line of the papers table is made from. */
export interface PaperLine {
  readonly name: string;
  readonly count: number;
  readonly left: number;
  readonly right: number;
  readonly areaMm2: number;
  readonly edgesMm: readonly number[];
  readonly anglesDeg: readonly number[];
}

const HEAD = ['paper', 'count', 'left', 'right', 'area mm2', 'area sq in', 'edges mm', 'angles deg'];

/** Writes paper kinds as comma-separated values (RFC 4180), one line each. */
export function papersCsv(kinds: readonly PaperLine[]): string {
  const rows = kinds.map(({ name, count, left, right, areaMm2, edgesMm, anglesDeg }) => [
    name,
    String(count),
    String(left),
    String(right),
    areaMm2.toFixed(1),
    (areaMm2 / MM_PER_INCH ** 2).toFixed(3),
    edgesMm.map((edge) => edge.toFixed(2)).join(' '),
    anglesDeg.map((angle) => angle.toFixed(1)).join(' '),
  ]);
  return csvText([HEAD, ...rows]);
}
