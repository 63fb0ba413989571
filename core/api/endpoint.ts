import * as z from 'zod';

/** One request of the interface and its reply. On the wire everything is in its encoded form (times as wall clock). */
export interface Endpoint {
  readonly method: 'get' | 'post' | 'put' | 'delete';
  /** Express style, `/api/days/:date`. */
  readonly path: string;
  readonly summary: string;
  readonly params?: z.ZodObject;
  readonly body?: z.ZodType;
  readonly reply: z.ZodType;
  /** Status of a good reply, 200 where not given. */
  readonly status?: number;
  /** Statuses of expected refusals, each a problem document. */
  readonly refusals?: readonly number[];
}

export const endpoint = <const E extends Endpoint>(definition: E): E => definition;

// Parts that stand in many requests.
export const date = z.strictObject({ date: z.iso.date('expected a date, YYYY-MM-DD') });
export const id = z.strictObject({ id: z.string().min(1).max(64) });
export const dateAndId = z.strictObject({ ...date.shape, ...id.shape });
export const author = z.string().trim().min(1).max(100);
export const version = z.number().int().min(1);
/** 0 where there is nothing yet that could be changed. */
export const versionOrNone = z.number().int().min(0);

/** What a handler or a caller gives and gets, inside the core (decoded). */
export type ParamsOf<E extends Endpoint> = E['params'] extends z.ZodType ? z.output<E['params']> : undefined;
export type BodyOf<E extends Endpoint> = E['body'] extends z.ZodType ? z.output<E['body']> : undefined;
export type ReplyOf<E extends Endpoint> = z.output<E['reply']>;
