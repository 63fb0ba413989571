import { bookingBody, DATE, testServer, type TestServer } from '../../testing/test-server';

describe('Files from outside', () => {
  let server: TestServer;
  beforeEach(() => (server = testServer()));
  afterEach(() => server.close());
  const circuit = (fileName: string, text: string) => server.http.post('/api/circuit/preview').send({ fileName, text });

  it('end nothing and change nothing here, whatever they hold', async () => {
    const event = ['BEGIN:VEVENT', 'UID:__proto__', 'SUMMARY:Odile Varga', 'DTSTART:20270525T083000', 'END:VEVENT'];
    const ical = ['BEGIN:VCALENDAR', ...event, 'END:VCALENDAR'].join('\r\n');
    const { body } = await server.http.post('/api/roster/preview').send({ ical }).expect(200);
    expect(body.faults.length + body.added.length).toBe(1);
    expect(({} as { type?: string }).type).toBeUndefined();
    await server.http.get('/api/health').expect(200);
  });

  it('of a series without end come in as stretches of a year at most, and days that last for years are told', async () => {
    const event = (uid: string, ...lines: string[]) =>
      ['BEGIN:VEVENT', `UID:${uid}`, 'SUMMARY:Odile Varga', ...lines, 'END:VEVENT'].join('\r\n');
    const ical = [
      'BEGIN:VCALENDAR',
      event('a', 'DTSTART:20270525T083000', 'DTEND:20270525T160000', 'RRULE:FREQ=DAILY'),
      event('b', 'DTSTART;VALUE=DATE:20280101', 'DTEND;VALUE=DATE:20290601'),
      event('c', 'DTSTART;VALUE=DATE:20280101', 'DTEND;VALUE=DATE:20990601'),
      'END:VCALENDAR',
    ].join('\r\n');
    const { body } = await server.http.post('/api/roster/import').send({ ical }).expect(200);
    expect(body.added.map(({ from, to }: { from: string; to: string }) => [from, to])).toEqual([
      ['2027-05-25', '2028-05-24'],
      ['2028-05-25', '2029-05-24'],
      ['2028-01-01', '2028-12-31'],
      ['2029-01-01', '2029-05-31'],
    ]);
    expect(body.faults.map(({ message }: { message: string }) => message)).toEqual([
      'goes on beyond two years: read up to 2029-05-24',
      'lasts longer than two years, from 2028-01-01',
    ]);
    await server.http.get('/api/roster/2028-05-20').expect(200);
  });

  it('with more times than any roster has are refused', async () => {
    const event = (n: number) =>
      `BEGIN:VEVENT\r\nUID:e${n}\r\nSUMMARY:Odile Varga\r\nDTSTART:20270525T083000\r\nDTEND:20270525T160000\r\nRRULE:FREQ=DAILY\r\nEND:VEVENT`;
    const ical = ['BEGIN:VCALENDAR', ...Array.from({ length: 60 }, (_, n) => event(n)), 'END:VCALENDAR'].join('\r\n');
    const { body } = await server.http.post('/api/roster/preview').send({ ical }).expect(422);
    expect(body.detail).toContain('more than 40000 times');
  });

  it('in XML with entities or nested without end are a fault with its line', async () => {
    const entity = await circuit('a.gpx', '<?xml version="1.0"?>\n<!DOCTYPE gpx [<!ENTITY a "b">]>\n<gpx/>').expect(
      422,
    );
    expect(entity.body.faults).toEqual([{ path: 'line 2', message: 'a track needs no document type and no entities' }]);
    const nested = await circuit('a.gpx', `<gpx>\n${'<a>'.repeat(100_000)}`).expect(422);
    expect(nested.body.faults).toEqual([{ path: 'line 2', message: 'tags are nested more than 50 deep' }]);
  });

  it('that are too long are refused by their length, before they are worked on', async () => {
    const rows = Array.from({ length: 2001 }, (_, n) => `R${n},Guest,9:00,c4 x5`);
    const csv = ['reference,name,arrives,drives', ...rows].join('\n');
    const { body } = await server.http.post(`/api/days/${DATE}/bookings/preview`).send({ csv }).expect(422);
    expect(body.detail).toContain('the list has 2001 rows, and a day holds 2000 guests at most');
  });

  it('of bookings come in whole, also onto many that are there', async () => {
    const row = (n: number, laps: number) => `R${n},Guest ${n},9:00,c4 x${laps}`;
    const list = (from: number, to: number, laps: number) =>
      ['reference,name,arrives,drives', ...Array.from({ length: to - from }, (_, n) => row(from + n, laps))].join('\n');
    const take = (csv: string) => server.http.post(`/api/days/${DATE}/bookings/import`).send({ csv }).expect(200);
    expect((await take(list(0, 300, 5))).body).toEqual({ added: 300, changed: 0, unchanged: 0, faulty: 0 });
    expect((await take(list(200, 500, 6))).body).toEqual({ added: 200, changed: 100, unchanged: 0, faulty: 0 });
    await server.http.post(`/api/days/${DATE}/bookings`).send(bookingBody()).expect(201);
    const drives = server.store.bookings.list(DATE).flatMap(({ fields }) => fields.drives.map(({ id }) => id));
    expect(new Set(drives).size).toBe(501);
  });

  it('of bookings are read again when somebody changes one meanwhile: nothing is lost, nothing stands twice', async () => {
    const take = (csv: string) => server.http.post(`/api/days/${DATE}/bookings/import`).send({ csv });
    await take('reference,name,arrives,drives\nR1,Guest 1,9:00,c4 x5').expect(200);
    const [stored] = server.store.bookings.list(DATE);
    const rows = server.store.bookings.rows;
    let asked = 0;
    spyOn(server.store.bookings, 'rows').and.callFake((date) => {
      const before = rows(date);
      if (asked++ === 0) server.store.bookings.change(DATE, stored!.id, 1, { ...stored!.fields, notes: 'by phone' });
      return before;
    });
    const list = 'reference,name,arrives,drives\nR1,Guest 1,9:00,c4 x6\nR2,Guest 2,9:00,c4 x5';
    expect((await take(list).expect(200)).body).toEqual({ added: 1, changed: 1, unchanged: 0, faulty: 0 });
    expect(asked).toBe(2);
    const [first, second] = server.store.bookings.list(DATE);
    expect([first!.version, first!.fields.drives[0]!.laps, second!.fields.reference]).toEqual([3, 6, 'R2']);
  });
});
