import { carMisfit, passesBetween, teachesIn, type Car, type Drive, type Guest, type Instructor } from '../day';
import { mayTeach } from './readiness';
import { earliestDrive, type DriveSlot } from './slots';
import type { Timetable } from './timetable';

/** Cars in which this drive can take place at all. */
export function possibleCars(timetable: Timetable, guest: Guest, drive: Drive): Car[] {
  return drive.cars
    .flatMap((id) => timetable.index.cars.get(id) ?? [])
    .filter((car) => !carMisfit(car, drive, guest) && (drive.pin?.car ?? car.id) === car.id);
}

/** Instructors who may teach this guest in this car. */
export function possibleInstructors(timetable: Timetable, guest: Guest, drive: Drive, car: Car): Instructor[] {
  return timetable.day.instructors.filter(
    (instructor) =>
      teachesIn(instructor, car) &&
      mayTeach(instructor, guest) &&
      (drive.pin?.instructor ?? instructor.id) === instructor.id,
  );
}

/** The earliest place in each possible car with each possible instructor, and of those the one that costs least. */
export function bestDriveSlot(timetable: Timetable, guest: Guest, drive: Drive, fromS: number): DriveSlot | undefined {
  let best: { slot: DriveSlot; price: number } | undefined;
  for (const car of possibleCars(timetable, guest, drive)) {
    for (const instructor of possibleInstructors(timetable, guest, drive, car)) {
      const slot = earliestDrive(timetable, drive, car, instructor, fromS);
      if (!slot) continue;
      const price = priceOf(timetable, guest, slot);
      if (!best || price < best.price) best = { slot, price };
    }
  }
  return best?.slot;
}

/** What a place costs in minutes of patience: the default weights of the cost terms that it touches. */
function priceOf(timetable: Timetable, guest: Guest, { hold }: DriveSlot): number {
  let price = hold.releaseS / 60;
  const before = timetable.guest(guest.id).findLast((other) => other.startS < hold.startS && other.kind === 'drive');
  if (before?.kind === 'drive') {
    if (before.planned.instructor !== hold.planned.instructor) price += 15;
    if ((hold.car?.level ?? 0) < (before.car?.level ?? 0)) price += 10;
  }
  const preferred = guest.preferInstructors ?? [];
  if (preferred.length > 0 && !preferred.includes(hold.planned.instructor)) price += 10;
  for (const other of timetable.circuit) price += 2 * passesBetween(hold, other);
  return price + timetable.heldS(hold.planned.instructor) / 60 / 20;
}
