import type { JournalEntry, RecordedEntry } from '@core/journal';
import { DayCache } from './day-cache';
import { JournalWriter } from './journal-writer';
import type { Hub } from './live/hub';
import { Refusal } from '../base/refusal';
import { bookingBody, DATE, testServer, type TestServer } from '../testing/test-server';

describe('The writer of the journal', () => {
  let server: TestServer;
  let writer: JournalWriter;
  let dayCache: DayCache;
  let guest: string;
  /** What screens were told, in order. */
  let told: string[];
  beforeEach(async () => {
    server = testServer();
    const { body } = await server.http.post(`/api/days/${DATE}/bookings`).send(bookingBody()).expect(201);
    guest = body.id;
    told = [];
    const hub = {
      entry: (_: string, { entry }: RecordedEntry) => told.push(entry.kind),
      changed: (what: string) => told.push(`changed ${what}`),
    } as unknown as Hub;
    dayCache = new DayCache(server.store, server.clock);
    writer = new JournalWriter(server.store, dayCache, hub, server.clock);
  });
  afterEach(() => server.close());

  const entry = (id: string, what: object): JournalEntry =>
    ({ id: `entry-${id}`, at: dayCache.nowS(DATE), by: 'Gate', ...what }) as JournalEntry;
  const arrived = () => entry('arrived', { kind: 'guestArrived', guest });
  const waiver = () => entry('waiver', { kind: 'waiverSigned', guest });
  const stored = () => server.store.journal.since(DATE, 0).map(({ entry: { kind } }) => kind);

  it('judges each entry by those entered before it in the same transaction, and tells of all in their order', () => {
    writer.together(DATE, (enter) => {
      enter(arrived());
      enter(waiver());
      expect(told).toEqual([]);
    });
    expect(stored()).toEqual(['guestArrived', 'waiverSigned']);
    expect(told).toEqual(['guestArrived', 'waiverSigned']);
  });

  it('leaves nothing behind where a part is refused: no entry, nothing stored beside it, nobody told', () => {
    const elsewhere = entry('late', { kind: 'guestArrived', guest: 'nobody' });
    const { version, fields } = server.store.bookings.get(DATE, guest)!;
    const work = () =>
      writer.together(DATE, (enter) => {
        enter(arrived());
        server.store.bookings.change(DATE, guest, version, { ...fields, name: 'Another name' });
        enter(elsewhere);
      });
    expect(work).toThrowMatching(
      (error) => error instanceof Refusal && error.problem.status === 409 && error.problem.facts!.length === 1,
    );
    expect([stored(), told]).toEqual([[], []]);
    expect(server.store.bookings.get(DATE, guest)!.fields.name).toBe(fields.name);
    // Nor does anything of it stay in memory: the same entry is possible afterwards.
    expect(writer.append(DATE, arrived()).isNew).toBe(true);
    expect(dayCache.of(DATE).entries.length).toBe(1);
  });

  it('gives an entry that stands there already back as it is, and refuses another one with its id', () => {
    const { recorded } = writer.append(DATE, arrived());
    expect(writer.append(DATE, { ...arrived(), offline: true })).toEqual({ recorded, isNew: false });
    expect(() => writer.append(DATE, { ...waiver(), id: 'entry-arrived' })).toThrowError(/has this id already/);
    expect(told).toEqual(['guestArrived']);
  });

  it('stores what goes with an entry together with it or not at all', () => {
    const fails = () => {
      throw new Error('the disk is full');
    };
    expect(() => writer.append(DATE, arrived(), fails)).toThrowError('the disk is full');
    expect([stored(), told]).toEqual([[], []]);
    expect(writer.append(DATE, arrived()).isNew).toBe(true);
  });

  it('says that the day has changed where it has, once', () => {
    writer.together(DATE, (enter) => {
      enter(entry('closing', { kind: 'closingMoved', to: dayCache.of(DATE).day.closes - 1800 }));
      enter(entry('late', { kind: 'guestLate', guest, expected: dayCache.nowS(DATE) + 1800 }));
    });
    expect(told).toEqual(['closingMoved', 'guestLate', 'changed setup']);
    expect(dayCache.of(DATE).day.guests[0]!.arrives).toBe(dayCache.nowS(DATE) + 1800);
  });

  it('refuses an entry ahead of the clock, and takes the time of one that waited on a device back', () => {
    const nowS = dayCache.nowS(DATE);
    const ahead = { ...arrived(), at: nowS + 600 };
    expect(() => writer.append(DATE, ahead)).toThrowError(/ahead of the venue's clock/);
    const { recorded } = writer.append(DATE, { ...ahead, offline: true, agoMs: 60_000 });
    expect(recorded.entry.at).toBe(nowS - 60 * server.clock.read().rate);
    expect(recorded.entry.corrected).toEqual({ from: nowS + 600 });
  });

  it('enters the acceptance of a plan, and nothing where the plan is refused', async () => {
    await server.plan();
    expect(stored()).toEqual(['planAccepted']);
    const { plan } = (await server.http.get(`/api/days/${DATE}`).expect(200)).body;
    const sent = { plan, base: 7, asOf: '08:00', author: 'Maren', reason: 'Again' };
    await server.http.post(`/api/days/${DATE}/plans`).send(sent).expect(409);
    expect(stored()).toEqual(['planAccepted']);
  });
});
