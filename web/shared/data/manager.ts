import { inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { contract, type ManagerAccess } from '@core/api';
import { tap, type Observable } from 'rxjs';
import { Api } from './api';
import { turnedAway } from './turned-away';

/** Whether this browser has been let in as the manager's. The server decides what is shown; this only says so. */
@Injectable({ providedIn: 'root' })
export class Manager {
  private readonly api = inject(Api);
  readonly access = signal<ManagerAccess | undefined>(undefined);
  /** Something was refused on this phone for want of the code. */
  readonly wanted = signal(false);

  constructor() {
    turnedAway.pipe(takeUntilDestroyed()).subscribe((why) => {
      if (why === 'managerOnly') this.wanted.set(true);
    });
  }

  refresh(): void {
    this.api
      .call(contract.readManager)
      .subscribe({ next: (access) => this.access.set(access), error: () => undefined });
  }

  /** Enters the code, or sets it where there is none yet; errs with an `ApiError`. */
  enter(code: string): Observable<ManagerAccess> {
    const call = this.access()?.set ? contract.openManager : contract.setManagerCode;
    return this.api.call(call, { body: { code } }).pipe(
      tap((access) => {
        this.access.set(access);
        this.wanted.set(false);
      }),
    );
  }

  leave(): void {
    this.api
      .call(contract.closeManager)
      .subscribe({ next: (access) => this.access.set(access), error: () => undefined });
  }
}
