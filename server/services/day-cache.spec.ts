import { DATE, bookingBody, testServer, type TestServer } from '../testing/test-server';

describe('A day as the server has it in memory', () => {
  let server: TestServer;
  beforeEach(() => (server = testServer()));
  afterEach(() => server.close());
  const day = `/api/days/${DATE}`;
  const view = async () => (await server.http.get(day).expect(200)).body;

  it('shows a changed car, rule or booking at once', async () => {
    expect((await view()).day.cars[0].name).toBe('Dunnock Cup');
    const { body: list } = await server.http.get('/api/cars');
    await server.http
      .put('/api/cars/c1')
      .send({ version: 1, fields: { ...list.cars[0].fields, name: 'Dunnock Cup S' } })
      .expect(200);
    expect((await view()).day.cars[0].name).toBe('Dunnock Cup S');
    const { body: venue } = await server.http.get('/api/venue');
    venue.fields.rules.maxCarsOnTrack = 3;
    await server.http.put('/api/venue').send(venue).expect(200);
    expect((await view()).day.rules.maxCarsOnTrack).toBe(3);
    await server.http.post(`${day}/bookings`).send(bookingBody()).expect(201);
    expect((await view()).bookings.length).toBe(1);
  });

  it('takes a guest’s pace and gearbox from the booking', async () => {
    await server.http
      .post(`${day}/bookings`)
      .send(bookingBody({ pace: 'before', gearbox: 'auto' }))
      .expect(201);
    const [guest] = (await view()).day.guests;
    expect([guest.pace, guest.drives[0].gearbox]).toEqual([1.12, 'auto']);
  });

  it('shows an entry and the clock of the moment, without being read anew', async () => {
    await view();
    const note = { id: 'entry-0001', at: '11:00', by: 'Desk', kind: 'noteTaken', text: 'Fog over the lake' };
    await server.http.post(`${day}/journal`).send(note).expect(201);
    server.clock.adjust({ secondsOfDay: 46_000 });
    const { journal, clock } = await view();
    expect([journal.length, clock.secondsOfDay]).toEqual([1, 46_000]);
  });

  it('takes entries for a day that is over, and none for one that has not come', async () => {
    const note = (id: string) => ({ id, at: '16:00', by: 'Desk', kind: 'noteTaken', text: 'Late note' });
    await server.http.post('/api/days').send({ date: '2027-05-21' }).expect(201);
    await server.http.post('/api/days').send({ date: '2027-05-23' }).expect(201);
    await server.http.post('/api/days/2027-05-21/journal').send(note('entry-0001')).expect(201);
    const { body } = await server.http.post('/api/days/2027-05-23/journal').send(note('entry-0002')).expect(409);
    expect(body.detail).toContain('ahead of the venue');
    await server.http.post('/api/days').send({ date: '2027-05-21' }).expect(409);
  });

  it('plans again around what has begun, and leaves out who did not come', async () => {
    server.clock.adjust({ secondsOfDay: 8 * 3600 });
    const add = (reference: string, arrives: string) =>
      server.http.post(`${day}/bookings`).send(
        bookingBody({
          reference,
          name: `Guest ${reference}`,
          arrives,
          drives: [{ id: `${reference}-1`, cars: ['c4'], laps: 5 }],
        }),
      );
    const early = (await add('A1', '08:40')).body;
    const late = (await add('A2', '12:00')).body;
    await server.plan();
    const first = (await view()).plan.drives;
    server.clock.adjust({ secondsOfDay: 10 * 3600 });
    const happened = [
      { kind: 'guestArrived', guest: early.id },
      { kind: 'waiverSigned', guest: early.id },
      { kind: 'licenceSeen', guest: early.id },
      { kind: 'helmetFitted', guest: early.id },
      { kind: 'seated', drive: 'A1-1', car: 'c4', instructor: first[0].instructor },
      { kind: 'guestNoShow', guest: late.id },
    ];
    for (const [place, entry] of happened.entries()) {
      const sent = { id: `entry-000${place}`, at: '08:41', by: 'Desk', ...entry };
      await server.http.post(`${day}/journal`).send(sent).expect(201);
    }
    await server.plan({ reason: 'No-show' });
    const { plan } = await view();
    expect(plan.drives).toEqual(first.filter(({ drive }: { drive: string }) => drive === 'A1-1'));
    expect(plan.unplanned).toEqual([
      { drive: 'A2-1', reason: { code: 'guestGone', subjects: { guest: jasmine.any(String) }, values: {} } },
    ]);
  });

  it('plans a guest anew who should have begun and has not come yet', async () => {
    server.clock.adjust({ secondsOfDay: 8 * 3600 });
    await server.http
      .post(`${day}/bookings`)
      .send(bookingBody({ arrives: '08:40' }))
      .expect(201);
    await server.plan();
    server.clock.adjust({ secondsOfDay: 10 * 3600 });
    await server.plan({ reason: 'Late' });
    // Made for two minutes from now, and as if coming ten minutes later: 10:12, and four minutes of set-up.
    expect((await view()).plan.drives[0].release).toBe('10:16');
  });

  it('has a clock that only the demo may set', async () => {
    await server.http.post('/api/clock').send({ rate: 61 }).expect(400);
    const { body } = await server.http.post('/api/clock').send({ rate: 10 }).expect(200);
    expect(body.rate).toBe(10);
    // This server was started without a demo to go back to.
    await server.http.post('/api/demo/reset').expect(403);
  });
});
