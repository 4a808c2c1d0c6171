/**
 * Loaded before the application server: writes the address of the connection into a header of every request, in place of
 * whatever a caller wrote there. See `server/peer`.
 */
import http from 'node:http';
import { PEER_HEADER } from '@/server/peer';

const emit = http.Server.prototype.emit;
http.Server.prototype.emit = function (
  this: http.Server,
  event: string | symbol,
  ...args: unknown[]
): boolean {
  if (event === 'request') {
    const request = args[0] as http.IncomingMessage;
    request.headers[PEER_HEADER] = request.socket.remoteAddress ?? 'unknown';
  }
  return Reflect.apply(emit, this, [event, ...args]) as boolean;
} as typeof emit;
