import { render } from '@testing-library/react';
import type { BlockDocument } from '@/core/block';
import { defaultRecipe, documentOfRecipe, type RecipeKind } from '@/core/generate';
import { sheetOf } from '@/ui/testing';
import { MakerPage } from '../MakerPage';
import type { PageData } from '../useMakerBlock';

/** A block as the phone has it. */
export function block(id: string, kind: RecipeKind, more: object = {}, order?: object) {
  const sheet = sheetOf({ ...documentOfRecipe(defaultRecipe(kind)), ...(order ? { order } : {}) } as BlockDocument);
  return { id, name: `Block ${id}`, sheet, done: [], stuck: [], covered: [], orphaned: 0, isOwnOrder: false, photos: [], saved: '', changed: [], ...more };
} // prettier-ignore

/** Shows a maker’s page. */
export function atPhone(blocks: readonly object[] = [block('a', 'star'), block('b', 'rosette')],
  more: object = {},
) {
  const initial = { maker: { id: 'm1', name: 'Ada', choice: '' }, project: { name: 'Coast Sampler', unitSystem: 'inch' }, troubles: [], blocks, ...more } as unknown as PageData;
  const page = render(<MakerPage token="secret-token" initial={initial} />);
  return { ...page, initial };
} // prettier-ignore
