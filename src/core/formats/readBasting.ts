import { BASTE_METHODS, FOLD_CONVENTIONS } from '../basting';
import type { BlockDocument, ProjectBasting } from '../block';
import { readOutline } from './readOutline';
import { fail, isName, isRecord } from './reading';

const MOST_KINDS = 1000;

/**
 * Reads how a block's patches are folded and held.
 * @throws InvalidInputError `block-file`
 */
export function readBasting(
  value: unknown,
  place: string,
  ids: ReadonlySet<string>,
): Pick<BlockDocument, 'basting'> {
  if (value === undefined) return {};
  const { kinds = [], patches = {} } = isRecord(value) ? value : { kinds: 0 };
  const isConvention = (one: unknown) => typeof one === 'string' && Object.hasOwn(FOLD_CONVENTIONS, one);
  const isMethod = (one: unknown) => typeof one === 'string' && Object.hasOwn(BASTE_METHODS, one);
  const isWhole =
    Array.isArray(kinds) &&
    kinds.length <= 1000 &&
    kinds.every(
      (one) =>
        isRecord(one) &&
        (one.convention === undefined || isConvention(one.convention)) &&
        (one.method === undefined || isMethod(one.method)),
    ) &&
    isRecord(patches) &&
    Object.entries(patches).every(([id, convention]) => ids.has(id) && isConvention(convention));
  if (!isWhole)
    fail(
      place,
      'The choices for basting cannot be read, or name patches that are not in the block.',
      'Leave them out.',
    );
  const read = (kinds as { outline: unknown; convention?: string; method?: string }[]).map(
    ({ outline, convention, method }, i) => ({
      outline: readOutline(outline, `${place}.kinds[${i}].outline`, 'basted paper'),
      ...(convention === undefined ? {} : { convention }),
      ...(method === undefined ? {} : { method }),
    }),
  );
  return {
    basting: {
      ...(read.length > 0 ? { kinds: read } : {}),
      ...(Object.keys(patches).length > 0 ? { patches: patches as Record<string, string> } : {}),
    },
  };
}

/**
 * Reads how a project folds and holds its papers, and its pale cloths.
 * @throws InvalidInputError `block-file`
 */
export function readProjectBasting(value: unknown, place = 'basting'): ProjectBasting {
  const { kinds, pale = [] } = isRecord(value) ? value : { pale: 0 };
  if (!Array.isArray(pale) || pale.length > MOST_KINDS || !pale.every(isName))
    return fail(place, 'The choices for basting cannot be read.', 'Leave them out.');
  const { basting = {} } = readBasting({ ...(kinds === undefined ? {} : { kinds }) }, place, new Set());
  return { ...basting, ...(pale.length > 0 ? { pale: pale as string[] } : {}) };
}
