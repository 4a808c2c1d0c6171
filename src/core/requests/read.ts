import { InvalidInputError } from '../errors';

/** A request that cannot be taken as it is: what, where in the file, and how to mend it. @throws InvalidInputError `request` */
export function refuse(place: string, what: string, mend: string): never {
  throw new InvalidInputError('request', `${place}: ${what}`, mend, { name: place });
}

/** An object with names. */
export function recordAt(value: unknown, place: string): Record<string, unknown> {
  if (typeof value === 'object' && value !== null && !Array.isArray(value)) return value as Record<string, unknown>;
  return refuse(place, 'an object is wanted here.', 'Put { } round its names and values.');
} // prettier-ignore

/** A list with a most of entries. */
export function listAt(value: unknown, place: string, most: number): readonly unknown[] {
  if (!Array.isArray(value)) return refuse(place, 'a list is wanted here.', 'Put [ ] round its entries.');
  if (value.length <= most) return value;
  return refuse(place, `${value.length} entries are more than ${most}.`, 'Split it into several requests.');
}

export interface NumberLimits {
  readonly least: number;
  readonly most: number;
  readonly isWhole?: boolean;
  readonly isOpen?: boolean;
}

/** A number between limits; `isOpen` leaves the least out. */
export function numberAt(value: unknown, place: string, { least, most, isWhole, isOpen }: NumberLimits): number {
  const kind = isWhole ? 'a whole number' : 'a number';
  const range = isOpen ? `above ${least} and up to ${most}` : `from ${least} to ${most}`;
  if (typeof value !== 'number' || !Number.isFinite(value))
    return refuse(place, `${kind} is wanted here, not ${shown(value)}.`, `Give one ${range}, with a point, not a comma.`);
  if (value < least || value > most || (isOpen && value === least) || (isWhole && !Number.isInteger(value)))
    return refuse(place, `${value} is not possible.`, `Give ${kind} ${range}.`);
  return value;
} // prettier-ignore

/** A text of 1 to 200 letters. */
export function textAt(value: unknown, place: string): string {
  if (typeof value === 'string' && value.length > 0 && value.length <= 200) return value;
  return refuse(place, `a name is wanted here, not ${shown(value)}.`, 'Give a text of 1 to 200 letters.');
}

/** One of some words. */
export function wordAt<T extends string>(value: unknown, place: string, words: readonly T[]): T {
  const found = words.find((word) => word === value);
  return found ?? refuse(place, `${shown(value)} is not known.`, `Give ${words.map((word) => `“${word}”`).join(' or ')}.`);
} // prettier-ignore

/** Ids that must differ. */
export function checkDistinct(ids: readonly string[], place: string): void {
  const seen = new Set<string>();
  const twice = ids.find((id) => seen.size === seen.add(id).size);
  if (twice !== undefined) refuse(place, `“${twice}” is there twice.`, 'Give each entry an id of its own.');
}

/** The request as a whole: its format and, where lengths are in it, its unit. */
export function requestOf(text: string, format: string): Record<string, unknown> {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch (error) {
    const where = error instanceof Error ? ` (${error.message})` : '';
    return refuse('the file', `it is not JSON${where}.`, 'Copy it again from where it came.');
  }
  const request = recordAt(value, 'the file');
  wordAt(request.format, 'format', [format]);
  return request;
}

function shown(value: unknown): string {
  if (value === undefined) return 'nothing';
  const text = typeof value === 'string' ? `“${value}”` : (JSON.stringify(value) ?? 'this');
  return text.length > 60 ? `${text.slice(0, 57)}…` : text;
}
