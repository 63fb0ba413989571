import { createHash, randomBytes, randomInt } from 'node:crypto';
import { phoneReport, type Phone, type PhoneCode, type PhoneReport } from '@core/api';
import { fact } from '@core/day';
import type { Request, Response } from 'express';
import { notFound, refusalOf } from '../problems';
import type { Hub } from '../live/hub';
import type { Store } from '../store';
import type { PhoneRow } from '../store/phones';

const COOKIE = 'joylap-phone';
const CODE_MS = 15 * 60_000;
/** A phone is one for a season and more; it is put out when it is to go. */
const KEPT_MS = 400 * 86_400_000;
/** Without those that are taken for one another. */
const LETTERS = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789';
const CODE_LENGTH = 6;
const MOST_CODES = 50;

/** Which phones and tablets are let in, by what code they come, and what each has said of itself. */
export class PhoneDesk {
  /** Codes that are out, each for one phone, and until when they hold. */
  private readonly codes = new Map<string, number>();

  constructor(
    private readonly store: Store,
    private readonly hub: Hub,
    private readonly nowMs: () => number = Date.now,
  ) {}

  list(): Phone[] {
    return this.store.phones.list().map(view);
  }

  /** A code for one more phone. */
  newCode(): PhoneCode {
    for (const [code, untilMs] of this.codes) if (untilMs < this.nowMs()) this.codes.delete(code);
    if (this.codes.size >= MOST_CODES) this.codes.delete([...this.codes.keys()][0]!);
    const code = Array.from({ length: CODE_LENGTH }, () => LETTERS[randomInt(LETTERS.length)]).join('');
    const untilMs = this.nowMs() + CODE_MS;
    this.codes.set(code, untilMs);
    return { code, until: new Date(untilMs).toISOString() };
  }

  /**
   * Lets the browser that asks in; one that was in already stays the same phone.
   *
   * @throws Refusal 403 where the code is wrong, used or too old
   */
  join(response: Response, typed: string, name: string): Phone {
    const code = typed.toUpperCase().replace(/[^A-Z0-9]/g, '');
    if ((this.codes.get(code) ?? 0) < this.nowMs()) throw refusalOf(fact('wrongPhoneCode', {}));
    this.codes.delete(code);
    const known = this.of(response.req);
    if (known) this.store.phones.put({ ...known, name });
    const id = known?.id ?? this.add(response, name);
    this.hub.changed('phones');
    return view(this.store.phones.get(id)!);
  }

  /** The phone that asks, if it is one that was let in. */
  of({ cookies }: Request): PhoneRow | undefined {
    const token = (cookies as Record<string, string> | undefined)?.[COOKIE];
    return token === undefined ? undefined : this.store.phones.withToken(hashOf(token));
  }

  /** Takes down what a phone says of itself; gives who is to have it from now on, once. */
  report(request: Request, report: PhoneReport): { name: string | null; handedTo: string | null } {
    const row = this.of(request);
    if (!row) return { name: null, handedTo: null };
    const seen = new Date(this.nowMs()).toISOString();
    this.store.phones.put({ ...row, seen_at: seen, report: JSON.stringify(report), handed_to: null });
    if (row.report !== JSON.stringify(report) || row.handed_to !== null) this.hub.changed('phones');
    return { name: row.name, handedTo: row.handed_to };
  }

  /** @throws Refusal 404 where there is no such phone */
  change(id: string, { name, handTo }: { name?: string; handTo?: string }): Phone {
    const row = this.store.phones.get(id);
    if (!row) throw notFound('phone', id);
    this.store.phones.put({ ...row, name: name ?? row.name, handed_to: handTo ?? row.handed_to });
    this.hub.changed('phones');
    return view(this.store.phones.get(id)!);
  }

  /** @throws Refusal 404 where there is no such phone */
  remove(id: string): void {
    const row = this.store.phones.get(id);
    if (!row) throw notFound('phone', id);
    this.hub.end((request) => this.of(request)?.id === id);
    this.store.phones.remove(id);
    this.hub.changed('phones');
  }

  private add(response: Response, name: string): string {
    const token = randomBytes(24).toString('base64url');
    const id = randomBytes(6).toString('hex');
    const added = new Date(this.nowMs()).toISOString();
    this.store.phones.add({ id, name, token_hash: hashOf(token), added_at: added });
    // Not for HTTPS alone: a phone that comes by HTTP first is the same one once it trusts the certificate.
    response.cookie(COOKIE, token, { httpOnly: true, sameSite: 'lax', maxAge: KEPT_MS });
    return id;
  }
}

function hashOf(token: string): string {
  return createHash('sha256').update(token).digest('hex');
}

function view({ id, name, added_at, seen_at, report, handed_to }: PhoneRow): Phone {
  const said = report === null ? undefined : phoneReport.safeParse(JSON.parse(report)).data;
  return { id, name, addedAt: added_at, seenAt: seen_at, report: said ?? null, handedTo: handed_to };
}
