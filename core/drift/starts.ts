import type { PersonOccupancy } from '../day';
import type { DayContext } from '../journal';
import { keyOf, type Drift } from './expected';

/** When somebody has to be somewhere, seconds since midnight. */
export interface Start {
  /** As it can be expected now. */
  readonly atS: number;
  /** As it was accepted. */
  readonly acceptedS: number;
}

/**
 * When activities of the plan in force will begin, beside when they were accepted to. What has begun, and what cannot
 * begin, has the time of the plan in force.
 */
export function startsOf(
  { schedule, accepted }: DayContext,
  drift: Drift | undefined,
): (occupancy: PersonOccupancy) => Start {
  const places = new Map<PersonOccupancy, number>();
  for (const list of [schedule.briefings, schedule.sightings, schedule.drives]) {
    list.forEach((occupancy: PersonOccupancy, place) => places.set(occupancy, place));
  }
  return (occupancy) => {
    const place = places.get(occupancy) ?? -1;
    const found = { briefing: accepted.briefings, sighting: accepted.sightings, drive: accepted.drives }[
      occupancy.kind
    ];
    const key = occupancy.kind === 'drive' ? keyOf.drive(occupancy.planned.drive) : keyOf[occupancy.kind](place);
    const expected = drift?.expected.get(key);
    return {
      atS: expected?.phase === 'toCome' ? expected.startS : occupancy.startS,
      acceptedS: found[place]?.startS ?? occupancy.startS,
    };
  };
}
