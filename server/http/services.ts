import type { Common } from '../services/common';
import type { Admit } from '../access/access';
import type { Bounds } from '../services/planning/bounds';
import type { Calendar } from '../services/calendar';
import type { DeviceService } from '../services/devices/device-service';
import type { ManagerService } from '../access/manager-service';
import type { Flags } from '../services/live/flags';
import type { Erasing } from '../services/erasing';
import type { Network } from '../access/network/network';
import type { PhoneService } from '../access/phone-service';
import type { PracticeService } from '../services/live/practice-service';
import type { ServerWatch } from '../services/live/server-watch';
import type { Slides } from '../services/live/slides';
import type { PlanJobs } from '../services/planning/plan-jobs';

/** What the routes work with. */
export interface Services extends Common {
  readonly calendar: Calendar;
  readonly flags: Flags;
  readonly planJobs: PlanJobs;
  readonly slides: Slides;
  readonly bounds: Bounds;
  readonly devices: DeviceService;
  readonly manager: ManagerService;
  readonly erasing: Erasing;
  readonly practice: PracticeService;
  readonly phones: PhoneService;
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
