import { BY_ID, wordsIn } from '@words';
import type { StoredRosterEntry } from '@core/api';
import type { RosterEntry } from '@core/people/crew';
import { VOCABULARY } from '@core/people/coaching';
import request from 'supertest';
import { bookingBody, DATE, testServer, type TestServer } from './testing/test-server';

describe('Crew and vocabulary on the server', () => {
  let server: TestServer;
  let manager: ReturnType<typeof request.agent>;
  beforeEach(() => {
    server = testServer();
    manager = request.agent(server.app);
  });
  afterEach(() => server.close());
  const setCode = () => manager.put('/api/manager/code').send({ code: 'larkmere' }).expect(200);
  const day = async () => (await server.http.get(`/api/days/${DATE}`).expect(200)).body;
  const instructorOf = async (id: string) => (await day()).day.instructors.find((one: { id: string }) => one.id === id);
  const away: RosterEntry & { reason: string } = {
    id: 'away-1',
    instructor: 'i1',
    kind: 'absence',
    from: DATE,
    to: '2027-05-25',
    reason: 'operation on the knee',
  };

  describe('faults of the venue', () => {
    const own = { ...VOCABULARY[0]!, id: 'looks-at-the-lake', name: 'Looks at the lake' };

    it('come with the day to every phone, and are changed by one person at a time', async () => {
      await server.http.post('/api/faults').send(own).expect(201);
      expect((await day()).faults).toEqual([own]);
      await server.http.post('/api/faults').send(own).expect(409);
      const change = (version: number, name: string) =>
        server.http.put(`/api/faults/${own.id}`).send({ version, fields: { ...own, name } });
      await change(1, 'Watches the lake').expect(200);
      const { current } = (await change(1, 'Sees ducks').expect(409)).body;
      expect(current.fields.name).toBe('Watches the lake');
    });

    it('may come only from what is there and happens before', async () => {
      const { body } = await server.http
        .post('/api/faults')
        .send({ ...own, phase: 'brake', from: ['runs-wide'] })
        .expect(422);
      expect(body.detail).toContain('comes after');
      await server.http
        .post('/api/faults')
        .send({ ...own, from: ['nowhere'] })
        .expect(422);
    });

    it('go back to the common words, and are never taken away where nothing else explains the marks', async () => {
      await server.http.post('/api/faults').send(own).expect(201);
      await server.http.delete(`/api/faults/${own.id}`).expect(409);
      await server.http
        .post('/api/faults')
        .send({ ...own, id: 'coasts' })
        .expect(201);
      await server.http.delete('/api/faults/coasts').expect(200);
      expect((await day()).faults.map(({ id }: { id: string }) => id)).toEqual([own.id]);
      await server.http.delete('/api/faults/coasts').expect(404);
    });
  });

  describe('the roster', () => {
    const put = (fields: RosterEntry, version = 0, as: Pick<typeof server.http, 'put'> = server.http) =>
      as.put(`/api/roster/entries/${encodeURIComponent(fields.id)}`).send({ version, fields });
    const entries = async (as: Pick<typeof server.http, 'get'> = server.http): Promise<RosterEntry[]> =>
      (await as.get(`/api/roster/${DATE}`).expect(200)).body.entries.map(({ fields }: StoredRosterEntry) => fields);

    it('changes the day of whom it is about, and twice the same changes nothing', async () => {
      expect((await instructorOf('i1')).available.length).toBe(1);
      await put(away).expect(200);
      await put(away).expect(200);
      expect((await instructorOf('i1')).available).toEqual([]);
      expect((await instructorOf('i2')).available.length).toBe(1);
      await server.http.delete('/api/roster/entries/away-1').expect(200);
      expect((await instructorOf('i1')).available.length).toBe(1);
      await server.http.delete('/api/roster/entries/away-1').expect(404);
      await put({ ...away, instructor: 'nobody' }).expect(404);
      await put({ ...away, to: '2027-05-01' }).expect(400);
    });

    it('tells two who change the same entry of each other, and the reason to neither of them', async () => {
      await setCode();
      await put(away, 0, manager).expect(200);
      expect((await put({ ...away, to: '2027-05-26' }, 1).expect(200)).body.version).toBe(2);
      const late = await put({ ...away, to: '2027-05-28' }, 1).expect(409);
      expect(late.body.detail).toContain('Somebody else has changed this entry of the roster meanwhile');
      const { reason, ...current } = { ...away, to: '2027-05-26' };
      expect(late.body.current).toEqual({ version: 2, fields: current });
      expect(await entries(manager)).toEqual([{ ...current, reason }]);
      await put({ ...away, to: '2027-05-28' }, 2).expect(200);
      await server.http.delete('/api/roster/entries/away-1').expect(200);
      await put({ ...away, to: '2027-05-29' }, 3).expect(404);
    });

    it('tells a reason to the manager alone, and nobody else can lose it', async () => {
      await setCode();
      await put(away, 0, manager).expect(200);
      expect((await entries(manager))[0]!.reason).toBe('operation on the knee');
      expect((await entries())[0]!.reason).toBeUndefined();
      // Somebody at the desk makes it a day longer, without seeing why.
      await put({ ...away, to: '2027-05-26', reason: 'on holiday' }, 1).expect(200);
      expect((await entries(manager))[0]).toEqual({ ...away, to: '2027-05-26' });
      const { text } = await server.http.get('/api/roster.ics').expect(200);
      expect(text).not.toContain('knee');
    });

    it('goes out as a calendar and comes back changed, with what cannot be taken in named', async () => {
      await put(away).expect(200);
      await put({ ...away, id: 'other', instructor: 'i2', kind: 'shift', reason: undefined }).expect(200);
      const all = (await server.http.get('/api/roster.ics').expect(200)).text;
      const own = (await server.http.get('/api/instructors/i1/roster.ics').expect(200)).text;
      expect([all.match(/BEGIN:VEVENT/g)!.length, own.match(/BEGIN:VEVENT/g)!.length]).toEqual([2, 1]);
      await server.http.get('/api/instructors/nobody/roster.ics').expect(404);

      const preview = (ical: string) => server.http.post('/api/roster/preview').send({ ical });
      expect((await preview(all).expect(200)).body).toEqual({
        added: [],
        changed: [],
        unchanged: 2,
        cancelled: [],
        faults: [],
      });
      const longer = all
        .replace('DTEND;VALUE=DATE:20270526', 'DTEND;VALUE=DATE:20270528')
        .replace('UID:other@joylap', 'UID:other@joylap\r\nSTATUS:CANCELLED')
        .replace(
          'END:VCALENDAR',
          'BEGIN:VEVENT\r\nUID:x\r\nSUMMARY:Nobody\r\nDTSTART:20270522T080000Z\r\nEND:VEVENT\r\nEND:VCALENDAR',
        );
      const { body } = await preview(longer).expect(200);
      expect([body.changed.length, body.cancelled, body.faults[0].event]).toEqual([1, ['other'], 'Nobody']);
      expect(body.faults[0].line).toBeGreaterThan(10);
      expect((await entries()).length).toBe(2);
      await server.http.post('/api/roster/import').send({ ical: longer }).expect(200);
      expect((await entries()).map(({ id, to }) => [id, to])).toEqual([['away-1', '2027-05-27']]);
      await preview('hello').expect(422);
    });

    it('takes the old times of a series out of the roster where the calendar has moved them', async () => {
      const weekly = (day: string, more = '') =>
        [
          'BEGIN:VCALENDAR',
          'BEGIN:VEVENT',
          'UID:weekly',
          'SUMMARY:Odile Varga',
          `DTSTART:202705${day}T083000`,
          `DTEND:202705${day}T120000`,
          'RRULE:FREQ=WEEKLY;COUNT=3',
          `${more}END:VEVENT`,
          'END:VCALENDAR',
        ].join('\r\n');
      const take = (ical: string) => server.http.post('/api/roster/import').send({ ical }).expect(200);
      const odile = server.store.instructors.list().find(({ fields }) => fields.name === 'Odile Varga')!.id;
      await take(weekly('24'));
      expect((await entries()).map(({ from, instructor }) => [from, instructor])).toEqual([
        ['2027-05-24', odile],
        ['2027-05-31', odile],
        ['2027-06-07', odile],
      ]);
      await take(weekly('25'));
      expect((await entries()).map(({ from }) => from)).toEqual(['2027-05-25', '2027-06-01', '2027-06-08']);
      await take(weekly('25', 'STATUS:CANCELLED\r\n'));
      expect(await entries()).toEqual([]);
    });

    it('is warned of at the close of the day, two weeks ahead, where a skill hangs on one person', async () => {
      for (const instructor of ['i1', 'i2', 'i5']) {
        await put({ ...away, id: instructor, instructor, from: '2027-05-24', to: '2027-05-24' }).expect(200);
      }
      const { today } = (await server.http.get(`/api/days/${DATE}/close`).expect(200)).body;
      expect(today.toDo.map(wordsIn('en', BY_ID).toDo)).toContain(
        'Mon 24 May: only Lucia Reyes may give the class: Odile Varga, Tomasz Ilgen, Maja Sund away.',
      );
    });

    it('takes a car from whoever’s skill has ended, on the days after', async () => {
      const { version, fields } = (await server.http.get('/api/instructors').expect(200)).body.instructors[0];
      const holdsUntil = { cars: { c12: '2027-05-21' }, brief: DATE };
      await server.http
        .put(`/api/instructors/${fields.id}`)
        .send({ version, fields: { ...fields, holdsUntil } })
        .expect(200);
      const planned = await instructorOf(fields.id);
      expect([planned.cars.includes('c12'), planned.cars.includes('c11'), planned.brief]).toEqual([false, true, true]);
      expect('holdsUntil' in planned).toBe(false);
    });
  });

  describe('the manager’s code', () => {
    it('is set by the first who comes and changed by the manager only', async () => {
      expect((await server.http.get('/api/manager').expect(200)).body).toEqual({ set: false, open: false });
      await manager.post('/api/manager/open').send({ code: 'larkmere' }).expect(403);
      await setCode();
      expect((await manager.get('/api/manager').expect(200)).body).toEqual({ set: true, open: true });
      expect((await server.http.get('/api/manager').expect(200)).body).toEqual({ set: true, open: false });
      await server.http.put('/api/manager/code').send({ code: 'something else' }).expect(403);
      await server.http.put('/api/manager/code').send({ code: 'abc' }).expect(400);
      await manager.put('/api/manager/code').send({ code: 'slipway' }).expect(200);
      await manager.post('/api/manager/close').expect(200);
      await manager.get('/api/instructors/i1/teaching').expect(403);
      await manager.post('/api/manager/open').send({ code: 'larkmere' }).expect(403);
      await manager.post('/api/manager/open').send({ code: 'slipway' }).expect(200);
      await manager.get('/api/instructors/i1/teaching').expect(200);
      await manager.get('/api/instructors/nobody/teaching').expect(404);
    });

    it('keeps the code as a hash, and lets nobody try for long', async () => {
      await setCode();
      expect(server.store.manager.hash()).toMatch(/^\$2b\$10\$/);
      const phoneCode = (await server.http.post('/api/phones/code').expect(201)).body.code as string;
      const from = { 'x-forwarded-for': '192.0.2.9', 'x-forwarded-proto': 'https' };
      const joined = await server.http.post('/api/phones/join').set(from).send({ code: phoneCode, name: 'Phone' });
      const cookie = String(joined.headers['set-cookie']).split(';')[0]!;
      const tried = (code: string) =>
        server.http
          .post('/api/manager/open')
          .set({ ...from, cookie })
          .send({ code });
      for (let tries = 0; tries < 10; tries++) await tried(`guess ${tries}`).expect(403);
      await tried('larkmere').expect(429);
      // Others wait a little; whoever sits at the server's own machine does not even that.
      await server.http.post('/api/manager/open').send({ code: 'larkmere' }).expect(200);
    });
  });

  it('keeps the reasons for prefer and avoid from everybody but the manager, and they go with the guest', async () => {
    await setCode();
    const booked = bookingBody({ reference: 'T1', avoidInstructors: ['i2'] });
    const { id } = (await server.http.post(`/api/days/${DATE}/bookings`).send(booked).expect(201)).body;
    const path = `/api/days/${DATE}/guests/${id}`;
    const reasons = [{ instructor: 'i2', reason: 'raised his voice last time' }];
    await server.http.get(`${path}/pairings`).expect(403);
    await server.http.put(`${path}/pairings`).send({ reasons }).expect(403);
    await manager.put(`${path}/pairings`).send({ reasons }).expect(200);
    await manager.put(`/api/days/${DATE}/guests/nobody/pairings`).send({ reasons }).expect(404);
    expect((await manager.get(`${path}/pairings`).expect(200)).body.reasons).toEqual(reasons);
    expect(JSON.stringify(await day())).not.toContain('voice');
    expect((await server.http.get(`${path}/export.json`).expect(200)).text).not.toContain('voice');
    expect((await manager.get(`${path}/export.json`).expect(200)).text).toContain('voice');
    await server.http.post(`${path}/erase`).expect(403);
    await manager.post(`${path}/erase`).send({ notes: [] }).expect(200);
    expect((await manager.get(`${path}/pairings`).expect(200)).body.reasons).toEqual([]);
  });
});
