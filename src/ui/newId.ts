import { itemAt } from '@/core/lists';

/** An id of the device’s own. Pages over plain http have no crypto.randomUUID; random bytes they have. */
export function newId(): string {
  if (crypto.randomUUID) return crypto.randomUUID();
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  bytes[6] = (itemAt(bytes, 6) & 0x0f) | 0x40;
  bytes[8] = (itemAt(bytes, 8) & 0x3f) | 0x80;
  const hex = Array.from(bytes, (byte) => byte.toString(16).padStart(2, '0')).join('');
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-${hex.slice(12, 16)}-${hex.slice(16, 20)}-${hex.slice(20)}`;
}
