import { itemAt } from '../lists';
import type { UnitSystem } from '../length';
import type { PaperKind } from './groupKinds';
import { nameShape } from './nameShape';
import { markOf, type MarkedPaper } from './paperMarks';

/**
 * Names every kind of a project or block; kinds that would share a name are told apart by a letter, and those that bear a
 * mark say which: every label, list and step then shows it.
 */
export function nameKinds(
  kinds: readonly PaperKind[],
  system: UnitSystem,
  marked: readonly MarkedPaper[] = [],
): string[] {
  const plain = kinds.map(({ signature }) => nameShape(signature, system));
  const seen = new Map<string, number>();
  return plain.map((name, index) => {
    const mark = markOf(itemAt(kinds, index).outline, marked);
    const turn = seen.get(name) ?? 0;
    seen.set(name, turn + 1);
    const isShared = plain.indexOf(name) !== plain.lastIndexOf(name);
    const own = isShared ? `${name} ${letter(turn)}` : name;
    return mark ? `${own} (marked: ${mark})` : own;
  });
}

function letter(index: number): string {
  const tail = String.fromCharCode(65 + (index % 26));
  return index < 26 ? tail : letter(Math.floor(index / 26) - 1) + tail;
}
