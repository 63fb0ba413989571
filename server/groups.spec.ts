import * as z from 'zod';
import { groupFields } from '@core/programmes';
import { aGroup } from '@core/testing/group-days';
import { bookingBody, DATE, testServer, type TestServer } from './testing/test-server';

describe('Groups of a day', () => {
  let server: TestServer;
  beforeEach(() => (server = testServer()));
  afterEach(() => server.close());

  it('are kept, take part in the day, and are changed at their version', async () => {
    const { id: guest } = (await server.http.post(`/api/days/${DATE}/bookings`).send(bookingBody()).expect(201)).body;
    const { id: _, ...fields } = aGroup({ id: 'x', members: [guest], cars: ['c1'] });
    const body = z.encode(groupFields, fields);
    const { id, version } = (await server.http.post(`/api/days/${DATE}/groups`).send(body).expect(201)).body;
    const { day, groups } = (await server.http.get(`/api/days/${DATE}`).expect(200)).body;
    expect([day.version, day.groups[0].members, groups[0].version]).toEqual([2, [guest], 1]);
    const renamed = { ...body, name: 'Convoy at ten' };
    await server.http.put(`/api/days/${DATE}/groups/${id}`).send({ version, fields: renamed }).expect(200);
    const stale = await server.http.put(`/api/days/${DATE}/groups/${id}`).send({ version, fields: body }).expect(409);
    expect(stale.body.current.fields.name).toBe('Convoy at ten');
    await server.http.post(`/api/days/${DATE}/groups/${id}/remove`).send({ version: 2 }).expect(200);
    expect((await server.http.get(`/api/days/${DATE}`)).body.groups).toEqual([]);
  });

  it('are refused in words where they are faulty or unknown, as is what does not fit to them', async () => {
    const faulty = await server.http.post(`/api/days/${DATE}/groups`).send({ name: '' }).expect(400);
    expect(faulty.body.faults.length).toBeGreaterThan(0);
    await server.http.post(`/api/days/${DATE}/groups/none/remove`).send({ version: 1 }).expect(404);
    const { id: __, ...fields } = aGroup({ id: 'x', members: ['nobody'], cars: ['c1'], needsBriefing: false });
    const body = z.encode(groupFields, fields);
    const { id } = (await server.http.post(`/api/days/${DATE}/groups`).send(body).expect(201)).body;
    const stopped = { id: 'entry-0001', at: '09:05', by: 'Pan', kind: 'groupEnded', group: id };
    const refused = await server.http.post(`/api/days/${DATE}/journal`).send(stopped).expect(409);
    expect(refused.body.detail).toContain('has not begun');
  });
});
