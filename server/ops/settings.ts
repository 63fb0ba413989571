import { DEMO_VENUE } from '../../demo/larkmere';
import type { Db } from '../store/database';
import { CannotStart } from '../base/disk-faults';

export const DATABASE_FILE = 'joylap.sqlite';
/** Beside it: what was erased and put out, and is never to come back. */
export const FOR_GOOD_FILE = 'for-good.jsonl';

/** Marks a database as the demo's, whatever its venue is called by now. */
export const DEMO_ID = 0x4a4c_444d;

/** The folder of the data, by the settings of the environment. */
export function dataFolder(demo: boolean, env: NodeJS.ProcessEnv = process.env): string {
  const own = demo ? env['JOYLAP_DEMO_DATA'] : undefined;
  return own ?? env['JOYLAP_DATA'] ?? (demo ? '.demo-data' : 'data');
}

/** @throws CannotStart where this is no port */
export function portOf(text: string | undefined): number {
  const port = Number(text ?? 4700);
  if (Number.isInteger(port) && port >= 0 && port <= 65_535) return port;
  throw new CannotStart(`"${text}" is no port; expected a number up to 65535.`);
}

/**
 * The port for phones on the network; nothing where it is `off`.
 *
 * @throws CannotStart where this is no port
 */
export function networkPortOf(text: string | undefined): number | undefined {
  return text === 'off' ? undefined : portOf(text ?? '4743');
}

/**
 * The demo begins by clearing what is there, so it must be the demo's.
 *
 * @throws CannotStart where the database is that of a venue
 */
export function mayHoldDemo(db: Db, folder: string): void {
  const venue = db.prepare(`select document ->> 'name' as name from venue`).get() as { name: string } | undefined;
  const isMarked = db.pragma('application_id', { simple: true }) === DEMO_ID;
  if (venue === undefined || isMarked || venue.name === DEMO_VENUE) return;
  throw new CannotStart(
    `The data in ${folder} are those of ${venue.name}, and the demo would clear them. Set JOYLAP_DEMO_DATA to another folder.`,
  );
}
