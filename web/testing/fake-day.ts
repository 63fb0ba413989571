import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { computed, provideZonelessChangeDetection, signal, type Provider, type Type } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { bookingFields } from '@core/venue/booking';
import { ORDINARY_GATE } from '@core/venue/settings';
import type { Booking, DaySummary, DataIssue, LivePositions, PlanProgress } from '@core/api';
import type { Day, Plan } from '@core/day';
import { driftOf, somebodyEnters } from '@core/live/drift';
import { admit, contextOf, stateOf, type RecordedEntry } from '@core/journal';
import { at } from '@core/testing/small-day';
import { MessageService } from 'primeng/api';
import { providePrimeNG } from 'primeng/config';
import { Subject } from 'rxjs';
import { DayService } from '../shared/data/day.service';
import type { NewEntry, OpenDay } from '../shared/data/open-day';
import type { FlagEntry, FlagNow } from '../shared/data/flags';
import { DeviceStorage } from '../shared/data/device-storage';
import { screenWords } from '../shared/data/screen-words';
import { MemoryStorage } from './memory-storage';

/** A day on screen without a server: entries are admitted by the same function, and kept. */
export class FakeDay implements OpenDay {
  readonly date = signal('2027-05-22');
  readonly days = signal<readonly DaySummary[]>([]);
  readonly connected = signal(true);
  readonly failure = signal<string | undefined>(undefined);
  readonly written = signal<readonly RecordedEntry[]>([]);
  readonly refused: string[] = [];
  readonly planningChanged = new Subject<void>();
  readonly boundChanged = new Subject<void>();
  readonly planningProgress = new Subject<PlanProgress>();
  readonly devicesChanged = new Subject<void>();
  readonly phonesChanged = new Subject<void>();
  readonly practiceChanged = new Subject<void>();
  readonly positions = signal<LivePositions | undefined>(undefined);
  readonly clockS = signal(0);
  private readonly elsewhere = signal<number | undefined>(undefined);
  readonly view;
  readonly day;
  readonly currency = signal('EUR').asReadonly();
  readonly plan;
  readonly context;
  readonly bookings;
  readonly entries = this.written.asReadonly();
  readonly nowS = this.clockS.asReadonly();
  readonly shownS = computed(() => this.elsewhere() ?? this.clockS());
  readonly live = computed(() => this.elsewhere() === undefined);
  readonly state;
  /** What only a server knows of the flag: who has got it, and how late it came. */
  readonly told = signal<Partial<FlagNow>>({});
  readonly flag;
  readonly drift;
  readonly stalls = computed<Record<string, number>>(() => this.view().stalls);

  constructor(day: Day, plan: Plan, time: string, bookings: readonly Booking[] = []) {
    const carNumbers = Object.fromEntries(day.cars.map(({ id }, place) => [id, place + 1]));
    const revision = {
      revision: 1,
      author: 'Maren',
      reason: 'First plan',
      acceptedAt: '2027-05-22T06:00:00.000Z',
      despite: [],
    };
    this.clockS.set(at(time));
    const exit = {
      stalls: { c1: 4 },
      carColours: { c1: '#a33c2f' },
      carPhotos: {},
      lapPrices: { c1: 29 } as Record<string, number>,
      pitExit: { lastCheck: ['Strap', 'Belts'], wayIn: 'In at the anchor board' },
      gate: ORDINARY_GATE,
      live: { slidesUpToMin: 5 },
      map: null,
      faults: [],
      currency: 'EUR',
      closestFollowS: 0.7,
      weekStartsOn: 1 as const,
      clock: { date: day.date, secondsOfDay: at(time), rate: 0, adjustable: true },
    };
    const dataIssues: DataIssue[] = [];
    const groups = (day.groups ?? []).map(({ id, ...fields }) => ({ id, version: 1, fields }));
    this.view = signal({
      day,
      bookings: [...bookings],
      groups,
      carNumbers,
      ...exit,
      plan,
      revision,
      journal: [],
      dataIssues,
    });
    this.day = computed(() => this.view().day);
    this.context = computed(() => contextOf(this.view(), this.written()));
    this.plan = computed(() => this.context().schedule.plan);
    this.bookings = signal(new Map(bookings.map((booking) => [booking.id, booking]))).asReadonly();
    this.state = computed(() => stateOf(this.context(), this.written(), this.shownS()));
    this.flag = computed((): FlagNow => {
      const { reason = null, clearedBy = null, ...flag } = stateOf(this.context(), this.written(), this.clockS()).flag;
      return { ...flag, reason, clearedBy, lateS: 0, got: [], screens: 0, unsent: false, ...this.told() };
    });
    this.drift = computed(() => (somebodyEnters(this.written()) ? driftOf(this.context(), this.state()) : undefined));
  }

  /** The day goes by another plan. */
  planned(plan: Plan, revision: number): void {
    this.view.update((view) => ({ ...view, plan, revision: { ...view.revision, revision } }));
  }

  /** @param time when it happened, or else the name of who says so */
  record(fields: NewEntry, time?: string, atS?: number): boolean {
    const id = `entry-${String(this.written().length).padStart(4, '0')}`;
    const entry = {
      ...fields,
      id,
      at: atS ?? (time === undefined || !/^\d/.test(time) ? this.clockS() : at(time)),
      by: 'Test',
    };
    const admission = admit(this.context(), this.written(), entry);
    if (!admission.admitted) {
      this.refused.push(screenWords(this.view()).refusal(admission.refusal));
      return false;
    }
    this.written.update((entries) => [...entries, { seq: entries.length + 1, recordedAt: '', entry }]);
    return true;
  }

