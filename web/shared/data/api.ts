import { HttpClient, HttpErrorResponse } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import {
  addressOf,
  isRaw,
  problem,
  type BodyOf,
  type Endpoint,
  type ParamsOf,
  type Problem,
  type Raw,
  type ReplyOf,
  type RequestRefusal,
} from '@core/api';
import { catchError, from, map, switchMap, throwError, type Observable } from 'rxjs';
import * as z from 'zod';
import { toBeAdded } from './to-be-added';
import { turnedAway } from './turned-away';

/** A request that the server refused or that never reached it. */
export class ApiError extends Error {
  /** @param problem nothing where no answer came: the network or the server is away */
  constructor(readonly problem: Problem | undefined) {
    super(problem?.detail ?? 'The server does not answer.');
  }

  /** Whether it was refused for this. */
  is(code: RequestRefusal['code']): boolean {
    return Boolean(this.problem?.facts?.some((one) => one.code === code));
  }
}

/** An endpoint whose reply is JSON. */
type Answering = Endpoint & { readonly reply: z.ZodType };
interface Sent<E extends Endpoint> {
  readonly params?: ParamsOf<E>;
  /** What is raw is sent as it is. */
  readonly body?: E['body'] extends Raw ? Blob : BodyOf<E>;
}

/** Calls the endpoints of the contract: requests are encoded and replies decoded by its schemas. */
@Injectable({ providedIn: 'root' })
export class Api {
  private readonly http = inject(HttpClient);

  /** Emits the reply once and completes; errs with an `ApiError`. */
  call<E extends Answering>(endpoint: E, request: Sent<E> = {}): Observable<ReplyOf<E>> {
    const url = addressOf(endpoint, request.params);
    return this.http.request<unknown>(endpoint.method, url, { body: bodyOf(endpoint, request.body) }).pipe(
      map((reply) => z.decode(endpoint.reply, reply as never) as ReplyOf<E>),
      catchError((error: unknown) => failed(endpoint, error)),
    );
  }

  /** Emits a file once and completes; errs with an `ApiError`. */
  file<E extends Endpoint>(endpoint: E, request: Sent<E> = {}): Observable<Blob> {
    const url = addressOf(endpoint, request.params);
    const body = bodyOf(endpoint, request.body);
    return this.http
      .request(endpoint.method, url, { body, responseType: 'blob' })
      .pipe(catchError((error: unknown) => from(asJson(error)).pipe(switchMap((read) => failed(endpoint, read)))));
  }
}

function bodyOf({ body: part }: Endpoint, body: unknown): unknown {
  if (!part) return undefined;
  return isRaw(part) ? body : z.encode(part, body);
}

/** The refusal of a file comes as a file itself. */
async function asJson(error: unknown): Promise<unknown> {
  if (!(error instanceof HttpErrorResponse) || !(error.error instanceof Blob)) return error;
  const text = await error.error.text();
  const { status, statusText } = error;
  try {
    return new HttpErrorResponse({ error: JSON.parse(text) as unknown, status, statusText });
  } catch {
    return error;
  }
}

function failed({ access }: Endpoint, error: unknown): Observable<never> {
  const read = apiError(error);
  if (read instanceof ApiError) {
    if (read.is('notAdded')) toBeAdded();
    if (read.is('phonePutOut')) turnedAway.next('phonePutOut');
    // What is shown to the manager alone has the field for the code on its own screen.
    if (read.is('managerOnly') && access !== 'managerAlone') turnedAway.next('managerOnly');
  }
  return throwError(() => read);
}

function apiError(error: unknown): unknown {
  if (!(error instanceof HttpErrorResponse)) return error;
  const parsed = problem.safeParse(error.error);
  return new ApiError(parsed.success ? parsed.data : undefined);
}
