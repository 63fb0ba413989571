import type { Day } from '../../day';
import type { CarState, CrewState, DayState, DriveState, GuestState } from '../state/day-state';
import type { JournalEntry } from '../entries/entry';
import type { Resolution } from '../state/refusal';

/** What families of entries have in common where they change the state. */

/** Keeps what became of an entry that did not fit, for the person who entered it. */
export function noteResolution(state: DayState, { id, kind, at, by }: JournalEntry, what: Resolution): void {
  state.resolved.push({ id, kind, atS: at, by, what });
}

export function changeGuest(state: DayState, id: string, atS: number, change: (guest: GuestState) => unknown): void {
  const guest = state.guests.get(id);
  if (!guest) return;
  change(guest);
  guest.sinceS = atS;
}

export function changeDrive(state: DayState, id: string, atS: number, change: (drive: DriveState) => unknown): void {
  const drive = state.drives.get(id);
  if (!drive) return;
  change(drive);
  const guest = state.guests.get(drive.guest.id);
  if (guest) guest.sinceS = atS;
}

export function changeCar(state: DayState, id: string | undefined, change: (car: CarState) => unknown): void {
  const car = id === undefined ? undefined : state.cars.get(id);
  if (car) change(car);
}

export function changeCrew(state: DayState, id: string | undefined, change: (crew: CrewState) => unknown): void {
  const crew = id === undefined ? undefined : state.crew.get(id);
  if (crew) change(crew);
}

export function occupy(state: DayState, instructor: string, what: string): void {
  changeCrew(state, instructor, (it) => {
    it.busyWith = what;
    it.pause = undefined;
  });
}

export function release(state: DayState, instructor: string | undefined, what: string): void {
  changeCrew(state, instructor, (it) => {
    if (it.busyWith === what) it.busyWith = undefined;
  });
}

/** The day with one of its guests or instructors changed. */
export function withEach<K extends 'guests' | 'instructors'>(
  day: Day,
  kind: K,
  id: string,
  change: (thing: Day[K][number]) => Day[K][number],
): Day {
  return { ...day, [kind]: day[kind].map((thing) => (thing.id === id ? change(thing) : thing)) };
}
