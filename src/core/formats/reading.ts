import { InvalidInputError } from '../errors';
import { LIMITS } from './limits';

/** @throws InvalidInputError `block-file` when the text breaks off */
export function parseJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return fail(
      'file',
      'The file is not whole: it ends or breaks off where it should go on.',
      'Copy it again from where it came.',
    );
  }
}

/** A list of so many entries at most, each read; nothing where there is none. */
export function readList<T>(
  value: unknown,
  place: string,
  most: number,
  read: (one: unknown, place: string) => T,
): T[] | undefined {
  if (value === undefined) return undefined;
  if (!Array.isArray(value) || value.length > most)
    fail(
      place,
      `A list of up to ${most} entries is wanted here.`,
      'Save the block again from where it came.',
    );
  return value.map((one, index) => read(one, `${place}[${index}]`));
}

/** Whether a value is an object with names. */
export function isRecord(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

/** A text of 1 to 200 letters. */
export function isName(value: unknown): value is string {
  return typeof value === 'string' && value.length > 0 && value.length <= LIMITS.patchId;
}

/** Farther than this from the middle nothing lies, mm. */
const MOST_MM = 50_000;

/** A length or place in mm that cloth can have. */
export function isLength(value: unknown): boolean {
  return typeof value === 'number' && Math.abs(value) < MOST_MM;
}

/** @throws InvalidInputError `block-file`, always */
export function fail(name: string, message: string, mend: string): never {
  throw new InvalidInputError('block-file', message, mend, { name });
}
