import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { contract, dayView } from '@core/api';
import { DAY_ENDS_S } from '@core/values';
import { recordedEntry, type JournalEntry } from '@core/journal';
import { aDay, aPlan, at, drive } from '@core/testing/small-day';
import { MessageService } from 'primeng/api';
import * as z from 'zod';
import { MemoryStorage } from '../../testing/memory-storage';
import { DayService } from './day.service';
import { DeviceStorage } from './device-storage';
import { KeptAside } from './kept-aside';

/** A stream that a test speaks through. */
class FakeEventSource extends EventTarget {
  static last: FakeEventSource;
  static readonly CLOSED = 2;
  readyState = 1;
  closed = false;
  constructor(readonly url: string) {
    super();
    FakeEventSource.last = this;
  }
  close(): void {
    this.closed = true;
  }
  say(type: string, data?: unknown): void {
    this.dispatchEvent(data === undefined ? new Event(type) : new MessageEvent(type, { data: JSON.stringify(data) }));
  }
}

const DATE = '2027-05-22';
const arrived: JournalEntry = { id: 'entry-0001', kind: 'guestArrived', guest: 'g1', at: at('09:00'), by: 'Desk' };
const recorded = (entry: JournalEntry, seq: number) =>
  z.encode(recordedEntry, { seq, recordedAt: '2027-05-22T08:00:00.000Z', entry });

