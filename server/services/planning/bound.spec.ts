import type { HowGood } from '@core/api';
import { bookingBody, DATE, testServer, type TestServer } from '../../testing/test-server';

describe('How good a plan is', () => {
  let server: TestServer;
  beforeEach(() => {
    server = testServer();
    server.clock.adjust({ secondsOfDay: 8 * 3600 });
  });
  afterEach(() => server.close());

  const ask = async () => (await server.http.get(`/api/days/${DATE}/bound`).expect(200)).body as HowGood;
  /** Asks until it is worked out, as a screen does that is told of the end. */
  const workedOut = async (): Promise<HowGood> => {
    for (;;) {
      const found = await ask();
      if (found.bound) return found;
      await new Promise((done) => setTimeout(done, 50));
    }
  };

  it('is worked out once a plan is there to be looked at, and again for another day', async () => {
    const drives = (reference: string) => [{ id: `${reference}-1`, cars: ['c4'], laps: 5 }];
    const body = (reference: string) => bookingBody({ reference, name: reference, drives: drives(reference) });
    await server.http.post(`/api/days/${DATE}/bookings`).send(body('A1')).expect(201);
    expect(await ask()).toEqual({ bound: null, cost: null, leftOut: 0, drives: 1 });

    await server.look();
    const { bound } = await workedOut();
    expect(bound!.leftOut.atLeast).toBe(0);

    await server.http.post(`/api/days/${DATE}/bookings`).send(body('A2')).expect(201);
    expect((await ask()).bound)
      .withContext('a day with one guest more')
      .toBeNull();
    expect((await workedOut()).drives).toBe(2);
  });

  it('has an answer for a day that is not there', async () => {
    const { status } = await server.http.get('/api/days/2031-01-01/bound');
    expect(status).toBe(404);
  });
});
