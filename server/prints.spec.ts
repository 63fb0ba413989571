import type { CloseFigure } from '@core/venue/closing';
import { BY_ID, wordsIn } from '@words';
import Papa from 'papaparse';
import { bookingBody, DATE, testServer, type TestServer } from './testing/test-server';

const day = `/api/days/${DATE}`;

describe('What is printed', () => {
  let server: TestServer;
  beforeEach(async () => {
    server = testServer();
    await server.http
      .post(`${day}/bookings`)
      .send(bookingBody({ price: 149, paid: 49 }))
      .expect(201);
  });
  afterEach(() => server.close());
  const pdf = async (path: string) => {
    const { body, headers } = await server.http.get(path).expect(200).expect('content-type', 'application/pdf');
    expect((body as Buffer).subarray(0, 5).toString()).toBe('%PDF-');
    expect((body as Buffer).subarray(-6).toString()).toContain('%%EOF');
    return /^inline; filename="([^"]+)"$/.exec(headers['content-disposition']!)![1]!;
  };
  const guest = () => server.store.bookings.list(DATE)[0]!.id;

  it('for the wall and for the desk are two sheets of the plan that stands', async () => {
    await server.http.get(`${day}/sheets/desk.pdf`).expect(409);
    await server.plan();
    expect(await pdf(`${day}/sheets/day.pdf`)).toBe(`day-${DATE}.pdf`);
    expect(await pdf(`${day}/sheets/desk.pdf`)).toBe(`desk-${DATE}.pdf`);
    expect(await pdf(`${day}/sheets/instructors/i4.pdf`)).toBe(`instructor-${DATE}.pdf`);
  });

  it('for a guest goes by a name that every file system takes', async () => {
    const { fields, version, id } = server.store.bookings.list(DATE)[0]!;
    server.store.bookings.change(DATE, id, version, { ...fields, name: 'Zoë "Mack" / O’Hara' });
    const fresh = await server.http.get(`${day}/sheets/results/${guest()}.pdf`).expect(200);
    expect(fresh.headers['content-disposition']).toMatch(/^inline; filename="[A-Za-z0-9-]+-2027-05-22\.pdf"$/);
  });

  it('for a guest is in the language of the guest, or in the one that is asked for', async () => {
    const { fields, version, id } = server.store.bookings.list(DATE)[0]!;
    server.store.bookings.change(DATE, id, version, { ...fields, languages: ['de-AT', 'en'] });
    const times = `${day}/sheets/times/${guest()}.pdf`;
    await pdf(times);
    for (const [asked, title] of [
      ['', 'Ihr Tag'],
      ['?language=en', 'Your day'],
      ['?language=xx', 'Ihr Tag'],
    ] as const) {
      const { body } = await server.http.get(`${times}${asked}`).expect(200);
      expect((body as Buffer).toString('latin1')).toContain(`(${title}, `);
    }
  });

  it('takes letters that the type of the house lacks', async () => {
    const body = bookingBody({
      reference: 'A2',
      name: 'Ящерица Łukasz 山',
      drives: [{ id: 'A2-1', cars: ['c4'], laps: 5 }],
    });
    await server.http.post(`${day}/bookings`).send(body).expect(201);
    await server.plan();
    await pdf(`${day}/sheets/day.pdf`);
  });

  it('of a day, a guest or an instructor that there is not is not found, each in its own words', async () => {
    await server.plan();
    for (const [path, words] of [
      ['/api/days/2027-01-01/sheets/day.pdf', 'event day 2027-01-01'],
      ['/api/days/2027-01-01/sheets/close.pdf', 'event day 2027-01-01'],
      ['/api/days/2027-01-01/sheets/close.csv', 'event day 2027-01-01'],
      [`${day}/sheets/results/nobody.pdf`, 'guest "nobody"'],
      [`${day}/sheets/times/nobody.pdf`, 'guest "nobody"'],
      [`${day}/sheets/instructors/nobody.pdf`, 'instructor "nobody"'],
    ] as const) {
      const { body } = await server.http.get(path).expect(404);
      expect(body.detail).toContain(words);
    }
  });

  it('at the close has the same figures as the screen, also as CSV', async () => {
    await server.plan();
    expect(await pdf(`${day}/sheets/close.pdf`)).toBe(`close-${DATE}.pdf`);
    const { text, headers } = await server.http.get(`${day}/sheets/close.csv`).expect(200);
    expect(headers['content-disposition']).toContain(`close-${DATE}.csv`);
    const { data: rows, meta } = Papa.parse<Record<string, string>>(text.trim(), { header: true });
    expect(meta.fields).toEqual(['figure', 'unit', 'today', 'planned', 'week_before']);
    const { body } = await server.http.get(`${day}/close`).expect(200);
    const figures = body.today.figures as { key: CloseFigure['key']; value: number }[];
    expect(rows.map(({ figure }) => figure)).toEqual(figures.map(({ key }) => wordsIn('en', BY_ID).figure(key)));
    for (const [place, { value }] of figures.entries()) expect(Number(rows[place]!['today'])).toBeCloseTo(value, 1);
    expect(rows.filter(({ unit }) => unit === 'money').map(({ today }) => today)).toEqual(['49', '100']);
  });
});
