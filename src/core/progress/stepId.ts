import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';

/**
 * Names a step by the patches that it concerns, so that it keeps its name when the rest of the plan changes.
 * @param units ids of the patches of each unit: one unit when basting, the two that a join puts together
 * @returns for example `join-3f9c…`, the same for any order of units and patches
 */
export function stepId(
  kind: 'baste' | 'join' | 'applique' | 'cut-away' | 'background' | 'finish',
  units: readonly (readonly string[])[],
): string {
  const named = units.map((unit) => JSON.stringify([...unit].sort())).sort();
  return `${kind}-${bytesToHex(sha256(utf8ToBytes(named.join('|')))).slice(0, 20)}`;
}
