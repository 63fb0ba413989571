import type { Clock } from './clock';
import type { DayRoom } from './day-room';
import type { Hub } from './live/hub';
import type { Store } from './store';

/** What the routes work with. */
export interface Services {
  readonly store: Store;
  readonly clock: Clock;
  readonly hub: Hub;
  readonly room: DayRoom;
  /** Puts the demo back to its beginning; only the demo has it. */
  readonly resetDemo: (() => void) | undefined;
}
