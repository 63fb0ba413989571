import { bookingBody, DATE, testServer, type TestServer } from './testing/test-server';

const DAY = `/api/days/${DATE}`;
const OTHER = '2027-05-29';

describe('A booking', () => {
  let server: TestServer;
  beforeEach(() => (server = testServer()));
  afterEach(() => server.close());
  const add = async (more: Record<string, unknown> = {}, day = DAY) =>
    (await server.http.post(`${day}/bookings`).send(bookingBody(more)).expect(201)).body;
  const two = [
    { id: 'd1', cars: ['c4'], laps: 5 },
    { id: 'd2', cars: ['c4'], laps: 5 },
  ];
  const arrive = (guest: string) =>
    server.http
      .post(`${DAY}/journal`)
      .send({ id: 'entry-0001', at: '09:05', by: 'Desk', kind: 'guestArrived', guest })
      .expect(201);
  const guests = async (date = DATE) =>
    (await server.http.get(`/api/days/${date}`).expect(200)).body.day.guests as { name: string }[];

  it('that is cancelled stays in the list, is planned for no more, and can be taken back', async () => {
    const { id } = await add();
    const body = { version: 1, why: 'by the guest' };
    const cancelled = (await server.http.post(`${DAY}/bookings/${id}/cancel`).send(body).expect(200)).body;
    expect(cancelled.fields.cancelled).toBe('by the guest');
    expect(await guests()).toEqual([]);
    const { days } = (await server.http.get('/api/days').expect(200)).body;
    expect([days[0].bookings, days[0].drives]).toEqual([0, 0]);
    const { cancelled: _, ...fields } = cancelled.fields;
    await server.http.put(`${DAY}/bookings/${id}`).send({ version: 2, fields }).expect(200);
    expect((await guests()).length).toBe(1);
  });

  it('moves to another day, which is made, with its number and its drives', async () => {
    const { id } = await add();
    const moved = await server.http
      .post(`${DAY}/bookings/${id}/move`)
      .send({ version: 1, to: OTHER, arrives: '10:00' })
      .expect(200);
    expect([moved.body.fields.reference, moved.body.fields.arrives]).toEqual(['A1', '10:00']);
    expect([await guests(), (await guests(OTHER)).length]).toEqual([[], 1]);
    const again = { version: 2, to: OTHER, arrives: '10:00' };
    await server.http.post(`/api/days/${OTHER}/bookings/${id}/move`).send(again).expect(409);
  });

  it('moves to no day on which its number is taken, and from none on which its guest has come', async () => {
    const { id } = await add();
    await server.http.post('/api/days').send({ date: OTHER }).expect(201);
    await add({}, `/api/days/${OTHER}`);
    const body = { version: 1, to: OTHER, arrives: '10:00' };
    await server.http.post(`${DAY}/bookings/${id}/move`).send(body).expect(409);
    expect((await guests()).length).toBe(1);
    await arrive(id);
    const refused = await server.http
      .post(`${DAY}/bookings/${id}/move`)
      .send({ ...body, to: '2027-06-01' })
      .expect(409);
    expect(refused.body.detail).toContain('journal');
  });

  it('is split into two and joined again: nothing is lost on the way', async () => {
    const { id } = await add({ drives: two, price: 300, paid: 100 });
    const off = { version: 1, drives: ['d2'], name: 'Piet Verhoeve', reference: 'A1-2', price: 150, paid: 50 };
    const { left, off: added } = (await server.http.post(`${DAY}/bookings/${id}/split`).send(off).expect(200)).body;
    expect([left.fields.price, added.fields.price, added.fields.drives[0].id]).toEqual([150, 150, 'd2']);
    expect((await guests()).map(({ name }) => name).sort()).toEqual(['Ines Faro', 'Piet Verhoeve']);
    const body = { version: 2, other: added.id };
    const joined = (await server.http.post(`${DAY}/bookings/${id}/join`).send(body).expect(200)).body;
    expect([joined.fields.price, joined.fields.paid, joined.fields.drives.length]).toEqual([300, 100, 2]);
    expect((await guests()).length).toBe(1);
  });

  it('is neither split nor joined by half where one of the two is refused', async () => {
    const { id } = await add({ drives: two });
    const other = await add({ reference: 'A2', name: 'Piet Verhoeve' });
    const off = { version: 1, drives: ['d2'], name: 'Piet', reference: 'A2', price: 0, paid: 0 };
    await server.http.post(`${DAY}/bookings/${id}/split`).send(off).expect(409);
    await server.http
      .post(`${DAY}/bookings/${id}/split`)
      .send({ ...off, reference: 'A3', drives: ['d1', 'd2'] })
      .expect(422);
    await server.http.post(`${DAY}/bookings/${id}/join`).send({ version: 9, other: other.id }).expect(409);
    await server.http.post(`${DAY}/bookings/${id}/join`).send({ version: 1, other: id }).expect(422);
    expect(server.store.bookings.list(DATE).map(({ fields }) => fields.drives.length)).toEqual([2, 1]);
  });

  it('takes money at any time, which the close of the day counts by how it came in', async () => {
    const { id } = await add({ price: 149, paid: 49 });
    const entry = {
      id: 'money-0001',
      at: '09:00',
      by: 'Desk',
      kind: 'moneyReceived',
      guest: id,
      amount: 60,
      means: 'card',
    };
    await server.http.post(`${DAY}/journal`).send(entry).expect(201);
    await server.http.post(`${DAY}/journal`).send(entry).expect(202);
    const { figures } = (await server.http.get(`${DAY}/close`).expect(200)).body.today;
    const of = (key: string) => figures.find((one: { key: string }) => one.key === key)?.value;
    expect([of('moneyTaken'), of('moneyDue'), of('moneyCard'), of('moneyCash')]).toEqual([109, 40, 60, undefined]);
  });
});
