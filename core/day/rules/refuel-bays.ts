import { wallClock } from '../time';
import { overloads } from '../windows';
import { rule } from './rule';

/** At most `refuelBays` refuels at once. */
export const refuelBays = rule('REFUEL_BAYS', function* ({ day, refuels }) {
  for (const { running, atS } of overloads(refuels, day.rules.refuelBays)) {
    const names = running.map((refuel) => refuel.car?.name ?? refuel.refuel.car).join(', ');
    yield `${running.length} refuels at once at ${wallClock(atS)} (${names}); there are ${day.rules.refuelBays} bays`;
  }
});
