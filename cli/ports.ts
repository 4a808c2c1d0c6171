import { connect, createServer } from 'node:net';

/** Whether a server can listen on a port of an address now. */
export function isFree(port: number, host = '127.0.0.1'): Promise<boolean> {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen({ port, host, exclusive: true }, () => probe.close(() => resolve(true)));
  });
}

/** A free port of the loopback address, chosen by the system. */
export function freePort(): Promise<number> {
  return new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once('error', reject);
    probe.listen(0, '127.0.0.1', () => {
      const address = probe.address();
      probe.close(() =>
        address && typeof address === 'object' ? resolve(address.port) : reject(new Error('no port')),
      );
    });
  });
}

/** Whether something answers on a port. */
export function answers(port: number, host = '127.0.0.1'): Promise<boolean> {
  return new Promise((resolve) => {
    const socket = connect({ port, host });
    const end = (is: boolean) => {
      socket.destroy();
      resolve(is);
    };
    socket.once('connect', () => end(true)).once('error', () => end(false));
    socket.setTimeout(1000, () => end(false));
  });
}
