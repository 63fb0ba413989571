import type { Signal } from '@angular/core';
import type { Booking, DaySummary, DayView, LivePositions, PlanProgress } from '@core/api';
import type { Day, Plan } from '@core/day';
import type { Drift } from '@core/live/drift';
import type { DayContext, DayState, JournalEntry, RecordedEntry } from '@core/journal';
import type { Subject } from 'rxjs';
import type { FlagEntry, FlagNow } from './flags';

type DistributiveOmit<T, K extends PropertyKey> = T extends unknown ? Omit<T, K> : never;
/** An entry as a screen makes it; id, time and author are added by the day. */
export type NewEntry = DistributiveOmit<JournalEntry, 'id' | 'at' | 'by'>;

/** What screens see of the day that is open, and do with it. */
export interface OpenDay {
  readonly days: Signal<readonly DaySummary[]>;
  readonly date: Signal<string | undefined>;
  readonly view: Signal<DayView | undefined>;
  /** Why the day can't be shown, if so. */
  readonly failure: Signal<string | undefined>;
  /** Whether the live stream is open. */
  readonly connected: Signal<boolean>;
  /** Where cars are, as trackers have last told. */
  readonly positions: Signal<LivePositions | undefined>;
  readonly day: Signal<Day | undefined>;
  readonly plan: Signal<Plan | undefined>;
  readonly context: Signal<DayContext | undefined>;
  readonly entries: Signal<readonly RecordedEntry[]>;
  /** Where the day is heading, looked at with every entry and every few seconds; nothing where nobody enters anything. */
  readonly drift: Signal<Drift | undefined>;
  /** The state at the time that is shown. */
  readonly state: Signal<DayState | undefined>;
  readonly bookings: Signal<ReadonlyMap<string, Booking>>;
  /** Code of the currency in which this venue sells. */
  readonly currency: Signal<string>;
  /** Where each car stands: what somebody has entered today, else its own stall. */
  readonly stalls: Signal<Readonly<Record<string, number>>>;
  /** Time of this event day: 0 until the date has come, over 24 h as long as the day runs on past midnight, then its end. */
  readonly nowS: Signal<number>;
  /** The time that every screen shows: now, unless the ribbon is set elsewhere. */
  readonly shownS: Signal<number>;
  readonly live: Signal<boolean>;
  readonly devicesChanged: Subject<void>;
  readonly phonesChanged: Subject<void>;
  /** Emits when the crew of a practice day has come or gone, and when a station has changed hands. */
  readonly practiceChanged: Subject<void>;
  /** Emits when the search for a plan has begun, ended or been dropped, and whenever a day is read from the start. */
  readonly planningChanged: Subject<void>;
  readonly boundChanged: Subject<void>;
  readonly planningProgress: Subject<PlanProgress>;

  /** The flag of the day that is running, whatever day and time are shown; nothing before anything of it is known. */
  readonly flag: Signal<FlagNow | undefined>;

  /** Calls or lifts a flag for the day that is running, whatever is shown. */
  callFlag(fields: FlagEntry): boolean;
  reload(): void;
  /** Shows another time of the day; nothing brings it back to now. */
  showTime(timeS: number | undefined): void;
  /**
   * Enters what has happened. It shows at once and is kept on this device until the server has it; what is impossible is
   * refused with the reason.
   *
   * @param by who says so, where it is not whoever works at this device
   * @param atS when it happened, where that was not now: seconds since midnight
   */
  record(fields: NewEntry, by?: string, atS?: number): boolean;
  /** Takes an entry back by a correcting one. */
  undo(entryId: string): boolean;
  /** Says why something is not done. */
  refuse(reason: string): void;
  say(detail: string): void;
}
