import { bookingBody, DATE, testServer, type TestServer } from './testing/test-server';

describe('Guests who come back', () => {
  let server: TestServer;
  const EARLIER = '2027-05-01';
  beforeEach(() => {
    server = testServer();
    server.store.days.add(EARLIER, '2027-05-01T06:00:00.000Z');
  });
  afterEach(() => server.close());
  const book = async (date: string, more: Record<string, unknown>) =>
    (await server.http.post(`/api/days/${date}/bookings`).send(bookingBody(more)).expect(201)).body.id as string;
  const before = async (id: string) =>
    (await server.http.get(`/api/days/${DATE}/guests/${id}/before`).expect(200)).body.days.map(
      (day: { date: string; linked: boolean }) => [day.date, day.linked],
    );

  it('are known by their e-mail, or by name and birthday, and by nothing less', async () => {
    await book(EARLIER, { reference: 'E1', email: 'Ines@example.org', drives: [] });
    await book(EARLIER, { reference: 'E2', name: 'Rui Faro', birthday: '1990-02-01', drives: [] });
    const byMail = await book(DATE, { reference: 'T1', name: 'I. Faro', email: 'ines@example.org', drives: [] });
    const byBirthday = await book(DATE, { reference: 'T2', name: 'Rui Faro', birthday: '1990-02-01', drives: [] });
    const byName = await book(DATE, { reference: 'T3', name: 'Rui Faro', drives: [] });
    expect(await before(byMail)).toEqual([[EARLIER, false]]);
    expect(await before(byBirthday)).toEqual([[EARLIER, false]]);
    expect(await before(byName)).toEqual([]);
  });

  it('are the same where somebody says so, and it can be taken back', async () => {
    const then = await book(EARLIER, { reference: 'E1', name: 'Ines Faro', drives: [] });
    const now = await book(DATE, { reference: 'T1', name: 'Ines Faro-Reis', drives: [] });
    await server.http.post(`/api/days/${DATE}/guests/${now}/same`).send({ other: then }).expect(200);
    expect(await before(now)).toEqual([[EARLIER, true]]);
    await server.http.post(`/api/days/${DATE}/guests/${now}/not-same`).send({ other: then }).expect(200);
    expect(await before(now)).toEqual([]);
    await server.http.post(`/api/days/${DATE}/guests/${now}/same`).send({ other: 'nobody' }).expect(404);
    await server.http.post(`/api/days/${DATE}/guests/${now}/same`).send({ other: now }).expect(409);
  });

  it('are found by a part of their name, reference or e-mail, on all days', async () => {
    const then = await book(EARLIER, { reference: 'E-77', name: 'Ines Faro', email: 'ines@example.org', drives: [] });
    const now = await book(DATE, { reference: 'T1', name: 'Rui 100% Faro', drives: [] });
    const find = async (query: string) =>
      (await server.http.post('/api/guests/find').send({ query }).expect(200)).body.guests.map(
        ({ id }: { id: string }) => id,
      );
    expect(await find('faro')).toEqual([now, then]);
    expect(await find('e-77')).toEqual([then]);
    expect(await find('example.org')).toEqual([then]);
    expect(await find('0%')).toEqual([now]);
    expect(await find('%%')).toEqual([]);
    await server.http.post('/api/guests/find').send({ query: 'x' }).expect(400);
  });

  it('leave their name in no reason of a plan, no note about others, and no day that a device keeps', async () => {
    server.clock.adjust({ secondsOfDay: 8 * 3600 });
    const id = await book(DATE, { reference: 'T1', drives: [{ id: 'T1-1', cars: ['gone'], laps: 5 }] });
    await book(DATE, { reference: 'T2', name: 'Rui Faro' });
    await server.plan({ reason: 'A place for Ines Faro' });
    await server.http
      .post(`/api/days/${DATE}/journal`)
      .send({
        id: 'held-123456',
        at: '08:00',
        by: 'Garage',
        kind: 'carHeld',
        car: 'c4',
        reason: 'Ines Faro was sick in it',
      })
      .expect(201);
    const text = async () => (await server.http.get(`/api/days/${DATE}`).expect(200)).text;
    expect(await text()).toContain('A place for Ines Faro');
    const manager = await server.manager();
    await manager.post(`/api/days/${DATE}/guests/${id}/erase`).send({ notes: [] }).expect(200);
    expect(await text()).not.toContain('Ines');
    expect((await server.http.get(`/api/days/${DATE}/plans`).expect(200)).text).not.toContain('Ines');
    const tables = server.store.db.serialize().toString('latin1');
    expect((await server.http.get('/api/days').expect(200)).body.erasedAt).toMatch(/^20/);
    expect(tables).toContain('Rui Faro');
  });

  it('may be called like a word of the plan: it stays readable, and other words stay whole', async () => {
    server.clock.adjust({ secondsOfDay: 8 * 3600 });
    const manager = await server.manager();
    for (const [place, name] of ['guest', 'drive', 'An', 'Will', 'c4', 'reason'].entries()) {
      const id = await book(DATE, {
        reference: `T${place}`,
        name,
        drives: [{ id: `T${place}-1`, cars: ['gone'], laps: 5 }],
      });
      await server.plan({ reason: `Willing: ${name} and Anna` });
      const note = { id: `held-12345${place}`, at: '08:00', by: 'Garage', kind: 'carHeld', car: `c${place + 1}` };
      await server.http
        .post(`/api/days/${DATE}/journal`)
        .send({ ...note, reason: `${name} was willing, and another` })
        .expect(201);
      await manager.post(`/api/days/${DATE}/guests/${id}/erase`).send({ notes: [] }).expect(200);
      const { body } = await server.http.get(`/api/days/${DATE}`).expect(200);
      expect(body.plan).not.toBeNull();
      expect(body.dataIssues).toEqual([]);
      const revisions = (await server.http.get(`/api/days/${DATE}/plans`).expect(200)).body.revisions;
      expect(revisions[0].reason).toBe(`Willing: Guest T${place} and Anna`);
      const kept = body.journal.find((one: { entry: { id: string } }) => one.entry.id === note.id).entry.reason;
      expect(kept).toBe('erased was willing, and another');
      await server.http.get(`/api/days/${DATE}/plans/${revisions[0].revision}`).expect(200);
    }
  });

  it('are erased on every day of theirs, which are told before', async () => {
    const mail = { email: 'ines@example.org', name: 'Ines Faro', drives: [] };
    const then = await book(EARLIER, { reference: 'E1', ...mail });
    const now = await book(DATE, { reference: 'T1', ...mail });
    const other = await book(EARLIER, { reference: 'E2', name: 'Rui Faro', drives: [] });
    const manager = await server.manager();
    await server.http.get(`/api/days/${DATE}/guests/${now}/erasure`).expect(403);
    const told = await manager.get(`/api/days/${DATE}/guests/${now}/erasure`).expect(200);
    expect(told.body.days).toEqual([EARLIER, DATE]);
    // From the earlier day as from the later one.
    expect((await manager.get(`/api/days/${EARLIER}/guests/${then}/erasure`)).body.days).toEqual([EARLIER, DATE]);
    await manager.post(`/api/days/${EARLIER}/guests/${then}/erase`).send({ notes: [] }).expect(200);
    const names = [EARLIER, DATE].flatMap((date) => server.store.bookings.list(date).map(({ fields }) => fields.name));
    expect(names.sort()).toEqual(['Guest E1', 'Guest T1', 'Rui Faro']);
    expect(server.store.bookings.get(EARLIER, other)!.fields.name).toBe('Rui Faro');
  });

  it('stand by a part of their name in notes of others, which the manager reads and decides about', async () => {
    server.clock.adjust({ secondsOfDay: 8 * 3600 });
    const id = await book(DATE, { reference: 'T1', name: 'Will An Faro', email: 'will@example.org', drives: [] });
    const other = await book(DATE, {
      reference: 'T2',
      name: 'Rui Alba',
      notes: 'comes with Will; Will An Faro pays',
      drives: [],
    });
    const note = (no: string, reason: string) =>
      server.http
        .post(`/api/days/${DATE}/journal`)
        .send({ id: `held-${no}`, at: '08:00', by: 'Garage', kind: 'carHeld', car: `c${no.slice(-1)}`, reason })
        .expect(201);
    await note('123451', 'will@example.org asks');
    await note('123452', 'Mr Faro was willing');
    await note('123453', 'a tyre: will be back');
    await note('123454', 'willing and fair');
    const manager = await server.manager();
    const { mentions } = (await manager.get(`/api/days/${DATE}/guests/${id}/erasure`).expect(200)).body;
    expect(mentions.map(({ of, text }: { of: string; text: string }) => `${of}: ${text}`)).toEqual([
      'Rui Alba: comes with Will; Will An Faro pays',
      'Garage: will@example.org asks',
      'Garage: Mr Faro was willing',
      'Garage: a tyre: will be back',
    ]);
    const notes = [other, 'held-123451', 'held-123452'];
    await manager.post(`/api/days/${DATE}/guests/${id}/erase`).send({ notes }).expect(200);
    const { bookings, journal } = (await server.http.get(`/api/days/${DATE}`).expect(200)).body;
    expect(bookings.find((one: { id: string }) => one.id === other).fields.notes).toBe(
      'comes with erased; erased pays',
    );
    expect(journal.map((one: { entry: { reason: string } }) => one.entry.reason)).toEqual([
      'erased asks',
      'Mr erased was willing',
      'a tyre: will be back',
      'willing and fair',
    ]);
  });

  it('take what is theirs along, and are erased on their word in the middle of the day', async () => {
    const id = await book(DATE, { reference: 'T1', email: 'ines@example.org', healthNote: 'motion sickness' });
    const enter = (entry: object) =>
      server.http
        .post(`/api/days/${DATE}/journal`)
        .send({ at: '11:00', by: 'Desk', ...entry })
        .expect(201);
    await enter({ id: 'arrived-1234', kind: 'guestArrived', guest: id });
    await enter({ id: 'unwell-12345', kind: 'guestUnwell', guest: id, note: 'told us about her heart' });
    const { text } = await server.http.get(`/api/days/${DATE}/guests/${id}/export.json`).expect(200);
    expect(text).toContain('motion sickness');
    expect(text).toContain('told us about her heart');

    await server.http.post(`/api/days/${DATE}/guests/${id}/erase`).send({ notes: [] }).expect(403);
    const manager = await server.manager();
    await manager.post(`/api/days/${DATE}/guests/${id}/erase`).send({ notes: [] }).expect(200);
    const day = (await server.http.get(`/api/days/${DATE}`).expect(200)).text;
    for (const word of ['Ines', 'example.org', 'motion', 'heart']) expect(day).not.toContain(word);
    const { journal, bookings } = JSON.parse(day);
    expect(journal.length).toBe(2);
    expect(bookings[0].fields.drives.length).toBe(1);
    // Nothing else of the journal can be changed.
    const change = () => server.store.db.exec("update journal_entry set document = '{}' where id = 'arrived-1234'");
    expect(change).toThrowError(/only ever appended/);
  });
});
