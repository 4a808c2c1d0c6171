import { render } from '@testing-library/react';
import type { BlockDocument } from '@/core/block';
import { defaultRecipe, documentOfRecipe, type RecipeKind } from '@/core/generate';
import { blockSheet } from '@/core/sheet';
import { MakerPage } from './MakerPage';
import type { PageData } from './useMakerBlock';

const SETTINGS = { allowanceMm: 6.35, sparesPercent: 5, system: 'inch' } as const;

/** A block as the phone has it. */
export function block(id: string, kind: RecipeKind, more: object = {}, order?: object) {
  const { patches, ...document } = { ...documentOfRecipe(defaultRecipe(kind)), ...(order ? { order } : {}) } as BlockDocument;
  const sheet = blockSheet(patches, SETTINGS, undefined, document);
  return { id, name: `Block ${id}`, sheet, done: [], stuck: [], covered: [], orphaned: 0, isOwnOrder: false, photos: [], saved: '', changed: [], ...more };
} // prettier-ignore

/** Shows a maker’s page. */
export function atPhone(blocks: readonly object[] = [block('a', 'star'), block('b', 'rosette')],
  more: object = {},
) {
  const initial = { maker: { id: 'm1', name: 'Ada' }, project: { name: 'Coast Sampler', unitSystem: 'inch' }, troubles: [], blocks, ...more } as unknown as PageData;
  const page = render(<MakerPage token="secret-token" initial={initial} />);
  return { ...page, initial };
} // prettier-ignore
