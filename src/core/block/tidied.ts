import type { BastingChoices, BlockDocument } from './document';

/** Leaves out rules, parts and folds that speak of patches no longer there. */
export function tidied(document: BlockDocument): BlockDocument {
  const { patches, parts, rules, order, basting, notes } = document;
  const ids = new Set(patches.map(({ id }) => id));
  const used = new Set(patches.map(({ part }) => part));
  const keptRules = rules?.flatMap((rule) => {
    if (!('patches' in rule) || rule.patches === undefined) return [rule];
    const left = rule.patches.filter((id) => ids.has(id));
    return left.length < 2 ? [] : [left.length === rule.patches.length ? rule : { ...rule, patches: left }];
  });
  return {
    format: document.format,
    patches,
    ...(parts ? { parts: parts.filter(({ id }) => used.has(id)) } : {}),
    ...(keptRules ? { rules: keptRules } : {}),
    ...(order ? { order } : {}),
    ...(basting ? { basting: keptBasting(basting, ids) } : {}),
    ...(notes ? { notes } : {}),
  };
}

function keptBasting({ kinds, patches }: BastingChoices, ids: ReadonlySet<string>): BastingChoices {
  const left = Object.fromEntries(Object.entries(patches ?? {}).filter(([id]) => ids.has(id)));
  return { ...(kinds ? { kinds } : {}), ...(Object.keys(left).length > 0 ? { patches: left } : {}) };
}
