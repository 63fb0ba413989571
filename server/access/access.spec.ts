import { once } from 'node:events';
import { createServer, type Server } from 'node:http';
import { connect, type AddressInfo } from 'node:net';
import { text } from 'node:stream/consumers';
import { contract, type Endpoint } from '@core/api';
import request from 'supertest';
import { bookingBody, DATE, testServer, type TestServer } from '../testing/test-server';

const ENDPOINTS: readonly (readonly [string, Endpoint])[] = Object.entries(contract);
const FROM_OUTSIDE = { 'x-forwarded-for': '192.0.2.9' };
const BY_HTTPS = { ...FROM_OUTSIDE, 'x-forwarded-proto': 'https' };

const filled = ({ path }: Endpoint) =>
  path.replace(/:(\w+)/g, (_, name: string) => (name === 'date' ? DATE : name === 'revision' ? '1' : 'A1-none'));

/** How an address may be written so that a router takes it for the same, or a careless one does. */
const SPELLINGS: readonly ((path: string) => string)[] = [
  (path) => path,
  (path) => path.toUpperCase(),
  (path) => path.replace('/api', '/Api'),
  (path) => `/${path}`,
  (path) => path.replace('/api/', '/api//'),
  (path) => `/.${path}`,
  (path) => `/nowhere/..${path}`,
  (path) => path.replace('/api', '/%61pi'),
  (path) => path.replace('/api', '/API/../api'),
  (path) => `${path}/`,
  (path) => `${path}?x=/api/health`,
  (path) => path.replace('/api/', '/api\\'),
  (path) => `http://localhost${path}`,
  (path) => `HTTP://localhost${path.toUpperCase()}`,
];

