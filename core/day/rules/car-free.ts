import { drivesByCar, type DriveHold, type RefuelHold } from '../schedule';
import { wallClock } from '../time';
import { liesInside, overlappingPairs, type Interval } from '../windows';
import { rule } from './rule';

/** What keeps a car: a drive with the turnaround after it, or a refuel. */
export function carHold(hold: DriveHold | RefuelHold, turnaroundS: number): Interval & { readonly label: string } {
  const endS = hold.kind === 'drive' ? hold.endS + turnaroundS : hold.endS;
  return { startS: hold.startS, endS, label: hold.label };
}

/** A car's holds do not overlap; drives and refuels lie in its windows (a turnaround may run past a window). */
export const carFree = rule('CAR_FREE', function* (schedule) {
  const { day, index, refuels } = schedule;
  const byCar = drivesByCar(schedule);
  for (const car of day.cars) {
    const holds = [...(byCar.get(car.id) ?? []), ...refuels.filter((refuel) => refuel.car === car)];
    for (const [a, b] of overlappingPairs(holds.map((hold) => carHold(hold, day.rules.turnaroundS)))) {
      yield `${car.name} is still taken until ${wallClock(a.endS)} by ${a.label} when ${b.label} begins at ${wallClock(b.startS)}`;
    }
    for (const hold of holds) {
      if (!liesInside(index.windows(car), hold)) {
        yield `${car.name} is not available for the whole of ${hold.label} (${wallClock(hold.startS)}–${wallClock(hold.endS)})`;
      }
    }
  }
});
