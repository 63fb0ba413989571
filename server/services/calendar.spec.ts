import { DATE, bookingBody, testServer, type TestServer } from '../testing/test-server';

describe('The calendar', () => {
  let server: TestServer;
  beforeEach(() => (server = testServer()));
  afterEach(() => server.close());
  const dates = async () =>
    ((await server.http.get('/api/days').expect(200)).body.days as { date: string }[]).flatMap(({ date }) =>
      date < '2028' ? [date] : [],
    );
  const change = async (calendar: Record<string, unknown>) => {
    const { version, fields } = (await server.http.get('/api/venue').expect(200)).body;
    const body = { version, fields: { ...fields, calendar: { ...fields.calendar, ...calendar } } };
    await server.http.put('/api/venue').send(body).expect(200);
  };
  const SUNDAYS = [{ weekdays: [7], from: '06-01', to: '06-30', hours: { from: '10:00', to: '16:00' } }];
  const day = async (date: string) => (await server.http.get(`/api/days/${date}`).expect(200)).body.day;

  it('makes its days at once, and takes back those on which nothing is', async () => {
    await change({ patterns: SUNDAYS, closed: [{ from: '2027-06-13', to: '2027-06-13' }] });
    expect(await dates()).toEqual([DATE, '2027-06-06', '2027-06-20', '2027-06-27']);
    await server.http.post('/api/days/2027-06-20/bookings').send(bookingBody()).expect(201);
    await change({ patterns: [] });
    expect(await dates()).toEqual([DATE, '2027-06-20']);
  });

  it('puts single days in and out, but none on which something is', async () => {
    await change({ patterns: SUNDAYS, closed: [] });
    const put = (date: string, open: boolean) => server.http.put(`/api/calendar/${date}`).send({ open });
    await put('2027-06-06', false).expect(200);
    expect(await dates()).not.toContain('2027-06-06');
    await put('2027-06-06', true).expect(200);
    await put('2027-07-01', true).expect(200);
    expect(await dates()).toContain('2027-06-06');
    expect(await dates()).toContain('2027-07-01');
    await server.http.post('/api/days/2027-06-20/bookings').send(bookingBody()).expect(201);
    const { body } = await put('2027-06-20', false).expect(409);
    expect(body.detail).toContain('has bookings');
    expect(await dates()).toContain('2027-06-20');
  });

  it('gives a season its hours, and cars and people who are there all day with them', async () => {
    await change({ patterns: SUNDAYS });
    const { opens, closes, cars, instructors } = await day('2027-06-06');
    expect([opens, closes]).toEqual(['10:00', '16:00']);
    expect(cars[0].available).toEqual([{ from: '10:00', to: '16:00' }]);
    const windows = instructors.flatMap((one: { available: { to: string }[] }) => one.available);
    expect(windows.some(({ to }: { to: string }) => to === '16:00')).toBe(true);
  });

  it('gives a day a setup of its own, and copies it to others with its shifts', async () => {
    const setup = {
      opens: '12:00',
      closes: '20:00',
      maxCarsOnTrack: 2,
      condition: { name: 'wet', paceFactor: 1.15 },
      closures: [{ from: '15:00', to: '15:30' }],
    };
    const shift = {
      id: 's-1',
      instructor: 'i1',
      kind: 'shift',
      from: DATE,
      to: DATE,
      hours: { from: '12:00', to: '18:00' },
    };
    const known = (await server.http.get('/api/instructors').expect(200)).body.instructors[0].fields.id;
    await server.http
      .put('/api/roster/entries/s-1')
      .send({ version: 0, fields: { ...shift, instructor: known } })
      .expect(200);
    await server.http.put(`/api/days/${DATE}/setup`).send({ version: 1, fields: setup }).expect(200);
    await server.http
      .post(`/api/days/${DATE}/setup/copy`)
      .send({ to: [DATE, '2027-06-01'] })
      .expect(200, { days: 1 });
    for (const date of [DATE, '2027-06-01']) {
      const view = await day(date);
      expect([view.opens, view.closes, view.rules.maxCarsOnTrack, view.condition.name]).toEqual([
        '12:00',
        '20:00',
        2,
        'wet',
      ]);
      expect(view.circuit.closures.length).toBe(1);
      const person = view.instructors.find(({ id }: { id: string }) => id === known);
      expect(person.available).toEqual([{ from: '12:00', to: '18:00' }]);
    }
    await server.http.put(`/api/days/${DATE}/setup`).send({ version: 2, fields: {} }).expect(200);
    expect((await day(DATE)).opens).toBe('08:30');
  });

  it('tells two people who set up the same day of each other, and writes nothing where its days are read', async () => {
    const put = (version: number, name: string) =>
      server.http.put(`/api/days/${DATE}/setup`).send({ version, fields: { condition: { name, paceFactor: 1.1 } } });
    await put(1, 'wet').expect(200);
    const { body } = await put(1, 'dry').expect(409);
    expect([body.current.version, body.current.fields.condition.name]).toEqual([2, 'wet']);
    await put(2, 'dry').expect(200);
    await change({ patterns: SUNDAYS });
    server.store.days.removeEmpty('2027-06-06');
    const before = server.store.db.prepare('select total_changes() as n').get();
    expect(await dates()).not.toContain('2027-06-06');
    expect(server.store.db.prepare('select total_changes() as n').get()).toEqual(before);
    server.clock.adjust({ date: '2027-05-23' });
    await server.http.post('/api/clock').send({ rate: 0 }).expect(200);
    expect(await dates()).toContain('2027-06-06');
  });

  it('refuses a setup that ends before it begins', async () => {
    const { body } = await server.http
      .put(`/api/days/${DATE}/setup`)
      .send({ version: 1, fields: { opens: '18:00', closes: '09:00' } })
      .expect(400);
    expect(body.detail).toMatch(/opening time.*past midnight, close at 24:00/);
  });
});
