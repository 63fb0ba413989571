import { once } from 'node:events';
import { get } from 'node:http';
import type { AddressInfo } from 'node:net';
import { fact, secondsOf } from '@core/values';
import { planFile } from '@core/day';
import type { PlanFile } from '@core/day/plan-file';
import { createApp } from '../../app';
import { CREW } from '../../../demo/larkmere';
import { bookingBody, DATE, testServer, type TestServer } from '../../testing/test-server';

const DAY = `/api/days/${DATE}`;

describe('Planning on the server', () => {
  let server: TestServer;
  beforeEach(() => {
    server = testServer();
    server.clock.adjust({ secondsOfDay: 8 * 3600 });
  });
  afterEach(() => server.close());

  const book = async (reference: string, more: Record<string, unknown> = {}) => {
    const drives = [{ id: `${reference}-1`, cars: ['c4'], laps: 5 }];
    const body = bookingBody({ reference, name: `Guest ${reference}`, drives, ...more });
    return (await server.http.post(`${DAY}/bookings`).send(body).expect(201)).body as { id: string };
  };
  const view = async () =>
    (await server.http.get(DAY).expect(200)).body as {
      plan: PlanFile;
      day: { closes: string; guests: { arrives: string; drives: unknown[] }[] };
    };
  let entries = 0;
  const enter = (entry: Record<string, unknown>) =>
    server.http
      .post(`${DAY}/journal`)
      .send({ id: `entry-${(entries += 1)}-of-spec`, at: '08:00', by: 'Desk', ...entry })
      .expect(201);
  /** A guest sits down, is let out, and comes in before a lap is done. */
  const driveAndBreakOff = async (guest: string, drive: string) => {
    for (const kind of ['guestArrived', 'waiverSigned', 'licenceSeen', 'helmetFitted']) await enter({ kind, guest });
    const { instructor, car } = (await view()).plan.drives.find((planned) => planned.drive === drive)!;
    await enter({ kind: 'seated', drive, car, instructor });
    await enter({ kind: 'released', drive });
    await enter({ kind: 'brokenOff', drive, reason: 'fault' });
    await enter({ kind: 'parked', drive });
    await enter({ kind: 'debriefed', drive });
  };
  const accept = (more: Record<string, unknown>) =>
    server.http.post(`${DAY}/plans`).send({ base: 1, asOf: '08:00', author: 'Maren', reason: 'By hand', ...more });

  it('ends by itself once no plan of a few drives can be better', async () => {
    await book('A1');
    await book('A2', { briefed: false, sighted: false });
    const { found } = await server.look({ seconds: 120 });
    const { body } = await server.http.get(`${DAY}/bound`).expect(200);
    expect(found!.cost.total).toBeCloseTo(body.bound.total, 3);
    expect(found!.plan.briefings.length).toBe(1);
  });

  it('gives a proposal that changes nothing until it is accepted', async () => {
    await book('A1');
    await book('A2');
    const job = await server.look();
    expect(job.state).toBe('ready');
    expect(job.found!.changes.map(({ kind, guest }) => [kind, guest]).sort()).toEqual([
      ['added', 'Guest A1'],
      ['added', 'Guest A2'],
    ]);
    expect((await view()).plan).toBeNull();
    await accept({ base: 0, plan: job.found!.plan, asOf: job.asOf }).expect(201);
    expect((await view()).plan.drives.length).toBe(2);
    expect((await server.http.get(`${DAY}/planning`)).body.job).toBeNull();
  });

  it('looks for one plan at a time, stops with the best so far, and drops it on request', async () => {
    await book('A1');
    const order = { author: 'Maren', reason: 'First plan', mode: 'improve', seconds: 120 };
    await server.http.post(`${DAY}/planning`).send(order).expect(202);
    const refused = await server.http.post(`${DAY}/planning`).send(order).expect(409);
    expect(refused.body.detail).toContain('being looked for already');
    expect((await server.http.post(`${DAY}/planning/stop`).expect(200)).body).toEqual({ stopping: true });
    const ready = async () => (await server.http.get(`${DAY}/planning`)).body.job;
    while ((await ready()).state === 'running') await new Promise((resolve) => setTimeout(resolve, 20));
    expect((await ready()).found.plan.drives.length).toBe(1);
    expect((await server.http.post(`${DAY}/planning/drop`).expect(200)).body).toEqual({ dropped: true });
    expect(await ready()).toBeNull();
    expect((await server.http.post(`${DAY}/planning/stop`).expect(200)).body).toEqual({ stopping: false });
  });

  it('streams how far it has come, term by term', async () => {
    await book('A1');
    const listening = server.app.listen(0);
    await once(listening, 'listening');
    const stream = get({ port: (listening.address() as AddressInfo).port, path: `${DAY}/stream` });
    const [response] = (await once(stream, 'response')) as [NodeJS.ReadableStream];
    let text = '';
    response.on('data', (chunk: Buffer) => (text += chunk.toString()));
    await server.look();
    const told = /event: planning\ndata: (.*)\n/.exec(text)![1]!;
    const { cost, unplanned } = JSON.parse(told);
    expect(unplanned).toBe(0);
    expect(Object.keys(cost.terms)).toContain('waiting');
    expect(text).toContain('{"what":"planning"}');
    stream.destroy();
    listening.close();
  });

  it('lets a search that ends after its day is gone end without harm', async () => {
    await book('A1');
    const order = { author: 'Maren', reason: 'First plan', mode: 'improve', seconds: 0.3 };
    await server.http.post(`${DAY}/planning`).send(order).expect(202);
    // As when the demo is reset while an added day is being planned.
    for (const table of ['plan_job', 'booking', 'event_day']) server.store.db.exec(`delete from ${table}`);
    server.store.days.add('2027-05-23', '2027-05-22T06:00:00.000Z');
    await new Promise((resolve) => setTimeout(resolve, 800));
    expect((await server.http.get('/api/days').expect(200)).body.days.length).toBe(1);
    await server.http.post('/api/days/2031-01-01/planning/drop').expect(404);
    await server.http.post('/api/days/2031-01-01/planning/stop').expect(404);
  });

  it('says after a restart that the search was interrupted, and keeps the accepted plan', async () => {
    await book('A1');
    await server.plan();
    const order = { author: 'Maren', reason: 'Better', mode: 'improve', seconds: 120 };
    await server.http.post(`${DAY}/planning`).send(order).expect(202);
    const again = createApp({ store: server.store, clock: server.clock });
    expect((await server.http.get(`${DAY}/planning`)).body.job.state).toBe('interrupted');
    expect((await view()).plan.drives.length).toBe(1);
    again.close();
  });

  it('refuses a plan made for another revision, or for a time long ago', async () => {
    await book('A1');
    await server.plan();
    const { plan } = await view();
    const stale = await accept({ base: 0, plan }).expect(409);
    expect(stale.body.detail).toContain('Maren has accepted plan 1 meanwhile (First plan)');
    server.clock.adjust({ secondsOfDay: 8 * 3600 + 1200 });
    expect((await accept({ plan }).expect(409)).body.detail).toContain('made for 08:00, and it is 08:20 now');
    server.clock.adjust({ secondsOfDay: 8 * 3600 });
    await accept({ plan }).expect(201);
  });

  it('refuses a change that breaks a rule with its sentence, and takes it as the manager’s decision', async () => {
    await book('A1');
    await server.plan();
    const { plan } = await view();
    const early = { ...plan, drives: [{ ...plan.drives[0]!, release: '09:00' }] };
    const { body } = await accept({ plan: early }).expect(422);
    expect(body.faults.map(({ path }: { path: string }) => path)).toEqual(['GUEST_PRESENT']);
    expect(body.detail).toContain('Guest A1');
    const revision = await accept({ plan: early, despiteRules: true }).expect(201);
    expect(revision.body.despite).toEqual(body.facts);
    expect(body.facts).toEqual([jasmine.objectContaining({ code: 'GUEST_PRESENT', detail: 'early' })]);
    // What is broken already does not stand in the way of the next change.
    await book('A2', { arrives: '10:00' });
    await server.plan({ mode: 'improve', reason: 'A2 came' });
  });

  it('compares and restores plans by their number', async () => {
    await book('A1');
    await server.plan();
    const { plan } = await view();
    const later = { ...plan, drives: [{ ...plan.drives[0]!, release: '11:00' }] };
    await accept({ plan: later }).expect(201);
    const old = await server.http.get(`${DAY}/plans/1`).expect(200);
    expect(planFile.parse(old.body.plan)).toEqual(planFile.parse(plan));
    await server.http.get(`${DAY}/plans/9`).expect(404);
    await server.plan({ mode: 'restore', revision: 1, seconds: 0, reason: 'Back to plan 1' });
    expect((await view()).plan.drives).toEqual(plan.drives);
    const order = { author: 'Maren', reason: 'Back', mode: 'restore', seconds: 0, revision: 99 };
    await server.http.post(`${DAY}/planning`).send(order).expect(404);
  });

  it('repairs a plan after a car is held, and leaves the others where they are', async () => {
    await book('A1');
    await book('A2', { drives: [{ id: 'A2-1', cars: ['c4', 'c5'], laps: 5 }] });
    await book('A3', { drives: [{ id: 'A3-1', cars: ['c9'], laps: 5 }] });
    await server.plan();
    const before = (await view()).plan.drives;
    await enter({ kind: 'carHeld', car: 'c4', reason: 'tyre cut' });
    const { found } = await server.look({ mode: 'repair', reason: 'Halyard GT held' });
    const same = found!.plan.drives.find(({ drive }) => drive === 'A3-1');
    expect(same).toEqual(before.find(({ drive }) => drive === 'A3-1'));
    expect(found!.plan.unplanned.map(({ drive }) => drive)).toEqual(['A1-1']);
    const change = found!.changes.find(({ drive }) => drive === 'A1-1')!;
    expect([change.kind, change.why?.code]).toEqual(['left out', 'leftOut']);
  });

  it('lets late guests, closures, conditions and longer hours change the day, and takes them back', async () => {
    const { id } = await book('A1');
    await enter({ kind: 'guestLate', guest: id, expected: '11:00' });
    expect((await view()).day.guests[0]!.arrives).toBe('11:00');
    await enter({ kind: 'closingMoved', to: '19:00' });
    expect((await view()).day.closes).toBe('19:00');
    await enter({ kind: 'correction', corrects: `entry-${entries}-of-spec` });
    expect((await view()).day.closes).toBe('18:00');
  });

  it('mends a drive without a place with one request', async () => {
    const { id } = await book('A1', { leavesBy: '09:20' });
    await server.plan();
    expect((await view()).plan.unplanned.map(({ drive }) => drive)).toEqual(['A1-1']);
    const change = { kind: 'stays', guest: id, until: '10:20' };
    await server.http.post(`${DAY}/drives/A1-1/remedies`).send({ author: 'Maren', change }).expect(201);
    expect(server.store.bookings.get(DATE, id)!.fields.leavesBy).toBe(10 * 3600 + 20 * 60);
    const { plan } = await view();
    expect([plan.drives.length, plan.unplanned.length]).toEqual([1, 0]);
    const again = { author: 'Maren', change: { kind: 'stays', guest: 'nobody', until: '10:00' } };
    await server.http.post(`${DAY}/drives/none/remedies`).send(again).expect(409);
    const other = { author: 'Maren', change: { kind: 'car', drive: 'nothing', car: 'c9' } };
    await server.http.post(`${DAY}/drives/A1-1/remedies`).send(other).expect(409);
    const backwards = { kind: 'crew', instructor: 'i1', from: '12:00', to: '11:00' };
    await server.http.post(`${DAY}/drives/A1-1/remedies`).send({ author: 'Maren', change: backwards }).expect(400);
  });

  it('mends with another car or longer hours, for this day only', async () => {
    await book('A1', { drives: [{ id: 'A1-1', cars: ['gone'], laps: 5 }] });
    await server.plan();
    const change = { kind: 'car', drive: 'A1-1', car: 'c9' };
    await server.http.post(`${DAY}/drives/A1-1/remedies`).send({ author: 'Maren', change }).expect(201);
    expect((await view()).plan.drives[0]!.car).toBe('c9');
    expect(server.store.bookings.list(DATE)[0]!.fields.drives[0]!.cars).toEqual(['c9']);
  });

  it('offers places for one more drive with their price, and adds the one that is taken', async () => {
    const { id } = await book('A1');
    await server.plan();
    const wish = { guest: id, cars: ['c9'], laps: 3 };
    const offer = (await server.http.post(`${DAY}/places`).send(wish).expect(200)).body;
    const [slot] = offer.slots;
    expect([slot.planned.car, slot.moved]).toEqual(['c9', []]);
    const lapPrice = server.store.cars.get('c9')!.fields.lapPrice!;
    expect(slot.price).toBeCloseTo(3 * lapPrice, 2);
    const { drive, base, asOf } = offer;
    const taken = { ...wish, drive, base, asOf, plan: slot.plan, author: 'Desk' };
    // The price is the venue's, whatever a client may send.
    await server.http
      .post(`${DAY}/places/take`)
      .send({ ...taken, price: 0 })
      .expect(400);
    await server.http.post(`${DAY}/places/take`).send(taken).expect(201);
    const booking = server.store.bookings.get(DATE, id)!.fields;
    expect(booking.price).toBeCloseTo(149 + slot.price, 2);
    expect((await view()).plan.drives.map(({ car }) => car).sort()).toEqual(['c4', 'c9']);
    // Asked for twice, it is refused, and the booking stays as it is.
    await server.http.post(`${DAY}/places/take`).send(taken).expect(409);
    expect(server.store.bookings.get(DATE, id)!.fields.drives.length).toBe(2);
  });

  it('sells a ride with its own price, and to somebody who has not been in a class', async () => {
    server.store.instructors.add('i20', { ...CREW[0]!, id: 'i20', name: 'Rune Falk', rides: true });
    await book('A1');
    const { id } = await book('A2', { drives: [], briefed: false, sighted: false });
    await server.plan();
    const wish = { guest: id, cars: ['c9'], laps: 2, ride: { seats: 1 } };
    const { slots, drive, base, asOf } = (await server.http.post(`${DAY}/places`).send(wish).expect(200)).body;
    const [slot] = slots;
    expect([slot.planned.instructor, slot.price]).toEqual(['i20', 2 * server.store.cars.get('c9')!.fields.ridePrice!]);
    const taken = { ...wish, drive, base, asOf, plan: slot.plan, author: 'Desk' };
    await server.http.post(`${DAY}/places/take`).send(taken).expect(201);
    const { drives, price } = server.store.bookings.get(DATE, id)!.fields;
    expect([drives[0]!.ride, price]).toEqual([{ seats: 1 }, 149 + slot.price]);
    const reasons = server.store.days.revisions(DATE).map(({ reason }) => reason);
    expect(reasons).toContain('A ride for Guest A2: 2 laps in Sabrel R');
  });

  it('plans laps owed from a drive that was broken off without charge, once', async () => {
    const { id } = await book('A1');
    await server.plan();
    await driveAndBreakOff(id, 'A1-1');
    // They are a drive of their own at once, which waits and is counted.
    const waiting = await view();
    expect(waiting.plan.unplanned).toEqual([
      { drive: 'A1-1+owed', reason: { code: 'owed', subjects: {}, values: { since: '08:00' } } },
    ]);
    const wish = { guest: id, cars: ['c5'], laps: 5, makesUpFor: 'A1-1' };
    const offer = (await server.http.post(`${DAY}/places`).send(wish).expect(200)).body;
    const [slot] = offer.slots;
    const { drive, base, asOf } = offer;
    expect(drive).toBe('A1-1+owed');
    const taken = { ...wish, drive, base, asOf, plan: slot.plan, author: 'Desk' };
    // What is refused leaves nothing behind: no drive, no revision, no agreement.
    const before = server.store.days.currentPlan(DATE)!.revision.revision;
    const tooMany = { ...taken, laps: 6 };
    expect((await server.http.post(`${DAY}/places/take`).send(tooMany).expect(409)).body.detail).toContain('5 laps');
    for (const more of [{ makesUpFor: 'nothing' }, { asOf: '07:00' }, { base: 9 }]) {
      await server.http
        .post(`${DAY}/places/take`)
        .send({ ...taken, ...more })
        .expect(409);
    }
    expect(server.store.days.currentPlan(DATE)!.revision.revision).toBe(before);
    expect(server.store.journal.since(DATE, 0).at(-1)!.entry.kind).toBe('debriefed');
    await server.http.post(`${DAY}/places/take`).send(taken).expect(201);
    const { price, drives } = server.store.bookings.get(DATE, id)!.fields;
    expect([price, drives.length]).toEqual([149, 1]);
    const { release, car, instructor: who } = slot.planned;
    expect(server.store.journal.since(DATE, 0).at(-2)!.entry).toEqual(
      jasmine.objectContaining({
        kind: 'owedAgreed',
        drive: 'A1-1',
        place: { release: secondsOf(release), car, instructor: who },
      }),
    );
    // The place is pinned: planning again leaves it where the desk has promised it.
    await server.plan({ mode: 'improve', reason: 'Better' });
    const placed = (await view()).plan.drives.find((one) => one.drive === drive)!;
    expect([placed.release, placed.car]).toEqual([release, car]);
  });

  it('plans laps owed with everything else, not before and not today by the guest’s word', async () => {
    const { id } = await book('A1');
    await server.plan();
    await driveAndBreakOff(id, 'A1-1');
    const owed = async () => (await view()).plan.drives.find(({ drive }) => drive === 'A1-1+owed');
    await enter({ kind: 'owedAgreed', drive: 'A1-1', notBefore: '11:30' });
    await server.plan({ mode: 'improve', reason: 'With what is owed' });
    expect(secondsOf((await owed())!.release)).toBeGreaterThanOrEqual(secondsOf('11:34'));
    await enter({ kind: 'owedAgreed', drive: 'A1-1', notToday: true });
    const { plan, day } = await view();
    expect([await owed(), plan.unplanned]).toEqual([undefined, []]);
    expect(day.guests[0]!.drives.length).toBe(1);
    const { toDo } = (await server.http.get(`${DAY}/close`).expect(200)).body.today;
    expect(toDo).toContain(fact('lapsOwed', { guest: id }, { laps: 5 }));
  });

  it('never moves what has begun, also where the car is held while it stands on the circuit', async () => {
    const { id } = await book('A1', { drives: [{ id: 'A1-1', cars: ['c4', 'c5'], laps: 5 }] });
    await server.plan();
    const before = (await view()).plan.drives[0]!;
    for (const kind of ['guestArrived', 'waiverSigned', 'licenceSeen', 'helmetFitted'])
      await enter({ kind, guest: id });
    await enter({ kind: 'seated', drive: 'A1-1', car: before.car, instructor: before.instructor });
    await enter({ kind: 'released', drive: 'A1-1' });
    await enter({ kind: 'brokenOff', drive: 'A1-1', reason: 'fault', stands: { safe: true } });
    await enter({ kind: 'carHeld', car: before.car, reason: 'fault of the car' });
    await server.plan({ mode: 'repair', reason: 'Car held' });
    const { plan } = await view();
    const same = plan.drives.find(({ drive }) => drive === 'A1-1')!;
    expect([same.car, same.instructor]).toEqual([before.car, before.instructor]);
    expect(plan.drives.find(({ drive }) => drive === 'A1-1+owed')!.car).not.toBe(before.car);
  });

  it('offers no place where there is none for one more drive', async () => {
    const { id } = await book('A1', { leavesBy: '09:35' });
    await server.plan();
    const { body } = await server.http
      .post(`${DAY}/places`)
      .send({ guest: id, cars: ['c9'], laps: 8 })
      .expect(200);
    expect([body.slots, body.better]).toEqual([[], null]);
  });
});
