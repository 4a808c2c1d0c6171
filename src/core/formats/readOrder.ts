import { BLOCK_FIGURES, SCHOOLS } from '../assembly';
import type { OrderChoices, UnitPair, UnitPin } from '../block';
import { BASTE_POLICIES } from '../papers';
import { LIMITS } from './limits';
import { fail, isName, isRecord, readList } from './reading';
import { readSewing } from './readSewing';

/** Most wishes of one sort. */
const MOST_WISHES = 1000;

/**
 * Reads the order of work that a host wants. Units may name patches that are no longer in the block.
 * @throws InvalidInputError `block-file`
 */
export function readOrder(value: unknown, place: string): OrderChoices | undefined {
  if (value === undefined) return undefined;
  const { school, pins, apart, before, isBatched, policy, applique, sewing } = isRecord(value) ? value : {};
  if (isBatched !== undefined && typeof isBatched !== 'boolean')
    fail(`${place}.isBatched`, 'Whether like units are made together is true or false.', 'Leave it out.');
  const readPin = (one: unknown, where: string): UnitPin => {
    const { patches, school: own } = isRecord(one) ? one : {};
    const unit = readUnit(patches, where);
    return own === undefined ? { patches: unit } : { patches: unit, school: readSchool(own, where) };
  };
  const list = {
    pins: readList(pins, `${place}.pins`, MOST_WISHES, readPin),
    apart: readList(apart, `${place}.apart`, MOST_WISHES, readUnitPair),
    before: readList(before, `${place}.before`, MOST_WISHES, readUnitPair),
  };
  return {
    school: readSchool(school, place),
    ...(list.pins?.length ? { pins: list.pins } : {}),
    ...(list.apart?.length ? { apart: list.apart } : {}),
    ...(list.before?.length ? { before: list.before } : {}),
    ...(isBatched === undefined ? {} : { isBatched: isBatched as boolean }),
    ...(policy === undefined ? {} : { policy: readPolicy(policy, `${place}.policy`) }),
    ...(applique === undefined ? {} : { applique: readApplique(applique, `${place}.applique`) }),
    ...(sewing === undefined ? {} : { sewing: readOwnSewing(sewing, `${place}.sewing`) }),
  };
}

/** Figures of sewing that a block has of its own. */
function readOwnSewing(value: unknown, place: string): Readonly<Record<string, number>> {
  const own = readSewing(value, place);
  const other = Object.keys(own).find((name) => !BLOCK_FIGURES.some((figure) => figure === name));
  if (other !== undefined)
    fail(`${place}.${other}`, 'This figure is the same for all blocks of a project.', `Give ${BLOCK_FIGURES.join(', ')}.`); // prettier-ignore
  return own as Readonly<Record<string, number>>;
}

function readSchool(value: unknown, place: string): string {
  if (typeof value === 'string' && Object.hasOwn(SCHOOLS, value)) return value;
  return fail(
    place,
    'This order of work is of no school that this Kevlo knows.',
    `Give one of ${Object.keys(SCHOOLS).join(', ')}.`,
  );
}

function readPolicy(value: unknown, place: string): string {
  const found = BASTE_POLICIES.find((policy) => policy === value);
  if (found) return found;
  return fail(place, 'When patches are basted is not known.', `Give one of ${BASTE_POLICIES.join(', ')}.`);
}

function readUnit(value: unknown, place: string): readonly string[] {
  const isUnit = Array.isArray(value) && value.length > 0 && value.length <= LIMITS.patches && value.every(isName) && new Set(value).size === value.length; // prettier-ignore
  return isUnit
    ? (value as string[])
    : fail(place, 'A unit is a list of ids of different patches.', 'Leave this wish out.');
}

function readUnitPair(value: unknown, place: string): UnitPair {
  if (!Array.isArray(value) || value.length !== 2)
    return fail(place, 'Two units are wanted here.', 'Leave this wish out.');
  return [readUnit(value[0], `${place}[0]`), readUnit(value[1], `${place}[1]`)];
}

function readApplique(value: unknown, place: string): NonNullable<OrderChoices['applique']> {
  const { papersOut, isCutAway } = isRecord(value) ? value : { papersOut: 0 };
  const isRead =
    (papersOut === undefined || papersOut === 'before' || papersOut === 'after') &&
    (isCutAway === undefined || typeof isCutAway === 'boolean');
  if (!isRead)
    return fail(place, 'How the appliqué is sewn cannot be read.', 'Give papersOut as before or after.');
  return {
    ...(papersOut === undefined ? {} : { papersOut: papersOut as 'before' | 'after' }),
    ...(isCutAway === undefined ? {} : { isCutAway: isCutAway as boolean }),
  };
}
