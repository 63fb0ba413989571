import {
  layOutBriefing,
  layOutDrive,
  layOutRefuel,
  layOutSighting,
  liesInside,
  overlaps,
  type BriefingHold,
  type Car,
  type Drive,
  type DriveHold,
  type Guest,
  type Instructor,
  type PersonHold,
  type RefuelHold,
  type SightingHold,
  type SightingVehicle,
} from '../day';
import { fuelLasts, obstacleTo, type ObstacleGroup } from './obstacles';
import { withHold, type Timetable } from './timetable';

/** Releases and starts that the planner chooses are whole multiples of this many seconds: easy to say over a radio. */
const GRID_S = 15;

/** A place for a drive, with the refuel that it needs before it, if any. */
export interface DriveSlot {
  readonly hold: DriveHold;
  readonly refuel: RefuelHold | undefined;
}

/** Earliest class of these guests with this instructor that starts at or after `fromS`. */
export function earliestBriefing(
  timetable: Timetable,
  guests: readonly Guest[],
  instructor: Instructor,
  fromS: number,
): BriefingHold | undefined {
  const ids = guests.map(({ id }) => id);
  return earliest(timetable, fromS, (start) =>
    layOutBriefing(timetable.day, timetable.index, { start, instructor: instructor.id, guests: ids }),
  );
}

/** Earliest sighting run of these guests in this vehicle with this instructor released at or after `fromS`. */
export function earliestSighting(
  timetable: Timetable,
  guests: readonly Guest[],
  vehicle: SightingVehicle,
  instructor: Instructor,
  fromS: number,
): SightingHold | undefined {
  const ids = guests.map(({ id }) => id);
  return earliest(timetable, fromS, (release) =>
    layOutSighting(timetable.day, timetable.index, {
      release,
      vehicle: vehicle.id,
      instructor: instructor.id,
      guests: ids,
    }),
  );
}

/**
 * Earliest place of a drive in this car with this instructor released at or after `fromS`. A pinned release is the only
 * one that is tried. One group of obstacles may be imagined away, to learn whether it is what stands in the way.
 */
export function earliestDrive(
  timetable: Timetable,
  drive: Drive,
  car: Car,
  instructor: Instructor,
  fromS: number,
  imaginedAway?: ObstacleGroup,
): DriveSlot | undefined {
  const { day, index } = timetable;
  const at = (release: number) =>
    layOutDrive(day, index, { drive: drive.id, car: car.id, instructor: instructor.id, release });
  if (drive.pin?.release !== undefined) return driveSlot(timetable, at(drive.pin.release), imaginedAway);

  let releaseS = onGrid(fromS);
  while (releaseS <= day.closes) {
    const hold = at(releaseS);
    const obstacle = obstacleTo(timetable, hold, imaginedAway);
    if (!obstacle) return { hold, refuel: undefined };
    if (obstacle.group === 'car') {
      const slot = driveSlot(timetable, hold, imaginedAway);
      if (slot) return slot;
    }
    if (obstacle.shiftS === Infinity) return undefined;
    releaseS = onGrid(releaseS + Math.max(1, obstacle.shiftS));
  }
  return undefined;
}

/** This very place for a drive, with a refuel before it where the fuel would not last. */
export function driveSlot(timetable: Timetable, hold: DriveHold, imaginedAway?: ObstacleGroup): DriveSlot | undefined {
  if (!obstacleTo(timetable, hold, imaginedAway)) return { hold, refuel: undefined };
  const car = hold.car!;
  const drives = withHold(timetable.car(car.id), hold);
  if (fuelLasts(car, drives, timetable.carRefuels(car.id))) return undefined;
  const refuel = refuelBefore(timetable, hold);
  if (!refuel || !fuelLasts(car, drives, withHold(timetable.carRefuels(car.id), refuel))) return undefined;
  timetable.add(refuel);
  const obstacle = obstacleTo(timetable, hold, imaginedAway);
  timetable.remove(refuel);
  return obstacle ? undefined : { hold, refuel };
}

/** The earliest refuel of the car between what it did before a drive and the drive itself, if a bay is free. */
function refuelBefore(timetable: Timetable, hold: DriveHold): RefuelHold | undefined {
  const { day, index, nowS } = timetable;
  const car = hold.car!;
  const before = timetable.car(car.id).findLast((other) => other.startS < hold.startS);
  const lastRefuel = timetable.carRefuels(car.id).findLast((other) => other.startS < hold.startS);
  const windows = index.windows(car);
  let startS = Math.max(
    day.opens,
    nowS,
    before ? before.endS + day.rules.turnaroundS : 0,
    lastRefuel?.endS ?? 0,
    windows.find((window) => window.to >= hold.startS)?.from ?? 0,
  );
  while (startS + car.fuel.refuelS <= hold.startS) {
    const refuel = layOutRefuel(index, { car: car.id, start: startS });
    const beside = timetable.refuels.filter((other) => overlaps(other, refuel));
    if (beside.length < day.rules.refuelBays) return liesInside(windows, refuel) ? refuel : undefined;
    startS = Math.min(...beside.map((other) => other.endS), Infinity);
  }
  return undefined;
}

function earliest<H extends PersonHold>(timetable: Timetable, fromS: number, at: (atS: number) => H): H | undefined {
  let atS = onGrid(fromS);
  while (atS <= timetable.day.closes) {
    const hold = at(atS);
    const obstacle = obstacleTo(timetable, hold);
    if (!obstacle) return hold;
    if (obstacle.shiftS === Infinity) return undefined;
    atS = onGrid(atS + Math.max(1, obstacle.shiftS));
  }
  return undefined;
}

function onGrid(atS: number): number {
  return Math.ceil(atS / GRID_S) * GRID_S;
}
