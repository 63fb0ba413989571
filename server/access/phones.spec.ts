import request from 'supertest';
import { ForGood } from '../base/for-good';
import { ServerWatch } from '../services/live/server-watch';
import { Hub } from '../services/live/hub';
import { DATE, testServer, type TestServer } from '../testing/test-server';
import { PhoneService } from './phone-service';

const REPORT = { who: 'Petra', screen: '/pit-exit', version: 'A1', waiting: 2, aside: 0 };

describe('A phone on the network', () => {
  let server: TestServer;
  let phone: ReturnType<typeof request.agent>;
  const code = async () => (await server.http.post('/api/phones/code').expect(201)).body.code as string;
  const day = () => phone.get(`/api/days/${DATE}`);
  const list = async () => (await server.http.get('/api/phones').expect(200)).body.phones;
  beforeEach(() => {
    server = testServer();
    // As seen behind a proxy: from another machine than the server's.
    phone = request.agent(server.app).set('x-forwarded-for', '192.0.2.9');
  });
  afterEach(() => server.close());

  it('reads and changes nothing before it is added, and the screens say how that is done', async () => {
    const { body } = await day().expect(403);
    expect(body.detail).toContain('Add a phone');
    await phone.post('/api/days').send({ date: '2027-06-01' }).expect(403);
    await phone.post('/api/phones/code').expect(403);
    await phone.get('/api/phones').expect(403);
    await phone.get('/api/health').expect(200);
    expect(await list()).toEqual([]);
  });

  it('is let in by a code, which is for one phone', async () => {
    const typed = await code();
    const asTyped = ` ${typed.slice(0, 3).toLowerCase()}-${typed.slice(3)} `;
    await phone.post('/api/phones/join').send({ code: asTyped, name: 'Exit tablet' }).expect(200);
    await day().expect(200);
    const second = request.agent(server.app).set('x-forwarded-for', '192.0.2.10');
    await second.post('/api/phones/join').send({ code: typed, name: 'Another' }).expect(403);
    expect((await list()).map(({ name }: { name: string }) => name)).toEqual(['Exit tablet']);
  });

  it('tells whose it is and what waits on it, is handed over once, and is put out for good', async () => {
    await phone.post('/api/phones/join').send({ code: await code(), name: 'Phone 1' });
    await phone.post('/api/phones/report').send(REPORT).expect(200, { name: 'Phone 1', handedTo: null });
    const [known] = await list();
    expect([known.report, known.seenAt === null]).toEqual([REPORT, false]);
    const change = { name: 'Red phone', handTo: 'Nadia' };
    await server.http.put(`/api/phones/${known.id}`).send(change).expect(200);
    await phone.post('/api/phones/report').send(REPORT).expect(200, { name: 'Red phone', handedTo: 'Nadia' });
    await phone.post('/api/phones/report').send(REPORT).expect(200, { name: 'Red phone', handedTo: null });
    await server.http.delete(`/api/phones/${known.id}`).expect(200);
    expect((await day().expect(403)).body.facts[0].code).toBe('phonePutOut');
    await server.http.delete(`/api/phones/${known.id}`).expect(404);
    expect(await list()).toEqual([]);
  });

  it('that is put out hands over what waits on it, and nothing else', async () => {
    await phone.post('/api/phones/join').send({ code: await code(), name: 'Phone 1' });
    const [{ id }] = await list();
    await server.http.delete(`/api/phones/${id}`).expect(200);
    const entry = { id: 'note-0001', kind: 'flag', at: '11:00', by: 'Test', flag: 'green' };
    const { status } = await phone.post(`/api/days/${DATE}/journal`).send(entry);
    expect(status).not.toBe(403);
    await phone.post('/api/phones/left').expect(200);
    const { body } = await phone.post(`/api/days/${DATE}/journal`).send(entry).expect(403);
    expect(body.facts[0].code).toBe('notAdded');
  });

  it('gets another token by HTTPS, which plain HTTP never carries; what it asked with the old one passes', async () => {
    const joined = await phone.post('/api/phones/join').send({ code: await code(), name: 'Phone 1' });
    const cookieOf = (response: { headers: object }) =>
      String((response.headers as Record<string, unknown>)['set-cookie']).split(';')[0]!;
    const old = cookieOf(joined);
    const asks = (cookie: string, scheme: string) =>
      request(server.app)
        .get(`/api/days/${DATE}`)
        .set({ 'x-forwarded-for': '192.0.2.9', 'x-forwarded-proto': scheme, cookie });
    const secured = await asks(old, 'https').expect(200);
    expect(String(secured.headers['set-cookie'])).toMatch(/Secure/);
    const fresh = cookieOf(secured);
    expect(fresh).not.toBe(old);
    await asks(old, 'https').expect(200);
    await asks(old, 'http').expect(403);
    await asks(fresh, 'http').expect(403);
    expect((await asks(fresh, 'https').expect(200)).headers['set-cookie']).toBeUndefined();
  });

  it('ends the stream of one that is put out, with whatever token it was opened', async () => {
    await phone.post('/api/phones/join').send({ code: await code(), name: 'Phone 1' });
    const ended = phone
      .get(`/api/days/${DATE}/stream`)
      .buffer(true)
      .then(({ status }) => status);
    await new Promise((resolve) => setTimeout(resolve, 200));
    const [{ id }] = await list();
    await server.http.delete(`/api/phones/${id}`).expect(200);
    expect(await ended).toBe(200);
  });

  it('that knows more than the server tells so on every screen, as long as it does', async () => {
    await phone.post('/api/phones/join').send({ code: await code(), name: 'Red phone' });
    const dataIssues = async () =>
      (await server.http.get(`/api/days/${DATE}`)).body.dataIssues.map(
        (one: { fact: { code: string } }) => one.fact.code,
      );
    await phone
      .post('/api/phones/report')
      .send({ ...REPORT, aside: 3, nowMs: Date.now() })
      .expect(200);
    expect(await dataIssues()).toEqual(['knownByPhone']);
    await phone
      .post('/api/phones/report')
      .send({ ...REPORT, nowMs: Date.now() - 86_400_000 })
      .expect(200);
    expect(await dataIssues()).toEqual(['clockOff']);
  });

  it('that is added again stays one phone', async () => {
    await phone.post('/api/phones/join').send({ code: await code(), name: 'Phone 1' });
    await phone.post('/api/phones/join').send({ code: await code(), name: 'Phone 2' });
    expect((await list()).map(({ name }: { name: string }) => name)).toEqual(['Phone 2']);
  });

  it('cannot try codes for long', async () => {
    const tries = Array.from({ length: 21 }, () => phone.post('/api/phones/join').send({ code: 'ABC', name: 'x' }));
    expect((await Promise.all(tries)).map(({ status }) => status).filter((status) => status === 429).length).toBe(1);
  });

  it('comes too late with a code after a quarter of an hour', () => {
    let nowMs = 0;
    const hub = new Hub();
    const watch = new ServerWatch(server.store, hub, true);
    watch.close();
    const desk = new PhoneService(server.store, hub, new ForGood(), watch, () => nowMs);
    const { code: made } = desk.newCode();
    nowMs = 15 * 60_000 + 1;
    expect(() => desk.join({} as never, made, 'Phone')).toThrowError(/quarter of an hour/);
  });
});
