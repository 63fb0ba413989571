import { activityOf, type Activity, type Car, takenByCar, type CarOccupancy, type RefuelOccupancy } from '../day';
import { rule, type Broken } from './rule';

const TOLERANCE_L = 1e-6;

type FuelEvent =
  | { readonly atS: number; readonly kind: 'refuel' }
  | { readonly atS: number; readonly kind: 'drive'; readonly drive: CarOccupancy }
  | { readonly atS: number; readonly kind: 'reading'; readonly litres: number };

/** Fuel after each drive, in litres, in order of time. */
export interface FuelAfterDrive {
  readonly drive: CarOccupancy;
  readonly litres: number;
}

/**
 * A car's fuel over the day: a drive burns its fuel by the end of its laps, a refuel counts when it is done, and a
 * reading replaces what was computed up to its time (on a tie the reading wins).
 */
function fuelAfterDrives(
  car: Car,
  drives: readonly CarOccupancy[],
  refuels: readonly RefuelOccupancy[],
): FuelAfterDrive[] {
  const events: FuelEvent[] = [
    ...refuels.map((refuel) => ({ atS: refuel.endS, kind: 'refuel' as const })),
    ...drives.map((drive) => ({ atS: drive.trackEndS, kind: 'drive' as const, drive })),
    ...(car.fuel.readings ?? []).map(({ at, litres }) => ({ atS: at, kind: 'reading' as const, litres })),
  ].sort((a, b) => a.atS - b.atS);
  let litres = car.fuel.startL;
  const after: FuelAfterDrive[] = [];
  for (const event of events) {
    if (event.kind === 'refuel') litres = car.fuel.capacityL;
    else if (event.kind === 'reading') litres = event.litres;
    else {
      litres -= event.drive.lapsDriven * car.fuel.perLapL;
      after.push({ drive: event.drive, litres });
    }
  }
  return after;
}

/** Whether a level lies below the reserve, beyond the tolerance of computation. */
export function belowReserve(car: Car, litres: number): boolean {
  return litres < car.fuel.reserveL - TOLERANCE_L;
}

export type CarFuelBroken = Broken<'low', { car: string; after: Activity }, { litres: number; reserveL: number }>;

/** Fuel never falls below the reserve. */
export const carFuel = rule('CAR_FUEL', function* (schedule): Iterable<CarFuelBroken> {
  for (const [id, drives] of takenByCar(schedule)) {
    const car = schedule.index.cars.get(id)!;
    const refuels = schedule.refuels.filter((refuel) => refuel.car === car);
    for (const { drive, litres } of fuelAfterDrives(car, drives, refuels)) {
      if (belowReserve(car, litres)) {
        const { reserveL } = car.fuel;
        yield { detail: 'low', subjects: { car: id, after: activityOf(drive) }, values: { litres, reserveL } };
      }
    }
  }
});
