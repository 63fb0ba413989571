import * as z from 'zod';

/** What travels as it is and not as JSON: a file, a picture, a stream, the lines of a device. */
export interface Raw {
  /** Media type, `application/pdf`. */
  readonly media: string;
}

export const raw = (media: string): Raw => ({ media });

export function isRaw(part: z.ZodType | Raw): part is Raw {
  return !(part instanceof z.ZodType);
}

/**
 * Who may ask: `anyone` who reaches the server; `phone`, one that was added, and the server's own machine; `phoneLeaving`,
 * a phone that was put out as well, to hand over what waits on it; `manager`, that machine too, and a phone on which the
 * manager's code was entered; `managerAlone`, nobody without the code.
 */
export type Access = 'anyone' | 'phone' | 'phoneLeaving' | 'manager' | 'managerAlone';

/**
 * How often may be asked: wrong codes of an address within ten minutes (and as many of all addresses before everybody waits
 * a little), or requests of an address a minute. The server's own machine is not limited.
 */
export type RequestLimit = { readonly wrongCodes: number } | { readonly aMinute: number };

/** One request of the interface and its reply. On the wire everything is in its encoded form (times as wall clock). */
export interface Endpoint {
  readonly method: 'get' | 'post' | 'put' | 'delete';
  /** Express style, `/api/days/:date`. */
  readonly path: string;
  readonly access: Access;
  readonly limit?: RequestLimit;
  readonly summary: string;
  readonly params?: z.ZodObject;
  readonly query?: z.ZodObject;
  readonly body?: z.ZodType | Raw;
  /** Most that a body may hold where it is not the common limit: `4mb`. */
  readonly mostBody?: string;
  readonly reply: z.ZodType | Raw;
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

/** What a handler or a caller gives and gets, inside the core (decoded); what is raw is bytes. */
export type ParamsOf<E extends Endpoint> = PartOf<E['params']>;
export type QueryOf<E extends Endpoint> = PartOf<E['query']>;
export type BodyOf<E extends Endpoint> = PartOf<E['body']>;
export type ReplyOf<E extends Endpoint> = PartOf<E['reply']>;
type PartOf<P> = P extends z.ZodType ? z.output<P> : P extends Raw ? Uint8Array : undefined;

/** Where to ask, with its parameters and what is asked besides filled in. */
export function addressOf<E extends Endpoint>(
  { path }: E,
  params?: ParamsOf<E>,
  query: Partial<Record<string, string>> = {},
): string {
  const filled = path.replace(/:(\w+)/g, (_, name: string) =>
    encodeURIComponent(String((params as Record<string, unknown>)[name])),
  );
  const asked = Object.entries(query).filter((entry): entry is [string, string] => entry[1] !== undefined);
  return asked.length > 0 ? `${filled}?${new URLSearchParams(asked)}` : filled;
}
