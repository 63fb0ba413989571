import { existsSync, mkdirSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import Database from 'better-sqlite3';
import { CannotStart } from '../base/disk-faults';

export type Db = Database.Database;

const MIGRATIONS = join(dirname(fileURLToPath(import.meta.url)), 'sql');

interface Migration {
  readonly number: number;
  readonly file: string;
}

function migrations(folder: string): Migration[] {
  return readdirSync(folder)
    .flatMap((file) => {
      const number = /^(\d{3})-.*\.sql$/.exec(file)?.[1];
      return number ? [{ number: Number(number), file: join(folder, file) }] : [];
    })
    .sort((a, b) => a.number - b.number);
}

/** The newest form of a database that this program knows. */
export function newestForm(folder = MIGRATIONS): number {
  return migrations(folder).at(-1)?.number ?? 0;
}

/** The form of a database: the number of the last migration that it has seen, 0 where it is new. */
export const formOf = (db: Db): number => db.pragma('user_version', { simple: true }) as number;

/**
 * Opens the database file (`:memory:` for one that is not kept) and brings it to the newest form.
 *
 * @throws CannotStart with what to do
 */
export function openDatabase(file: string, folder = MIGRATIONS): Db {
  return migrated(connect(file, folder), Infinity, folder);
}

/**
 * Opens the database file in the form that it has. One that a newer program has written, or that has been emptied, is
 * refused.
 *
 * @throws CannotStart with what to do
 */
export function connect(file: string, folder = MIGRATIONS): Db {
  if (file !== ':memory:') mkdirSync(dirname(file), { recursive: true });
  if (existsSync(file) && statSync(file).size === 0 && !existsSync(`${file}-wal`)) {
    throw new CannotStart(
      `The database ${file} is empty, as after a disk that was full. Restore a backup: ./joylap restore FILE. To begin with a new venue, take the file away.`,
    );
  }
  const db = new Database(file);
  db.pragma('journal_mode = WAL');
  db.pragma('synchronous = FULL');
  db.pragma('foreign_keys = ON');
  db.pragma('busy_timeout = 5000');
  // What was erased is not left in free pages.
  db.pragma('secure_delete = ON');
  const [found, newest] = [formOf(db), newestForm(folder)];
  if (found > newest) {
    db.close();
    throw new CannotStart(
      `The database ${file} was written by a newer Joy Lap (its form is ${found}, this program knows ${newest}). Start the newer program, or restore a copy from before.`,
    );
  }
  return db;
}

/** Brings a database to the newest form, or to one before, each migration in a transaction of its own. */
export function migrated(db: Db, form = Infinity, folder = MIGRATIONS): Db {
  const found = formOf(db);
  for (const { number, file } of migrations(folder).filter(({ number: to }) => found < to && to <= form)) {
    db.transaction(() => {
      db.exec(readFileSync(file, 'utf8'));
      db.pragma(`user_version = ${number}`);
    }).immediate();
  }
  return db;
}
