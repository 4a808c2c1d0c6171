import { isIP } from 'node:net';

/** Header that the server itself puts on every request: the address at the other end of the connection. */
export const PEER_HEADER = 'x-kevlo-peer';

/**
 * Where a request comes from. Behind proxies the last address that a trusted one wrote counts; what a caller writes into the
 * header by itself lies further left and is never believed.
 * @param proxies how many proxies of one's own stand before the application (`KEVLO_PROXIES`)
 */
export function addressOf(
  headers: Pick<Headers, 'get'>,
  proxies = Number(process.env.KEVLO_PROXIES ?? 0),
): string {
  const peer = headers.get(PEER_HEADER) ?? 'unknown';
  if (!(proxies > 0)) return network(peer);
  const forwarded = (headers.get('x-forwarded-for') ?? '').split(',').map((part) => part.trim());
  const address = forwarded.at(-proxies) ?? '';
  return isIP(address) ? network(address) : network(peer);
}

/** One caller of the newer addresses has a whole network of them (64 bits): it counts as one. */
function network(address: string): string {
  const plain = address.replace(/^::ffff:/i, '');
  if (isIP(plain) !== 6) return plain;
  const [head = '', tail = ''] = plain.split('::');
  const left = head.split(':').filter(Boolean);
  const right = tail.split(':').filter(Boolean);
  const zeros = plain.includes('::') ? Array.from({ length: 8 - left.length - right.length }, () => '0') : [];
  return [...left, ...zeros, ...right].slice(0, 4).join(':');
}