  callFlag(fields: FlagEntry): boolean {
    return this.record(fields);
  }

  undo(corrects: string): boolean {
    return this.record({ kind: 'correction', corrects });
  }
  refuse(reason: string): void {
    this.refused.push(reason);
  }
  say(): void {
    // Good news needs no test.
  }
  showTime(timeS: number | undefined): void {
    this.elsewhere.set(timeS);
  }
  reload(): void {
    // Nothing to read anew.
  }
  accepted(): void {
    // The plan is the test's.
  }

  /** Everything that the gate does for a guest. */
  clear(guest: string, time: string): void {
    for (const kind of ['guestArrived', 'waiverSigned', 'licenceSeen', 'helmetFitted'] as const)
      this.record({ kind, guest }, time);
  }

  kinds(): string[] {
    return this.written().map(({ entry }) => entry.kind);
  }
}

/** A booking of a guest with nothing special. */
export function aBooking(id: string, more: Record<string, unknown> = {}): Booking {
  const fields = bookingFields.parse({
    reference: `R-${id}`,
    name: id,
    languages: ['en'],
    arrives: '09:00',
    pace: 'first',
    touch: true,
    sequence: 'any',
    price: 100,
    paid: 0,
    briefed: false,
    sighted: false,
    avoidInstructors: [],
    preferInstructors: [],
    drives: [],
    ...more,
  });
  return { id, version: 1, fields };
}

export interface Shown<T> {
  readonly fixture: ComponentFixture<T>;
  readonly element: HTMLElement;
  readonly text: () => string;
  /** Presses the button or the like with this text or name. */
  readonly press: (name: string | RegExp) => Promise<void>;
  readonly key: (target: Element, key: string) => Promise<void>;
  /** Waits for a part that is loaded when it is first shown, by its selector. */
  readonly loaded: (selector: string) => Promise<void>;
  /** Lets replies come in and the screen follow. */
  readonly follow: () => Promise<void>;
  readonly http: HttpTestingController;
}

/** For a service by itself, on a fake day, with what the server says given by the test. */
export function serveDay(day: FakeDay, providers: readonly Provider[] = []): HttpTestingController {
  TestBed.configureTestingModule({
    providers: [
      provideZonelessChangeDetection(),
      provideHttpClient(),
      provideHttpClientTesting(),
      { provide: DeviceStorage, useValue: new MemoryStorage() },
      { provide: DayService, useValue: day },
      ...providers,
    ],
  });
  return TestBed.inject(HttpTestingController);
}

/** How long a screen that is not stable is waited for, milliseconds. */
const REST_MS = 50;
/** How long a part that is loaded is waited for at most, milliseconds. */
const LOADED_MS = 10_000;

/** Shows a component on a fake day. */
export async function show<T>(
  component: Type<T>,
  day: FakeDay,
  inputs: Record<string, unknown> = {},
  providers: readonly Provider[] = [],
): Promise<Shown<T>> {
  TestBed.configureTestingModule({
    providers: [
      provideZonelessChangeDetection(),
      provideHttpClient(),
      provideHttpClientTesting(),
      provideRouter([]),
      providePrimeNG(),
      MessageService,
      { provide: DayService, useValue: day },
      ...providers,
    ],
  });
  const fixture = TestBed.createComponent(component);
  for (const [name, value] of Object.entries(inputs)) fixture.componentRef.setInput(name, value);
  document.body.append(fixture.nativeElement as HTMLElement);
  // A screen that waits for a reply is not stable until the test has given it; drawings learn their size in the second frame.
  const waiting = new Promise((resolve) => setTimeout(resolve, 100));
  await Promise.race([fixture.whenStable(), waiting]);
  await new Promise(requestAnimationFrame);
  await new Promise(requestAnimationFrame);
  await Promise.race([fixture.whenStable(), waiting]);
  const element = fixture.nativeElement as HTMLElement;
  // A screen that waits for a reply is not stable until the test has given it.
  const stable = () => Promise.race([fixture.whenStable(), new Promise((resolve) => setTimeout(resolve, REST_MS))]);
  const matches = (text: string, name: string | RegExp) => (typeof name === 'string' ? text === name : name.test(text));
  return {
    fixture,
    element,
    http: TestBed.inject(HttpTestingController),
    text: () => element.textContent?.replace(/\s+/g, ' ').trim() ?? '',
    press: async (name) => {
      const found = [...element.querySelectorAll<HTMLElement>('button, p-togglebutton')].find((button) =>
        matches((button.getAttribute('aria-label') ?? button.textContent ?? '').replace(/\s+/g, ' ').trim(), name),
      );
      if (!found) throw new Error(`no button ${String(name)} in: ${element.textContent}`);
      found.click();
      await stable();
    },
    loaded: async (selector) => {
      for (const until = performance.now() + LOADED_MS; !element.querySelector(selector);) {
        if (performance.now() > until) throw new Error(`no ${selector} in: ${element.textContent}`);
        await new Promise(requestAnimationFrame);
      }
      await stable();
    },
    follow: async () => {
      const rested = new Promise((resolve) => setTimeout(resolve, REST_MS));
      await stable();
      await rested;
    },
    key: async (target, key) => {
      target.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
      await stable();
    },
  };
}
