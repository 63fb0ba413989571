import { spawn, spawnSync } from 'node:child_process';
import { once } from 'node:events';
import { existsSync, mkdtempSync, readdirSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { createServer, type AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { connect, formOf, newestForm, openDatabase } from '../store/database';
import { prepareVenue } from '../services/first-start';
import { openStore } from '../store';
import { backupTo, restoreFrom, setManagerCode } from './admin';
import { checkBackup, keepBackup } from './backup';
import { CannotStart, startFault } from '../base/disk-faults';
import { lockFolder } from '../base/lock';
import { programOf } from '../testing/programs';
import { DEMO_ID, mayHoldDemo, portOf } from './settings';

/** Starts the real server and says how it ended; one that starts well is not waited for. */
function startOn(env: Record<string, string>, mode?: string) {
  const args = [programOf('main'), ...(mode ? [mode] : [])];
  const { status, stderr } = spawnSync(process.execPath, args, {
    env: { ...process.env, PORT: '0', JOYLAP_NETWORK_PORT: 'off', ...env },
    encoding: 'utf8',
    timeout: 40_000,
  });
  return { status, lines: stderr.trim().split('\n') };
}

describe('The data of a venue', () => {
  let folder: string;
  let file: string;
  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'joylap-data-'));
    file = join(folder, 'joylap.sqlite');
  });
  afterEach(() => rmSync(folder, { recursive: true, force: true }));

  /** A database of a venue with a name, left open. */
  const venue = (name: string) => {
    const store = openStore(openDatabase(file));
    prepareVenue(store, '2027-05-22', '2027-05-22T06:00:00.000Z');
    const { version, fields } = store.venue.get()!;
    store.venue.change(version, { ...fields, name });
    return store;
  };
  const nameIn = (at: string) => {
    const store = openStore(openDatabase(at));
    const { name } = store.venue.get()!.fields;
    store.db.close();
    return name;
  };

  it('are backed up while they are in use, as one file that is whole, and the last fourteen stay', async () => {
    const store = venue('Harbour');
    const kept: string[] = [];
    for (let day = 1; day <= 16; day++) {
      kept.push(await keepBackup(store.db, folder, 'start', new Date(Date.UTC(2027, 4, day))));
    }
    // A copy of the one file of a running server lacks what is in the journal beside it; a backup does not.
    expect(nameIn(kept[15]!)).toBe('Harbour');
    expect(readdirSync(join(folder, 'backups')).filter((name) => name.endsWith('.sqlite')).length).toBe(14);
    expect(existsSync(kept[1]!)).toBe(false);
    // Starting again and again takes no earlier day's away, nor does a clock that is set back take the one just made.
    for (let second = 0; second < 20; second++) {
      await keepBackup(store.db, folder, 'start', new Date(Date.UTC(2027, 4, 16, 9, 0, second)));
    }
    expect(kept.slice(2, 15).every((one) => existsSync(one))).toBe(true);
    const late = await keepBackup(store.db, folder, 'close', new Date(Date.UTC(2020, 0, 1)));
    expect(existsSync(late)).toBe(true);
    store.db.close();
  });

  it('are what they say of themselves, whatever their files are called', async () => {
    const store = venue('Harbour');
    const form = await keepBackup(store.db, folder, 'form', new Date(Date.UTC(2027, 0, 1)));
    const old = await keepBackup(store.db, folder, 'start', new Date(Date.UTC(2027, 0, 2)));
    const renamed = join(folder, 'backups', 'joylap-20991231-000000-start.sqlite');
    renameSync(old, renamed);
    for (let day = 1; day <= 15; day++) await keepBackup(store.db, folder, 'start', new Date(Date.UTC(2027, 4, day)));
    expect([existsSync(form), existsSync(renamed)]).toEqual([true, false]);
    store.db.close();
  });

  it('are backed up in the form that they have, before they get another', async () => {
    const store = venue('Harbour');
    // The newest migration undone.
    store.db.exec('alter table event_day drop column setup_version');
    store.db.pragma(`user_version = ${newestForm() - 1}`);
    store.db.close();
    const child = spawn(process.execPath, [programOf('main'), 'start'], {
      env: { ...process.env, PORT: '0', JOYLAP_NETWORK_PORT: 'off', JOYLAP_DATA: folder },
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    await once(child.stdout, 'data');
    child.kill();
    await once(child, 'exit');
    const [name] = readdirSync(join(folder, 'backups'));
    expect(name).toContain('-form');
    const copy = connect(join(folder, 'backups', name!));
    expect(formOf(copy)).toBe(newestForm() - 1);
    copy.close();
    expect(statSync(file).mode & 0o077).toBe(0);
    expect(statSync(join(folder, 'backups', name!)).mode & 0o077).toBe(0);
  });

  it('begin the day without a backup where there is no room for one, and say so loudly', async () => {
    venue('Harbour').db.close();
    writeFileSync(join(folder, 'backups'), 'no folder');
    const child = spawn(process.execPath, [programOf('main'), 'start'], {
      env: { ...process.env, PORT: '0', JOYLAP_NETWORK_PORT: 'off', JOYLAP_DATA: folder },
    });
    let said = '';
    child.stderr.on('data', (chunk: Buffer) => (said += String(chunk)));
    let started = '';
    while (!started.includes('Joy Lap is at')) started += String((await once(child.stdout, 'data'))[0]);
    child.kill();
    await once(child, 'close');
    expect(said).toContain('WARNING: no backup could be made');
  });

  it('are taken from a backup only where that is sound', async () => {
    const store = venue('Harbour');
    const backup = await keepBackup(store.db, folder, 'start');
    expect(() => checkBackup(backup)).not.toThrow();
    const other = join(folder, 'other.sqlite');
    writeFileSync(other, 'no database at all, but long enough to be looked at as one: '.repeat(30));
    expect(() => checkBackup(other)).toThrowError(CannotStart, /no good backup/);
    expect(() => checkBackup(join(folder, 'nothing'))).toThrowError(CannotStart, /There is no file/);
    const newer = new Database(backup);
    newer.pragma(`user_version = ${newestForm() + 1}`);
    newer.close();
    expect(() => checkBackup(backup)).toThrowError(CannotStart, /written by a newer Joy Lap/);
    store.db.close();
  });

  it('go out and come back at a word, which asks first and keeps what was there', async () => {
    const store = venue('Harbour');
    const out = join(folder, 'out.sqlite');
    const says = (answer: string) => async () => answer;
    expect(await backupTo(folder, out)).toContain('opened and checked');
    await expectAsync(backupTo(folder, out)).toBeRejectedWithError(CannotStart, /is there already/);
    const { version, fields } = store.venue.get()!;
    store.venue.change(version, { ...fields, name: 'Changed since' });
    store.db.close();
    await expectAsync(restoreFrom(folder, out, says('no'))).toBeRejectedWithError(CannotStart, 'Nothing was changed.');
    expect(nameIn(file)).toBe('Changed since');
    await restoreFrom(folder, out, says('yes'));
    expect(nameIn(file)).toBe('Harbour');
    const before = readdirSync(folder).find((name) => name.startsWith('before-restore-'))!;
    expect(nameIn(join(folder, before, 'joylap.sqlite'))).toBe('Changed since');
    await expectAsync(restoreFrom(folder, join(folder, 'nothing'), says('yes'))).toBeRejectedWithError(CannotStart);
    const unlock = lockFolder(folder);
    await expectAsync(restoreFrom(folder, out, says('yes'))).toBeRejectedWithError(CannotStart, /Another Joy Lap/);
    unlock();
  });

  it('get a new manager’s code from the command line', async () => {
    venue('Harbour').db.close();
    await expectAsync(setManagerCode(folder, async () => 'abc')).toBeRejectedWithError(
      CannotStart,
      /Nothing was changed/,
    );
    const args = [programOf('admin'), 'manager-code'];
    const env = { ...process.env, JOYLAP_DATA: folder };
    const { stdout } = spawnSync(process.execPath, args, { env, input: 'slipway-7\n', encoding: 'utf8' });
    expect(stdout).toBe('The code is set.\n');
    const store = openStore(openDatabase(file));
    expect(store.manager.hash()).toMatch(/^\$2/);
    store.db.close();
  });

  it('are held by one process, which lets go however it ends', async () => {
    const holder = spawn(
      process.execPath,
      [
        '--import',
        'tsx',
        '-e',
        `import('./server/base/lock.ts').then((m) => { m.lockFolder(${JSON.stringify(folder)}); console.log('held'); setInterval(() => 0, 1000); })`,
      ],
      { stdio: ['ignore', 'pipe', 'inherit'] },
    );
    await once(holder.stdout, 'data');
    expect(() => lockFolder(folder)).toThrowError(CannotStart, /Another Joy Lap is running/);
    holder.kill('SIGKILL');
    await once(holder, 'exit');
    const unlock = lockFolder(folder);
    unlock();
    lockFolder(folder)();
  });

  it('of a venue are never cleared by the demo', () => {
    const store = venue('Harbour');
    expect(() => mayHoldDemo(store.db, folder)).toThrowError(CannotStart, /those of Harbour/);
    store.db.pragma(`application_id = ${DEMO_ID}`);
    expect(() => mayHoldDemo(store.db, folder)).not.toThrow();
    store.db.close();
  });

  it('are not touched where the port is taken', async () => {
    const taken = createServer().listen(0, '127.0.0.1');
    await once(taken, 'listening');
    const { port } = taken.address() as AddressInfo;
    const { status, lines } = startOn({ JOYLAP_DATA: folder, PORT: String(port) });
    taken.close();
    expect([status, lines]).toEqual([
      2,
      [`Joy Lap can't listen on 127.0.0.1:${port}: something else listens there already; set PORT.`],
    ]);
    expect(existsSync(file)).toBe(false);
  });

  it('that cannot be used end the start with one sentence and what to do', () => {
    writeFileSync(file, 'this is a shopping list and no database, whatever it is called: '.repeat(30));
    const { status, lines } = startOn({ JOYLAP_DATA: folder });
    expect([status, lines]).toEqual([2, [jasmine.stringContaining('is no database of Joy Lap. Restore a backup')]]);

    const opened = (at = file) => {
      try {
        openDatabase(at).close();
        return 'opened';
      } catch (error) {
        return startFault(error, at);
      }
    };
    expect(opened(join(file, 'joylap.sqlite'))).toContain('is no folder');
    writeFileSync(file, '');
    expect(opened()).toContain('is empty, as after a disk that was full. Restore a backup');
    rmSync(file);
    const store = venue('Harbour');
    const head = store.db.serialize().subarray(0, 4096);
    store.db.close();
    expect(opened()).toBe('opened');
    writeFileSync(file, Buffer.concat([head, Buffer.alloc(40_960, 0x5a)]));
    expect(opened()).toMatch(/Restore a backup/);
  });
});

describe('A fault of the system', () => {
  it('is told in a sentence with its code; a defect is not', () => {
    const fault = (code: string) => startFault(Object.assign(new Error('x'), { code }), '/data');
    expect(fault('ENOSPC')).toMatch(/full\. Make room.*\(ENOSPC\)/);
    expect(fault('SQLITE_FULL')).toMatch(/full/);
    expect(fault('EACCES')).toMatch(/may not write/);
    expect(fault('SQLITE_READONLY_DBMOVED')).toMatch(/may not write/);
    expect(fault('SQLITE_CORRUPT_VTAB')).toMatch(/damaged/);
    expect(fault('SQLITE_IOERR_READ')).toMatch(/cannot be read or written/);
    expect(startFault(new TypeError('x is not a function'), '/data')).toBeUndefined();
  });

  it('of a port is told before anything is opened', () => {
    expect([portOf(undefined), portOf('8080'), portOf('0')]).toEqual([4700, 8080, 0]);
    for (const text of ['', 'x', '-1', '70000', '80.5']) expect(() => portOf(text || 'x')).toThrowError(CannotStart);
  });
});
