import express, { type Request, type RequestHandler, type Response, type Router } from 'express';
import {
  isRaw,
  type Access,
  type BodyOf,
  type Endpoint,
  type ParamsOf,
  type QueryOf,
  type Raw,
  type ReplyOf,
} from '@core/api';
import { fact, faultsOf } from '@core/values';
import * as z from 'zod';
import type { Admit } from '../access/access';
import { limiterOf } from '../access/limits';
import { notFound, refusalOf } from '../base/refusal';

interface Call<E extends Endpoint> {
  readonly params: ParamsOf<E>;
  readonly query: QueryOf<E>;
  readonly body: BodyOf<E>;
  readonly request: Request;
  readonly response: Response;
}

/** A reply that is JSON text already, as the contract encodes it. */
export class EncodedReply {
  constructor(readonly json: string) {}
}

/** What comes back: a raw reply is written to the response by the handler itself. */
type Given<E extends Endpoint> = E['reply'] extends Raw ? void : ReplyOf<E> | EncodedReply;
type Handle<E extends Endpoint> = (call: Call<E>) => Given<E> | Promise<Given<E>>;
/** Answers an endpoint; with what is judged before the body is read, where that is more than the common checks. */
type Handler<E extends Endpoint> =
  Handle<E> | { readonly before: (request: Request) => void; readonly handle: Handle<E> };

/** A handler for each endpoint of a contract: one without the other does not compile. */
export type Handlers<C extends Record<string, Endpoint>> = { readonly [K in keyof C]: Handler<C[K]> };

const MOST_BODY = '5mb';

/**
 * Puts the endpoints of a contract on a router: who asks, and how often, is judged before anything of a request is read,
 * then requests are checked and replies encoded by their schemas. What no endpoint answers is refused as by an endpoint for phones.
 */
export function mountAll<C extends Record<string, Endpoint>>(
  router: Router,
  contract: C,
  handlers: Handlers<C>,
  admit: Admit,
): void {
  const judging =
    (judge: (request: Request) => void): RequestHandler =>
    (request, _response, next) => {
      judge(request);
      next();
    };
  const admitting = (access: Access) => judging((request) => admit(access, request));
  for (const [name, endpoint] of Object.entries(contract)) {
    const handler = handlers[name]! as Handler<Endpoint>;
    const handle = typeof handler === 'function' ? handler : handler.handle;
    const before = [
      admitting(endpoint.access),
      ...limiterOf(endpoint.limit),
      ...(typeof handler === 'function' ? [] : [judging(handler.before)]),
      bodyParser(endpoint),
    ];
    router[endpoint.method](endpoint.path, ...before, answering(endpoint, handle));
  }
  router.use('/api', admitting('phone'), (request) => {
    throw notFound('address', `${request.method} ${request.originalUrl}`);
  });
}

function bodyParser({ body, mostBody }: Endpoint): RequestHandler {
  return body && isRaw(body)
    ? express.raw({ type: () => true, limit: mostBody })
    : express.json({ limit: mostBody ?? MOST_BODY });
}

function answering(endpoint: Endpoint, handle: Handle<Endpoint>): RequestHandler {
  return (request, response) => {
    const { reply: schema } = endpoint;
    const call = {
      params: checked(endpoint.params, request.params, 'address'),
      query: checked(endpoint.query, request.query, 'address'),
      body:
        endpoint.body && isRaw(endpoint.body) ? bytesOf(request.body) : checked(endpoint.body, request.body, 'body'),
      request,
      response,
    } as Call<Endpoint>;
    const send = (reply: unknown) => {
      if (isRaw(schema)) return;
      if (response.statusCode === 200) response.status(endpoint.status ?? 200);
      if (reply instanceof EncodedReply) response.type('json').send(reply.json);
      else response.json(z.encode(schema, reply));
    };
    const reply = handle(call);
    return reply instanceof Promise ? reply.then(send) : send(reply);
  };
}

/** Bytes as they came; a request without a body brings none. */
function bytesOf(body: unknown): Uint8Array {
  return Buffer.isBuffer(body) ? body : Buffer.alloc(0);
}

/** NUL, and one half of a character of two. */
const NO_TEXT = /\0|\p{Surrogate}/u;
/** Texts of more characters are files, which are judged where they are read. */
const LONGEST_WORDS = 1000;

/** Where a request holds a character that no text has: NUL, or half of one of two parts. */
function notText(value: unknown, path = ''): string | undefined {
  if (typeof value === 'string') {
    const isText = value.length > LONGEST_WORDS || !NO_TEXT.test(value);
    return isText ? undefined : path || '(body)';
  }
  if (typeof value !== 'object' || value === null) return undefined;
  for (const [key, one] of Object.entries(value)) {
    const found = notText(one, path === '' ? key : `${path}.${key}`);
    if (found !== undefined) return found;
  }
  return undefined;
}

function checked(schema: z.ZodType | undefined, value: unknown, part: 'address' | 'body'): unknown {
  if (!schema) return undefined;
  const broken = notText(value);
  if (broken !== undefined) {
    const first = { path: broken, message: 'holds a character that no text has' };
    throw refusalOf(fact('faulty', {}, { part, first, more: 0 }), { faults: [first] });
  }
  const result = schema.safeParse(value);
  if (result.success) return result.data;
  const faults = faultsOf(result.error);
  const first = faults[0]!;
  throw refusalOf(fact('faulty', {}, { part, first, more: faults.length - 1 }), { faults });
}
