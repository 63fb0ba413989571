import { dayView, type WrittenPatch } from '@core/api';
import { bookingBody, DATE, testServer, type TestServer } from '../testing/test-server';
import { Hub } from './live/hub';

describe('A day that changes', () => {
  let server: TestServer;
  let patches: WrittenPatch[];
  let anew: string[];
  const day = `/api/days/${DATE}`;
  beforeEach(() => {
    server = testServer();
    [patches, anew] = [[], []];
    spyOn(Hub.prototype, 'day').and.callFake((_date, patch) => void patches.push(patch));
    spyOn(Hub.prototype, 'changed').and.callFake((what) => void anew.push(what));
  });
  afterEach(() => server.close());
  const read = async () => dayView.parse((await server.http.get(day).expect(200)).body);
  const add = async () => (await server.http.post(`${day}/bookings`).send(bookingBody()).expect(201)).body;

  it('is told as the booking that has changed, to screens that have read the rest', async () => {
    const { id, version, fields } = await add();
    expect([patches.length, anew]).toEqual([0, ['bookings']]);
    await read();
    await server.http.put(`${day}/bookings/${id}`).send({ version, fields: { ...fields, name: 'Juno Parkes' } });
    expect(patches.map(({ bookings, guests }) => [bookings?.put.length, guests?.put[0]?.name])).toEqual([
      [1, 'Juno Parkes'],
    ]);
    await server.http.post(`${day}/bookings/${id}/remove`).send({ version: version + 1 });
    expect([patches[1]?.bookings?.gone, patches[1]?.guests?.gone, patches[1]?.summary.bookings]).toEqual([
      [id],
      [id],
      0,
    ]);
    expect(anew.length).toBe(1);
  });

  it('is told as the plan that was accepted, which is in the reply as well', async () => {
    await add();
    await read();
    const job = await server.look();
    const body = { base: 0, asOf: job.asOf, author: 'Maren', reason: 'First plan', plan: job.found!.plan };
    const { body: accepted } = await server.http.post(`${day}/plans`).send(body).expect(201);
    const told = patches.find((patch) => patch.accepted)!;
    expect(told.accepted!.plan).toEqual(accepted.plan);
    expect((await read()).revision!.revision).toBe(accepted.revision);
  });

  it('is read anew where more has changed than a patch can say', async () => {
    await add();
    await read();
    const entry = { id: 'close-0001', kind: 'closingMoved', at: '11:00', by: 'Maren', to: '15:00' };
    await server.http.post(`${day}/journal`).send(entry).expect(201);
    expect([patches.length, anew.includes('setup')]).toEqual([0, true]);
  });
});
