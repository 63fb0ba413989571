import * as fc from 'fast-check';
import { venueFields } from '@core/venue/settings';
import type { DayView } from '@core/api';
import { fact } from '@core/values';
import { BY_ID, wordsIn } from '@words';
import * as z from 'zod';
import { LARKMERE } from '../demo/larkmere';
import { randomRequest } from './testing/random-request';
import { bookingBody, DATE, testServer, type TestServer } from './testing/test-server';

const DAY = `/api/days/${DATE}`;

describe('A day', () => {
  let server: TestServer;
  beforeEach(() => (server = testServer()));
  afterEach(() => server.close());

  const view = async (): Promise<DayView> => (await server.http.get(DAY).expect(200)).body;
  const sql = (text: string, ...values: unknown[]) => server.store.db.prepare(text).run(...values);
  const enter = (entry: Record<string, unknown>, id = 'entry-00001') =>
    server.http.post(`${DAY}/journal`).send({ id, at: '11:00', by: 'Test', ...entry });

  it('reads, whatever setup and journal have accepted, on line and off line', async () => {
    const venueBody = z.encode(venueFields, LARKMERE);
    await fc.assert(
      fc.asyncProperty(fc.array(randomRequest(DAY, venueBody), { maxLength: 12 }), async (requests) => {
        const own = testServer();
        try {
          for (const id of ['b1', 'b2', 'b3']) {
            const fields = bookingBody({ reference: id, drives: [{ id: `d-${id}`, cars: ['c4'], laps: 5 }] });
            own.store.bookings.add(DATE, id, { ...fields, arrives: 9 * 3600 } as never);
          }
          for (const [place, { method, path, body }] of requests.entries()) {
            const sent =
              path === '/api/venue'
                ? { version: own.store.venue.get()!.version, fields: body }
                : path.endsWith('/journal')
                  ? { id: `entry-${String(place).padStart(4, '0')}`, ...(body as object) }
                  : body;
            const { status } = await own.http[method](path).send(sent as object);
            expect(status).toBeLessThan(500);
          }
          for (const path of [DAY, `${DAY}/garage`, `${DAY}/close`, '/api/clock', '/api/venue', '/api/days']) {
            expect((await own.http.get(path)).status)
              .withContext(path)
              .toBe(200);
          }
        } finally {
          own.close();
        }
      }),
      { numRuns: 60 },
    );
  });

  it('has a time zone that there is, and vehicles that can be told apart', async () => {
    const fields = z.encode(venueFields, LARKMERE);
    const change = (more: Record<string, unknown>) =>
      server.http.put('/api/venue').send({ version: 1, fields: { ...fields, ...more } });
    for (const timeZone of ['Mars/Base', 'Europe', '']) await change({ timeZone }).expect(400);
    const [vehicle] = fields.sightingVehicles;
    const { body } = await change({ sightingVehicles: [vehicle, vehicle] }).expect(400);
    expect(body.faults[0]).toEqual({
      path: 'fields.sightingVehicles[1].id',
      message: `expected a unique id, "${vehicle!.id}" stands twice`,
    });
    await change({ timeZone: 'Asia/Tokyo' }).expect(200);
    expect((await view()).day.timeZone).toBe('Asia/Tokyo');
  });

  it('takes no more guests than it can hold, by hand or by list', async () => {
    const fill = server.store.db.transaction(() => {
      for (let n = 0; n < 1999; n++) {
        const fields = bookingBody({ reference: `R${n}`, drives: [] });
        server.store.db
          .prepare('insert into booking (id, date, reference, version, document) values (?, ?, ?, 1, ?)')
          .run(`id-${n}`, DATE, `R${n}`, JSON.stringify(fields));
      }
    });
    fill();
    const csv = 'reference,name,arrives,drives\nX1,One,9:00,c4 x5\nX2,Two,9:00,c4 x5';
    const refused = await server.http.post(`${DAY}/bookings/import`).send({ csv });
    expect([refused.status, refused.body.detail]).toEqual([409, jasmine.stringContaining('2000 guests')]);
    expect(server.store.bookings.list(DATE).length).toBe(1999);
    await server.http.post(`${DAY}/bookings`).send(bookingBody()).expect(201);
    await server.http
      .post(`${DAY}/bookings`)
      .send(bookingBody({ reference: 'A2' }))
      .expect(409);
    await view();
  });

  it('goes on where the opening is set up after a closing that was moved before it, and says so', async () => {
    await enter({ kind: 'closingMoved', to: '12:00' }).expect(201);
    const fields = { ...z.encode(venueFields, LARKMERE), opens: '13:00' };
    await server.http.put('/api/venue').send({ version: 1, fields }).expect(200);
    const { day, dataIssues } = await view();
    expect(String(day.closes)).toBe('18:00');
    expect(dataIssues.map(({ place, entry }) => [place, entry])).toEqual([['journal', 'entry-00001']]);
    await enter({ kind: 'correction', corrects: 'entry-00001' }, 'entry-00002').expect(201);
    expect((await view()).dataIssues).toEqual([]);
  });

  it('sets an entry aside that cannot be read, tells of it, and reads and appends the rest', async () => {
    server.store.journal.append(
      DATE,
      { kind: 'noteTaken', id: 'entry-00001', at: 3600, by: 'Test', text: 'one' },
      server.clock.recordedAt(),
    );
    sql(
      'insert into journal_entry (date, seq, id, recorded_at, document) values (?, 2, ?, ?, ?)',
      ...[DATE, 'entry-of-old', '2027-05-22T09:00:00.000Z', '{"kind":"danced","at":"09:00"}'],
    );
    await enter({ kind: 'noteTaken', text: 'three' }, 'entry-00003').expect(201);
    const { journal, dataIssues } = await view();
    expect(journal.map(({ seq }) => seq)).toEqual([1, 3]);
    expect(dataIssues[0]).toEqual(
      jasmine.objectContaining({
        place: 'journal',
        fact: fact('entryUnreadable', {}, { seq: 2 }),
      }),
    );
    await enter({ kind: 'noteTaken', text: 'again' }, 'entry-of-old').expect(409);
  });

  it('is shown without what is faulty in the tables, each with its place', async () => {
    sql(`update venue set document = json_set(document, '$.timeZone', 'Mars/Base')`);
    sql(`update car set document = json_set(document, '$.level', 9) where id = 'c4'`);
    sql(`update instructor set document = json_set(document, '$.available[0].from', '19:00') where id = 'i1'`);
    const { day, dataIssues } = await view();
    expect(day.timeZone).toBe('UTC');
    expect(day.cars.some(({ id }) => id === 'c4')).toBe(false);
    expect(dataIssues.map(({ place, path }) => [place, path])).toEqual([
      ['rules', 'timeZone'],
      ['cars', 'level'],
      ['crew', 'available[0].from'],
    ]);
    expect(dataIssues.map((issue) => wordsIn('en', BY_ID).dataIssue(issue.fact))).toEqual([
      'The page of rules has something wrong in it, which is left out',
      'A car, Halyard GT (c4), cannot be read and is left out',
      jasmine.stringMatching(
        /^An instructor, [A-Z][a-z]+ [A-Z][a-z]+ \(i1\), has something wrong in it, which is left out$/,
      ),
    ]);
    await server.http.get('/api/venue').expect(200);
    await server.http.get('/api/clock').expect(200);
    // What mends it: the car entered anew, the rules saved.
    const { version, fields } = (await server.http.get('/api/venue')).body;
    await server.http.put('/api/venue').send({ version, fields }).expect(200);
    const { body } = await server.http.get('/api/cars');
    await server.http
      .post('/api/cars')
      .send({ ...body.cars[0].fields, id: 'c4', transponder: undefined })
      .expect(201);
    expect((await view()).dataIssues.map(({ place }) => place)).toEqual(['crew']);
  });

  it('falls back on the newest plan that can be read', async () => {
    await server.http
      .post(`${DAY}/bookings`)
      .send(bookingBody({ arrives: '13:00' }))
      .expect(201);
    await server.plan();
    await server.plan({ reason: 'Better' });
    sql(`update plan_revision set document = '{"format":"other"}' where revision = 2`);
    // Something changes, so that the day is read anew.
    const { version, fields } = (await server.http.get('/api/venue')).body;
    await server.http.put('/api/venue').send({ version, fields }).expect(200);
    const again = await view();
    expect(again.revision!.revision).toBe(1);
    expect(again.dataIssues[0]!.fact).toEqual(fact('planUnreadable', {}, { revision: 2, shown: 1 }));
    expect(await server.plan({ reason: 'Anew' })).toBe(3);
    expect((await view()).dataIssues).toEqual([]);
  });
});
