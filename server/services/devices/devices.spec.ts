import type { DeviceLine, DeviceReceipt } from '@core/api';
import { dayContext, stateOf, type DayState } from '@core/journal';
import { aDay, aPlan, at, drive } from '@core/testing/small-day';
import { EVEN_RING } from '@core/live/traffic';
import { CircuitTraffic, type Seen } from '../../stand-ins/circuit-traffic';
import { DATE, testServer, type TestServer } from '../../testing/test-server';
import { Hub } from '../live/hub';
import { pruneStore } from '../../ops/prune';
import { signatureOf } from './signature';

describe('Device lines', () => {
  let server: TestServer;
  let key: string;
  let seq = 0;
  beforeEach(async () => {
    seq = 0;
    server = testServer();
    const body = { id: 'loop', name: 'Timing loop', kind: 'timing' };
    key = (await server.http.post('/api/devices').send(body).expect(201)).body.key;
  });
  afterEach(() => server.close());

  const line = (body: unknown, more: Partial<DeviceLine> = {}): DeviceLine => {
    const plain = { time: `${DATE}T11:59:58.417`, seq: ++seq, body: JSON.stringify(body), ...more };
    return { ...plain, mac: more.mac ?? signatureOf(key, plain) };
  };
  const send = async (...lines: unknown[]): Promise<DeviceReceipt> => {
    const text = lines.map((it) => (typeof it === 'string' ? it : JSON.stringify(it))).join('\n');
    const request = server.http.post('/api/devices/loop/lines').set('content-type', 'application/x-ndjson');
    return (await request.send(text).expect(200)).body;
  };
  const device = async () => (await server.http.get('/api/devices')).body.devices[0];
  const crossing = { kind: 'crossing', transponder: 'c7' };

  it('bring crossings into the journal, to the thousandth', async () => {
    expect(await send(line(crossing))).toEqual({ accepted: 1, refused: [] });
    const [recorded] = server.store.journal.since(DATE, 0);
    expect(recorded!.entry).toEqual({
      id: jasmine.stringMatching(/^loop-[0-9a-f]{4}-1$/),
      at: at('11:59:58'),
      ms: 417,
      by: 'Timing loop',
      kind: 'lineCrossed',
      car: 'c7',
    });
    expect((await device()).state).toBe('heard');
  });

  it('are refused and counted where they are malformed, unsigned or sent before, and the others are taken', async () => {
    const good = line(crossing);
    const { accepted, refused } = await send(
      'not json',
      good,
      good,
      line(crossing, { mac: '0'.repeat(64) }),
      { ...line(crossing), body: '{"kind":"crossing","transponder":"c8"}' },
      line({ kind: 'dance' }),
      line({ kind: 'crossing', transponder: 'nobody' }),
    );
    expect(accepted).toBe(1);
    expect(refused.map((it) => it.line)).toEqual([1, 3, 4, 5, 6, 7]);
    const { malformed, unsigned, replayed, unusable, lastRefusal } = await device();
    expect({ malformed, unsigned, replayed, unusable }).toEqual({
      malformed: 2,
      unsigned: 2,
      replayed: 1,
      unusable: 1,
    });
    expect(lastRefusal).toBe('No car has the transponder "nobody".');
    expect(server.store.journal.since(DATE, 0).length).toBe(1);
  });

  it('that nobody signed are counted while the server runs, and neither stored nor told to the screens', async () => {
    const stored = () => JSON.stringify(server.store.devices.get('loop'));
    const before = stored();
    const told = spyOn(Hub.prototype, 'changed').and.callThrough();
    const strange = Array.from({ length: 500 }, () => line(crossing, { mac: '0'.repeat(64) }));
    expect((await send(...strange)).refused.length).toBe(500);
    expect([stored(), told.calls.count(), (await device()).unsigned]).toEqual([before, 0, 500]);
  });

  it('are at most a thousand in a request, and so many requests a minute from another machine', async () => {
    const post = (text: string) =>
      server.http
        .post('/api/devices/loop/lines')
        .set({ 'content-type': 'text/plain', 'x-forwarded-for': '192.0.2.9' })
        .send(text);
    await post('\n'.repeat(1000)).expect(429);
    const all = [];
    for (let n = 0; n < 1200; n++) all.push((await post('')).status);
    expect([all.filter((status) => status === 200).length, all.at(-1)]).toEqual([1199, 429]);
  });

  it('are not taken twice after the server has started again', async () => {
    const first = line(crossing);
    await send(first);
    expect(server.store.devices.get('loop')!.last_seq).toBe(1);
    expect((await send(first)).refused[0]!.reason).toBe('Number 1 comes after 1: sent before.');
  });

  it('keep the number of a crossing that could not be stored, so that it can be sent again', async () => {
    const first = line(crossing);
    const { db } = server.store;
    db.exec(`create trigger full before insert on journal_entry begin select raise(abort, 'disk full'); end`);
    const text = JSON.stringify(first);
    const post = () =>
      server.http.post('/api/devices/loop/lines').set('content-type', 'application/x-ndjson').send(text);
    await post().expect(500);
    db.exec('drop trigger full');
    expect((await post().expect(200)).body).toEqual({ accepted: 1, refused: [] });
    expect(server.store.journal.since(DATE, 0).length).toBe(1);
    expect(server.store.devices.get('loop')!.last_seq).toBe(first.seq);
  });

  it('of a device that was removed and added again begin anew', async () => {
    await send(line(crossing));
    await server.http.delete('/api/devices/loop').expect(200);
    const body = { id: 'loop', name: 'Timing loop', kind: 'timing' };
    key = (await server.http.post('/api/devices').send(body).expect(201)).body.key;
    seq = 0;
    const again = line(crossing, { time: `${DATE}T11:59:59.900` });
    expect(await send(again)).toEqual({ accepted: 1, refused: [] });
    expect(server.store.journal.since(DATE, 0).length).toBe(2);
  });

  it('of positions are all written down at a clean stop, and go after two months', async () => {
    const positions = { kind: 'positions', cars: [{ transponder: 'c7', atM: 100 }] };
    await send(line(positions), line(positions, { time: `${DATE}T11:59:59.000` }));
    const rows = () => (server.store.db.prepare('select count(*) as n from track').get() as { n: number }).n;
    expect(rows()).toBe(0);
    server.store.tracks.flushAll();
    expect(rows()).toBe(1);
    pruneStore(server.store, '2027-07-20');
    expect(rows()).toBe(1);
    pruneStore(server.store, '2027-08-20');
    expect(rows()).toBe(0);
  });

  it('may not run ahead of the venue’s clock, nor be of a day that is not there', async () => {
    const ahead = await send(line(crossing, { time: `${DATE}T12:30:00.000` }));
    expect(ahead.refused[0]!.reason).toContain("ahead of the venue's");
    const elsewhere = await send(line(crossing, { time: '2031-01-01T00:00:00.000' }));
    expect(elsewhere.refused.length).toBe(1);
  });

  it('may be none at all', async () => {
    const { body } = await server.http.post('/api/devices/loop/lines').expect(200);
    expect(body).toEqual({ accepted: 0, refused: [] });
  });

  it('go to nobody where there is no such device', async () => {
    await server.http.post('/api/devices/other/lines').set('content-type', 'text/plain').send('x').expect(404);
    await server.http.post('/api/devices').send({ id: 'loop', name: 'Again', kind: 'timing' }).expect(409);
    await server.http.delete('/api/devices/loop').expect(200);
    const gone = await server.http.delete('/api/devices/loop');
    expect(gone.status).toBe(404);
  });
});

