import { activityOf, type Activity, type Car, takenByCar, type CarOccupancy } from '../day';
import { rule, type Broken } from './rule';

/** The first drive (by start) after which the car has run too many laps without standing still long enough. */
function overheatedDrive(
  car: Car,
  drives: readonly CarOccupancy[],
): { readonly drive: CarOccupancy; readonly laps: number } | undefined {
  let laps = 0;
  let before: CarOccupancy | undefined;
  for (const drive of drives) {
    if (before && drive.startS - before.endS >= car.cooling.restS) laps = 0;
    laps += drive.lapsDriven;
    if (laps > car.cooling.afterLaps) return { drive, laps };
    before = drive;
  }
  return undefined;
}

export type CarCoolingBroken = Broken<
  'hot',
  { car: string; activity: Activity },
  { laps: number; restS: number; afterLaps: number }
>;

/** Laps since the car last stood still for `restS` never exceed `afterLaps`; turnaround and refuel count as standing. */
export const carCooling = rule('CAR_COOLING', function* (schedule): Iterable<CarCoolingBroken> {
  for (const [id, drives] of takenByCar(schedule)) {
    const car = schedule.index.cars.get(id)!;
    const over = overheatedDrive(car, drives);
    if (over) {
      const { restS, afterLaps } = car.cooling;
      const subjects = { car: id, activity: activityOf(over.drive) };
      yield { detail: 'hot', subjects, values: { laps: over.laps, restS, afterLaps } };
    }
  }
});
