import { sha256 } from '@noble/hashes/sha2.js';
import { utf8ToBytes } from '@noble/hashes/utils.js';
import { itemAt } from '../lists';

/** Signs of a code: none that is easily read as another. Thirty-one, a prime, so that the last sign finds every slip below. */
const SIGNS = '0123456789ABCDEFGHJKMNPQRSTVWXY';
/** Signs that name the bag: 31⁸ names, so that two of ten thousand bags share one in one project of ten thousand. */
const LENGTH = 8;

/** The code on a bag's label: eight signs that name it and one that tells a slip. Always the same for a block and a maker. */
export function bagCode(blockId: string, makerId: string): string {
  const bytes = sha256(utf8ToBytes(`${blockId}/${makerId}`));
  let number = 0n;
  for (const byte of bytes.slice(0, 16)) number = number * 256n + BigInt(byte);
  const values = Array.from({ length: LENGTH }, () => {
    const value = Number(number % 31n);
    number /= 31n;
    return value;
  });
  return [...values, checkOf(values)].map((value) => itemAt([...SIGNS], value)).join('');
}

/** Groups of three, as it is printed and read out. */
export const sayCode = (code: string) => code.replace(/(.{3})(?=.)/g, '$1-');

/**
 * Reads a code as it was scanned or typed: small letters, blanks and dashes do not matter, O is 0, I and L are 1.
 * @returns undefined where it is no code, or one sign is wrong or two beside each other have changed places
 */
export function readBagCode(text: string): string | undefined {
  const plain = text
    .slice(0, 200)
    .toUpperCase()
    .replace(/[\s\-–]/g, '')
    .replace(/O/g, '0')
    .replace(/[IL]/g, '1');
  const values = [...plain].map((sign) => SIGNS.indexOf(sign));
  if (values.length !== LENGTH + 1 || values.includes(-1)) return undefined;
  return checkOf(values.slice(0, LENGTH)) === values[LENGTH] ? plain : undefined;
}

/** Each place has its own weight: one wrong sign, or two that changed places, changes the sum modulo 31. */
function checkOf(values: readonly number[]): number {
  return values.reduce((sum, value, place) => sum + (place + 1) * value, 0) % 31;
}
