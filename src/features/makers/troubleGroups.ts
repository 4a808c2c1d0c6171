import { TROUBLES } from '@/core/troubles';
import type { ListedTrouble } from '@/server/troubles';

/** What is known where troubles are shown. */
export interface TroublesPanelProps {
  readonly projectId: string;
  readonly troubles: readonly ListedTrouble[];
  readonly makers: readonly { readonly id: string; readonly name: string }[];
  readonly blocks: readonly { readonly id: string; readonly name: string }[];
  /** Who may be asked to see to it. */
  readonly team: readonly { readonly id: string; readonly name: string }[];
  readonly mayEdit: boolean;
}

/** A sign of the trouble guide by its id. */
export const symptomOf = (id: string) => TROUBLES.find((one) => one.id === id);

/** Troubles of the same step that show the same sign: answered together, taught once. */
export interface TroubleGroup {
  readonly key: string;
  readonly blockId: string;
  readonly stepId: string;
  readonly symptom: string;
  readonly troubles: readonly ListedTrouble[];
}

/** Groups those that wait, most makers first, then the longest waiting; settled ones are left out. */
export function groupsOf(troubles: readonly ListedTrouble[]): TroubleGroup[] {
  const groups = new Map<string, ListedTrouble[]>();
  for (const trouble of troubles) {
    if (trouble.state !== 'open' && trouble.state !== 'answered') continue;
    const key = `${trouble.blockId}/${trouble.stepId}/${trouble.symptom}`;
    groups.set(key, [...(groups.get(key) ?? []), trouble]);
  }
  return [...groups]
    .map(([key, own]) => {
      const { blockId, stepId, symptom } = own[0] as ListedTrouble;
      return { key, blockId, stepId, symptom, troubles: own };
    })
    .sort((a, b) => b.troubles.length - a.troubles.length || earliest(a).localeCompare(earliest(b)));
}

const earliest = ({ troubles }: TroubleGroup) => troubles.map(({ at }) => at).sort()[0] ?? '';
