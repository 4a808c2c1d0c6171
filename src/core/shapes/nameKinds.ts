import type { UnitSystem } from '../length';
import type { PaperKind } from './groupKinds';
import { nameShape } from './nameShape';

/** Names every kind of a project or block; kinds that would share a name are told apart by a letter. */
export function nameKinds(kinds: readonly PaperKind[], system: UnitSystem): string[] {
  const plain = kinds.map(({ signature }) => nameShape(signature, system));
  const seen = new Map<string, number>();
  return plain.map((name) => {
    const turn = seen.get(name) ?? 0;
    seen.set(name, turn + 1);
    const isShared = plain.indexOf(name) !== plain.lastIndexOf(name);
    return isShared ? `${name} ${letter(turn)}` : name;
  });
}

function letter(index: number): string {
  const tail = String.fromCharCode(65 + (index % 26));
  return index < 26 ? tail : letter(Math.floor(index / 26) - 1) + tail;
}
