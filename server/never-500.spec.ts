import fc from 'fast-check';
import { contract, type Endpoint } from '@core/api';
import { bookingBody, DATE, testServer, type TestServer } from './testing/test-server';

/** Words that somebody, or something, may put into an address. */
const word = fc.oneof(
  fc.constantFrom(DATE, 'c4', 'i4', 'A1-1', '1', '0', '-1', '2027-02-30', '9999-99-99', '__proto__', 'constructor'),
  fc.constantFrom('%', '%00', '..', '.', ' ', 'ü', '"', "'; drop table booking; --", 'x'.repeat(500)),
  fc.string({ minLength: 1, maxLength: 20 }),
);
/** Fields that requests have, with values that they should not have. */
const field = fc.constantFrom(
  ...[
    'version',
    'fields',
    'id',
    'drive',
    'drives',
    'cars',
    'laps',
    'guest',
    'plan',
    'base',
    'asOf',
    'author',
    'reason',
  ],
  ...['mode', 'seconds', 'change', 'kind', 'at', 'by', 'csv', 'ical', 'text', 'fileName', 'code', 'query', '__proto__'],
);
const value = fc.letrec((tie) => ({
  any: fc.oneof(
    { depthSize: 'small' },
    fc.constantFrom<unknown>(null, true, 0, -1, 1e308, '', '09:00', '24:00', DATE, 'c4', 'improve', 'BEGIN:VCALENDAR'),
    fc.string(),
    fc.array(tie('any'), { maxLength: 3 }),
    fc.dictionary(field, tie('any'), { maxKeys: 5 }),
  ),
})).any;

const request = fc.record({
  name: fc.constantFrom(...(Object.keys(contract) as (keyof typeof contract)[])),
  words: fc.array(word, { minLength: 4, maxLength: 4 }),
  body: fc.oneof(value, fc.dictionary(field, value, { maxKeys: 8 })),
});

describe('Whatever is asked', () => {
  let server: TestServer;
  beforeEach(async () => {
    server = testServer();
    await server.http.post(`/api/days/${DATE}/bookings`).send(bookingBody()).expect(201);
  });
  afterEach(() => server.close());

  it('is answered, or refused with a sentence; never with an error of our own', async () => {
    await fc.assert(
      fc.asyncProperty(request, async ({ name, words, body }) => {
        const { method, path }: Endpoint = contract[name];
        let place = 0;
        const address = path.replace(/:[a-z]+/gi, () => encodeURIComponent(words[place++ % words.length]!));
        const call = server.http[method](address);
        const { status, body: reply } = await (method === 'get' ? call : call.type('json').send(JSON.stringify(body)));
        expect(status)
          .withContext(`${name} ${address} ${JSON.stringify(body)}: ${JSON.stringify(reply)}`)
          .toBeLessThan(500);
        if (status >= 400)
          expect(String(reply.detail ?? '').length)
            .withContext(`${name} ${status}`)
            .toBeGreaterThan(0);
      }),
      { numRuns: 400 },
    );
    await server.http.get(`/api/days/${DATE}`).expect(200);
  });

  it('that is no JSON, too much of it, or in a strange encoding is refused in words', async () => {
    const address = `/api/days/${DATE}/bookings`;
    const sent = (text: string, more: Record<string, string> = {}) =>
      server.http
        .post(address)
        .set({ 'content-type': 'application/json', ...more })
        .send(text);
    const { body: broken } = await sent('{"name": ').expect(400);
    expect(broken.detail).toBeTruthy();
    const { body: large } = await sent(`{"name": "${'x'.repeat(9_000_000)}"}`).expect(413);
    expect(large.detail).toMatch(/MB/);
    await sent('{}', { 'content-type': 'application/json; charset=klingon' }).expect(415);
    await sent('{}', { 'content-encoding': 'klingon' }).expect(415);
    await server.http.get('/api/nothing/of/the/kind').expect(404);
  });
});
