import type { Request } from 'express';

/** Whether a request comes from the machine on which the server runs, and not through a proxy on it. */
export function isThisMachine({ socket, headers }: Request): boolean {
  const address = (socket.remoteAddress ?? '').replace(/^::ffff:/, '');
  const direct = headers['x-forwarded-for'] === undefined && headers['forwarded'] === undefined;
  return direct && (address === '::1' || address.startsWith('127.'));
}
