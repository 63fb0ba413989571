import type { Day, Drive } from '../day';
import type { DayState } from './state/day-state';

/** A drive with the laps that were given or sold on the day; itself where there are none. */
export function withLapsAdded(drive: Drive, state: DayState): Drive {
  const booked = drive.extraLaps ?? 0;
  const extraLaps = state.drives.get(drive.id)?.extraLaps ?? booked;
  return extraLaps === booked ? drive : { ...drive, extraLaps };
}

/** The day with the laps that were given or sold on it, whether the drive has begun or not; itself where there are none. */
export function dayWithLapsAdded(day: Day, state: DayState): Day {
  const isAsBooked = (drive: Drive) => withLapsAdded(drive, state) === drive;
  if (day.guests.every(({ drives }) => drives.every(isAsBooked))) return day;
  const guests = day.guests.map((guest) => ({
    ...guest,
    drives: guest.drives.map((drive) => withLapsAdded(drive, state)),
  }));
  return { ...day, guests };
}
