import { join } from 'node:path';
import Database from 'better-sqlite3';
import { CannotStart } from './disk-faults';

/**
 * Holds a folder for this process: a transaction on a small database of its own, which the operating system lets go of
 * when the process ends, however it ends.
 *
 * @returns lets go
 * @throws CannotStart where another process holds it
 */
export function lockFolder(folder: string): () => void {
  const db = new Database(join(folder, 'joylap.lock'), { timeout: 0 });
  try {
    db.pragma('journal_mode = MEMORY');
    db.exec('begin exclusive');
  } catch (error) {
    db.close();
    if (!String((error as { code?: string }).code).startsWith('SQLITE_BUSY')) throw error;
    throw new CannotStart(
      `Another Joy Lap is running on the data in ${folder}. Stop it first, or set JOYLAP_DATA to another folder.`,
    );
  }
  return () => db.close();
}