describe('Who may do what', () => {
  let server: TestServer;
  let http: Server;
  beforeEach(async () => {
    server = testServer();
    await server.http.post(`/api/days/${DATE}/bookings`).send(bookingBody()).expect(201);
    http = createServer(server.app).listen(0, '127.0.0.1');
    await once(http, 'listening');
  });
  afterEach(() => {
    http.closeAllConnections();
    http.close();
    server.close();
  });

  /** What comes back for a request that is written to the wire as it stands, in the first half second of a stream. */
  const written = async (line: string, version = 'HTTP/1.1') => {
    const socket = connect((http.address() as AddressInfo).port, '127.0.0.1');
    const headers = 'host: localhost\r\nx-forwarded-for: 192.0.2.9\r\ncontent-type: application/json\r\n';
    socket.write(`${line} ${version}\r\n${headers}connection: close\r\ncontent-length: 2\r\n\r\n{}`);
    const timer = setTimeout(() => socket.destroy(), 2000);
    const answer = await text(socket).catch(() => '');
    clearTimeout(timer);
    return { status: Number(/^HTTP\/1\.\d (\d+)/.exec(answer)?.[1] ?? 0), answer };
  };
  /** A browser on another machine, by HTTPS; agents keep no cookie that is for HTTPS alone, so it is handed on here. */
  const byHttps = (...cookies: string[]) =>
    request.agent(server.app).set({ ...BY_HTTPS, ...(cookies.length > 0 && { cookie: cookies.join('; ') }) });
  const cookieOf = ({ headers }: { headers: object }) =>
    String((headers as Record<string, unknown>)['set-cookie']).split(';')[0]!;
  const joined = async () => {
    const { code } = (await server.http.post('/api/phones/code').expect(201)).body;
    return cookieOf(await byHttps().post('/api/phones/join').send({ code, name: 'Phone' }).expect(200));
  };
  const changes = () => (server.store.db.prepare('select total_changes() as n').get() as { n: number }).n;

  it('is nothing for a stranger, however the address is written and by whatever method', async () => {
    const before = changes();
    const closed = ENDPOINTS.filter(([, { access }]) => access !== 'anyone');
    for (const [name, endpoint] of closed) {
      for (const method of [endpoint.method.toUpperCase(), 'HEAD', 'OPTIONS']) {
        for (const spelling of method === endpoint.method.toUpperCase() ? SPELLINGS : SPELLINGS.slice(0, 4)) {
          const line = `${method} ${spelling(filled(endpoint))}`;
          const { status, answer } = await written(line);
          // That an address has methods is no secret; what it answers is.
          const told = method === 'OPTIONS' && status === 200;
          expect(told || (status >= 400 && status < 500))
            .withContext(`${name}: ${line}: ${answer}`)
            .toBe(true);
          expect(answer).not.toContain('Larkmere');
        }
      }
      const { status } = await written(`${endpoint.method.toUpperCase()} ${filled(endpoint)}`, 'HTTP/1.0');
      expect([403, 415]).withContext(`${name} by HTTP/1.0`).toContain(status);
    }
    expect(changes()).toBe(before);
  }, 120_000);

  it('is said with each endpoint: the manager’s needs the code on a phone, and none on the server’s own machine', async () => {
    await (await server.manager()).get('/api/manager').expect(200);
    const token = await joined();
    const phone = byHttps(token);
    for (const [name, endpoint] of ENDPOINTS) {
      if (name === 'streamDay' || name === 'leavePhones') continue;
      const asked = (who: Pick<typeof phone, 'get' | 'post' | 'put' | 'delete'>) => {
        const call = who[endpoint.method](filled(endpoint));
        return endpoint.method === 'get' ? call : call.send({});
      };
      const codes = async (who: Parameters<typeof asked>[0]) =>
        ((await asked(who)).body?.facts ?? []).map((one: { code: string }) => one.code);
      const isManagers = endpoint.access === 'manager' || endpoint.access === 'managerAlone';
      expect((await codes(phone)).includes('managerOnly'))
        .withContext(`${name} by phone`)
        .toBe(isManagers);
      const alone = endpoint.access === 'managerAlone';
      expect((await codes(server.http)).includes('managerOnly'))
        .withContext(`${name} here`)
        .toBe(alone);
    }
    const opened = cookieOf(await phone.post('/api/manager/open').send({ code: 'larkmere' }).expect(200));
    await byHttps(token, opened).get('/api/phones').expect(200);
  });

  it('is refused with where the code is set, while there is none', async () => {
    const phone = byHttps(await joined());
    const { body } = await phone.put('/api/venue').send({}).expect(403);
    expect(body.detail).toContain('./joylap manager-code');
  });

  it('counts closing a day and accepting a plan against a rule as the manager’s', async () => {
    await server.manager();
    const phone = byHttps(await joined());
    const entry = { id: 'close-0001', kind: 'dayClosed', at: '11:00', by: 'Test' };
    await phone.post(`/api/days/${DATE}/journal`).send(entry).expect(403);
    const empty = { drives: [], unplanned: [], briefings: [], sightings: [], refuels: [] };
    const plan = { format: 'joylap-plan', version: 1, date: DATE, ...empty };
    const body = { base: 0, asOf: '12:00', author: 'x', reason: 'y', plan, despiteRules: true };
    const refused = await phone.post(`/api/days/${DATE}/plans`).send(body);
    expect(refused.body.facts?.[0]?.code).withContext(JSON.stringify(refused.body)).toBe('managerOnly');
  });

  it('takes the manager’s code from another machine by HTTPS only', async () => {
    await server.manager();
    const plain = request.agent(server.app).set(FROM_OUTSIDE);
    const { code } = (await server.http.post('/api/phones/code').expect(201)).body;
    await plain.post('/api/phones/join').send({ code, name: 'Phone' }).expect(200);
    const { body } = await plain.post('/api/manager/open').send({ code: 'larkmere' }).expect(403);
    expect(body.detail).toContain('https');
    await byHttps(await joined())
      .post('/api/manager/open')
      .send({ code: 'larkmere' })
      .expect(200);
  });
});
