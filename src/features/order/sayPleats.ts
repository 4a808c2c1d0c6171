import { PLEAT_MM, type Pleat } from '@/core/basting';
import { formatLength, type UnitSystem } from '@/core/length';
import { counted } from '@/core/words';

/** What is done along the curves of a paper, to be said after its tails; empty where it has none. */
export function sayPleats(pleats: readonly Pleat[], system: UnitSystem): string {
  const count = (kind: 'pleat' | 'clip') => pleats.filter((one) => one.kind === kind).length;
  const every = formatLength(PLEAT_MM, system);
  const out =
    count('pleat') > 0 ? ` Pleat the curve every ${every}: ${counted(count('pleat'), 'pleat')}.` : '';
  const inwards =
    count('clip') > 0
      ? ` Clip where it bows in, not quite to the paper: ${counted(count('clip'), 'clip')}.`
      : '';
  return out + inwards;
}
