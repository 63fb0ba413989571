import { DayCache } from '../day-cache';
import { bookingBody, DATE, testServer, type TestServer } from '../../testing/test-server';
import type { Hub } from './hub';
import { PracticeService } from './practice-service';

const day = `/api/days/${DATE}`;

describe('The crew of a practice day', () => {
  let server: TestServer;
  let sent = 0;
  const setUp = async (demo: boolean) => {
    server = testServer(demo ? { resetDemo: () => undefined } : {});
    server.clock.adjust({ secondsOfDay: 9 * 3600 });
    await server.http.post(`${day}/bookings`).send(bookingBody()).expect(201);
  };
  afterEach(() => server.close());

  const guest = async () => (await server.http.get(day).expect(200)).body.bookings[0].id as string;
  const enter = async (kind: string, { id = `entry-${String(++sent).padStart(5, '0')}`, by = 'Office' } = {}) =>
    server.http.post(`${day}/journal`).send({ id, kind, at: '09:00', by, guest: await guest() });
  const comes = () => server.http.post('/api/practice/there').expect(200);
  const status = async () => (await server.http.get('/api/practice').expect(200)).body;

  it('is there once it has said so', async () => {
    await setUp(true);
    expect((await status()).there).toBeFalse();
    expect((await comes()).body.there).toBeTrue();
    expect((await status()).there).toBeTrue();
  });

  it('enters nothing on a day of real guests, and is not there', async () => {
    await setUp(false);
    expect((await comes()).body.there).toBeFalse();
    const refused = await enter('guestArrived', { id: 'crew-00000001', by: 'Gate' });
    expect(refused.status).toBe(403);
    expect(refused.body.detail).toContain('practice days only');
    await server.http.post('/api/days').send({ date: '2027-06-01', practice: true }).expect(201);
    server.clock.adjust({ date: '2027-06-01' });
    expect((await comes()).body.there).toBeTrue();
  });

  it('has a station taken over by whoever enters something there, until it is given back', async () => {
    await setUp(true);
    await comes();
    expect((await enter('guestArrived', { id: 'crew-00000001', by: 'Gate' })).status).toBe(201);
    expect((await status()).taken).toEqual([]);
    const { body } = await enter('waiverSigned');
    const { taken } = await status();
    expect(taken).toEqual([
      { post: { station: 'gate' }, by: 'Office', entry: body.entry.id, secondsLeft: jasmine.any(Number) },
    ]);
    expect(taken[0].secondsLeft).toBeGreaterThan(170);
    await server.http.post('/api/practice/given-back').send({ station: 'gate' }).expect(200);
    expect((await status()).taken).toEqual([]);
  });

  it('has it back by being switched on, and leaves it alone where it is switched off', async () => {
    await setUp(true);
    await comes();
    await enter('guestArrived');
    await server.http.put('/api/practice/stations/gate').send({ on: false }).expect(200);
    expect(await status()).toEqual(jasmine.objectContaining({ off: ['gate'] }));
    await server.http.put('/api/practice/stations/gate').send({ on: true }).expect(200);
    expect(await status()).toEqual(jasmine.objectContaining({ off: [], taken: [] }));
    await server.http.put('/api/practice/stations/tower').send({ on: true }).expect(400);
  });

  it('has the station of an entry taken over by whoever takes that entry back', async () => {
    await setUp(true);
    await comes();
    const { body } = await enter('guestArrived', { id: 'crew-00000001', by: 'Gate' });
    await server.http
      .post(`${day}/journal`)
      .send({ id: 'entry-correct', kind: 'correction', corrects: body.entry.id, at: '09:00', by: 'Maren' })
      .expect(201);
    expect((await status()).taken).toEqual([
      jasmine.objectContaining({ post: { station: 'gate' }, by: 'Maren', entry: 'entry-correct' }),
    ]);
  });

  it('takes another seed', async () => {
    await setUp(true);
    await server.http.put('/api/practice/seed').send({ seed: 4711 }).expect(200);
    expect((await status()).seed).toBe(4711);
    await server.http.put('/api/practice/seed').send({ seed: -1 }).expect(400);
  });
});

