import type { Clock } from '../base/clock';
import type { Store } from '../store';
import type { DayCache } from './day-cache';
import type { JournalWriter } from './journal-writer';
import type { Hub } from './live/hub';

/** What nearly every service works with. */
export interface Common {
  readonly store: Store;
  readonly clock: Clock;
  readonly hub: Hub;
  readonly dayCache: DayCache;
  readonly journal: JournalWriter;
}
