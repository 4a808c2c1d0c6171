import type { BastingChoices } from '../block';
import type { Outline } from '../geometry';
import { isSamePaper } from '../shapes';

type Kinds = NonNullable<BastingChoices['kinds']>;

/** What is said of one paper: left out stays as it is, null goes back to what is proposed. */
export interface KindChoice {
  readonly convention?: string | null;
  readonly method?: string | null;
}

/** The choices with one paper's said anew; a paper of which nothing is said is not among them. */
export function withKindChoice(kinds: Kinds, outline: Outline, choice: KindChoice): Kinds {
  const before = kinds.find((one) => isSamePaper(one.outline, outline));
  const others = kinds.filter((one) => one !== before);
  const { convention = before?.convention, method = before?.method } = choice;
  if (!convention && !method) return others;
  return [
    ...others,
    {
      outline: before?.outline ?? outline,
      ...(convention ? { convention } : {}),
      ...(method ? { method } : {}),
    },
  ];
}
