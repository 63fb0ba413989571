import { HttpClient, HttpErrorResponse } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import { problem, type BodyOf, type Endpoint, type ParamsOf, type Problem, type ReplyOf } from '@core/api';
import { catchError, map, throwError, type Observable } from 'rxjs';
import * as z from 'zod';

/** A request that the server refused or that never reached it. */
export class ApiError extends Error {
  /** @param problem nothing where no answer came: the network or the server is away */
  constructor(readonly problem: Problem | undefined) {
    super(problem?.detail ?? 'The server does not answer.');
  }
}

/** Calls the endpoints of the contract: requests are encoded and replies decoded by its schemas. */
@Injectable({ providedIn: 'root' })
export class Api {
  private readonly http = inject(HttpClient);

  /** Emits the reply once and completes; errs with an `ApiError`. */
  call<E extends Endpoint>(
    endpoint: E,
    request: { readonly params?: ParamsOf<E>; readonly body?: BodyOf<E> } = {},
  ): Observable<ReplyOf<E>> {
    const url = endpoint.path.replace(/:(\w+)/g, (_, name: string) =>
      encodeURIComponent(String((request.params as Record<string, unknown>)[name])),
    );
    const body = endpoint.body ? z.encode(endpoint.body, request.body) : undefined;
    return this.http.request<unknown>(endpoint.method, url, { body }).pipe(
      map((reply) => z.decode(endpoint.reply, reply as never) as ReplyOf<E>),
      catchError((error: unknown) => throwError(() => apiError(error))),
    );
  }
}

function apiError(error: unknown): unknown {
  if (!(error instanceof HttpErrorResponse)) return error;
  const parsed = problem.safeParse(error.error);
  return new ApiError(parsed.success ? parsed.data : undefined);
}
