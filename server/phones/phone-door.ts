import { addressOf, contract } from '@core/api';
import { fact } from '@core/day';
import type { Request, RequestHandler } from 'express';
import { refusalOf } from '../problems';
import type { PhoneDesk } from './phone-desk';

/** What anybody on the network may ask for: what a phone needs to be added, and what has a key of its own. */
const FOR_ALL: ReadonlySet<string> = new Set(
  [contract.readHealth, contract.joinPhone, contract.readAuthority].map((endpoint) => addressOf(endpoint)),
);
const LINES = /^\/api\/devices\/[^/]+\/lines$/;

/** Whether a request comes from the machine on which the server runs, and not through a proxy on it. */
export function isThisMachine({ socket, headers }: Request): boolean {
  const address = (socket.remoteAddress ?? '').replace(/^::ffff:/, '');
  const direct = headers['x-forwarded-for'] === undefined && headers['forwarded'] === undefined;
  return direct && (address === '::1' || address.startsWith('127.'));
}

/**
 * Lets in this machine and the phones that were added; from everybody else on the network only the pages themselves,
 * which hold nothing of the venue.
 */
export function phoneDoor(phones: PhoneDesk): RequestHandler {
  return (request, _response, next) => {
    const { path } = request;
    const free = !path.startsWith('/api/') || FOR_ALL.has(path) || LINES.test(path);
    if (free || isThisMachine(request) || phones.of(request)) return next();
    throw refusalOf(fact('notAdded', {}));
  };
}