describe('What was taken over', () => {
  let nowMs = 0;
  let told = 0;
  let desk: PracticeService;
  let server: TestServer;
  beforeEach(() => {
    server = testServer();
    [nowMs, told] = [1_000_000, 0];
    const { store, clock } = server;
    const dayCache = new DayCache(store, clock);
    const hub = { changed: () => void told++ } as unknown as Hub;
    desk = new PracticeService({ store, clock, dayCache, hub }, true, () => nowMs);
    desk.crewIsThere();
    desk.entered(DATE, { id: 'entry-00001', kind: 'refuelBegan', car: 'c4', at: 43_200, by: 'Maren' });
  });
  afterEach(() => {
    desk.close();
    server.close();
  });

  it('goes back by itself after three minutes without an entry there, and begins anew with each', () => {
    nowMs += 170_000;
    desk.crewIsThere();
    desk.entered(DATE, { id: 'entry-00002', kind: 'refuelEnded', car: 'c4', at: 43_300, by: 'Maren' });
    nowMs += 170_000;
    desk.crewIsThere();
    expect(desk.status().taken.map(({ entry }) => entry)).toEqual(['entry-00002']);
    nowMs += 11_000;
    const before = told;
    expect(desk.crewIsThere().taken).toEqual([]);
    expect(told).toBe(before + 1);
  });

  it('stays given back where an entry comes late that was made before', () => {
    const garage = { station: 'garage' } as const;
    desk.giveBack(garage);
    const late = { kind: 'refuelEnded', car: 'c4', by: 'Maren' } as const;
    desk.entered(DATE, { ...late, id: 'entry-00002', at: 43_190 });
    expect(desk.status().taken).toEqual([]);
    // Tapped just before by a clock that is a little ahead, and then by somebody who goes on.
    desk.entered(DATE, { ...late, id: 'entry-00003', at: 43_201 });
    expect(desk.status().taken).toEqual([]);
    nowMs += 5500;
    desk.crewIsThere();
    desk.entered(DATE, { ...late, id: 'entry-00004', at: 43_203 });
    expect(desk.status().taken.map(({ post }) => post)).toEqual([garage]);
  });

  it('is nobody’s where the crew has gone', () => {
    nowMs += 7000;
    expect(desk.status().there).toBeFalse();
    desk.entered(DATE, { id: 'entry-00003', kind: 'deskDone', guest: 'b1', at: 43_400, by: 'Maren' });
    expect(desk.status().taken.map(({ post }) => post.station)).toEqual(['garage']);
  });
});

describe('A day to practise', () => {
  let server: TestServer;
  afterEach(() => server.close());

  const withDay = async (date: string, practice: boolean) => {
    server = testServer();
    await server.http.post('/api/days').send({ date, practice }).expect(201);
    await server.http.post(`/api/days/${date}/bookings`).send(bookingBody()).expect(201);
    const fault = { where: 'roof and glass', what: 'stone chip', severity: 'note' };
    await server.http
      .post(`/api/days/${date}/journal`)
      .send({ id: 'entry-fault', kind: 'faultFound', car: 'c4', at: '09:00', by: 'Garage', ...fault })
      .expect(201);
    const later = (await server.http.get('/api/days/2027-05-22/garage').expect(200)).body;
    const own = (await server.http.get(`/api/days/${date}/garage`).expect(200)).body;
    const { before } = (await server.http.get('/api/days/2027-05-22/close').expect(200)).body;
    const has = ({ days }: { days: { date: string }[] }) => days.some((one) => one.date === date);
    return { later: has(later), own: has(own), before };
  };

  it('counts on itself, and on no day after it', async () => {
    expect(await withDay('2027-05-15', true)).toEqual({ later: false, own: true, before: null });
  });

  it('is told from a day of real guests, which counts', async () => {
    const { later, own, before } = await withDay('2027-05-15', false);
    expect([later, own]).toEqual([true, true]);
    expect(before).not.toBeNull();
  });
});
