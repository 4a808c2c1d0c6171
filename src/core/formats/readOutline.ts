import { areaOf, findSelfCrossing, reversedOutline, signedArea, type Outline } from '../geometry';
import { fail, isLength, isRecord } from './reading';

const MOST_CORNERS = 2000;

/** Reads an outline. @throws InvalidInputError `block-file` */
export function readOutline(value: unknown, place: string, id: string): Outline {
  const { corners, bulges } = isRecord(value) ? value : {};
  const isOutline =
    Array.isArray(corners) &&
    Array.isArray(bulges) &&
    corners.length === bulges.length &&
    corners.length >= 2 &&
    corners.length <= MOST_CORNERS &&
    corners.every((corner) => isRecord(corner) && isLength(corner.x) && isLength(corner.y)) &&
    bulges.every((bulge) => typeof bulge === 'number' && Number.isFinite(bulge) && Math.abs(bulge) < 1000);
  if (!isOutline)
    fail(
      place,
      `The outline of patch “${id}” cannot be read.`,
      'It needs as many bulges as corners, all of them numbers in mm.',
    );
  const raw: Outline = {
    corners: corners.map(({ x, y }: { x: number; y: number }) => ({ x, y })),
    bulges: bulges.map(Number),
  };
  const outline = signedArea(raw) >= 0 ? raw : reversedOutline(raw);
  if (areaOf(outline) < 1) fail(place, `Patch “${id}” has no size to speak of.`, 'Enlarge or delete it.');
  if (findSelfCrossing(outline))
    fail(
      place,
      `The outline of patch “${id}” crosses itself.`,
      'Redraw it so that it runs round the patch once.',
    );
  return outline;
}
