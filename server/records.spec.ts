import { DATE, testServer, type TestServer } from './testing/test-server';

const day = `/api/days/${DATE}`;

describe('Records of the venue', () => {
  let server: TestServer;
  beforeEach(() => (server = testServer()));
  afterEach(() => server.close());

  for (const [what, path, list] of [
    ['car', '/api/cars', 'cars'],
    ['instructor', '/api/instructors', 'instructors'],
  ] as const) {
    it(`of a ${what}: an id that is taken adds nothing and says so`, async () => {
      const { body } = await server.http.get(path).expect(200);
      const [first] = body[list];
      const { body: refused } = await server.http
        .post(path)
        .send({ ...first.fields, name: 'Another' })
        .expect(409);
      expect(refused.detail).toBe(`There is a ${what} with the id "${first.id}" already.`);
      const { body: after } = await server.http.get(path).expect(200);
      expect(after).toEqual(body);
    });

    it(`of a ${what}: of two who change one, the second is told, with what stands now`, async () => {
      const { body } = await server.http.get(path).expect(200);
      const [first] = body[list];
      const named = (name: string) => ({ version: first.version, fields: { ...first.fields, name } });
      await server.http.put(`${path}/${first.id}`).send(named('By the first')).expect(200);
      const { body: refused } = await server.http.put(`${path}/${first.id}`).send(named('By the second')).expect(409);
      expect(refused.detail).toContain('Somebody else has changed By the second meanwhile');
      expect([refused.current.version, refused.current.fields.name]).toEqual([first.version + 1, 'By the first']);
    });

    it(`of a ${what}: one that there is not cannot be changed, and a faulty one is refused by its place`, async () => {
      const { body } = await server.http.get(path).expect(200);
      const { fields, version } = body[list][0];
      const { body: missing } = await server.http.put(`${path}/nobody`).send({ version, fields }).expect(404);
      expect(missing.detail).toContain(`${what} "nobody"`);
      const { body: faulty } = await server.http
        .post(path)
        .send({ ...fields, id: 'new', name: '' })
        .expect(400);
      expect(faulty.faults.map((fault: { path: string }) => fault.path)).toEqual(['name']);
    });
  }

  it('are told to every screen, and the day goes by them at once', async () => {
    const { body } = await server.http.get('/api/cars').expect(200);
    const [car] = body.cars;
    await server.http.get(day).expect(200);
    await server.http
      .put(`/api/cars/${car.id}`)
      .send({ version: car.version, fields: { ...car.fields, name: 'Oskarra Eight' } })
      .expect(200);
    const { body: view } = await server.http.get(day).expect(200);
    expect(view.day.cars.find(({ id }: { id: string }) => id === car.id).name).toBe('Oskarra Eight');
  });

  it('have one id for one vehicle: a car that goes round first is no sighting vehicle of the same id', async () => {
    const { body: venue } = await server.http.get('/api/venue').expect(200);
    const [vehicle] = venue.fields.sightingVehicles;
    const twice = { ...venue.fields, sightingVehicles: [...venue.fields.sightingVehicles, { ...vehicle, id: 'c4' }] };
    const { body: refused } = await server.http
      .put('/api/venue')
      .send({ version: venue.version, fields: twice })
      .expect(409);
    expect(refused.detail).toBe('A car has the id "c4" already; a sighting vehicle needs one of its own.');
    const { body: cars } = await server.http.get('/api/cars').expect(200);
    const car = { ...cars.cars[0].fields, id: vehicle.id };
    const { body: other } = await server.http.post('/api/cars').send(car).expect(409);
    expect(other.detail).toBe(`A sighting vehicle has the id "${vehicle.id}" already; a car needs one of its own.`);
  });
});
