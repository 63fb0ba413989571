import { testServer, type TestServer } from './testing/test-server';

describe('Lists of cars and crew', () => {
  let server: TestServer;
  beforeEach(() => (server = testServer()));
  afterEach(() => server.close());

  it('come in as they went out, and bring in who is new', async () => {
    for (const [base, row] of [
      ['/api/cars', 'number;name\n77;Corrin'],
      ['/api/instructors', 'name\nGwen Aske'],
    ] as const) {
      const { text } = await server.http.get(`${base}.csv`).expect(200);
      const same = await server.http.post(`${base}/import`).send({ csv: text }).expect(200);
      expect([same.body.added, same.body.changed, same.body.faulty]).toEqual([0, 0, 0]);
      const { body } = await server.http.post(`${base}/preview`).send({ csv: row }).expect(200);
      expect(body.rows[0].outcome).toBe('added');
      await server.http.post(`${base}/import`).send({ csv: row }).expect(200);
      const again = await server.http.post(`${base}/preview`).send({ csv: row }).expect(200);
      expect(again.body.rows[0].outcome).toBe('unchanged');
    }
  });

  it('without a column that they need change nothing', async () => {
    const { body } = await server.http.post('/api/cars/import').send({ csv: 'colour\n#336699' }).expect(422);
    expect(body.detail).toContain('"number" is missing');
  });
});
