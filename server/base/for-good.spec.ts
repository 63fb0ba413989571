import { appendFileSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openDatabase } from '../store/database';
import { openStore } from '../store';
import { bookingBody, DATE, testServer } from '../testing/test-server';
import { createApp } from '../app';
import { ForGood } from './for-good';

describe('A backup that is put in the place of the data', () => {
  let folder: string;
  beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'joylap-for-good-'))));
  afterEach(() => rmSync(folder, { recursive: true }));

  it('brings back nobody who was erased and no phone that was put out', async () => {
    const file = join(folder, 'for-good.jsonl');
    const server = testServer({ forGood: new ForGood(file) });
    const book = async (more: Record<string, unknown>) =>
      (
        await server.http
          .post(`/api/days/${DATE}/bookings`)
          .send(bookingBody({ drives: [], ...more }))
          .expect(201)
      ).body.id as string;
    const id = await book({ reference: 'T1', name: 'Ines Faro', email: 'ines@example.org' });
    const other = await book({ reference: 'T2', name: 'Rui Alba', notes: 'with Ines; Rui drives first' });
    const phone = { name: 'Anselm', token_hash: 'x', added_at: '2027-05-22T06:00:00.000Z', secure: 1 as const };
    server.store.phones.add({ id: 'p1', ...phone });
    server.store.phones.add({ id: 'p2', ...phone, token_hash: 'y' });
    const backup = join(folder, 'joylap.sqlite');
    writeFileSync(backup, server.store.db.serialize());
    const manager = await server.manager();
    await manager
      .post(`/api/days/${DATE}/guests/${id}/erase`)
      .send({ notes: [other] })
      .expect(200);
    await manager.delete('/api/phones/p1').expect(200);
    server.close();

    const text = readFileSync(file, 'utf8');
    for (const word of ['Ines', 'Faro', 'example', 'Anselm']) expect(text).not.toContain(word);
    expect(statSync(file).mode & 0o077).toBe(0);
    // As where the power went in the middle of a line.
    appendFileSync(file, '{"erased":"');

    const store = openStore(openDatabase(backup));
    expect(JSON.stringify(store.bookings.list(DATE))).toContain('Ines Faro');
    const restored = createApp({ store, clock: server.clock, forGood: new ForGood(file) });
    const told = () => JSON.stringify(store.bookings.list(DATE));
    for (const word of ['Ines', 'Faro', 'example']) expect(told()).not.toContain(word);
    expect(told()).toContain('with erased; Rui drives first');
    expect(store.phones.list().map((one) => one.id)).toEqual(['p2']);
    // A second start changes nothing more.
    const before = told();
    restored.close();
    createApp({ store, clock: server.clock, forGood: new ForGood(file) }).close();
    expect(told()).toBe(before);
    store.db.close();
  });
});
