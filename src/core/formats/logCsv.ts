import { csvText } from './csvText';

/** Of what was written, of changes and of who was stuck so many lines are listed each, the newest. */
export const MOST_LOG_LINES = 2000;

/** A line of the logbook in words. */
export interface LogLine {
  readonly at: string;
  readonly kind: string;
  readonly block: string;
  readonly by: string;
  readonly text: string;
}

/** The logbook for a spreadsheet; what begins like a formula is text. */
export function logCsv(lines: readonly LogLine[]): string {
  return csvText([
    ['when', 'kind', 'block', 'by', 'what'],
    ...lines.map(({ at, kind, block, by, text }) => [at, kind, block, by, text]),
  ]);
}