describe('The day on screen', () => {
  const original = globalThis.EventSource;
  let http: HttpTestingController;
  let data: DayService;
  const messages: string[] = [];
  let storage: MemoryStorage;

  beforeEach(() => {
    globalThis.EventSource = FakeEventSource as unknown as typeof EventSource;
    messages.length = 0;
    storage = new MemoryStorage();
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        provideHttpClient(),
        provideHttpClientTesting(),
        { provide: DeviceStorage, useValue: storage },
        { provide: MessageService, useValue: { add: ({ detail }: { detail: string }) => messages.push(detail) } },
      ],
    });
    http = TestBed.inject(HttpTestingController);
    data = TestBed.inject(DayService);
  });
  afterEach(() => {
    globalThis.EventSource = original;
    sessionStorage.clear();
  });

  const view = (journal: JournalEntry[] = [], date = DATE) =>
    z.encode(dayView, {
      day: aDay(),
      groups: [],
      bookings: [],
      currency: 'EUR',
      closestFollowS: 0.7,
      weekStartsOn: 1 as const,
      dataIssues: [],
      carNumbers: { c1: 1 },
      carColours: {},
      carPhotos: {},
      lapPrices: {},
      stalls: {},
      pitExit: { lastCheck: [] },
      gate: { asks: [], own: [] },
      live: { slidesUpToMin: 5 },
      map: null,
      faults: [],
      plan: aPlan({ drives: [drive('10:00')] }),
      revision: {
        revision: 1,
        author: 'Maren',
        reason: 'First plan',
        acceptedAt: '2027-05-22T06:00:00.000Z',
        despite: [],
      },
      journal: journal.map((entry, place) => ({ seq: place + 1, recordedAt: '2027-05-22T08:00:00.000Z', entry })),
      clock: { date, secondsOfDay: at('09:30'), rate: 0, adjustable: true },
    });
  const clockAt = (date: string, time: string) => ({ date, secondsOfDay: at(time), rate: 0, adjustable: true });
  const opened = (journal: JournalEntry[] = [], date = DATE) => {
    data.open(DATE);
    FakeEventSource.last.say('open');
    http.expectOne(`/api/days/${DATE}`).flush(view(journal, date));
  };
  const stage = () => data.state()?.guests.get('g1')?.stage;

  it('opens today’s day of those there are, and follows its stream', () => {
    data.start();
    http.expectOne('/api/clock').flush({ date: DATE, secondsOfDay: at('09:30'), rate: 0, adjustable: true });
    const day = (date: string) => ({
      date,
      bookings: 0,
      drives: 0,
      revision: null,
      practice: false,
      byCalendar: false,
    });
    http.expectOne('/api/days').flush({ days: [day('2027-05-21'), day(DATE), day('2027-05-23')], erasedAt: null });
    expect(data.date()).toBe(DATE);
    expect(FakeEventSource.last.url).toMatch(new RegExp(`^/api/days/${DATE}/stream\\?page=\\w{32}&ngsw-bypass=true$`));
  });

  it('takes an entry from another screen, once', () => {
    opened();
    expect(stage()).toBe('expected');
    FakeEventSource.last.say('entry', recorded(arrived, 1));
    FakeEventSource.last.say('entry', recorded(arrived, 1));
    expect(stage()).toBe('arrived');
    expect(data.entries().length).toBe(1);
  });

  it('shows an own entry at once, and does not count it twice when the server tells of it', () => {
    opened();
    expect(data.record({ kind: 'guestArrived', guest: 'g1' })).toBeTrue();
    expect(stage()).toBe('arrived');
    const request = http.expectOne(contract.appendEntry.path.replace(':date', DATE));
    FakeEventSource.last.say('entry', { seq: 1, recordedAt: '2027-05-22T08:00:00.000Z', entry: request.request.body });
    request.flush({ seq: 1, recordedAt: '2027-05-22T08:00:00.000Z', entry: request.request.body });
    expect(data.entries().length).toBe(1);
  });

  it('refuses an impossible entry before it is sent, with the reason', () => {
    opened();
    expect(data.record({ kind: 'waiverSigned', guest: 'g1' })).toBeFalse();
    expect(messages).toEqual(['Ines Faro has not arrived yet.']);
    http.expectNone(`/api/days/${DATE}/journal`);
  });

  it('takes an own entry off the screen again where the server refuses it', () => {
    opened();
    data.record({ kind: 'guestArrived', guest: 'g1' });
    const refusal = { type: 'about:blank', title: 'No', status: 409, detail: 'Ines Faro is here already.' };
    http.expectOne(`/api/days/${DATE}/journal`).flush(refusal, { status: 409, statusText: 'Conflict' });
    expect(stage()).toBe('expected');
    expect(messages).toEqual(['Ines Faro is here already.']);
  });

  it('shows the past without letting anything be entered there', () => {
    opened([arrived]);
    data.showTime(at('08:59'));
    expect(stage()).toBe('expected');
    expect(data.record({ kind: 'waiverSigned', guest: 'g1' })).toBeFalse();
    expect(messages[0]).toContain('another time');
    data.showTime(undefined);
    expect(stage()).toBe('arrived');
  });

  it('loses no entry that comes while the day is being read', () => {
    data.open(DATE);
    http.expectNone(`/api/days/${DATE}`);
    FakeEventSource.last.say('open');
    FakeEventSource.last.say('entry', recorded(arrived, 1));
    http.expectOne(`/api/days/${DATE}`).flush(view());
    expect(stage()).toBe('arrived');
  });

  it('reads the day anew when it comes back to the stream, or is told of a change', () => {
    opened();
    FakeEventSource.last.say('error');
    expect(data.connected()).toBeFalse();
    FakeEventSource.last.say('open');
    http.expectOne(`/api/days/${DATE}`).flush(view([arrived]));
    expect([data.connected(), stage()]).toEqual([true, 'arrived']);
    FakeEventSource.last.say('changed', { what: 'bookings' });
    http.expectOne(`/api/days/${DATE}`);
    http.match('/api/clock');
    FakeEventSource.last.say('changed', { what: 'clock' });
    expect(http.match('/api/clock').length).toBe(1);
  });

  it('takes in what has changed in the day without reading it again, also while it is being read', () => {
    opened();
    const patch = (name: string) => ({
      summary: { date: DATE, bookings: 1, drives: 1, revision: 1, practice: false, byCalendar: false },
      guests: { put: [{ ...view().day.guests[0]!, name }], gone: [] },
    });
    const name = () => data.view()!.day.guests[0]!.name;
    FakeEventSource.last.say('day', patch('Juno Parkes'));
    expect(name()).toBe('Juno Parkes');
    http.expectNone(`/api/days/${DATE}`);
    // What was changed here is told by the stream as well.
    data.reload();
    http.expectNone(`/api/days/${DATE}`);
    FakeEventSource.last.say('changed', { what: 'setup' });
    FakeEventSource.last.say('day', patch('Juno Sand'));
    http.expectOne(`/api/days/${DATE}`).flush(view());
    expect(name()).toBe('Juno Sand');
    // Without a stream nothing is told.
    FakeEventSource.last.say('error');
    data.reload();
    http.expectOne(`/api/days/${DATE}`);
  });

  it('reads the day where the stream has left something out', () => {
    opened([arrived]);
    http.match('/api/days');
    FakeEventSource.last.say('entry', recorded({ ...arrived, id: 'entry-0002', kind: 'waiverSigned' }, 2));
    http.expectNone(`/api/days/${DATE}`);
    const helmet: JournalEntry = { ...arrived, id: 'entry-0004', kind: 'helmetFitted' };
    FakeEventSource.last.say('entry', recorded(helmet, 4));
    // The other one of a burst comes a moment later.
    return new Promise<void>((done) =>
      setTimeout(() => {
        const licence: JournalEntry = { ...arrived, id: 'entry-0003', kind: 'licenceSeen' };
        const waiver: JournalEntry = { ...arrived, id: 'entry-0002', kind: 'waiverSigned' };
        http.expectOne(`/api/days/${DATE}`).flush(view([arrived, waiver, licence, helmet]));
        expect(stage()).not.toBe('arrived');
        expect(data.entries().length).toBe(4);
        done();
      }, 120),
    );
  });

  it('shows nothing of before where the demo was put back while this device was away', () => {
    opened([arrived]);
    FakeEventSource.last.say('error');
    expect(stage()).toBe('arrived');
    FakeEventSource.last.say('open');
    http.expectOne(`/api/days/${DATE}`).flush(view());
    expect([stage(), data.entries().length]).toEqual(['expected', 0]);
  });

  const onRealClock = (journal: JournalEntry[]) => ({
    ...view(journal),
    clock: { ...clockAt(DATE, '09:30'), adjustable: false },
  });

  it('keeps aside what it knows more than a server that was started with an older copy, and goes on with the server’s', async () => {
    data.open(DATE);
    FakeEventSource.last.say('open');
    http
      .expectOne(`/api/days/${DATE}`)
      .flush(onRealClock([arrived, { ...arrived, id: 'entry-0002', kind: 'waiverSigned' }]));
    FakeEventSource.last.say('error');
    FakeEventSource.last.say('open');
    http.expectOne(`/api/days/${DATE}`).flush(onRealClock([arrived]));
    expect(data.entries().map(({ entry }) => entry.id)).toEqual(['entry-0001']);
    const aside = TestBed.inject(KeptAside);
    expect(aside.all().map(({ entries }) => entries.map(({ entry }) => entry.id))).toEqual([['entry-0002']]);
    expect(storage.storedAside.length).toBe(1);
    // Read once more, nothing is kept twice; dropped, it is gone.
    FakeEventSource.last.say('changed', { what: 'setup' });
    http.expectOne(`/api/days/${DATE}`).flush(onRealClock([arrived]));
    expect(aside.all().length).toBe(1);
    aside.drop(aside.all()[0]!);
    expect(storage.storedAside).toEqual([]);
  });

  it('keeps aside what it has kept from before a reload, too', async () => {
    const known = onRealClock([arrived]);
    await storage.putDay({ date: DATE, view: known, readMs: Date.now() });
    data.open(DATE);
    FakeEventSource.last.say('open');
    http.expectOne(`/api/days/${DATE}`).flush(onRealClock([]));
    await new Promise((resolve) => setTimeout(resolve, 50));
    expect(TestBed.inject(KeptAside).all().length).toBe(1);
  });

  it('keeps nothing aside that the server has, nor what comes while the day is read', () => {
    data.open(DATE);
    FakeEventSource.last.say('open');
    http.expectOne(`/api/days/${DATE}`).flush(onRealClock([]));
    FakeEventSource.last.say('changed', { what: 'setup' });
    FakeEventSource.last.say('entry', recorded(arrived, 1));
    http.expectOne(`/api/days/${DATE}`).flush(onRealClock([]));
    expect(data.entries().length).toBe(1);
    expect(TestBed.inject(KeptAside).all()).toEqual([]);
  });

  it('that the server lacks is kept aside as a whole, and another day is opened', () => {
    data.open(DATE);
    FakeEventSource.last.say('open');
    http.expectOne(`/api/days/${DATE}`).flush(onRealClock([arrived]));
    http.match('/api/clock').forEach((one) => one.flush({ ...clockAt(DATE, '09:30'), adjustable: false }));
    FakeEventSource.last.readyState = FakeEventSource.CLOSED;
    FakeEventSource.last.say('error');
    const other = { date: '2027-05-21', bookings: 0, drives: 0, revision: null, practice: false, byCalendar: false };
    const days = { days: [other], erasedAt: null };
    for (const one of http.match('/api/days')) one.flush(days);
    http.match('/api/clock').forEach((one) => one.flush({ ...clockAt(DATE, '09:30'), adjustable: false }));
    for (const one of http.match('/api/days')) one.flush(days);
    expect([data.date(), data.connected()]).toEqual(['2027-05-21', true]);
    expect(
      TestBed.inject(KeptAside)
        .all()
        .map(({ stored }) => stored.day),
    ).toEqual([true]);
  });

  it('lets go of its stream and its timers when it ends', () => {
    opened();
    const stream = FakeEventSource.last;
    TestBed.resetTestingModule();
    expect(stream.closed).toBeTrue();
  });

  it('replays the journal when an entry comes and not with each second, and shows what the time alone changes', () => {
    jasmine.clock().install();
    jasmine.clock().mockDate(new Date());
    try {
      opened([arrived]);
      const [before, drives] = [data.state()!, data.state()!.drives];
      data.showTime(undefined);
      const later = data.state()!;
      expect([later.guests.get('g1')!.stage, later.drives === drives]).toEqual(['arrived', true]);
      FakeEventSource.last.say('entry', recorded({ ...arrived, id: 'entry-0002', kind: 'waiverSigned' }, 2));
      expect(data.state()!.drives).not.toBe(drives);
      expect(before.guests.get('g1')!.waiver).toBeFalse();
    } finally {
      jasmine.clock().uninstall();
    }
  });

  it('takes a stream that has fallen silent for dead, and opens another', () => {
    jasmine.clock().install();
    try {
      opened();
      const first = FakeEventSource.last;
      jasmine.clock().tick(20_000);
      first.say('heartbeat', {});
      jasmine.clock().tick(20_000);
      expect(data.connected()).toBeTrue();
      jasmine.clock().tick(6000);
      expect([data.connected(), first.closed, FakeEventSource.last === first]).toEqual([false, true, false]);
      FakeEventSource.last.say('open');
      expect(data.connected()).toBeTrue();
    } finally {
      jasmine.clock().uninstall();
    }
  });

  it('asks again soon for a stream that the server has refused, which no browser does by itself', () => {
    jasmine.clock().install();
    try {
      opened();
      const first = FakeEventSource.last;
      first.say('error');
      jasmine.clock().tick(5000);
      expect(FakeEventSource.last).toBe(first);
      first.readyState = FakeEventSource.CLOSED;
      first.say('error');
      jasmine.clock().tick(5000);
      expect(FakeEventSource.last).not.toBe(first);
    } finally {
      jasmine.clock().uninstall();
    }
  });

  it('says so at once where the device goes offline', () => {
    opened();
    window.dispatchEvent(new Event('offline'));
    expect(data.connected()).toBeFalse();
  });

  it('shows a day without server as this device knew it last, with the clock carried on', async () => {
    const known = { ...view([arrived]), clock: { date: DATE, secondsOfDay: at('09:30'), rate: 1, adjustable: false } };
    await storage.putDay({ date: DATE, view: known, readMs: Date.now() - 120_000 });
    data.open(DATE);
    FakeEventSource.last.say('error');
    http.expectOne(`/api/days/${DATE}`).error(new ProgressEvent('error'));
    await new Promise((resolve) => setTimeout(resolve, 300));
    expect(stage()).toBe('arrived');
    expect(data.nowS()).toBeGreaterThanOrEqual(at('09:32'));
    expect(data.record({ kind: 'waiverSigned', guest: 'g1' })).toBeTrue();
    expect(http.expectOne(`/api/days/${DATE}/journal`).request.body.offline).toBeTrue();
  });

  it('keeps what it shows on the device', async () => {
    opened([arrived]);
    TestBed.tick();
    await new Promise((resolve) => setTimeout(resolve, 1200));
    expect((storage.storedDays.get(DATE)!.view as { journal: unknown[] }).journal.length).toBe(1);
  });

  it('forgets what it has kept of days once a guest has been erased', async () => {
    localStorage.removeItem('joylap.erased');
    await storage.putDay({ date: '2027-05-01', view: {}, readMs: 0 });
    const read = (erasedAt: string | null) => {
      data.reload();
      for (const request of http.match('/api/days')) request.flush({ days: [], erasedAt });
    };
    read(null);
    expect(storage.storedDays.size).toBe(1);
    read('2027-05-22T09:00:00.000Z');
    expect(storage.storedDays.size).toBe(0);
    await storage.putDay({ date: '2027-05-02', view: {}, readMs: 0 });
    read('2027-05-22T09:00:00.000Z');
    expect(storage.storedDays.size).toBe(1);
    localStorage.removeItem('joylap.erased');
  });

  it('takes a burst of entries in together, and loses none', async () => {
    opened();
    const kinds = ['guestArrived', 'waiverSigned', 'licenceSeen', 'helmetFitted'] as const;
    kinds.forEach((kind, place) => {
      const entry = { id: `burst-000${place}`, kind, guest: 'g1', at: at('09:00'), by: 'Desk' } as JournalEntry;
      FakeEventSource.last.say('entry', recorded(entry, place + 1));
    });
    expect(data.entries().length).toBe(1);
    await new Promise((resolve) => setTimeout(resolve, 120));
    expect([data.entries().length, stage()]).toEqual([4, 'seen']);
  });

  it('knows that a day to come has not begun, and that a past one is over', () => {
    opened([], '2027-05-21');
    expect(data.nowS()).toBe(0);
    opened([], '2027-05-24');
    expect(data.nowS()).toBe(DAY_ENDS_S);
    expect(FakeEventSource.last.closed).toBeFalse();
  });

  it('runs past midnight until somebody closes it, and what happens then is entered when it happened', () => {
    opened([arrived], '2027-05-23');
    expect(data.nowS()).toBe(DAY_ENDS_S);
    const night = { ...view([arrived], '2027-05-23'), clock: clockAt('2027-05-23', '00:10') };
    FakeEventSource.last.say('changed', { what: 'setup' });
    http.expectOne(`/api/days/${DATE}`).flush(night);
    expect(data.nowS()).toBe(at('24:00') + at('00:10'));
    data.record({ kind: 'noteTaken', text: 'the last one is in' });
    expect(data.entries().at(-1)!.entry.at).toBe(at('24:00') + at('00:10'));
    data.record({ kind: 'dayClosed' });
    expect(data.nowS()).toBe(DAY_ENDS_S);
  });

  it('is the day that this tab has shown, also after a reload; another morning begins with its own', () => {
    const days = ['2027-05-21', DATE, '2027-05-23'].map((date) => ({
      date,
      bookings: 0,
      drives: 0,
      revision: null,
      practice: false,
      byCalendar: false,
    }));
    const begin = (today: string, time: string) => {
      data.start();
      for (const request of http.match('/api/clock')) request.flush(clockAt(today, time));
      for (const request of http.match('/api/days')) request.flush({ days, erasedAt: null });
      return data.date();
    };
    expect(begin(DATE, '09:30')).toBe(DATE);
    data.open('2027-05-23');
    expect(begin(DATE, '09:40')).toBe('2027-05-23');
    data.open(DATE);
    expect(begin('2027-05-23', '00:20')).toBe(DATE);
    expect(begin('2027-05-23', '08:00')).toBe('2027-05-23');
  });

  it('says why a day cannot be shown', () => {
    data.open('2031-01-01');
    FakeEventSource.last.say('error');
    const missing = {
      type: 'about:blank',
      title: 'Not found',
      status: 404,
      detail: 'There is no event day 2031-01-01.',
    };
    http.expectOne('/api/days/2031-01-01').flush(missing, { status: 404, statusText: 'Not found' });
    expect(data.failure()).toBe('There is no event day 2031-01-01.');
  });
});
