import { DATE, bookingBody, testServer, type TestServer } from './testing/test-server';

const DAY = `/api/days/${DATE}`;

describe('An entry that waited on a device whose clock is ahead', () => {
  let server: TestServer;
  beforeEach(() => {
    server = testServer();
    server.clock.adjust({ secondsOfDay: 12 * 3600, rate: 1 });
  });
  afterEach(() => server.close());
  const send = (entry: Record<string, unknown>) =>
    server.http.post(`${DAY}/journal`).send({ kind: 'noteTaken', text: 'x', by: 'Test', id: 'entry-0001', ...entry });

  it('is taken, with the time counted back from the venue’s clock, and shown as corrected; once', async () => {
    const fast = { at: '12:08', offline: true, agoMs: 120_000 };
    const { body } = await send(fast).expect(201);
    expect(body.entry.at).toMatch(/^11:5[78]/);
    expect([body.entry.corrected, body.entry.agoMs]).toEqual([{ from: '12:08' }, undefined]);
    await send({ ...fast, agoMs: 125_000 }).expect(202);
    expect(server.store.journal.since(DATE, 0).length).toBe(1);
    await send({ ...fast, text: 'other' }).expect(409);
  });

  it('is refused only where it did not wait', async () => {
    expect((await send({ at: '12:08' })).status).toBe(409);
    expect((await send({ at: '12:01' })).status).toBe(201);
  });
});

describe('A day that runs past midnight', () => {
  let server: TestServer;
  let entries = 0;
  const backups: string[] = [];
  beforeEach(async () => {
    backups.length = 0;
    server = testServer({ backUp: async (reason) => void backups.push(reason) });
    const drives = [{ id: 'd1', cars: ['c4'], laps: 5 }];
    const { body } = await server.http
      .post(`${DAY}/bookings`)
      .send(bookingBody({ arrives: '13:00', drives }))
      .expect(201);
    await server.plan();
    server.clock.adjust({ secondsOfDay: 23 * 3600 + 50 * 60 });
    for (const kind of ['guestArrived', 'waiverSigned', 'licenceSeen', 'helmetFitted']) {
      await enter({ kind, guest: body.id, at: '23:50' });
    }
    const { instructor } = server.store.days.currentPlan(DATE)!.plan.drives[0]!;
    await enter({ kind: 'seated', drive: 'd1', car: 'c4', instructor, at: '23:50' });
    await enter({ kind: 'released', drive: 'd1', at: '23:50' });
  });
  afterEach(() => server.close());

  const enter = (entry: Record<string, unknown>, status = 201) =>
    server.http
      .post(`${DAY}/journal`)
      .send({ id: `entry-${String(++entries).padStart(4, '0')}`, by: 'Test', ...entry })
      .expect(status);

  it('goes on with its own times, so that two taps in the night are two laps', async () => {
    server.clock.adjust({ date: '2027-05-23', secondsOfDay: 20 * 60 });
    await enter({ kind: 'lapCounted', drive: 'd1', source: 'hand', at: '24:05:10' });
    await enter({ kind: 'lapCounted', drive: 'd1', source: 'hand', at: '24:07:05' });
    await enter({ kind: 'parked', drive: 'd1', at: '24:09' });
    const { figures } = (await server.http.get(`${DAY}/close`).expect(200)).body.today;
    expect(figures.find(({ key }: { key: string }) => key === 'lapsDriven').value).toBe(2);
    await enter({ kind: 'noteTaken', text: 'too soon', at: '24:40' }, 409);
  });

  it('is over once it is closed, which takes everybody to be in', async () => {
    server.clock.adjust({ date: '2027-05-23', secondsOfDay: 20 * 60 });
    const refused = await enter({ kind: 'dayClosed', at: '24:20' }, 409);
    expect(refused.body.detail).toBe('One car is still on the circuit.');
    await enter({ kind: 'parked', drive: 'd1', at: '24:18' });
    await enter({ kind: 'dayClosed', at: '24:20' });
    expect(backups).toEqual(['close']);
    const again = await enter({ kind: 'dayClosed', at: '24:20' }, 409);
    expect(again.body.detail).toBe('Test has closed the day already.');
  });
});
