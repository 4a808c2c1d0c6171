import type { BastingChoices, BlockDocument } from '@/core/block';

/** The same block, folded and held otherwise; without choices it has none. */
export function withBasting(
  { basting, ...document }: BlockDocument,
  change: (choices: BastingChoices) => BastingChoices,
): BlockDocument {
  const { kinds = [], patches = {} } = change(basting ?? {});
  const isChosen = kinds.length > 0 || Object.keys(patches).length > 0;
  return isChosen ? { ...document, basting: { kinds, patches } } : document;
}
