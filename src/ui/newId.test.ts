import { afterEach, expect, test, vi } from 'vitest';
import { newId } from './newId';

afterEach(() => vi.unstubAllGlobals());

test('ids of the device are random UUIDs of version 4, also on pages over plain http, whose browsers make none', () => {
  const { getRandomValues } = crypto;
  vi.stubGlobal('crypto', { getRandomValues: getRandomValues.bind(crypto) });
  const ids = Array.from({ length: 64 }, newId);
  // RFC 9562: the thirteenth digit says the version, the seventeenth the variant.
  for (const id of ids) expect(id).toMatch(/^[\da-f]{8}-[\da-f]{4}-4[\da-f]{3}-[89ab][\da-f]{3}-[\da-f]{12}$/);
  expect(new Set(ids).size).toBe(64);
  // Every digit is used that is free, and none comes twice from the same bytes.
  vi.stubGlobal('crypto', { getRandomValues: (bytes: Uint8Array) => bytes.fill(0).map((_, i) => 17 * i) });
  expect(newId()).toBe('00112233-4455-4677-8899-aabbccddeeff');
}); // prettier-ignore
