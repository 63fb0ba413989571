import { computed, inject, Injectable, signal } from '@angular/core';
import { toObservable } from '@angular/core/rxjs-interop';
import { contract, type PlanJob, type PlanProgress, type PlanningMode, type PlanRevision } from '@core/api';
import type { Plan } from '@core/day';
import { catchError, EMPTY, filter, first, map, startWith, switchMap, take, tap, type Observable } from 'rxjs';
import { Api } from './api';
import { DayService } from './day.service';
import { Outbox } from './outbox';
import { Who } from './who';

/** A whole day is searched for so long, a repair and a return to an earlier plan for less. */
const SECONDS: Record<PlanningMode, number> = { improve: 20, repair: 3, restore: 0 };

export interface Acceptance {
  readonly plan: Plan;
  readonly base: number;
  /** Time of day for which the plan was made. */
  readonly asOf: number;
  readonly reason: string;
  readonly despiteRules?: boolean;
}

/** The search for a plan on the server, its proposal, and the acceptance of plans. */
@Injectable({ providedIn: 'root' })
export class PlanService {
  private readonly api = inject(Api);
  private readonly data = inject(DayService);
  private readonly who = inject(Who);
  private readonly outbox = inject(Outbox);
  private readonly found = signal<PlanJob | undefined>(undefined);
  private readonly told = signal<PlanProgress | undefined>(undefined);

  /** The plan that is being looked for, or the proposal that was found last. */
  readonly job = this.found.asReadonly();
  readonly running = computed(() => this.job()?.state === 'running');
  /** How far the running search has come. */
  readonly progress = computed(() => {
    const told = this.told();
    return told && told.id === this.job()?.id ? told : undefined;
  });
  /** A proposal for a plan that is no longer the current one. */
  readonly stale = computed(() => {
    const job = this.job();
    return job !== undefined && job.base !== this.base();
  });
  /** The current revision; 0 where there is none. */
  readonly base = computed(() => this.data.view()?.revision?.revision ?? 0);
  private readonly bases = toObservable(this.base);

  constructor() {
    this.data.planningProgress.subscribe((progress) => this.told.set(progress));
    // The first reading is for a screen that opens after the stream has.
    this.data.planningChanged
      .pipe(
        startWith(undefined),
        switchMap(() => {
          const date = this.data.date();
          if (!date) return EMPTY;
          return this.api.call(contract.readPlanning, { params: { date } }).pipe(catchError(() => EMPTY));
        }),
      )
      .subscribe(({ job }) => this.found.set(job ?? undefined));
  }

  start(mode: PlanningMode, reason: string, more: { seconds?: number; revision?: number } = {}): void {
    const date = this.data.date();
    if (!date || this.running()) return;
    const body = { author: this.who.name(), reason: reason.slice(0, 200), mode, seconds: SECONDS[mode], ...more };
    this.told.set(undefined);
    this.api.call(contract.startPlanning, { params: { date }, body }).subscribe({
      // A short search may have ended before this reply came.
      next: (job) => this.found.update((known) => (known?.id === job.id ? known : job)),
      error: (error: Error) => this.data.refuse(error.message),
    });
  }

  /** Looks for a repair once the server has what was entered last: a repair goes by what it knows. */
  repairOnceSent(words: string): void {
    if (this.outbox.waiting().length === 0) return this.start('repair', words);
    this.outbox.outcomes
      .pipe(
        filter(() => this.outbox.waiting().length === 0),
        take(1),
      )
      .subscribe(({ recorded }) => {
        if (recorded) this.start('repair', words);
      });
  }

  /** Ends the search with the best plan so far. */
  stop(): void {
    this.call(contract.stopPlanning);
  }

  drop(): void {
    this.found.set(undefined);
    this.call(contract.dropPlanning);
  }

  /** Accepts a plan, and emits once the day on screen goes by it; errs where it is refused. */
  accept({ plan, base, asOf, reason, despiteRules }: Acceptance): Observable<PlanRevision> {
    const date = this.data.date()!;
    const body = { plan, base, asOf, reason: reason.slice(0, 200), author: this.who.name(), despiteRules };
    return this.api.call(contract.acceptPlan, { params: { date }, body }).pipe(
      tap((accepted) => {
        this.found.set(undefined);
        this.data.accepted(date, accepted);
      }),
      switchMap((accepted) =>
        this.bases.pipe(
          first((base) => base >= accepted.revision || this.data.date() !== date),
          map(() => accepted),
        ),
      ),
    );
  }

  private call(endpoint: typeof contract.stopPlanning | typeof contract.dropPlanning): void {
    const date = this.data.date();
    if (!date) return;
    this.api
      .call(endpoint, { params: { date } })
      .subscribe({ error: (error: Error) => this.data.refuse(error.message) });
  }
}
