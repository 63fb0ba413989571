import { setTimeout } from 'node:timers/promises';
import { bookingBody, DATE, testServer, type TestServer } from '../../testing/test-server';

const day = `/api/days/${DATE}`;

describe('Times that follow by themselves', () => {
  let server: TestServer;
  let sent = 0;
  beforeEach(async () => {
    server = testServer();
    server.clock.adjust({ secondsOfDay: 8 * 3600 });
    await server.http.post(`${day}/bookings`).send(bookingBody()).expect(201);
    await server.plan();
  });
  afterEach(() => server.close());

  const read = async () => (await server.http.get(day).expect(200)).body;
  const enter = (kind: string, at: string, more: object = {}) =>
    server.http
      .post(`${day}/journal`)
      .send({ id: `entry-${String(++sent).padStart(5, '0')}`, kind, at, by: 'Gate', ...more })
      .expect(201);
  const slides = async () =>
    (await read()).journal
      .map(({ entry }: { entry: { kind: string } }) => entry)
      .filter(({ kind }: { kind: string }) => kind === 'timesSlid');
  const plannedS = async () => {
    const [hours, minutes, seconds = 0] = (await read()).plan.drives[0].release.split(':').map(Number);
    return hours * 3600 + minutes * 60 + seconds;
  };
  const wall = (timeS: number) => new Date(timeS * 1000).toISOString().slice(11, 19);
  /** So long after the drive was to begin, with its guest here and nobody in the car. */
  const afterTheBegin = async (byS: number) => {
    const startS = (await plannedS()) - 240;
    const { id } = (await read()).bookings[0];
    server.clock.adjust({ secondsOfDay: startS + byS });
    for (const kind of ['guestArrived', 'waiverSigned', 'licenceSeen', 'helmetFitted']) {
      await enter(kind, wall(startS - 600), { guest: id });
    }
    await setTimeout(400);
    return startS;
  };

  it('are entered in the journal, while the plan stays as it was accepted', async () => {
    const before = (await read()).plan;
    const startS = await afterTheBegin(130);
    const [slide, ...others] = await slides();
    expect(others).toEqual([]);
    expect(slide).toEqual(
      jasmine.objectContaining({
        by: 'Joy Lap',
        revision: 1,
        causes: [jasmine.objectContaining({ code: 'notBegun' })],
      }),
    );
    expect(slide.drives[0].release >= wall(startS + 130 + 240)).toBeTrue();
    expect((await read()).plan).toEqual(before);
  });

  it('go no further than the manager lets them, until somebody agrees', async () => {
    await afterTheBegin(900);
    expect(await slides()).toEqual([]);
    await server.http.post(`${day}/slides`).send({ author: 'Maren' }).expect(201, { slid: 1 });
    const [slide] = await slides();
    expect(slide).toEqual(jasmine.objectContaining({ by: 'Maren', agreed: true }));
    await server.http.post(`${day}/slides`).send({ author: 'Maren' }).expect(201);
  });

  it('stay where they are where the venue wants that, and where nobody enters anything', async () => {
    server.clock.adjust({ secondsOfDay: (await plannedS()) + 60 });
    await setTimeout(1300);
    expect(await slides()).toEqual([]);
    const { body: venue } = await server.http.get('/api/venue');
    venue.fields.live.slidesUpToMin = 0;
    await server.http.put('/api/venue').send(venue).expect(200);
    await afterTheBegin(130);
    expect(await slides()).toEqual([]);
  });

  it('can’t be sent or taken back like other entries', async () => {
    await afterTheBegin(130);
    const [{ id, ...slide }] = await slides();
    const refused = async (entry: object) => (await server.http.post(`${day}/journal`).send(entry)).status;
    expect(await refused({ ...slide, id: 'entry-other' })).toBe(409);
    expect(await refused({ id: 'entry-back1', kind: 'correction', at: '08:00', by: 'Gate', corrects: id })).toBe(409);
  });
});
