import type { Admit } from './access';
import type { Bounds } from './bound/bounds';
import type { Calendar } from './calendar';
import type { Clock } from './clock';
import type { DayCache } from './day-cache';
import type { DeviceDesk } from './devices/device-desk';
import type { ManagerDesk } from './manager-desk';
import type { Flags } from './live/flags';
import type { Erasing } from './erasing';
import type { Hub } from './live/hub';
import type { Network } from './network/network';
import type { PhoneDesk } from './phones/phone-desk';
import type { PracticeDesk } from './live/practice-desk';
import type { ServerWatch } from './live/server-watch';
import type { Slides } from './live/slides';
import type { PlanJobs } from './planner/plan-jobs';
import type { JournalWriter } from './journal-writer';
import type { Store } from './store';

/** What the routes work with. */
export interface Services {
  readonly store: Store;
  readonly clock: Clock;
  readonly calendar: Calendar;
  readonly hub: Hub;
  readonly flags: Flags;
  readonly dayCache: DayCache;
  readonly journal: JournalWriter;
  readonly planJobs: PlanJobs;
  readonly slides: Slides;
  readonly bounds: Bounds;
  readonly devices: DeviceDesk;
  readonly manager: ManagerDesk;
  readonly erasing: Erasing;
  readonly practice: PracticeDesk;
  readonly phones: PhoneDesk;
  readonly watch: ServerWatch;
  readonly network: Network;
  readonly admit: Admit;
  /** Of the application that is served. */
  readonly version: string;
  /** Puts the demo back to its beginning; only the demo has it. */
  readonly resetDemo: (() => void) | undefined;
  /** What is to be done once a day is closed: a backup, and what nobody looks at any more goes. */
  readonly dayClosed: () => void;
}
