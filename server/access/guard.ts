import { fact } from '@core/values';
import type { RequestHandler } from 'express';
import { ownNames } from './network/addresses';
import { refusalOf } from '../base/refusal';

/** Requests that change nothing. */
const HARMLESS = new Set(['GET', 'HEAD', 'OPTIONS']);
/** Addresses whose bodies are something else than JSON, and what. A device signs each of its lines. */
const OTHER_BODIES: readonly { readonly path: RegExp; readonly type: RegExp }[] = [
  { path: /^\/api\/devices\/[^/]+\/lines$/, type: /^(application\/x-ndjson|application\/json|text\/plain)\b/ },
  { path: /^\/api\/photos\/[^/]+$/, type: /^image\// },
];

/**
 * What all requests pass first. A request must be for a name by which this server is known, so that no foreign name that
 * resolves to its address reads anything (DNS rebinding); and one that changes something must come from our own pages,
 * as the browser says of it (Fetch metadata, or else Origin), and carry JSON, which no foreign form can. What is no
 * browser says neither and is let in: it has no session that could be abused.
 *
 * @param names further names by which the server is known
 */
export function guard(names: readonly string[]): RequestHandler {
  const given = new Set(names.map((name) => name.trim().toLowerCase()).filter(Boolean));
  let known = new Set(ownNames());
  const isKnown = (host: string) => {
    // An address that has come since, as where a machine has joined another network.
    if (!given.has(host) && !known.has(host)) known = new Set(ownNames());
    return given.has(host) || known.has(host);
  };
  return (request, _response, next) => {
    const host = nameOf(request.get('host'));
    if (host === undefined || !isKnown(host)) {
      throw refusalOf(fact('unknownHost', {}, { host: host ?? '' }));
    }
    if (HARMLESS.has(request.method)) return next();
    if (!isOwnOrigin(request.get('sec-fetch-site'), request.get('origin'), request.get('host')!)) {
      throw refusalOf(fact('foreignPage', {}));
    }
    const other = OTHER_BODIES.find(({ path }) => path.test(request.path));
    const type = request.get('content-type') ?? '';
    if (hasBody(request.get('content-length'), request.get('transfer-encoding'))) {
      if (!(other ? other.type : /^application\/json\b/).test(type)) {
        throw refusalOf(fact('otherContent', {}, { got: type, json: !other }));
      }
    }
    next();
  };
}

function isOwnOrigin(site: string | undefined, origin: string | undefined, host: string): boolean {
  if (site !== undefined) return site === 'same-origin';
  return origin === undefined || (URL.canParse(origin) && new URL(origin).host === host);
}

function hasBody(length: string | undefined, encoding: string | undefined): boolean {
  return encoding !== undefined || (length !== undefined && Number(length) > 0);
}

/** The name of a host without its port, in small letters. */
function nameOf(host: string | undefined): string | undefined {
  if (host === undefined || !URL.canParse(`http://${host}`)) return undefined;
  return new URL(`http://${host}`).hostname.replace(/^\[|\]$/g, '').toLowerCase();
}
