import { activityOf, type Activity } from '../activity';
import { drivesByCar, type DriveHold, type RefuelHold } from '../schedule';
import { liesInside, overlappingPairs, type Interval } from '../windows';
import { rule, type Broken } from './rule';

export type CarFreeBroken =
  | Broken<'taken', { car: string; by: Activity; activity: Activity }, { untilS: number; startS: number }>
  | Broken<'away', { car: string; activity: Activity }, { startS: number; endS: number }>;

/** What keeps a car: a drive with the turnaround after it, or a refuel. */
export function carHold(hold: DriveHold | RefuelHold, turnaroundS: number): Interval & { readonly activity: Activity } {
  const endS = hold.kind === 'drive' ? hold.endS + turnaroundS : hold.endS;
  return { startS: hold.startS, endS, activity: activityOf(hold) };
}

/** A car's holds do not overlap; drives and refuels lie in its windows (a turnaround may run past a window). */
export const carFree = rule('CAR_FREE', function* (schedule): Iterable<CarFreeBroken> {
  const { day, index, refuels } = schedule;
  const byCar = drivesByCar(schedule);
  for (const car of day.cars) {
    const holds = [...(byCar.get(car.id) ?? []), ...refuels.filter((refuel) => refuel.car === car)];
    for (const [a, b] of overlappingPairs(holds.map((hold) => carHold(hold, day.rules.turnaroundS)))) {
      yield {
        detail: 'taken',
        subjects: { car: car.id, by: a.activity, activity: b.activity },
        values: { untilS: a.endS, startS: b.startS },
      };
    }
    for (const hold of holds) {
      if (!liesInside(index.windows(car), hold)) {
        const { startS, endS } = hold;
        yield { detail: 'away', subjects: { car: car.id, activity: activityOf(hold) }, values: { startS, endS } };
      }
    }
  }
});
