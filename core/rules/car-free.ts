import { activityOf, type Activity, takenByCar, type CarOccupancy, type RefuelOccupancy } from '../day';
import { liesInside, overlappingPairs, type Interval } from '../values';
import { rule, type Broken } from './rule';

export type CarFreeBroken =
  | Broken<'taken', { car: string; by: Activity; activity: Activity }, { untilS: number; startS: number }>
  | Broken<'away', { car: string; activity: Activity }, { startS: number; endS: number }>;

/** What keeps a car: a drive or a group with the turnaround after it, or a refuel. */
function carOccupancy(
  occupancy: CarOccupancy | RefuelOccupancy,
  turnaroundS: number,
): Interval & { readonly activity: Activity } {
  const endS = occupancy.kind === 'refuel' ? occupancy.endS : occupancy.endS + turnaroundS;
  return { startS: occupancy.startS, endS, activity: activityOf(occupancy) };
}

/** A car's occupancies do not overlap; drives, groups and refuels lie in its windows (a turnaround may run past one). */
export const carFree = rule('CAR_FREE', function* (schedule): Iterable<CarFreeBroken> {
  const { day, index, refuels } = schedule;
  const byCar = takenByCar(schedule);
  for (const car of day.cars) {
    const occupancies = [...(byCar.get(car.id) ?? []), ...refuels.filter((refuel) => refuel.car === car)];
    for (const [a, b] of overlappingPairs(
      occupancies.map((occupancy) => carOccupancy(occupancy, day.rules.turnaroundS)),
    )) {
      yield {
        detail: 'taken',
        subjects: { car: car.id, by: a.activity, activity: b.activity },
        values: { untilS: a.endS, startS: b.startS },
      };
    }
    for (const occupancy of occupancies) {
      if (!liesInside(index.windows(car), occupancy)) {
        const { startS, endS } = occupancy;
        yield { detail: 'away', subjects: { car: car.id, activity: activityOf(occupancy) }, values: { startS, endS } };
      }
    }
  }
});
