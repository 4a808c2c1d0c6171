/**
 * What was told without what differs each time: ids, the letters of links, and times of today. Keys are in their order, lists as
 * they are.
 */
export function plainly(told: unknown, now: number): unknown {
  const plain = (value: unknown): unknown => {
    if (value instanceof Date) return isNear(value.getTime(), now) ? '@' : value.toISOString();
    if (value instanceof Map) return plain([...value]);
    if (value instanceof Set) return plain([...value]);
    if (typeof value === 'number') return isNear(value, now) ? '@' : Math.round(value * 1e6) / 1e6;
    if (typeof value === 'string') return plainText(value, now);
    if (Array.isArray(value)) return value.map(plain);
    if (value === null || typeof value !== 'object') return value;
    const entries = Object.entries(value).map(([key, one]) => [plainText(key, now), plain(one)] as const);
    return Object.fromEntries(entries.sort(([a], [b]) => (a < b ? -1 : 1)));
  };
  return plain(told);
}

const DAY_MS = 86_400_000;

function isNear(ms: number, now: number): boolean {
  return Math.abs(ms - now) < DAY_MS;
}

function plainText(text: string, now: number): string {
  return text
    .replace(/[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}/g, '#')
    .replace(/\\x[0-9a-f]{16,}/g, '~')
    .replace(/\b[0-9A-Z]{3}(-[0-9A-Z]{3}){2}\b/g, '~')
    .replace(/(?<![\w-])[\w-]{30,}(?![\w-])/g, (word) => (/[A-Z]/.test(word) && /[a-z]/.test(word) ? '~' : word))
    .replace(/\d{4}-\d\d-\d\d[T ]\d\d:\d\d[\d:.]*(Z|\+00(:00)?)?/g, (at) => (isNear(Date.parse(at), now) ? '@' : at));
} // prettier-ignore

/** The same with every list sorted: what comes by ids comes in another order each time. */
export function inAnyOrder(told: unknown): unknown {
  if (Array.isArray(told)) return told.map(inAnyOrder).sort((a, b) => (JSON.stringify(a) < JSON.stringify(b) ? -1 : 1));
  if (told === null || typeof told !== 'object') return told;
  return Object.fromEntries(Object.entries(told).map(([key, one]) => [key, inAnyOrder(one)]));
} // prettier-ignore
