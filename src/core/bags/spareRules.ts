import type { UnitSystem } from '../length';
import type { SpareRule } from '../papers';
import { itemAt } from '../lists';
import { nameKinds, type MarkedPaper, type PaperKind } from '../shapes';

/** Spares of papers that have a rule of their own, by their plain names. */
export type SpareRules = Readonly<Record<string, SpareRule>>;

/** What a paper’s name depends on. */
interface Naming {
  readonly system: UnitSystem;
  readonly marks?: readonly MarkedPaper[];
}

/** A paper’s name as it is alone: without the letter that it has beside others of the same name in one block. */
export function plainName(kind: PaperKind, { system, marks }: Naming): string {
  return itemAt(nameKinds([kind], system, marks), 0);
}

/** The rule for a paper’s spares; undefined where it has as many as the others. */
export function spareRule(kind: PaperKind, settings: Naming & { readonly spareRules?: SpareRules }): SpareRule | undefined {
  return settings.spareRules && settings.spareRules[plainName(kind, settings)];
} // prettier-ignore
