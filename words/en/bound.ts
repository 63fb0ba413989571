import type { Bound, Scarce, WaitsFor } from '@core/planner';
import type { Words } from '../words';

const KEEPS_OUT: Readonly<Record<Scarce, string>> = {
  circuit: 'the circuit has no room for more',
  crew: 'the instructors have no hours for more',
  briefers: 'classes and sighting runs have no seats for more',
  cars: 'the cars they are booked in have no time for more',
};

const MAKES_WAIT: Readonly<Record<WaitsFor, string>> = {
  hours: 'some come before opening',
  circuit: 'the circuit has no room to let them out sooner',
  cars: 'the cars they are booked in are not free sooner',
  crew: 'no instructor is free sooner',
};

/** Costs are told to a whole minute, and count as equal below that. */
const EQUAL = 0.05;

export const howGood: Words['howGood'] = (plan, bound) => {
  if (plan.cost.total <= bound.total + EQUAL) return ['No plan of this day is better: that is proven.'];
  const above = Math.max(1, Math.round(plan.cost.total - bound.total));
  return [
    ...leftOut(plan.leftOut, bound.leftOut),
    ...(bound.waiting ? [waiting(plan.cost.terms.waiting, bound.waiting)] : []),
    `All that counts together is at most ${above} min above the best there can be, in minutes that one guest waits.`,
  ];
};

function leftOut(count: number, { atLeast, because }: Bound['leftOut']): string[] {
  if (count === 0) return [];
  const [most] = because;
  const why = most ? KEEPS_OUT[most.scarce] : 'no car or instructor fits them, or the stay is too short';
  if (atLeast >= count) return [`No plan leaves out fewer than ${count}: ${why}.`];
  if (atLeast === 0) return [`Nothing rules out that all ${count} left out have a place.`];
  return [`Every plan leaves out at least ${atLeast}, this one ${count}: ${why}.`];
}

function waiting(planned: number, { minutes, because }: NonNullable<Bound['waiting']>): string {
  const least = Math.floor(minutes);
  const now = `Guests wait ${Math.round(planned)} min in all`;
  if (least < 1) return `${now}; how much less it could be is not known.`;
  return `${now}; no plan with as many drives makes it less than ${least}: ${MAKES_WAIT[because]}.`;
}
