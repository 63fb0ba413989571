import { isDeepStrictEqual } from 'node:util';
import { openDates, type DaySetup } from '@core/venue/settings';
import type { RosterEntry } from '@core/people/crew';
import type { Clock } from '../base/clock';
import type { Store } from '../store';

/** A new date is seen so soon. */
const WATCH_MS = 30_000;

/** Keeps the event days of the calendar, as dates pass and as the calendar is changed. */
export class Calendar {
  private keptOn: string | undefined;
  private readonly watch = setInterval(() => this.follow(), WATCH_MS);

  constructor(
    private readonly store: Store,
    private readonly clock: Clock,
    private readonly changed: () => void,
  ) {
    this.watch.unref();
    this.keep();
  }

  /** @returns whether anything has changed */
  keep(): boolean {
    this.keptOn = this.clock.read().date;
    return keepCalendar(this.store, this.keptOn, this.clock.recordedAt());
  }

  /** Keeps them where another date has come. */
  follow(): void {
    if (this.keptOn !== this.clock.read().date && this.keep()) this.changed();
  }

  close(): void {
    clearInterval(this.watch);
  }
}

/**
 * Makes the event days of the calendar from a date on, and takes back those that it made before and has no longer, where
 * nothing is on them.
 *
 * @returns whether anything has changed
 */
function keepCalendar(store: Store, today: string, now: string): boolean {
  const open = new Set(openDates(store.venue.get()!.fields.calendar, today));
  const known = store.days.list();
  const there = new Set(known.map(({ date }) => date));
  const missing = [...open].filter((date) => !there.has(date));
  const gone = known.filter(({ date, byCalendar }) => byCalendar && date >= today && !open.has(date));
  return store.db
    .transaction(() => {
      for (const date of missing) store.days.makeByCalendar(date, now);
      const removed = gone.filter(
        ({ date }) => isDeepStrictEqual(store.days.setupOf(date), {}) && store.days.removeEmpty(date),
      );
      return missing.length + removed.length > 0;
    })
    .immediate();
}

/** What a day has of its own and who is there in shifts, for other days; who has a shift or is away there keeps to it. */
export function copySetup(store: Store, from: string, to: readonly string[], now: string): void {
  const setup: DaySetup = store.days.setupOf(from);
  const shifts = store.roster.between(from, from).flatMap(({ fields }) => (fields.kind === 'shift' ? [fields] : []));
  store.db
    .transaction(() => {
      for (const date of to) {
        store.days.add(date, now);
        store.days.changeSetup(date, setup);
        const taken = new Set(store.roster.between(date, date).map(({ fields }) => fields.instructor));
        for (const shift of shifts) if (!taken.has(shift.instructor)) store.roster.put(shiftOn(date, shift));
      }
    })
    .immediate();
}

function shiftOn(date: string, { id, instructor, hours }: RosterEntry): RosterEntry {
  return {
    id: `${id.slice(0, 200)}-${date}`,
    instructor,
    kind: 'shift',
    from: date,
    to: date,
    ...(hours && { hours }),
  };
}
