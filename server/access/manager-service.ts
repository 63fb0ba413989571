import { randomBytes } from 'node:crypto';
import type { ManagerAccess } from '@core/api';
import { fact } from '@core/values';
import { compare, hash } from 'bcryptjs';
import type { Request, Response } from 'express';
import { isThisMachine } from './network/this-machine';
import { refusalOf } from '../base/refusal';
import type { Store } from '../store';

const COOKIE = 'joylap-manager';
const OPEN_MS = 12 * 3_600_000;
/** Cost of the hash: a tenth of a second or so a try. */
const ROUNDS = 10;

/** What is stored of a code. */
export function hashOfCode(code: string): Promise<string> {
  return hash(code, ROUNDS);
}

/**
 * Who is the manager: whoever has shown the code in this browser within twelve hours. Kept in memory, so that a restart
 * lets everybody out.
 */
export class ManagerService {
  private readonly openUntil = new Map<string, number>();

  constructor(private readonly store: Store) {}

  isOpen({ cookies }: Request): boolean {
    const token = (cookies as Record<string, string>)[COOKIE];
    return token !== undefined && (this.openUntil.get(token) ?? 0) > Date.now();
  }

  access(request: Request): ManagerAccess {
    return { set: this.store.manager.hash() !== undefined, open: this.isOpen(request) };
  }

  /** @throws Refusal 403 where the manager has not been let in */
  mustBeOpen(request: Request): void {
    if (this.isOpen(request)) return;
    throw refusalOf(fact(this.store.manager.hash() === undefined ? 'codeSetHere' : 'managerOnly', {}));
  }

  /** @throws Refusal 403 where a code would travel readable by others on the network */
  private mustBePrivate(request: Request): void {
    if (!request.secure && !isThisMachine(request)) throw refusalOf(fact('codeNeedsHttps', {}));
  }

  /**
   * @throws Refusal 403 where there is a code already and this is not the manager, or where there is none and this is
   *   another machine than the server's
   */
  async setCode(response: Response, code: string): Promise<ManagerAccess> {
    if (this.store.manager.hash() !== undefined) this.mustBeOpen(response.req);
    else if (!isThisMachine(response.req)) {
      throw refusalOf(fact('codeSetHere', {}));
    }
    this.mustBePrivate(response.req);
    this.store.manager.setHash(await hashOfCode(code));
    this.openUntil.clear();
    return this.letIn(response);
  }

  /** @throws Refusal 403 where the code is wrong or there is none */
  async open(response: Response, code: string): Promise<ManagerAccess> {
    this.mustBePrivate(response.req);
    const known = this.store.manager.hash();
    if (known === undefined) throw refusalOf(fact('codeSetHere', {}));
    if (!(await compare(code, known))) throw refusalOf(fact('wrongCode', {}));
    return this.letIn(response);
  }

  close(response: Response): ManagerAccess {
    const token = (response.req.cookies as Record<string, string>)[COOKIE];
    if (token !== undefined) this.openUntil.delete(token);
    response.clearCookie(COOKIE);
    return { ...this.access(response.req), open: false };
  }

  /** Lets everybody out, as when another database has come. */
  forget(): void {
    this.openUntil.clear();
  }

  private letIn(response: Response): ManagerAccess {
    const token = randomBytes(24).toString('base64url');
    for (const [ended, until] of this.openUntil) if (until <= Date.now()) this.openUntil.delete(ended);
    this.openUntil.set(token, Date.now() + OPEN_MS);
    response.cookie(COOKIE, token, {
      httpOnly: true,
      sameSite: 'strict',
      secure: response.req.secure,
      maxAge: OPEN_MS,
    });
    return { set: true, open: true };
  }
}
