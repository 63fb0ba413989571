import { computed, effect, inject, Injectable, untracked } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { AcceptedPlan, Booking, DaySummary } from '@core/api';
import { driftOf, somebodyEnters } from '@core/live/drift';
import { admit, isProjected, projectedEntries, stateAt, stateOf } from '@core/journal';
import { MessageService } from 'primeng/api';
import type { Observable } from 'rxjs';
import { DayFeed } from './day-feed';
import { DayJournal } from './day-journal';
import { Flags, type FlagEntry } from './flags';
import { newId } from './new-id';
import type { NewEntry, OpenDay } from './open-day';
import { Outbox } from './outbox';
import { screenWords } from './screen-words';
import { ShownTime } from './shown-time';
import { Who } from './who';

export type { NewEntry } from './open-day';

/** Without an entry, so often it is looked at where the day is heading. */
const DRIFT_EVERY_S = 10;

/**
 * The event day on screen: what is set up, the plan, the journal as it grows, and the state that follows from them at
 * the time that the ribbon shows. Feed, journal, shown time and the device's copy are pieces of their own.
 */
@Injectable({ providedIn: 'root' })
export class DayService implements OpenDay {
  private readonly feed = inject(DayFeed);
  private readonly journal = inject(DayJournal);
  private readonly time = inject(ShownTime);
  private readonly who = inject(Who);
  private readonly messages = inject(MessageService);
  private readonly outbox = inject(Outbox);
  private readonly flags = inject(Flags);
  /** Own entries that were made offline: what becomes of them is told. */
  private readonly ownOffline = new Set<string>();

  readonly days = this.feed.days.asReadonly();
  readonly date = this.feed.date.asReadonly();
  readonly view = this.feed.view.asReadonly();
  readonly failure = this.feed.failure.asReadonly();
  readonly connected = this.feed.connected.asReadonly();
  readonly lostMs = this.feed.lostMs.asReadonly();
  readonly positions = this.feed.positions.asReadonly();
  readonly devicesChanged = this.feed.devicesChanged;
  readonly phonesChanged = this.feed.phonesChanged;
  readonly practiceChanged = this.feed.practiceChanged;
  readonly planningChanged = this.feed.planningChanged;
  readonly boundChanged = this.feed.boundChanged;
  readonly planningProgress = this.feed.planningProgress;
  readonly entries = this.journal.entries;
  readonly context = this.journal.context;
  readonly nowS = this.journal.nowS;
  readonly shownS = this.time.shownS;
  readonly live = this.time.live;

  readonly flag = this.flags.now;

  readonly day = computed(() => this.view()?.day);
  readonly currency = computed(() => this.view()?.currency ?? 'EUR');
  readonly plan = computed(() => (this.view()?.plan ? this.context()?.schedule.plan : undefined));
  readonly bookings = computed(
    () => new Map((this.view()?.bookings ?? []).map((it): [string, Booking] => [it.id, it])),
  );
  readonly stalls = computed<Record<string, number>>(() => {
    const entered = [...(this.state()?.garage.cars ?? [])].flatMap(([car, { stall }]) =>
      stall ? [[car, stall] as const] : [],
    );
    return { ...this.view()?.stalls, ...Object.fromEntries(entered) };
  });
  /**
   * Up to now from the journal, and from now on as it will be if everybody does what the plan says, with what runs late
   * now.
   */
  readonly state = computed(() => {
    const [context, entries, shownS] = [this.context(), this.entries(), this.shownS()];
    if (!context) return undefined;
    if (this.live()) return stateAt(context, this.journal.happened()!, shownS);
    const nowS = this.nowS();
    if (shownS <= nowS) return stateOf(context, entries, shownS);
    const ahead = projectedEntries(context, stateAt(context, this.journal.happened()!, nowS), shownS);
    const state = stateOf(context, [...entries, ...ahead], shownS);
    return { ...state, resolved: state.resolved.filter(({ id }) => !isProjected(id)) };
  });

  private readonly lookedAtS = computed(() => Math.floor(this.shownS() / DRIFT_EVERY_S) * DRIFT_EVERY_S);
  readonly drift = computed(() => {
    const [context, happened, atS] = [this.context(), this.journal.happened(), this.lookedAtS()];
    if (!context || !happened || !this.view()?.plan || !somebodyEnters(this.entries())) return undefined;
    return driftOf(context, this.live() ? stateAt(context, happened, atS) : untracked(this.state)!);
  });

  constructor() {
    this.outbox.outcomes.pipe(takeUntilDestroyed()).subscribe(({ reason }) => {
      if (reason) this.refuse(reason);
    });
    effect(() => {
      const resolved = this.state()?.resolved.filter(({ id }) => this.ownOffline.has(id)) ?? [];
      for (const { id, what } of resolved) {
        this.ownOffline.delete(id);
        const text = screenWords(untracked(this.view)).resolution(what);
        untracked(() =>
          this.messages.add({ severity: 'warn', summary: 'Resolved by rule', detail: text, sticky: true }),
        );
      }
    });
  }

  /** Reads the list of days, then opens the given one, or that which this tab has shown, or today's, or the last. */
  start(date?: string): void {
    this.feed.start(date);
  }

  open(date: string): void {
    this.feed.open(date);
  }

  /** Goes by a plan that was accepted here. */
  accepted(date: string, plan: AcceptedPlan): void {
    this.feed.accepted(date, plan);
  }

  reload(): void {
    this.feed.reload();
  }

  addDay(date: string, practice = false): Observable<DaySummary> {
    return this.feed.addDay(date, practice);
  }

  showTime(timeS: number | undefined): void {
    this.time.show(timeS);
  }

  record(fields: NewEntry, by?: string, atS = this.nowS()): boolean {
    const [date, context] = [this.date(), this.context()];
    if (!date || !context) return false;
    if (!this.live()) {
      this.refuse('The ribbon shows another time. Go back to now to enter what happens.');
      return false;
    }
    const common = { id: newId(), at: atS, by: by ?? this.who.name() };
    const entry = { ...fields, ...common };
    const admission = admit(context, this.entries(), entry);
    if (!admission.admitted) {
      this.refuse(screenWords(this.view()).refusal(admission.refusal));
      return false;
    }
    if (!this.connected()) this.ownOffline.add(entry.id);
    this.outbox.send(date, entry, !this.connected());
    return true;
  }

  callFlag(fields: FlagEntry): boolean {
    const refusal = this.flags.enter(fields);
    if (refusal !== undefined) this.refuse(refusal);
    return refusal === undefined;
  }

  undo(entryId: string): boolean {
    return this.record({ kind: 'correction', corrects: entryId });
  }

  refuse(reason: string): void {
    this.messages.add({ severity: 'warn', summary: 'Not done', detail: reason, life: 9000 });
  }

  say(detail: string): void {
    this.messages.add({ severity: 'success', summary: 'Done', detail, life: 4000 });
  }
}
