import type { Request, RequestHandler, Response, Router } from 'express';
import type { BodyOf, Endpoint, ParamsOf, ReplyOf } from '@core/api';
import { faultsOf } from '@core/day';
import * as z from 'zod';
import { Refusal } from '../problems';

interface Call<E extends Endpoint> {
  readonly params: ParamsOf<E>;
  readonly body: BodyOf<E>;
  readonly response: Response;
}

/** A reply that is JSON text already, as the contract encodes it. */
export class EncodedReply {
  constructor(readonly json: string) {}
}

/** Puts one endpoint of the contract on a router: its request is checked and its reply encoded by its schemas. */
export function mount<E extends Endpoint>(
  router: Router,
  endpoint: E,
  handle: (call: Call<E>) => ReplyOf<E> | EncodedReply | Promise<ReplyOf<E> | EncodedReply>,
): void {
  const handler: RequestHandler = (request: Request, response: Response) => {
    const params = checked(endpoint.params, request.params, 'The address') as ParamsOf<E>;
    const body = checked(endpoint.body, request.body, 'The request') as BodyOf<E>;
    const send = (reply: ReplyOf<E> | EncodedReply) => {
      if (response.statusCode === 200) response.status(endpoint.status ?? 200);
      if (reply instanceof EncodedReply) response.type('json').send(reply.json);
      else response.json(z.encode(endpoint.reply, reply));
    };
    const reply = handle({ params, body, response });
    return reply instanceof Promise ? reply.then(send) : send(reply);
  };
  router[endpoint.method](endpoint.path, handler);
}

function checked(schema: z.ZodType | undefined, value: unknown, what: string): unknown {
  if (!schema) return undefined;
  const result = schema.safeParse(value);
  if (result.success) return result.data;
  const faults = faultsOf(result.error);
  const first = faults[0]!;
  const more = faults.length > 1 ? `, and ${faults.length - 1} more` : '';
  throw new Refusal(400, 'Faulty request', `${what} is faulty: ${first.path}: ${first.message}${more}.`, { faults });
}
