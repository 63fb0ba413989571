import { DATE, testServer, type TestServer } from './testing/test-server';

describe('Pictures that are sent', () => {
  let server: TestServer;
  beforeEach(() => (server = testServer()));
  afterEach(() => server.close());
  const png = Buffer.from('89504e470d0a1a0a0000000d49484452', 'hex');
  const put = (id: string, bytes: Buffer, type: string) =>
    server.http.put(`/api/photos/${id}`).set('content-type', type).send(bytes);

  it('are what their bytes say, whatever they are called', async () => {
    await put('abcdefgh', png, 'image/jpeg').expect(201);
    expect((await server.http.get('/api/photos/abcdefgh').expect(200)).type).toBe('image/png');
    const script = Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>');
    await put('ijklmnop', script, 'image/png').expect(415);
    await put('ijklmnop', script, 'image/svg+xml').expect(415);
  });

  it('are refused with the limit that they are over', async () => {
    const { body } = await put('abcdefgh', Buffer.concat([png, Buffer.alloc(4_200_000)]), 'image/png').expect(413);
    expect(body.detail).toBe('The request is over 4 MB; send a smaller file.');
  });

  it('that nothing shows go after some days; those of a fault and of the show stay', async () => {
    for (const id of ['loose-0001', 'fault-0001', 'slide-0001']) await put(id, png, 'image/png').expect(201);
    const entry = {
      kind: 'faultFound',
      car: 'c4',
      where: 'front',
      what: 'stone',
      severity: 'note',
      photo: 'fault-0001',
    };
    await server.http
      .post(`/api/days/${DATE}/journal`)
      .send({ id: 'entry-0001', at: '11:00', by: 'Garage', ...entry })
      .expect(201);
    const { version, fields } = (await server.http.get('/api/show')).body;
    fields.slides[0].picture = 'slide-0001';
    await server.http.put('/api/show').send({ version, fields }).expect(200);
    expect(server.store.photos.forgetLoose('2999-01-01')).toBe(1);
    await server.http.get('/api/photos/loose-0001').expect(404);
    await server.http.get('/api/photos/fault-0001').expect(200);
    await server.http.get('/api/photos/slide-0001').expect(200);
  });
});
