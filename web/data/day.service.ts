import { computed, DestroyRef, effect, inject, Injectable, signal, untracked, type Signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import {
  contract,
  dayView,
  type Booking,
  type DaySummary,
  type DayView,
  type LivePositions,
  type PlanProgress,
} from '@core/api';
import { vocabularyOf } from '@core/coaching';
import { emptyPlan } from '@core/day';
import {
  admit,
  dayContext,
  effectiveEntries,
  isProjected,
  nextDate,
  projectedEntries,
  replay,
  stateAt,
  stateOf,
  timeOnDay,
  type JournalEntry,
  type RecordedEntry,
} from '@core/journal';
import { MessageService } from 'primeng/api';
import { catchError, EMPTY, forkJoin, Subject, Subscription, switchMap, type Observable } from 'rxjs';
import * as z from 'zod';
import { Api, ApiError } from './api';
import { DeviceStorage } from './device-storage';
import { entryStream } from './entry-stream';
import { newId } from './new-id';
import { Outbox } from './outbox';
import { retryWhileAway } from './retry';
import { VenueClock } from './venue-clock';
import { screenWords } from './screen-words';
import { timed } from './timed';
import { Who } from './who';

type DistributiveOmit<T, K extends PropertyKey> = T extends unknown ? Omit<T, K> : never;
/** An entry as a screen makes it; id, time and author are added here. */
export type NewEntry = DistributiveOmit<JournalEntry, 'id' | 'at' | 'by'>;

/** Entries of this device that the server has not confirmed yet come after all others. */
const PENDING_SEQ = 1_000_000_000;
/** A burst of entries is taken in at most so often. */
const TAKE_EVERY_MS = 60;
/** What has changed is kept on the device for a start without server this much later. */
const KEEP_AFTER_MS = 1000;

/** The day that this tab shows, and what day it was when it was opened. */
interface ShownDay {
  readonly date: string;
  readonly today: string | undefined;
}
const SHOWN_KEY = 'joylap.day';
/** The last erasure of a guest that this device knows of. */
const ERASED_KEY = 'joylap.erased';
/** Until then, yesterday's event day may still be running. */
const NIGHT_ENDS_S = 6 * 3600;

/**
 * The day that this tab has shown before a reload; nothing where that was the day of another morning, so that a tablet
 * which was left on goes on with the new day.
 */
function shownBefore(today: string, nowS: number): string | undefined {
  const text = sessionStorage.getItem(SHOWN_KEY);
  if (text === null) return undefined;
  const shown = JSON.parse(text) as ShownDay;
  const wasToday = shown.date === shown.today;
  const night = nextDate(shown.date) === today && nowS < NIGHT_ENDS_S;
  return wasToday && shown.date !== today && !night ? undefined : shown.date;
}

/** What screens see of the day that is open, and do with it. */
export type OpenDay = {
  readonly [K in Exclude<keyof DayService, 'start' | 'open' | 'addDay' | 'lostMs'>]: DayService[K] extends Signal<
    infer T
  >
    ? Signal<T>
    : DayService[K];
};

/**
 * The event day on screen: what is set up, the plan, the journal as it grows, and the state that follows from them at
 * the time that the ribbon shows.
 */
@Injectable({ providedIn: 'root' })
export class DayService {
  private readonly api = inject(Api);
  private readonly clock = inject(VenueClock);
  private readonly who = inject(Who);
  private readonly messages = inject(MessageService);
  private readonly outbox = inject(Outbox);
  private readonly storage = inject(DeviceStorage);

  readonly days = signal<readonly DaySummary[]>([]);
  readonly date = signal<string | undefined>(undefined);
  readonly view = signal<DayView | undefined>(undefined);
  /** Why the day can't be shown, if so. */
  readonly failure = signal<string | undefined>(undefined);
  /** Whether the live stream is open. */
  readonly connected = signal(true);
  /** Device's time at which the connection was lost, milliseconds since 1970. */
  readonly lostMs = signal<number | undefined>(undefined);
  /** Where cars are, as trackers have last told. */
  readonly positions = signal<LivePositions | undefined>(undefined);
  readonly devicesChanged = new Subject<void>();
  private readonly recorded = signal<readonly RecordedEntry[]>([]);
  private readonly shown = signal<number | undefined>(undefined);
  private readonly load = new Subject<string>();
  /** Emits when the search for a plan has begun, ended or been dropped, and whenever a day is read from the start. */
  readonly planningChanged = new Subject<void>();
  readonly planningProgress = new Subject<PlanProgress>();
  private stream = Subscription.EMPTY;
  private incoming: RecordedEntry[] = [];
  /** What has come since the day was last asked for. */
  private sinceAsked: RecordedEntry[] = [];
  private takenMs = -Infinity;
  /** The day that was opened from the device's copy, before the server had answered. */
  private fromCopy: string | undefined;
  private keeping: ReturnType<typeof setTimeout> | undefined;
  private taking: ReturnType<typeof setTimeout> | undefined;
  private readonly destroyed = inject(DestroyRef);
  /** Own entries that were made offline: what becomes of them is told. */
  private readonly ownOffline = new Set<string>();

  readonly entries = computed<readonly RecordedEntry[]>(() => {
    const known = new Set(this.recorded().map(({ entry }) => entry.id));
    const date = this.date();
    const pending = this.outbox
      .waiting()
      .filter((item) => item.date === date && !known.has(item.entry.id))
      .map(({ entry }, place) => ({ seq: PENDING_SEQ + place, recordedAt: '', entry }));
    return [...this.recorded(), ...pending];
  });
  readonly day = computed(() => this.view()?.day);
  /** Code of the currency in which this venue sells. */
  readonly currency = computed(() => this.view()?.currency ?? 'EUR');
  readonly plan = computed(() => this.view()?.plan ?? undefined);
  readonly context = computed(() => {
    const view = this.view();
    return view && dayContext(view.day, view.plan ?? emptyPlan(view.day.date));
  });
  readonly bookings = computed(
    () => new Map((this.view()?.bookings ?? []).map((it): [string, Booking] => [it.id, it])),
  );
  /** The common faults, with those and the words of this venue. */
  readonly vocabulary = computed(() => vocabularyOf(this.view()?.faults ?? []));
  /** Where each car stands: what somebody has entered today, else its own stall. */
  readonly stalls = computed<Record<string, number>>(() => {
    const entered = [...(this.state()?.garage.cars ?? [])].flatMap(([car, { stall }]) =>
      stall ? [[car, stall] as const] : [],
    );
    return { ...this.view()?.stalls, ...Object.fromEntries(entered) };
  });
  private readonly closed = computed(() => this.effective().some(({ kind }) => kind === 'dayClosed'));
  /** Time of this event day: before it has come 0, past midnight as long as it runs on, once it is over its end. */
  readonly nowS = computed(() => {
    const [date, today] = [this.date(), this.clock.date()];
    if (!date || !today) return this.clock.nowS();
    return timeOnDay(date, { date: today, secondsOfDay: this.clock.nowS() }, this.closed);
  });
  /** The time that every screen shows: now, unless the ribbon is set elsewhere. */
  readonly shownS = computed(() => this.shown() ?? this.nowS());
  readonly live = computed(() => this.shown() === undefined);
  private readonly effective = computed(() => effectiveEntries(this.entries()));
  /** How many entries have happened by now: one from a device whose clock is ahead waits for its time. */
  private readonly passed = computed(() => {
    const nowS = this.nowS();
    const ahead = this.effective().findIndex(({ at }) => at > nowS);
    return ahead < 0 ? this.effective().length : ahead;
  });
  /** What has happened, replayed when an entry comes and not with each second. */
  private readonly happened = computed(() => {
    const context = this.context();
    return context && replay(context, this.effective().slice(0, this.passed()));
  });
  /**
   * The state at the time that is shown: up to now from the journal, and from now on as it will be if everybody does what
   * the plan says, with what runs late now.
   */
  readonly state = computed(() => {
    const [context, entries, shownS] = [this.context(), this.entries(), this.shownS()];
    if (!context) return undefined;
    if (this.live()) return stateAt(context, this.happened()!, shownS);
    const nowS = this.nowS();
    if (shownS <= nowS) return stateOf(context, entries, shownS);
    const ahead = projectedEntries(context, stateAt(context, this.happened()!, nowS), shownS);
    const state = stateOf(context, [...entries, ...ahead], shownS);
    return { ...state, resolved: state.resolved.filter(({ id }) => !isProjected(id)) };
  });

  constructor() {
    this.load
      .pipe(
        switchMap((date) =>
          timed(() => {
            this.sinceAsked = [];
            return this.api.call(contract.readDay, { params: { date } });
          }).pipe(
            retryWhileAway((away) => void this.showStored(date, away.message)),
            catchError((error: unknown) => {
              this.failure.set(error instanceof ApiError ? error.message : 'The day cannot be read.');
              return EMPTY;
            }),
          ),
        ),
      )
      .subscribe(({ answer, tookMs }) => this.take(answer, tookMs));
    this.destroyed.onDestroy(() => {
      this.load.complete();
      this.stream.unsubscribe();
      clearTimeout(this.keeping);
      clearTimeout(this.taking);
    });
    this.outbox.outcomes.subscribe((outcome) => {
      if (outcome.recorded) this.add(outcome.recorded);
      else if (outcome.reason) this.refuse(outcome.reason);
    });
    effect(() => {
      const shown = [this.view(), this.recorded(), this.clock.rate()] as const;
      if (shown[0]) untracked(() => this.keepSoon());
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
    const openedBefore = this.date();
    timed(() => forkJoin([this.api.call(contract.readClock), this.readDays()]))
      .pipe(
        retryWhileAway(() => void this.startStored(date)),
        takeUntilDestroyed(this.destroyed),
      )
      .subscribe({
        next: ({ answer: [clock, days], tookMs }) => {
          this.clock.take(clock, tookMs);
          const today = this.clock.date()!;
          const wanted = date ?? shownBefore(today, this.clock.nowS());
          const chosen =
            days.find((day) => day.date === wanted) ?? days.find((day) => day.date === today) ?? days.at(-1);
          // Unless somebody has chosen another day while no answer came.
          const isOurs = [openedBefore, this.fromCopy].includes(this.date());
          if (chosen && chosen.date !== this.date() && isOurs) this.open(chosen.date);
        },
        error: (error: Error) => this.failure.set(error.message),
      });
  }

  open(date: string): void {
    sessionStorage.setItem(SHOWN_KEY, JSON.stringify({ date, today: this.clock.date() } satisfies ShownDay));
    this.date.set(date);
    this.view.set(undefined);
    this.recorded.set([]);
    this.shown.set(undefined);
    this.failure.set(undefined);
    this.positions.set(undefined);
    this.incoming = [];
    this.stream.unsubscribe();
    this.stream = entryStream(date).subscribe((event) => {
      if (event.kind === 'entry') this.takeIn(event.recorded);
      else if (event.kind === 'positions') this.positions.set(event.positions);
      else if (event.kind === 'connection') {
        // The day is read once the stream is open, so that nothing can fall between the two.
        if (event.open || !this.view()) this.load.next(date);
        if (event.open) this.planningChanged.next();
        this.connect(event.open);
        if (event.open) this.outbox.flush();
      } else if (event.kind === 'progress') this.planningProgress.next(event.progress);
      else if (event.what === 'planning') this.planningChanged.next();
      else if (event.what === 'devices') this.devicesChanged.next();
      else if (event.what === 'clock') this.clock.refresh();
      else {
        if (event.what === 'reset') {
          this.shown.set(undefined);
          this.recorded.set([]);
          this.outbox.forget();
        }
        this.reload();
        this.planningChanged.next();
      }
    });
  }

  reload(): void {
    const date = this.date();
    if (date) this.load.next(date);
    this.readDays().subscribe({ error: () => undefined });
  }

  addDay(date: string): Observable<DaySummary> {
    return this.api.call(contract.addDay, { body: { date } });
  }

  /** Shows another time of the day; nothing brings it back to now. */
  showTime(timeS: number | undefined): void {
    this.shown.set(timeS);
  }

  /**
   * Enters what has happened. It shows at once and is kept on this device until the server has it; what is impossible is
   * refused with the reason.
   *
   * @param by who says so, where it is not whoever works at this device
   */
  record(fields: NewEntry, by?: string): boolean {
    const [date, context] = [this.date(), this.context()];
    if (!date || !context) return false;
    if (!this.live()) {
      this.refuse('The ribbon shows another time. Go back to now to enter what happens.');
      return false;
    }
    const common = { id: newId(), at: this.nowS(), by: by ?? this.who.name() };
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

  /** Takes an entry back by a correcting one. */
  undo(entryId: string): boolean {
    return this.record({ kind: 'correction', corrects: entryId });
  }

  /** Says why something is not done. */
  refuse(reason: string): void {
    this.messages.add({ severity: 'warn', summary: 'Not done', detail: reason, life: 9000 });
  }

  say(detail: string): void {
    this.messages.add({ severity: 'success', summary: 'Done', detail, life: 4000 });
  }

  /** What this device has kept of days holds the words of a guest who was erased since: it goes. */
  private forgetErased(erasedAt: string | null): void {
    if (erasedAt === null || localStorage.getItem(ERASED_KEY) === erasedAt) return;
    localStorage.setItem(ERASED_KEY, erasedAt);
    void this.storage.forgetDays();
  }

  private readDays(): Observable<readonly DaySummary[]> {
    return this.api.call(contract.listDays).pipe(
      switchMap(({ days, erasedAt }) => {
        this.forgetErased(erasedAt);
        this.days.set(days);
        return [days];
      }),
    );
  }

  private take(view: DayView, tookMs: number): void {
    // Asked for before another day was opened.
    if (view.day.date !== this.date()) return;
    this.failure.set(undefined);
    this.clock.take(view.clock, tookMs);
    this.view.set(view);
    // An entry that came while the day was being read may not be in it yet; whatever else is not in it is gone, as after
    // the demo was put back while this device was away.
    const read = new Set(view.journal.map(({ entry }) => entry.id));
    const since = this.sinceAsked.filter(({ entry }) => !read.has(entry.id));
    this.recorded.set([...view.journal, ...since]);
  }

  private add(...more: RecordedEntry[]): void {
    const known = new Set(this.recorded().map(({ entry }) => entry.id));
    const fresh = more.filter(({ entry }) => !known.has(entry.id));
    if (fresh.length === 0) return;
    this.sinceAsked.push(...fresh);
    // Something between was not told: a stream that broke off and came back elsewhere.
    const lastSeq = this.recorded().at(-1)?.seq ?? 0;
    if (this.view() && Math.min(...fresh.map(({ seq }) => seq)) > lastSeq + 1) this.reload();
    this.recorded.update((entries) => [...entries, ...fresh].sort((a, b) => a.seq - b.seq));
  }

  /** The first entry of a burst at once, the others together a moment later. */
  private takeIn(recorded: RecordedEntry): void {
    if (performance.now() - this.takenMs > TAKE_EVERY_MS && this.incoming.length === 0) {
      this.takenMs = performance.now();
      this.add(recorded);
      return;
    }
    if (this.incoming.length === 0) {
      this.taking = setTimeout(() => {
        this.takenMs = performance.now();
        this.add(...this.incoming.splice(0));
      }, TAKE_EVERY_MS);
    }
    this.incoming.push(recorded);
  }

  private connect(open: boolean): void {
    this.connected.set(open);
    if (open) this.lostMs.set(undefined);
    else if (this.lostMs() === undefined) this.lostMs.set(Date.now());
    if (open) this.clock.refresh();
  }

  /** Keeps what is shown on the device, once it has been quiet for a moment. */
  private keepSoon(): void {
    clearTimeout(this.keeping);
    this.keeping = setTimeout(() => {
      const [view, clock] = [this.view(), this.clock.snapshot()];
      if (!view || !clock) return;
      const encoded = z.encode(dayView, { ...view, journal: [...this.recorded()], clock });
      void this.storage.putDay({ date: view.day.date, view: encoded, readMs: Date.now() });
    }, KEEP_AFTER_MS);
  }

  /** Without a server: the day that this device has shown last, or nothing. */
  private async startStored(date: string | undefined): Promise<void> {
    if (this.date() !== undefined) return;
    const stored = await this.storage.day(date);
    if (!stored || this.date() !== undefined) return;
    this.fromCopy = stored.date;
    this.open(stored.date);
  }

  /** Without a server: the day as this device knew it last, with the clock carried on. */
  private async showStored(date: string, failure: string): Promise<void> {
    if (this.view()) return;
    const stored = await this.storage.day(date);
    const read = dayView.safeParse(stored?.view);
    if (!stored || !read.success || this.view() || this.date() !== date) {
      if (!this.view()) this.failure.set(failure);
      return;
    }
    this.clock.restore(read.data.clock, stored.readMs);
    this.view.set(read.data);
    this.recorded.set(read.data.journal);
    this.failure.set(undefined);
  }
}
