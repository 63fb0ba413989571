import { existsSync, mkdirSync, readdirSync, renameSync, rmSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import Database from 'better-sqlite3';
import type { Db } from '../database';
import { CannotStart } from './faults';

/** So many backups stay in the folder; older ones go. */
const KEPT = 14;
const NAME = /^joylap-\d{8}-\d{6}-[a-z]+\.sqlite$/;

/**
 * Copies a database, running or not, by SQLite's own means, and looks at the copy: it is opened, checked as a whole, and
 * only then put in the place of what had its name. The copy is one file and needs no other.
 *
 * @throws CannotStart where the copy is not good
 */
export async function backUp(db: Db, file: string): Promise<void> {
  mkdirSync(dirname(file), { recursive: true });
  const half = `${file}.part`;
  rmSync(half, { force: true });
  try {
    await db.backup(half);
    checkBackup(half);
    renameSync(half, file);
  } finally {
    for (const rest of [half, `${half}-wal`, `${half}-shm`]) rmSync(rest, { force: true });
  }
}

/** @throws CannotStart where this is no sound database of Joy Lap */
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
  } catch (error) {
    throw error instanceof CannotStart ? error : broken((error as Error).message);
  } finally {
    copy?.close();
  }
}

/**
 * A backup among those of a data folder, named by moment and reason; the oldest beyond fourteen go.
 *
 * @returns its file
 */
export async function keepBackup(db: Db, folder: string, reason: string, now = new Date()): Promise<string> {
  const backups = join(folder, 'backups');
  const stamp = now
    .toISOString()
    .replace(/\.\d+Z$/, '')
    .replace(/[-:]/g, '')
    .replace('T', '-');
  const file = join(backups, `joylap-${stamp}-${reason}.sqlite`);
  await backUp(db, file);
  const all = readdirSync(backups)
    .filter((name) => NAME.test(name))
    .sort();
  for (const old of all.slice(0, -KEPT)) rmSync(join(backups, old));
  return file;
}
