import { overloads } from '../values';
import { rule, type Broken } from './rule';

export type RefuelBaysBroken = Broken<
  'full',
  { cars: readonly string[] },
  { count: number; atS: number; forS: number; bays: number }
>;

/** At most `refuelBays` refuels at once. */
export const refuelBays = rule('REFUEL_BAYS', function* ({ day, refuels }): Iterable<RefuelBaysBroken> {
  for (const { running, atS, forS } of overloads(refuels, day.rules.refuelBays)) {
    const cars = running.map(({ refuel }) => refuel.car);
    yield {
      detail: 'full',
      subjects: { cars },
      values: { count: running.length, atS, forS, bays: day.rules.refuelBays },
    };
  }
});
