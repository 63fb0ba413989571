import { DATE, testServer, type TestServer } from '../testing/test-server';

const FORM = 'application/x-www-form-urlencoded';

describe('What all requests pass', () => {
  let server: TestServer;
  beforeEach(() => (server = testServer({ hosts: ['tablet-host.lan'] })));
  afterEach(() => server.close());

  it('knows the names of this machine and those that are set, and no other', async () => {
    for (const host of ['localhost:4700', '127.0.0.1', '[::1]:4700', 'Tablet-Host.lan:4700']) {
      await server.http.get('/api/health').set('host', host).expect(200);
    }
    for (const host of ['rebound.example', 'localhost.rebound.example', '127.0.0.1.rebound.example']) {
      const { body } = await server.http.get(`/api/days/${DATE}`).set('host', host).expect(421);
      expect(body.detail).toContain(`JOYLAP_HOSTS=${host}`);
    }
  });

  it('lets no foreign page change anything, on whatever route', async () => {
    const paths = ['/api/demo/reset', `/api/days/${DATE}/guests/g/erase`, `/api/days/${DATE}/planning/stop`];
    for (const path of paths) {
      await server.http.post(path).set('sec-fetch-site', 'cross-site').expect(403);
      await server.http.post(path).set('sec-fetch-site', 'same-site').expect(403);
      await server.http.post(path).set('origin', 'https://foreign.example').expect(403);
      await server.http.post(path).set('origin', 'null').expect(403);
    }
    const add = () => server.http.post('/api/days').send({ date: '2027-06-01' });
    await add().set('sec-fetch-site', 'cross-site').expect(403);
    await add().set('host', 'localhost:4700').set('origin', 'http://localhost:4701').expect(403);
    await add().set('host', 'localhost:4700').set('origin', 'http://localhost:4700').expect(201);
    expect(server.store.days.has('2027-06-01')).toBe(true);
  });

  it('takes JSON and nothing that a form can send', async () => {
    const body = JSON.stringify({ date: '2027-06-01' });
    await server.http.post('/api/days').set('content-type', 'text/plain').send(body).expect(415);
    await server.http.post('/api/days').set('content-type', FORM).send('date=2027-06-01').expect(415);
    await server.http.put('/api/photos/abcdefgh').set('content-type', FORM).send('x').expect(415);
    await server.http.post('/api/days').set('content-type', 'application/json; charset=utf-8').send(body).expect(201);
    expect(server.store.days.has('2027-06-01')).toBe(true);
  });
});
