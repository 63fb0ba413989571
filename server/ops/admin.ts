import { chmodSync, copyFileSync, existsSync, mkdirSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { managerCode } from '@core/api';
import { hashOfCode } from '../access/manager-service';
import { managerStore } from '../store/manager';
import { backUp, checkBackup } from './backup';
import { CannotStart } from '../base/disk-faults';
import { lockFolder } from '../base/lock';
import { DATABASE_FILE } from './settings';

/** How somebody at a terminal is asked. */
export type Asked = (question: string) => Promise<string>;

/**
 * Copies the data of a folder into a file, whether or not a server is running on them.
 *
 * @returns what was done, as a sentence
 * @throws CannotStart where it cannot be done, with what to do
 */
export async function backupTo(folder: string, to: string): Promise<string> {
  const file = join(folder, DATABASE_FILE);
  if (!existsSync(file)) throw new CannotStart(`There are no data in ${folder} yet.`);
  if (existsSync(to)) throw new CannotStart(`${to} is there already; choose another name.`);
  const db = new Database(file);
  try {
    await backUp(db, to);
  } finally {
    db.close();
  }
  return `${to} holds everything that was stored up to now; it has been opened and checked.`;
}

/**
 * Puts a backup in the place of the data, after asking; what was there is kept beside it.
 *
 * @returns what was done, as sentences
 * @throws CannotStart where a server is running, where the backup is not sound, or where the answer is not yes
 */
export async function restoreFrom(folder: string, from: string, ask: Asked): Promise<string> {
  if (!existsSync(from)) throw new CannotStart(`There is no file ${from}.`);
  mkdirSync(folder, { recursive: true });
  const unlock = lockFolder(folder);
  const [file, fresh] = [join(folder, DATABASE_FILE), join(folder, 'restoring.sqlite')];
  try {
    copyFileSync(from, fresh);
    chmodSync(fresh, 0o600);
    checkBackup(fresh);
    let kept = '';
    if (existsSync(file)) {
      const answer = await ask(`Put ${from} in the place of the data in ${folder}? They are kept. (yes/no) `);
      if (answer.trim().toLowerCase() !== 'yes') throw new CannotStart('Nothing was changed.');
      const aside = join(folder, `before-restore-${new Date().toISOString().replace(/[:.]/g, '-')}`);
      mkdirSync(aside);
      for (const name of [DATABASE_FILE, `${DATABASE_FILE}-wal`, `${DATABASE_FILE}-shm`]) {
        if (existsSync(join(folder, name))) renameSync(join(folder, name), join(aside, name));
      }
      kept = ` What was there is in ${aside}.`;
    }
    renameSync(fresh, file);
    return `The data of ${from} are in place; start Joy Lap again.${kept}`;
  } finally {
    rmSync(fresh, { force: true });
    unlock();
  }
}

/**
 * Sets the manager's code, as where it has been forgotten. Who was let in by the old one stays so until the next start.
 *
 * @returns what was done, as a sentence
 * @throws CannotStart where there are no data, or this is no code
 */
export async function setManagerCode(folder: string, ask: Asked): Promise<string> {
  const file = join(folder, DATABASE_FILE);
  if (!existsSync(file)) throw new CannotStart(`There are no data in ${folder} yet: start Joy Lap once.`);
  const checked = managerCode.safeParse({ code: (await ask('New code of the manager: ')).trim() });
  if (!checked.success) throw new CannotStart(`Nothing was changed: ${checked.error.issues[0]!.message}.`);
  const db = new Database(file, { timeout: 5000 });
  try {
    managerStore(db).setHash(await hashOfCode(checked.data.code));
  } finally {
    db.close();
  }
  return 'The code is set.';
}
