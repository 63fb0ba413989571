import { SLIPWAY } from '../demo/slipway';
import { circuitCsv } from '@exchange/circuit-csv';
import { oval } from '@core/testing/circuits';
import { DATE, testServer, type TestServer } from './testing/test-server';

describe('The circuit on the server', () => {
  let server: TestServer;
  beforeEach(() => (server = testServer()));
  afterEach(() => server.close());
  const save = (version: number, circuit: object = SLIPWAY) =>
    server.http.put('/api/circuit').send({ version, circuit });

  it('is none until one is saved, and then gives the rules the length of its lap', async () => {
    expect((await server.http.get('/api/circuit').expect(200)).body).toEqual({ version: 0, circuit: null });
    await server.http.get('/api/circuit.csv').expect(404);
    await save(0, { ...SLIPWAY, name: 'Short loop', line: oval(200, 40) }).expect(200);
    const { fields } = (await server.http.get('/api/venue')).body;
    expect(fields.circuit.name).toBe('Short loop');
    expect(Math.abs(fields.circuit.lapLengthM - (400 + 2 * Math.PI * 40))).toBeLessThan(3);
  });

  it('comes to the screens of the day as a map with speeds', async () => {
    expect((await server.http.get(`/api/days/${DATE}`)).body.map).toBeNull();
    await save(0).expect(200);
    const { map } = (await server.http.get(`/api/days/${DATE}`)).body;
    expect(map.pitExitM).toBe(150);
    expect(map.corners.map(({ name }: { name: string }) => name)).toContain('Boathouse');
    expect(Math.min(...map.speeds.map(({ kmh }: { kmh: number }) => kmh))).toBeGreaterThan(30);
  });

  it('says where its cones stand, anew once it has changed', async () => {
    const cones = async () => (await server.http.get('/api/circuit/cones').expect(200)).body.cones;
    expect(await cones()).toEqual([]);
    await save(0).expect(200);
    const first = await cones();
    expect(first.map(({ id }: { id: string }) => id)).toContain('Boathouse-apex');
    expect(await cones()).toEqual(first);
    await save(1, { ...SLIPWAY, removedCones: [{ id: 'Boathouse-apex', note: 'none there' }] }).expect(200);
    expect((await cones()).length).toBe(first.length - 1);
  });

  it('tells two people who change it of each other', async () => {
    await save(0).expect(200);
    await save(1, { ...SLIPWAY, name: 'Theirs' }).expect(200);
    const { body } = await save(1, { ...SLIPWAY, name: 'Mine' }).expect(409);
    expect([body.current.circuit.name, body.current.version]).toEqual(['Theirs', 2]);
    expect((await server.http.get('/api/circuit')).body.circuit.name).toBe('Theirs');
  });

  it('is refused with the places of its faults where nobody can drive it', async () => {
    const line = SLIPWAY.line.map((point, i) => (i === 9 ? { ...point, rightM: 0 } : point));
    const { body } = await save(0, { ...SLIPWAY, line }).expect(422);
    expect(body.faults[0].path).toBe('line[9]');
    expect((await server.http.get('/api/circuit')).body.circuit).toBeNull();
  });

  it('is read from a file without being saved, and a faulty file is told by line', async () => {
    const read = (fileName: string, text: string) => server.http.post('/api/circuit/preview').send({ fileName, text });
    const good = await read('loop.csv', circuitCsv({ line: oval(300, 50) })).expect(200);
    expect(good.body.assumed.length).toBeGreaterThan(0);
    expect((await server.http.get('/api/circuit')).body.version).toBe(0);
    const bad = await read('loop.csv', 'x_m,y_m,width_left_m,width_right_m\n1,2,3,x').expect(422);
    expect(bad.body.faults[0].path).toBe('line 2, width_right_m');
    await read('loop.txt', 'anything').expect(422);
  });

  it('goes out as files, and so does the sheet of its cones', async () => {
    await save(0).expect(200);
    const csv = await server.http.get('/api/circuit.csv').expect(200);
    expect(csv.text.split('\n')[0]!.trim()).toBe('x_m,y_m,width_left_m,width_right_m,z_m');
    const geo = JSON.parse((await server.http.get('/api/circuit.geojson').buffer(true).expect(200)).text ?? '{}');
    expect(geo.features[0].properties.role).toBe('centreLine');
    const cone = {
      id: 'a',
      kind: 'apex',
      corner: 'Winch',
      atM: 513.4,
      fromLastM: 21.5,
      side: 'right',
      beyondEdgeM: 0.3,
      xM: 5,
      yM: 6,
      colour: '=yellow',
      count: 1,
    };
    const sheet = { circuit: 'Slipway', along: 'left', cones: [cone] };
    const table = await server.http.post('/api/circuit/set-out.csv').send(sheet).expect(200);
    expect(table.text).toContain('513.4,21.5,left,right,0.3,apex,Winch,"\'=yellow",1,5,6,61.');
    const points = await server.http.post('/api/circuit/set-out.geojson').send(sheet).buffer(true).expect(200);
    expect(JSON.parse(points.text).features[0].properties.order).toBe(1);
    await server.http.post('/api/circuit/set-out.csv').send({ cones: 'none' }).expect(400);
  });
});

describe('Pictures', () => {
  let server: TestServer;
  beforeEach(() => (server = testServer()));
  afterEach(() => server.close());
  const picture = Buffer.from([0xff, 0xd8, 0xff, 0xe0, 1, 2, 3]);

  it('come back as they were sent, once', async () => {
    const put = () => server.http.put('/api/photos/picture-1').set('content-type', 'image/jpeg').send(picture);
    await put().expect(201);
    await put().expect(201);
    const { body, type } = await server.http.get('/api/photos/picture-1').expect(200);
    expect([type, Buffer.compare(body, picture)]).toEqual(['image/jpeg', 0]);
    await server.http.get('/api/photos/another-1').expect(404);
  });

  it('are pictures, with a fit id', async () => {
    const put = (id: string, type: string) =>
      server.http.put(`/api/photos/${id}`).set('content-type', type).send(picture);
    expect((await put('picture-2', 'text/html')).status).toBe(415);
    expect((await put('a', 'image/jpeg')).status).toBe(400);
  });
});

describe('The show on the server', () => {
  it('is the ordinary one until somebody changes it', async () => {
    const server = testServer();
    const first = (await server.http.get('/api/show').expect(200)).body;
    expect([first.version, first.fields.slides[0].kind]).toEqual([0, 'welcome']);
    const fields = { ...first.fields, slides: first.fields.slides.slice().reverse() };
    await server.http.put('/api/show').send({ version: 0, fields }).expect(200);
    expect((await server.http.get('/api/show')).body.fields.slides.at(-1).kind).toBe('welcome');
    const { body } = await server.http.put('/api/show').send({ version: 0, fields }).expect(409);
    expect(body.current.version).toBe(1);
    const question = { id: 'q', text: 'Which?', answers: ['a', 'b'], right: 2 };
    await server.http
      .put('/api/show')
      .send({ version: 1, fields: { ...fields, questions: [question] } })
      .expect(400);
    server.close();
  });
});

describe('What cars did over days', () => {
  it('is counted from the journals of all days up to one', async () => {
    const server = testServer();
    expect((await server.http.get(`/api/days/${DATE}/garage`).expect(200)).body).toEqual({ days: [], crew: [] });
    await server.http.get('/api/days/2030-01-01/garage').expect(404);
    server.close();
  });
});
