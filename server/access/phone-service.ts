import { createHash, randomBytes, randomInt } from 'node:crypto';
import type { Phone, PhoneCode, PhoneReport } from '@core/api';
import { fact } from '@core/values';
import type { Request, Response } from 'express';
import { notFound, refusalOf } from '../base/refusal';
import type { ServerWatch } from '../services/live/server-watch';
import type { Hub } from '../services/live/hub';
import type { ForGood } from '../base/for-good';
import type { Store } from '../store';
import { reportOf, type PhoneRow } from '../store/phones';

const COOKIE = 'joylap-phone';
const CODE_MS = 15 * 60_000;
/** A phone is one for a season and more; it is put out when it is to go. */
const KEPT_MS = 400 * 86_400_000;
/** Without those that are taken for one another. */
const LETTERS = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789';
const CODE_LENGTH = 6;
const MOST_CODES = 50;
/** What a page asked with its old token in the same moment is still answered. */
const PASSING_MS = 60_000;
/** A phone that was put out may hand over what waits on it for so long after it was heard again. */
const LEAVING_MS = 10 * 60_000;

/** Which phones and tablets are let in, by what code they come, and what each has said of itself. */
export class PhoneService {
  /** Codes that are out, each for one phone, and until when they hold. */
  private readonly codes = new Map<string, number>();
  /** Hashes of tokens that were exchanged a moment ago. */
  private readonly passing = new Map<string, { readonly id: string; readonly untilMs: number }>();
  /** Who asked, as long as the request is open: a stream outlives its token. */
  private readonly askedBy = new WeakMap<Request, string>();
  /** When a phone that was put out was heard first since. */
  private readonly leavingSinceMs = new Map<string, number>();

  constructor(
    private readonly store: Store,
    private readonly hub: Hub,
    private readonly forGood: ForGood,
    private readonly watch: ServerWatch,
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

  /** The phone that asks, if it is one that was let in and not put out. */
  of(request: Request): PhoneRow | undefined {
    const row = this.known(request);
    return row?.put_out_at === null ? row : undefined;
  }

  /**
   * Lets a phone in that was added. One that comes by HTTPS with a token that plain HTTP has carried gets another one, for
   * HTTPS alone.
   *
   * @param leaving whether one that was put out may do this to hand over what waits on it
   * @throws Refusal 403 for everybody else
   */
  mustBeAdded(request: Request, leaving: boolean): void {
    const row = this.known(request);
    if (!row) throw refusalOf(fact('notAdded', {}));
    if (row.put_out_at !== null) {
      const sinceMs = this.leavingSinceMs.get(row.id) ?? this.nowMs();
      this.leavingSinceMs.set(row.id, sinceMs);
      if (leaving && this.nowMs() - sinceMs < LEAVING_MS) return;
      throw refusalOf(fact('phonePutOut', {}));
    }
    this.askedBy.set(request, row.id);
    if (request.secure && row.secure === 0) {
      for (const [hash, { untilMs }] of this.passing) if (untilMs < this.nowMs()) this.passing.delete(hash);
      this.passing.set(row.token_hash, { id: row.id, untilMs: this.nowMs() + PASSING_MS });
      const token_hash = hashOf(this.giveToken(request.res!));
      this.store.phones.put({ ...row, token_hash, secure: 1 });
    }
  }

  /** A phone that was put out has handed over what waited on it, and holds nothing more. */
  left(request: Request): void {
    const row = this.known(request);
    if (row && row.put_out_at !== null) {
      this.store.phones.remove(row.id);
      this.leavingSinceMs.delete(row.id);
    }
    request.res!.clearCookie(COOKIE);
  }

  private known(request: Request): PhoneRow | undefined {
    const token = (request.cookies as Record<string, string> | undefined)?.[COOKIE];
    if (token === undefined) return undefined;
    const row = this.store.phones.withToken(hashOf(token));
    if (row) return row.secure === 1 && !request.secure ? undefined : row;
    const passed = request.secure ? this.passing.get(hashOf(token)) : undefined;
    return passed && passed.untilMs > this.nowMs() ? this.store.phones.get(passed.id) : undefined;
  }

  /** Takes down what a phone says of itself; gives who is to have it from now on, once. */
  report(request: Request, { nowMs, ...report }: PhoneReport): { name: string | null; handedTo: string | null } {
    const row = this.of(request);
    if (!row) return { name: null, handedTo: null };
    const seen = new Date(this.nowMs()).toISOString();
    this.store.phones.put({ ...row, seen_at: seen, report: JSON.stringify(report), handed_to: null });
    if (row.report !== JSON.stringify(report) || row.handed_to !== null) this.hub.changed('phones');
    this.watch.heard(row.id, nowMs);
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
    this.hub.end((request) => this.askedBy.get(request) === id);
    this.forGood.add({ putOut: id });
    this.store.phones.put({ ...row, put_out_at: new Date(this.nowMs()).toISOString() });
    this.hub.changed('phones');
  }

  private add(response: Response, name: string): string {
    const id = randomBytes(6).toString('hex');
    const added_at = new Date(this.nowMs()).toISOString();
    const secure = response.req.secure ? 1 : 0;
    this.store.phones.add({ id, name, token_hash: hashOf(this.giveToken(response)), added_at, secure });
    return id;
  }

  /** A token for who asks; one that is given by HTTPS never travels without. */
  private giveToken(response: Response): string {
    const token = randomBytes(24).toString('base64url');
    response.cookie(COOKIE, token, {
      httpOnly: true,
      sameSite: 'lax',
      secure: response.req.secure,
      maxAge: KEPT_MS,
    });
    return token;
  }
}

function hashOf(token: string): string {
  return createHash('sha256').update(token).digest('hex');
}

function view(row: PhoneRow): Phone {
  const { id, name, added_at, seen_at, handed_to } = row;
  return { id, name, addedAt: added_at, seenAt: seen_at, report: reportOf(row) ?? null, handedTo: handed_to };
}
