import { readdirSync } from 'node:fs';
import { contract, isRaw, type Endpoint } from '@core/api';
import { bookingBody, DATE, testServer, type TestServer } from './testing/test-server';

describe('The server', () => {
  let server: TestServer;
  beforeEach(() => (server = testServer()));
  afterEach(() => server.close());
  const day = `/api/days/${DATE}`;
  const addBooking = async (more: Record<string, unknown> = {}) =>
    (await server.http.post(`${day}/bookings`).send(bookingBody(more)).expect(201)).body as {
      id: string;
      version: number;
    };

  it('describes every endpoint of the contract in OpenAPI 3.1, made from the schemas', async () => {
    const { body } = await server.http.get('/api/openapi.json').expect(200);
    expect(body.openapi).toBe('3.1.0');
    const operations = Object.values(body.paths as Record<string, Record<string, { operationId: string }>>)
      .flatMap((path) => Object.values(path))
      .map(({ operationId }) => operationId);
    expect(operations.sort()).toEqual(Object.keys(contract).sort());
    const laps =
      body.paths['/api/days/{date}/bookings'].post.requestBody.content['application/json'].schema.properties.drives
        .items.properties.laps;
    expect(laps).toEqual(jasmine.objectContaining({ type: 'integer', minimum: 1, maximum: 50 }));
  });

  it('answers what is described, and describes whatever it answers', () => {
    interface Layer {
      readonly route?: { readonly path: string; readonly methods: Record<string, boolean> };
    }
    const { stack } = server.app.router as unknown as { stack: readonly Layer[] };
    const mounted = stack.flatMap(({ route }) =>
      route ? Object.keys(route.methods).map((method) => `${method} ${route.path}`) : [],
    );
    const described = Object.values(contract).map(({ method, path }) => `${method} ${path}`);
    expect(mounted.sort()).toEqual(described.sort());
    // Nothing hides behind a router of its own, where the list above would not see it.
    const nested = stack.filter(
      (layer) => 'handle' in layer && typeof layer.handle === 'function' && 'stack' in layer.handle,
    );
    expect(nested).toEqual([]);
  });

  it('has its endpoints and their handlers in files of the same names, one for each resource', () => {
    const filesIn = (folder: string) => readdirSync(folder).filter((name) => !/^index\.ts$|\.spec\.ts$/.test(name));
    expect(filesIn('server/http/routes')).toEqual(filesIn('core/api/endpoints'));
  });

  it('sends pictures, sheets, files and streams as what the contract calls them', async () => {
    const raws = Object.values(contract as Record<string, Endpoint>).flatMap(({ method, path, reply, body }) =>
      method === 'get' && isRaw(reply) && !body ? [{ path, media: reply.media }] : [],
    );
    expect(raws.length).toBeGreaterThan(10);
    await addBooking();
    await server.plan();
    const guest = server.store.bookings.list(DATE)[0]!.id;
    for (const { path, media } of raws) {
      if (media === 'text/event-stream' || media === 'image/*') continue;
      const id = path.includes('/instructors/') ? 'i4' : guest;
      const { status, type } = await server.http.get(path.replace(':date', DATE).replace(':id', id));
      // There is no circuit yet and no certificate, whose files are not found.
      if (/^\/api\/(circuit|network)/.test(path)) expect([status, path]).toEqual([404, path]);
      else expect([status, type, path]).toEqual([200, media, path]);
    }
  });

  it('answers unknown routes, unknown days and bodies that are no JSON with problem documents', async () => {
    const unknown = await server.http.get('/api/nothing').expect(404);
    expect(unknown.type).toBe('application/problem+json');
    expect(unknown.body).toEqual(jasmine.objectContaining({ status: 404, detail: 'There is no GET /api/nothing.' }));
    await server.http.get('/api/days/2031-01-01').expect(404);
    const broken = await server.http.post('/api/days').set('content-type', 'application/json').send('{').expect(400);
    expect(broken.body.detail).toBe('The request is not JSON.');
  });

  it('refuses a body over 5 MB', async () => {
    const { body } = await server.http
      .post(`${day}/bookings/preview`)
      .send({ csv: 'x'.repeat(5_300_000) })
      .expect(413);
    expect(body.title).toBe('Too large');
  });

  it('names every fault of a body by its path, and stores nothing', async () => {
    const faulty = bookingBody({ arrives: '9:70', drives: [{ id: 'x', cars: [], laps: 0 }], colour: 'red' });
    const { body } = await server.http.post(`${day}/bookings`).send(faulty).expect(400);
    expect(body.faults.map(({ path }: { path: string }) => path).sort()).toEqual([
      'arrives',
      'colour',
      'drives[0].cars',
      'drives[0].laps',
    ]);
    expect(server.store.bookings.list(DATE)).toEqual([]);
  });

  it('tells the second of two people who edit the same booking, and overwrites nothing unseen', async () => {
    const { id, version } = await addBooking();
    await server.http
      .put(`${day}/bookings/${id}`)
      .send({ version, fields: bookingBody({ paid: 149 }) })
      .expect(200);
    const second = await server.http
      .put(`${day}/bookings/${id}`)
      .send({ version, fields: bookingBody({ name: 'Ines F' }) })
      .expect(409);
    expect(second.body.current).toEqual(jasmine.objectContaining({ version: 2 }));
    expect(second.body.current.fields.paid).toBe(149);
    expect(server.store.bookings.get(DATE, id)!.fields.name).toBe('Ines Faro');
  });

  it('keeps a reference to one booking, and drive ids to one drive', async () => {
    await addBooking();
    const taken = await server.http.post(`${day}/bookings`).send(bookingBody()).expect(409);
    expect(taken.body.detail).toBe('The reference A1 belongs to the booking of Ines Faro.');
    const other = (await addBooking({ reference: 'A2' })) as unknown as { fields: { drives: { id: string }[] } };
    expect(other.fields.drives[0]!.id).not.toBe('A1-1');
  });

  it('knows friends by their references, and tells where one is not booked', async () => {
    const { id } = await addBooking();
    await addBooking({ reference: 'A2', name: 'Piet Verhoeve', sameTimeAs: ['A1'], inTurnWith: ['A9'] });
    const { body } = await server.http.get(day).expect(200);
    const piet = body.day.guests.find(({ name }: { name: string }) => name === 'Piet Verhoeve');
    expect([piet.sameTimeAs, piet.inTurnWith]).toEqual([[id], ['A9']]);
  });

  it('cancels a booking until something has happened with its guest', async () => {
    const first = await addBooking();
    await server.http.post(`${day}/bookings/${first.id}/remove`).send({ version: 2 }).expect(409);
    await server.http.post(`${day}/bookings/${first.id}/remove`).send({ version: 1 }).expect(200);
    expect(server.store.bookings.list(DATE)).toEqual([]);
    const { id } = await addBooking();
    const arrived = { id: 'entry-0001', at: '09:05', by: 'Desk', kind: 'guestArrived', guest: id };
    await server.http.post(`${day}/journal`).send(arrived).expect(201);
    const { body } = await server.http.post(`${day}/bookings/${id}/remove`).send({ version: 1 }).expect(409);
    expect(body.detail).toBe('Ines Faro stands in the journal of the day; enter "no-show" or "left" instead.');
  });

  it('imports the good rows of a list, and nothing the second time', async () => {
    const csv = 'reference,name,arrives,drives\nA1,Ines,9:10,Sabrel R x5\nA2,Piet,9:20,Nothing x5';
    const preview = await server.http.post(`${day}/bookings/preview`).send({ csv }).expect(200);
    expect(preview.body.rows.map(({ outcome }: { outcome: string }) => outcome)).toEqual(['added', 'faulty']);
    expect(server.store.bookings.list(DATE)).toEqual([]);
    const first = await server.http.post(`${day}/bookings/import`).send({ csv }).expect(200);
    expect(first.body).toEqual({ added: 1, changed: 0, unchanged: 0, faulty: 1 });
    const again = await server.http.post(`${day}/bookings/import`).send({ csv }).expect(200);
    expect(again.body).toEqual({ added: 0, changed: 0, unchanged: 1, faulty: 1 });
    await server.http.post(`${day}/bookings/import`).send({ csv: 'name\nInes' }).expect(422);
  });

  it('plans a day, numbers the plans, and writes the acceptance into the journal', async () => {
    await addBooking();
    expect(await server.plan()).toBe(1);
    expect(await server.plan({ reason: 'Again' })).toBe(2);
    const { body: list } = await server.http.get(`${day}/plans`).expect(200);
    expect(
      list.revisions.map(({ revision, reason }: { revision: number; reason: string }) => [revision, reason]),
    ).toEqual([
      [2, 'Again'],
      [1, 'First plan'],
    ]);
    const { body: view } = await server.http.get(day).expect(200);
    expect(view.journal.map(({ entry }: { entry: { kind: string } }) => entry.kind)).toEqual([
      'planAccepted',
      'planAccepted',
    ]);
    expect(view.plan.drives.length).toBe(1);
  });

  it('records an entry once however often it is sent, and numbers entries without gaps', async () => {
    const { id } = await addBooking();
    const entry = { id: 'entry-0001', at: '09:05', by: 'Desk', kind: 'guestArrived', guest: id };
    const first = await server.http.post(`${day}/journal`).send(entry).expect(201);
    const again = await server.http.post(`${day}/journal`).send(entry).expect(202);
    expect(again.body).toEqual(first.body);
    await server.http
      .post(`${day}/journal`)
      .send({ ...entry, id: 'entry-0002', kind: 'waiverSigned' })
      .expect(201);
    expect(server.store.journal.since(DATE, 0).map(({ seq }) => seq)).toEqual([1, 2]);
    await server.http
      .post(`${day}/journal`)
      .send({ ...entry, at: '09:06' })
      .expect(409);
  });

  it('refuses impossible entries, entries from the future, and plans by the back door', async () => {
    const { id } = await addBooking();
    const entry = { id: 'entry-0001', at: '09:05', by: 'Desk', kind: 'waiverSigned', guest: id };
    const impossible = await server.http.post(`${day}/journal`).send(entry).expect(409);
    expect(impossible.body.detail).toBe('Ines Faro has not arrived yet.');
    const early = { ...entry, kind: 'guestArrived', at: '15:00' };
    expect((await server.http.post(`${day}/journal`).send(early).expect(409)).body.detail).toContain('ahead');
    await server.http
      .post(`${day}/journal`)
      .send({ id: 'entry-0002', at: '09:00', by: 'X', kind: 'planAccepted', revision: 9 })
      .expect(409);
    expect(server.store.journal.lastSeq(DATE)).toBe(0);
  });

  it('lets cars, instructors and rules be changed by version', async () => {
    const { body: list } = await server.http.get('/api/cars').expect(200);
    const car = list.cars[0];
    const changed = { version: 1, fields: { ...car.fields, name: 'Dunnock Cup S' } };
    await server.http.put(`/api/cars/${car.id}`).send(changed).expect(200);
    await server.http.put(`/api/cars/${car.id}`).send(changed).expect(409);
    await server.http.put('/api/cars/none').send(changed).expect(404);
    const { body: venue } = await server.http.get('/api/venue').expect(200);
    await server.http.put('/api/venue').send(venue).expect(200);
    const stale = await server.http.put('/api/venue').send(venue).expect(409);
    expect(stale.body.current.version).toBe(2);
    expect(server.store.cars.get(car.id)!.fields.name).toBe('Dunnock Cup S');
  });

  it('prints only what is planned', async () => {
    await server.http.get(`${day}/sheets/day.pdf`).expect(409);
    await addBooking();
    await server.plan();
    const { body } = await server.http
      .get(`${day}/sheets/day.pdf`)
      .expect(200)
      .expect('content-type', 'application/pdf');
    expect((body as Buffer).subarray(0, 5).toString()).toBe('%PDF-');
    await server.http.get(`${day}/sheets/instructors/i4.pdf`).expect(200);
    await server.http.get(`${day}/sheets/instructors/none.pdf`).expect(404);
  });
});
