import { findSets, type Anchor, type FoundSets, type FussyCloth, type Repeat } from '../fussy';
import type { Solver } from '../solver';
import { FAR_MM, pointAt, polygonAt } from './outlineAt';
import { checkDistinct, listAt, numberAt, recordAt, refuse, requestOf, textAt, wordAt } from './read';

const MOST_ANCHORS = 20;

export interface FussyRequest {
  readonly cloth: FussyCloth;
  readonly repeat: Repeat;
  readonly anchors: readonly Anchor[];
}

/** Reads a `kevlo.fussy-request/1`. @throws InvalidInputError `request` */
export function readFussyRequest(text: string): FussyRequest {
  const request = requestOf(text, 'kevlo.fussy-request/1');
  wordAt(request.unit ?? 'mm', 'unit', ['mm']);
  const given = recordAt(request.cloth, 'cloth');
  const above = { least: 0, most: FAR_MM, isOpen: true };
  const cloth = {
    width: numberAt(given.widthMm, 'cloth.widthMm', above),
    length: numberAt(given.lengthMm, 'cloth.lengthMm', above),
    selvedge: numberAt(given.selvedgeMm ?? 0, 'cloth.selvedgeMm', { least: 0, most: FAR_MM }),
  };
  if (2 * cloth.selvedge >= cloth.width)
    refuse('cloth.selvedgeMm', `two selvedges of ${cloth.selvedge} mm leave nothing of ${cloth.width} mm.`, 'Give the width of one selvedge.');
  const anchors = listAt(request.anchors, 'anchors', MOST_ANCHORS).map((value, index) => readAnchor(value, `anchors[${index}]`));
  if (anchors.length === 0) refuse('anchors', 'there is nothing to cut.', 'List at least one anchor.');
  checkDistinct(anchors.map(({ id }) => id), 'anchors');
  return { cloth, repeat: readRepeat(request.repeat), anchors };
} // prettier-ignore

function readRepeat(value: unknown): Repeat {
  const repeat = recordAt(value, 'repeat');
  const isHalfDrop = repeat.halfDrop ?? false;
  if (typeof isHalfDrop !== 'boolean')
    refuse('repeat.halfDrop', 'yes or no is wanted here.', 'Give true or false.');
  const above = { least: 0, most: FAR_MM, isOpen: true };
  return {
    width: numberAt(repeat.widthMm, 'repeat.widthMm', above),
    height: numberAt(repeat.heightMm, 'repeat.heightMm', above),
    isHalfDrop: isHalfDrop === true,
    offset: pointAt(repeat.offset ?? [0, 0], 'repeat.offset'),
  };
}

function readAnchor(value: unknown, place: string): Anchor {
  const anchor = recordAt(value, place);
  return {
    id: textAt(anchor.id, `${place}.id`),
    outline: polygonAt(anchor.outline, `${place}.outline`),
    setOf: numberAt(anchor.setOf ?? 1, `${place}.setOf`, { least: 1, most: 1000, isWhole: true }),
  };
}

/** Finds the sets of a request. @param seconds for each anchor */
export function fussy({ cloth, repeat, anchors }: FussyRequest, solver: Solver, seconds: number): FoundSets {
  return findSets(cloth, repeat, anchors, solver, seconds);
}

/** The answer as a `kevlo.fussy-result/1`. */
export function fussyResult({ anchors }: FussyRequest, found: FoundSets): object {
  return {
    format: 'kevlo.fussy-result/1',
    unit: 'mm',
    placed: found.placed.map(({ anchor, at }) => ({ anchor: anchors[anchor]?.id, x: at.x, y: at.y })),
    anchors: found.anchors.map(({ id, sets, most }) => ({ id, sets, most })),
    isProven: found.isProven,
  };
}
