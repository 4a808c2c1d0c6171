import { SEWING_FIGURES, type SewingFigure, type SewingSettings } from '../assembly';
import { InvalidInputError } from '../errors';
import { isRecord } from './reading';

/**
 * Reads figures of sewing from data of any origin; any may be left out.
 * @throws InvalidInputError `block-file`, naming the figure that is none or outside what can be sewn
 */
export function readSewing(value: unknown, place = 'sewing'): Partial<SewingSettings> {
  if (!isRecord(value)) fail(place, 'The figures of sewing cannot be read.', 'Leave them out.');
  return Object.fromEntries(
    Object.entries(value).map(([key, figure]) => {
      if (!Object.hasOwn(SEWING_FIGURES, key))
        fail(`${place}.${key}`, `No figure of sewing is called “${key}”.`, 'Leave it out.');
      const { name, least, most } = SEWING_FIGURES[key as SewingFigure];
      if (typeof figure !== 'number' || !(figure >= least && figure <= most))
        fail(`${place}.${key}`, `${name}: a number from ${least} to ${most} is wanted.`, 'Give one.');
      return [key, figure];
    }),
  );
}

function fail(name: string, message: string, mend: string): never {
  throw new InvalidInputError('block-file', message, mend, { name });
}
