import { carMisfit, clockMinute, type Car, type Drive, type Guest } from '../day';
import { possibleCars, possibleInstructors } from './choose';
import { isReady, mayTeach } from './readiness';
import type { ObstacleGroup } from './obstacles';
import { earliestDrive } from './slots';
import type { Timetable } from './timetable';

/** Why a drive found no place, in a sentence that names what a manager could change. */
export function whyUnplanned(timetable: Timetable, guest: Guest, drive: Drive): string {
  const { day, index, nowS } = timetable;
  const present = drive.cars.flatMap((id) => index.cars.get(id) ?? []);
  if (present.length === 0)
    return `No car of this drive (${drive.cars.join(', ')}) is on the day's sheet; offer another car.`;
  if (drive.pin?.car !== undefined && !present.some(({ id }) => id === drive.pin?.car)) {
    return `The drive is pinned to the car "${drive.pin.car}", which it does not allow or which is not there; change the pin.`;
  }
  const cars = possibleCars(timetable, guest, drive);
  if (cars.length === 0) {
    return `${carMisfit(present[0]!, drive, guest) ?? 'No car of this drive can be used'}; offer another car.`;
  }
  const names = cars.map(({ name }) => name).join(' or ');
  const crew = new Set(cars.flatMap((car) => possibleInstructors(timetable, guest, drive, car)));
  if (crew.size === 0) {
    return `No instructor teaches in ${names}, speaks ${guest.languages.join(' or ')} and may be with ${guest.name}; bring in one who does.`;
  }
  const leaves = guest.leavesBy ?? day.closes;
  if (!isReady(timetable, guest)) {
    const missing =
      guest.briefed || timetable.guest(guest.id).some((hold) => hold.kind === 'briefing') ? 'sighting run' : 'class';
    const able = day.instructors.filter((instructor) => (missing === 'class' ? instructor.brief : instructor.sighting));
    if (!able.some((instructor) => mayTeach(instructor, guest))) {
      return `No instructor who gives a ${missing} speaks ${guest.languages.join(' or ')} and may be with ${guest.name}; bring in one who does.`;
    }
    return `No ${missing} with a place for ${guest.name} fits between ${clockMinute(Math.max(guest.arrives, nowS))} and ${clockMinute(leaves)}; add one, or ask for a longer stay.`;
  }
  if (drive.pin?.release !== undefined) {
    return `Nothing else may hold ${names}, the guest, an instructor and the circuit around the pinned ${clockMinute(drive.pin.release)}; move the pin.`;
  }
  const freeing = (group: ObstacleGroup) => earliestIfAway(timetable, drive, guest, cars, group);
  const circuitFree = freeing('circuit');
  if (circuitFree !== undefined) {
    return `The circuit is full or closed whenever ${names}, an instructor and ${guest.name} are free; with room on it ${clockMinute(circuitFree)} would do.`;
  }
  const carFree = freeing('car');
  if (carFree !== undefined) {
    return `${names} is taken, refuelling, cooling or away until ${clockMinute(leaves)}; another car would do from ${clockMinute(carFree)}.`;
  }
  const crewFree = freeing('crew');
  if (crewFree !== undefined) {
    const who = [...crew]
      .slice(0, 4)
      .map(({ name }) => name)
      .join(', ');
    return `${who} ${crew.size > 1 ? 'are' : 'is'} held, resting or away whenever ${names} is free; one more instructor would do from ${clockMinute(crewFree)}.`;
  }
  if (guest.leavesBy !== undefined && freeing('guest') !== undefined) {
    return `${guest.name} leaves by ${clockMinute(guest.leavesBy)}, too early for this drive; ask for a longer stay.`;
  }
  return `The day is too full before ${clockMinute(leaves)}: car, instructor and circuit are all short; add hours or leave out another drive.`;
}

/** Release that would be possible with one group of obstacles out of the way, or nothing. */
function earliestIfAway(
  timetable: Timetable,
  drive: Drive,
  guest: Guest,
  cars: readonly Car[],
  group: ObstacleGroup,
): number | undefined {
  const releases = cars.flatMap((car) =>
    possibleInstructors(timetable, guest, drive, car).flatMap((instructor) => {
      const slot = earliestDrive(timetable, drive, car, instructor, guest.arrives, group);
      return slot ? [slot.hold.releaseS] : [];
    }),
  );
  return releases.length > 0 ? Math.min(...releases) : undefined;
}
