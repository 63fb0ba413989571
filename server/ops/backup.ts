import { existsSync, mkdirSync, readdirSync, renameSync, rmSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import Database from 'better-sqlite3';
import { formOf, newestForm, type Db } from '../store/database';
import { CannotStart } from '../base/disk-faults';

/** Of so many days the last backup stays, and so many of the latest; and so many from before another form. */
const KEPT_DAYS = 14;
const KEPT_LATEST = 3;
const KEPT_FORMS = 3;
const NAME = /^joylap-(\d{8})-(\d{6})-([a-z]+)\.sqlite$/;
/** Where a backup says of itself what it is. */
const NOTE_TABLE = 'backup_note';

/**
 * Copies a database, running or not, by SQLite's own means, and looks at the copy: it is opened, checked as a whole, and
 * only then put in the place of what had its name. The copy is one file and needs no other.
 *
 * @throws CannotStart where the copy is not good
 */
export async function backUp(db: Db, file: string, note?: Note): Promise<void> {
  mkdirSync(dirname(file), { recursive: true });
  const half = `${file}.part`;
  rmSync(half, { force: true });
  try {
    await db.backup(half);
    if (note) say(half, note);
    checkBackup(half);
    renameSync(half, file);
  } finally {
    for (const rest of [half, `${half}-wal`, `${half}-shm`]) rmSync(rest, { force: true });
  }
}

/** Writes into a copy what it is. */
function say(file: string, { madeAt, kind }: Note): void {
  const copy = new Database(file);
  // Without a journal beside it: a backup is one file.
  copy.pragma('journal_mode = DELETE');
  copy.exec(`create table if not exists ${NOTE_TABLE} (made_at text not null, kind text not null)`);
  copy.exec(`delete from ${NOTE_TABLE}`);
  copy.prepare(`insert into ${NOTE_TABLE} values (?, ?)`).run(madeAt, kind);
  copy.close();
}

/** @throws CannotStart where this is no sound database of Joy Lap, or one of a newer program */
export function checkBackup(file: string): void {
  if (!existsSync(file)) throw new CannotStart(`There is no file ${file}.`);
  const broken = (why: string) => new CannotStart(`${basename(file)} is no good backup of Joy Lap: ${why}.`);
  let copy: Db | undefined;
  try {
    copy = new Database(file);
    // Without a journal beside it: a backup is one file.
    copy.pragma('journal_mode = DELETE');
    const verdict = copy.pragma('integrity_check(1)', { simple: true });
    if (verdict !== 'ok') throw broken(String(verdict));
    const tables = copy.prepare("select count(*) as n from sqlite_master where name in ('venue', 'journal_entry')");
    if ((tables.get() as { n: number }).n !== 2) throw broken('it has no venue and no journal');
    const [form, newest] = [formOf(copy), newestForm()];
    if (form > newest) {
      throw new CannotStart(
        `${basename(file)} was written by a newer Joy Lap (its form is ${form}, this program knows ${newest}). Use the newer program for it.`,
      );
    }
  } catch (error) {
    throw error instanceof CannotStart ? error : broken((error as Error).message);
  } finally {
    copy?.close();
  }
}

/** What a backup says of itself. */
interface Note {
  /** Real moment at which it was made. */
  readonly madeAt: string;
  /** Why: `start`, `close`, `form` before the database got another form. */
  readonly kind: string;
}

/**
 * A backup among those of a data folder. Of those that are there already, the last one of each of the fourteen latest days
 * stays, as do the last ones of all and those from before another form: what they are is told by themselves, not by when a
 * file was written or what it is called.
 *
 * @param kind why it is made: small letters
 * @returns its file
 */
export async function keepBackup(db: Db, folder: string, kind: string, now = new Date()): Promise<string> {
  const backups = join(folder, 'backups');
  const stamp = now
    .toISOString()
    .replace(/\.\d+Z$/, '')
    .replace(/[-:]/g, '')
    .replace('T', '-');
  const file = join(backups, `joylap-${stamp}-${kind}.sqlite`);
  await backUp(db, file, { madeAt: now.toISOString(), kind });
  prune(backups, file);
  return file;
}

function prune(backups: string, justMade: string): void {
  const all = readdirSync(backups)
    .filter((name) => NAME.test(name))
    .map((name) => ({ file: join(backups, name), ...noteOf(join(backups, name)) }))
    .sort((a, b) => (a.madeAt < b.madeAt ? 1 : -1));
  const dayOf = ({ madeAt }: Note) => madeAt.slice(0, 10);
  const days = [...new Set(all.map(dayOf))].slice(0, KEPT_DAYS);
  const kept = new Set([
    justMade,
    ...days.map((day) => all.find((one) => dayOf(one) === day)!.file),
    ...all.slice(0, KEPT_LATEST).map(({ file }) => file),
    ...all
      .filter(({ kind }) => kind === 'form')
      .slice(0, KEPT_FORMS)
      .map(({ file }) => file),
  ]);
  for (const { file } of all) if (!kept.has(file)) rmSync(file);
}

/** What a backup says of itself; of one that says nothing, or cannot be read, what its name does. */
function noteOf(file: string): Note {
  const [, date = '', time = '', kind = ''] = NAME.exec(basename(file)) ?? [];
  const named = {
    madeAt: `${date.replace(/(\d{4})(\d\d)(\d\d)/, '$1-$2-$3')}T${time.replace(/(\d\d)(\d\d)(\d\d)/, '$1:$2:$3')}Z`,
    kind,
  };
  let copy: Db | undefined;
  try {
    copy = new Database(file, { readonly: true });
    return copy.prepare<[], Note>(`select made_at as madeAt, kind from ${NOTE_TABLE}`).get() ?? named;
  } catch {
    return named;
  } finally {
    copy?.close();
  }
}
