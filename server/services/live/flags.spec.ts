import { once } from 'node:events';
import { createServer, type Server as HttpServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { setTimeout } from 'node:timers/promises';
import type { RunningFlag } from '@core/api';
import { Hub } from './hub';
import { DATE, testServer, type TestServer } from '../../testing/test-server';

const OTHER = '2027-05-23';
const OFFICE = { who: 'Office', screen: '/board' };

describe('The flag of the running day', () => {
  let server: TestServer;
  let told: RunningFlag[];
  let listening: HttpServer | undefined;
  const screen = async (page: string, date = DATE) => {
    listening ??= createServer(server.app).listen(0, '127.0.0.1');
    if (!listening.listening) await once(listening, 'listening');
    const { port } = listening.address() as AddressInfo;
    const abort = new AbortController();
    const url = `http://127.0.0.1:${port}/api/days/${date}/stream?page=${page}`;
    const { body } = await fetch(url, { signal: abort.signal });
    return { reader: body!.pipeThrough(new TextDecoderStream()).getReader(), leave: () => abort.abort() };
  };
  beforeEach(() => {
    told = [];
    listening = undefined;
    spyOn(Hub.prototype, 'flag').and.callFake((flag) => void told.push(flag));
    server = testServer();
    server.store.days.add(OTHER, '2027-05-22T06:00:00.000Z');
  });
  afterEach(() => {
    listening?.closeAllConnections();
    listening?.close();
    server.close();
  });
  const call = (more: Record<string, unknown> = {}, date = DATE) =>
    server.http
      .post(`/api/days/${date}/journal`)
      .send({ id: 'flag-0001', kind: 'flagCalled', flag: 'stop', at: '12:00', by: 'Petra', ...more })
      .expect(201);

  it('of the day that is running goes to all, with how late it came where a device was away', async () => {
    await call();
    expect(told.map(({ flag, by, lateS }) => [flag, by, lateS])).toEqual([['stop', 'Petra', 0]]);
    await server.http
      .post(`/api/days/${DATE}/journal`)
      .send({ id: 'clear-001', kind: 'circuitCleared', at: '12:00', by: 'Petra' });
    await call({ id: 'flag-0002', flag: 'green' });
    server.clock.adjust({ secondsOfDay: 12 * 3600 + 300 });
    await call({ id: 'flag-0003', at: '12:01', offline: true, agoMs: 240_000 });
    expect(told.at(-1)).toEqual(jasmine.objectContaining({ flag: 'stop', id: 'flag-0003', lateS: 240 }));
    const many = told.length;
    await call({ id: 'flag-0004', at: '00:00' }, OTHER);
    expect(told.length).toBe(many);
  });

  it('is what every stream begins with, of whatever day', async () => {
    await call();
    const { reader } = await screen('page-1', OTHER);
    let text = '';
    while (!text.includes('event: flag\n')) text += (await reader.read()).value;
    expect(text).toContain('"flag":"stop"');
  });

  it('is told to its caller with the connected screens that have shown it, and to no later one', async () => {
    await call();
    const got = (id: string, page: string, who = 'Office') =>
      server.http.post('/api/flags/got').send({ id, page, who, screen: '/board' }).expect(200);
    const open = [await screen('page-1'), await screen('page-2'), await screen('page-3')];
    await got('flag-0001', 'page-1');
    await got('flag-0001', 'page-1');
    await got('flag-0001', 'page-2');
    await got('flag-0000', 'page-3', 'Nobody');
    await got('flag-0001', 'page-9', 'Gone');
    await setTimeout(400);
    // Two screens of one name are two.
    expect(told.at(-1)).toEqual(jasmine.objectContaining({ got: [OFFICE, OFFICE], screens: 3 }));
    open[0]!.leave();
    await setTimeout(400);
    expect(told.at(-1)).toEqual(jasmine.objectContaining({ got: [OFFICE], screens: 2 }));
    await server.http
      .post(`/api/days/${DATE}/journal`)
      .send({ id: 'clear-001', kind: 'circuitCleared', at: '12:00', by: 'Petra' });
    await call({ id: 'flag-0002', flag: 'green' });
    expect(told.at(-1)!.got).toEqual([]);
  });
});
