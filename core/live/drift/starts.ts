import type { PersonOccupancy } from '../../day';
import type { DayContext } from '../../journal';
import { keyOf, type Drift } from './expected';

/** When somebody has to be somewhere, seconds since midnight. */
export interface Start {
  /** As it can be expected now. */
  readonly atS: number;
  /** As it was accepted. */
  readonly acceptedS: number;
}

/** By what an activity of the plan in force is known in the drift. */
function keyAt(occupancy: PersonOccupancy, place: number): string {
  if (occupancy.kind === 'drive') return keyOf.drive(occupancy.planned.drive);
  if (occupancy.kind === 'group') return keyOf.group(occupancy.planned.group);
  return keyOf[occupancy.kind](place);
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
  for (const list of [schedule.briefings, schedule.sightings, schedule.drives, schedule.groups]) {
    list.forEach((occupancy: PersonOccupancy, place) => places.set(occupancy, place));
  }
  return (occupancy) => {
    const place = places.get(occupancy) ?? -1;
    const found = {
      briefing: accepted.briefings,
      sighting: accepted.sightings,
      drive: accepted.drives,
      group: accepted.groups,
    }[occupancy.kind];
    const key = keyAt(occupancy, place);
    const expected = drift?.expected.get(key);
    return {
      atS: expected?.phase === 'toCome' ? expected.startS : occupancy.startS,
      acceptedS: found[place]?.startS ?? occupancy.startS,
    };
  };
}