describe('The stand-in for loop and trackers', () => {
  const day = aDay();
  const context = dayContext(day, aPlan({ drives: [drive('10:00')] }));
  const released = (): DayState => {
    const state = stateOf(context, [], at('10:00'));
    Object.assign(state.drives.get('d1')!, { stage: 'onCircuit', car: 'c1', releasedS: at('10:00') });
    return state;
  };
  const traffic = (missed = 0, double = 0) => new CircuitTraffic(EVEN_RING, 2000, { missed, double }, 7);

  it('drives a car round for its laps and no further, whatever the pace of the clock', () => {
    for (const stepS of [0.2, 4]) {
      const it = traffic();
      const seen: Seen[] = [];
      for (let nowS = at('10:00'); nowS < at('10:20'); nowS += stepS) {
        seen.push(...it.drive(context, released(), nowS, nowS + stepS));
      }
      expect(seen.length).toBe(5);
      const laps = seen.slice(1).map(({ atS }, place) => atS - seen[place]!.atS);
      expect(laps.every((lapS) => lapS > 60 && lapS < 100)).toBe(true);
      expect(it.positions()).toEqual([]);
    }
  });

  it('misses and doubles crossings at the rates that are set', () => {
    const all = (it: CircuitTraffic) => it.drive(context, released(), at('10:00'), at('10:20')).length;
    expect(all(traffic(1, 0))).toBe(0);
    expect(all(traffic(0, 1))).toBe(10);
  });

  it('tells where a car is, and lets go of one that has come in', () => {
    const it = traffic();
    it.drive(context, released(), at('10:00'), at('10:00:20'));
    const [position] = it.positions();
    expect(position!.atM).toBeGreaterThan(300);
    expect(position!.atM).toBeLessThan(700);
    it.drive(context, stateOf(context, [], at('10:01')), at('10:00:20'), at('10:00:21'));
    expect(it.positions()).toEqual([]);
  });
});
