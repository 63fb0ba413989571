import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { connect, migrated, openDatabase } from './database';
import { CannotStart } from '../base/disk-faults';
import { circuitStore } from './singles';

describe('The database', () => {
  let folder: string;
  beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'joylap-'))));
  afterEach(() => rmSync(folder, { recursive: true }));

  it('runs with a write-ahead log, full synchronisation and foreign keys', () => {
    const db = openDatabase(join(folder, 'a.sqlite'));
    const pragma = (name: string) => db.pragma(name, { simple: true });
    expect([pragma('journal_mode'), pragma('synchronous'), pragma('foreign_keys')]).toEqual(['wal', 2, 1]);
    expect(() => db.exec("insert into booking values ('b', '2027-05-22', 'A1', 1, '{}')")).toThrowError(/FOREIGN KEY/);
    db.close();
  });

  it('refuses a file that a newer program has written, in a clear sentence', () => {
    const file = join(folder, 'new.sqlite');
    const db = openDatabase(file);
    db.pragma('user_version = 999');
    db.close();
    expect(() => openDatabase(file)).toThrowError(CannotStart, /was written by a newer Joy Lap/);
  });

  it('leaves everything as it was where a migration fails half-way', () => {
    const file = join(folder, 'half.sqlite');
    writeFileSync(join(folder, '001-good.sql'), 'create table one (x integer);');
    openDatabase(file, folder).close();
    writeFileSync(join(folder, '002-bad.sql'), 'create table two (x integer); insert into nowhere values (1);');
    expect(() => openDatabase(file, folder)).toThrowError(/nowhere/);
    writeFileSync(join(folder, '002-bad.sql'), 'create table two (x integer);');
    const db = openDatabase(file, folder);
    expect(db.prepare('select count(*) as n from two').get()).toEqual({ n: 0 });
    expect(db.pragma('user_version', { simple: true })).toBe(2);
    db.close();
  });

  it('never lets an entry of the journal be changed', () => {
    const db = openDatabase(':memory:');
    db.exec("insert into event_day (date, created_at) values ('2027-05-22', 'now')");
    db.exec("insert into journal_entry values ('2027-05-22', 1, 'e', 'now', '{}')");
    expect(() => db.exec("update journal_entry set document = '[]'")).toThrowError(/only ever appended/);
    db.close();
  });

  it('asks anew where a booking said no to a touch, which also stood for what nobody had asked', () => {
    const file = join(folder, 'asked.sqlite');
    const old = migrated(connect(file), 10);
    old.exec("insert into event_day (date, created_at) values ('2027-05-22', 'now')");
    for (const [id, prompting] of [
      ['b1', true],
      ['b2', false],
    ] as const) {
      old
        .prepare('insert into booking values (?, ?, ?, 1, ?)')
        .run(id, '2027-05-22', id, JSON.stringify({ name: id, prompting }));
    }
    old.close();
    const db = openDatabase(file);
    const documents = db.prepare<[], { document: string }>('select document from booking order by id').all();
    expect(documents.map(({ document }) => JSON.parse(document))).toEqual([
      { name: 'b1', touch: true },
      { name: 'b2' },
    ]);
    db.close();
  });

  it('makes a circuit of the map that a venue had before, and loses nothing of the venue', () => {
    const file = join(folder, 'old.sqlite');
    const old = migrated(connect(file), 3);
    const line = Array.from({ length: 24 }, (_, i) => ({ xM: 100 * Math.cos(i / 3.82), yM: 100 * Math.sin(i / 3.82) }));
    const map = { line, pitExitM: 40, pitEntryM: 600, corners: [{ name: 'Jetty', atM: 90 }] };
    const venue = { name: 'Old field', circuit: { name: 'Loop', lapLengthM: 628, closures: [] }, map };
    old.prepare('insert into venue values (1, 3, ?)').run(JSON.stringify(venue));
    old.close();
    const db = openDatabase(file);
    const { circuit } = circuitStore(db).get();
    expect([circuit!.name, circuit!.line.length, circuit!.pitExitM, circuit!.corners[0]!.name]).toEqual([
      'Loop',
      24,
      40,
      'Jetty',
    ]);
    const { document, version } = db.prepare<[], { document: string; version: number }>('select * from venue').get()!;
    expect([version, JSON.parse(document).name, JSON.parse(document).map]).toEqual([3, 'Old field', undefined]);
    db.close();
  });
});
