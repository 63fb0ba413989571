import { DestroyRef, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import {
  contract,
  type DaySummary,
  type DayView,
  type RunningFlag,
  type LivePositions,
  patched,
  type AcceptedPlan,
  type ChangedWhat,
  type DayPatch,
  type PlanProgress,
} from '@core/api';
import { nextDate, type RecordedEntry } from '@core/journal';
import { catchError, EMPTY, forkJoin, Subject, Subscription, switchMap, tap, type Observable } from 'rxjs';
import { Api, ApiError } from './api';
import { DeviceCopy } from './device-copy';
import { entryStream, type Heard } from './entry-stream';
import { KeptAside } from './kept-aside';
import { Outbox } from './outbox';
import { retryWhileAway } from './retry';
import { timed } from './timed';
import { VenueClock } from './venue-clock';

/** A burst of entries is taken in at most so often. */
const TAKE_EVERY_MS = 60;

/** The day that this tab shows, and what day it was when it was opened. */
interface ShownDay {
  readonly date: string;
  readonly today: string | undefined;
}
const SHOWN_KEY = 'joylap.day';
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

/**
 * The feed of the open day: what the server says of it, read once and then as it streams. Without server it is the
 * device's copy. What this device enters itself comes back here once it is recorded.
 */
@Injectable({ providedIn: 'root' })
export class DayFeed {
  private readonly api = inject(Api);
  private readonly clock = inject(VenueClock);
  private readonly copy = inject(DeviceCopy);
  private readonly outbox = inject(Outbox);
  private readonly aside = inject(KeptAside);
  private readonly destroyed = inject(DestroyRef);

  readonly days = signal<readonly DaySummary[]>([]);
  readonly date = signal<string | undefined>(undefined);
  readonly view = signal<DayView | undefined>(undefined);
  /** Entries that the server has, in their order. */
  readonly recorded = signal<readonly RecordedEntry[]>([]);
  /** Why the day can't be shown, if so. */
  readonly failure = signal<string | undefined>(undefined);
  /** Whether the live stream is open. */
  readonly connected = signal(true);
  /** Device's time at which the connection was lost, milliseconds since 1970. */
  readonly lostMs = signal<number | undefined>(undefined);
  readonly positions = signal<LivePositions | undefined>(undefined);
  /** The flag of the day that is running, whichever is open here; nothing before the server has told it. */
  readonly flag = signal<RunningFlag | undefined>(undefined);
  /** Rises whenever a day is begun anew: opened, or put back to its beginning. */
  readonly begun = signal(0);
  readonly devicesChanged = new Subject<void>();
  readonly phonesChanged = new Subject<void>();
  readonly practiceChanged = new Subject<void>();
  readonly planningChanged = new Subject<void>();
  readonly boundChanged = new Subject<void>();
  readonly planningProgress = new Subject<PlanProgress>();

  private readonly load = new Subject<string>();
  private stream = Subscription.EMPTY;
  /** Whether the stream tells what changes: not before it has been opened. */
  private streaming = false;
  private incoming: RecordedEntry[] = [];
  /** What has come since the day was last asked for. */
  private sinceAsked: RecordedEntry[] = [];
  private patchesSince: DayPatch[] = [];
  private takenMs = -Infinity;
  private taking: ReturnType<typeof setTimeout> | undefined;
  /** The day that was opened from the device's copy, before the server had answered. */
  private fromCopy: string | undefined;

  constructor() {
    this.load.pipe(switchMap((date) => this.read(date))).subscribe(({ answer, tookMs }) => this.take(answer, tookMs));
    this.outbox.outcomes.pipe(takeUntilDestroyed()).subscribe(({ date, recorded }) => {
      if (recorded && date === this.date()) this.add(recorded);
    });
    this.destroyed.onDestroy(() => {
      this.load.complete();
      this.stream.unsubscribe();
      clearTimeout(this.taking);
    });
    effect(() => {
      const [view] = [this.view(), this.recorded(), this.clock.rate()];
      if (view) untracked(() => this.copy.keepSoon(() => this.asShown()));
    });
  }

  /** Reads the list of days, then opens the given one, or that which this tab has shown, or today's, or the last. */
  start(date?: string): void {
    const openedBefore = this.date();
    timed(() => forkJoin([this.api.call(contract.readClock), this.readDays()]))
      .pipe(
        retryWhileAway(() => void this.startFromCopy(date)),
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
    this.failure.set(undefined);
    this.positions.set(undefined);
    this.begun.update((count) => count + 1);
    this.incoming = [];
    this.stream.unsubscribe();
    this.streaming = false;
    this.stream = entryStream(date).subscribe((event) => this.hear(date, event));
  }

  /** Sees to it that what was changed here is on the screen: by the stream as on every other screen, or else read anew. */
  reload(): void {
    if (!this.streaming) this.readAnew();
  }

  private readAnew(): void {
    const date = this.date();
    if (date) this.load.next(date);
    this.readDays().subscribe({ error: () => undefined });
  }

  addDay(date: string, practice: boolean): Observable<DaySummary> {
    return this.api.call(contract.addDay, { body: { date, practice } });
  }

  /** Goes by a plan that was accepted here, without waiting for the stream. */
  accepted(date: string, { plan, ...revision }: AcceptedPlan): void {
    const view = this.view();
    if (view?.day.date !== date || (view.revision?.revision ?? 0) >= revision.revision) return;
    this.view.set({ ...view, plan, revision });
  }

  private hear(date: string, event: Heard): void {
    switch (event.name) {
      case 'entry':
        return this.takeIn(event.data);
      case 'day':
        return this.takePatch(event.data);
      case 'flag':
        return this.flag.set(event.data);
      case 'positions':
        return this.positions.set(event.data);
      case 'planning':
        return this.planningProgress.next(event.data);
      case 'connection':
        // The day is read once the stream is open, so that nothing can fall between the two.
        if (event.open || !this.view()) this.load.next(date);
        else if (event.refused) this.stillThere(date);
        if (event.open) this.planningChanged.next();
        return this.connect(event.open);
      case 'changed':
        return this.heardOf(event.data.what);
    }
  }

  private takePatch(patch: DayPatch): void {
    this.patchesSince.push(patch);
    this.days.update((days) => days.map((one) => (one.date === patch.summary.date ? patch.summary : one)));
    this.view.update((view) => view && patched(view, patch));
    if (patch.accepted) this.planningChanged.next();
  }

  private heardOf(what: ChangedWhat): void {
    if (what === 'planning') return this.planningChanged.next();
    if (what === 'bound') return this.boundChanged.next();
    if (what === 'devices') return this.devicesChanged.next();
    if (what === 'phones') return this.phonesChanged.next();
    if (what === 'practice') return this.practiceChanged.next();
    if (what === 'clock') return this.clock.refresh();
    if (what === 'reset') {
      this.begun.update((count) => count + 1);
      this.recorded.set([]);
      this.outbox.forget();
    }
    this.readAnew();
    this.planningChanged.next();
  }

  private connect(open: boolean): void {
    this.streaming = open;
    this.connected.set(open);
    if (!open) {
      if (this.lostMs() === undefined) this.lostMs.set(Date.now());
      return;
    }
    this.lostMs.set(undefined);
    this.clock.refresh();
    this.practiceChanged.next();
    this.outbox.flush();
  }

  private read(date: string) {
    return timed(() => {
      this.sinceAsked = [];
      this.patchesSince = [];
      return this.api.call(contract.readDay, { params: { date } });
    }).pipe(
      retryWhileAway((away) => void this.showCopy(date, away.message)),
      catchError((error: unknown) => {
        if (error instanceof ApiError && error.problem?.status === 404) {
          this.gone(date);
          this.failure.set(error.message);
          return EMPTY;
        }
        this.failure.set(error instanceof ApiError ? error.message : 'The day cannot be read.');
        return EMPTY;
      }),
    );
  }

  private readDays(): Observable<readonly DaySummary[]> {
    return this.api.call(contract.listDays).pipe(
      tap(({ erasedAt }) => this.copy.forgetErased(erasedAt)),
      switchMap(({ days }) => {
        this.days.set(days);
        return [days];
      }),
    );
  }

  private take(view: DayView, tookMs: number): void {
    // Asked for before another day was opened.
    const { date } = view.day;
    if (date !== this.date()) return;
    this.failure.set(undefined);
    this.keepAside(date, view);
    this.clock.take(view.clock, tookMs);
    // What changed while the day was being read may not be in it yet.
    this.view.set(this.patchesSince.reduce(patched, view));
    // Nor may an entry that came; whatever else is not in it is gone, as after
    // the demo was put back while this device was away.
    const read = new Set(view.journal.map(({ entry }) => entry.id));
    const since = this.sinceAsked.filter(({ entry }) => !read.has(entry.id));
    this.recorded.set([...view.journal, ...since]);
  }

  /**
   * Keeps aside what this device knows of a day and the server does not know any more. The demo is put back at its every
   * start, and nothing of it is missed.
   *
   * @param now nothing where the server has no such day
   */
  private keepAside(date: string, now: DayView | undefined): void {
    if (now?.clock.adjustable) return;
    const shown = this.view()?.day.date === date ? this.asShown() : undefined;
    if (!shown) return void this.copy.day(date).then((kept) => kept && this.aside.compare(kept.view, now));
    // What came while the day was being read may not be in it yet.
    const since = new Set(this.sinceAsked);
    this.aside.compare({ ...shown, journal: shown.journal.filter((one) => !since.has(one)) }, now);
  }

  /** A stream that is refused may be one of a day that the server lacks. */
  private stillThere(date: string): void {
    this.readDays().subscribe({
      next: (days) => {
        if (date === this.date() && !days.some((day) => day.date === date)) this.gone(date);
      },
      error: () => undefined,
    });
  }

  /** The server has no such day, or none any more: another one is opened. */
  private gone(date: string): void {
    if (!this.clock.adjustable()) this.keepAside(date, undefined);
    this.stream.unsubscribe();
    sessionStorage.removeItem(SHOWN_KEY);
    this.date.set(undefined);
    this.view.set(undefined);
    this.lostMs.set(undefined);
    this.connected.set(true);
    this.start();
  }

  private add(...more: RecordedEntry[]): void {
    const known = new Set(this.recorded().map(({ entry }) => entry.id));
    const fresh = more.filter(({ entry }) => !known.has(entry.id));
    if (fresh.length === 0) return;
    this.sinceAsked.push(...fresh);
    // Something between was not told: a stream that broke off and came back elsewhere.
    const lastSeq = this.recorded().at(-1)?.seq ?? 0;
    if (this.view() && Math.min(...fresh.map(({ seq }) => seq)) > lastSeq + 1) this.readAnew();
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

  private asShown(): DayView | undefined {
    const [view, clock] = [this.view(), this.clock.snapshot()];
    return view && clock && { ...view, journal: [...this.recorded()], clock };
  }

  /** Without a server: the day that this device has shown last, or nothing. */
  private async startFromCopy(date: string | undefined): Promise<void> {
    if (this.date() !== undefined) return;
    const kept = await this.copy.dateOf(date);
    if (kept === undefined || this.date() !== undefined) return;
    this.fromCopy = kept;
    this.open(kept);
  }

  /** Without a server: the day as this device knew it last, with the clock carried on. */
  private async showCopy(date: string, failure: string): Promise<void> {
    if (this.view()) return;
    const kept = await this.copy.day(date);
    if (this.view()) return;
    if (!kept || this.date() !== date) return this.failure.set(failure);
    this.clock.restore(kept.view.clock, kept.readMs);
    this.view.set(kept.view);
    this.recorded.set(kept.view.journal);
    this.failure.set(undefined);
  }
}
