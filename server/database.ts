import { mkdirSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import Database from 'better-sqlite3';

export type Db = Database.Database;

/** Why a database can't be opened; the message is for the person who started the server. */
export class DatabaseRefused extends Error {}

const MIGRATIONS = join(dirname(fileURLToPath(import.meta.url)), 'sql');

interface Migration {
  readonly number: number;
  readonly sql: string;
}

function migrations(folder: string): Migration[] {
  return readdirSync(folder)
    .flatMap((file) => {
      const number = /^(\d{3})-.*\.sql$/.exec(file)?.[1];
      return number ? [{ number: Number(number), sql: readFileSync(join(folder, file), 'utf8') }] : [];
    })
    .sort((a, b) => a.number - b.number);
}

/**
 * Opens the database file (`:memory:` for one that is not kept) and brings it to the newest form, each migration in a
 * transaction of its own. A database that a newer program has written is refused.
 */
export function openDatabase(file: string, folder = MIGRATIONS): Db {
  if (file !== ':memory:') mkdirSync(dirname(file), { recursive: true });
  const db = new Database(file);
  db.pragma('journal_mode = WAL');
  db.pragma('synchronous = FULL');
  db.pragma('foreign_keys = ON');
  db.pragma('busy_timeout = 5000');
  const known = migrations(folder);
  const newest = known.at(-1)?.number ?? 0;
  const found = db.pragma('user_version', { simple: true }) as number;
  if (found > newest) {
    db.close();
    throw new DatabaseRefused(
      `The database ${file} was written by a newer Joy Lap (its form is ${found}, this program knows ${newest}). Start the newer program, or restore a copy from before.`,
    );
  }
  for (const { number, sql } of known.filter((migration) => migration.number > found)) {
    db.transaction(() => {
      db.exec(sql);
      db.pragma(`user_version = ${number}`);
    }).immediate();
  }
  return db;
}
