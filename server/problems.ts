import type { Problem } from '@core/api';

/** An expected refusal; the error handler sends it as a problem document (RFC 9457). */
export class Refusal extends Error {
  readonly problem: Problem;

  constructor(status: number, title: string, detail: string, more: Pick<Problem, 'faults' | 'facts' | 'current'> = {}) {
    super(detail);
    this.problem = { type: 'about:blank', title, status, detail, ...more };
  }
}

export const notFound = (what: string) => new Refusal(404, 'Not found', `There is no ${what}.`);

/** @param current what stands now, in its encoded form */
export const conflict = (detail: string, current?: unknown) =>
  new Refusal(409, 'Conflict', detail, current === undefined ? {} : { current });
