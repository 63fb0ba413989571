import type { PersonOccupancy } from '../day';
import type { DayState } from './state/day-state';
import type { DayContext } from './state/context';

/** What the plan holds next for a guest and has not happened yet, or nothing. */
export function nextOccupancy({ schedule }: DayContext, state: DayState, guestId: string): PersonOccupancy | undefined {
  const guest = state.guests.get(guestId);
  return schedule.guestOccupancies.get(guestId)?.find((occupancy) => {
    if (occupancy.kind === 'briefing') return !guest?.briefed && guest?.heldBy !== 'class';
    if (occupancy.kind === 'sighting') return !guest?.sighted && guest?.heldBy !== 'sighting';
    if (occupancy.kind === 'group') return state.groups.get(occupancy.planned.group)?.stage === 'planned';
    return state.drives.get(occupancy.planned.drive)?.stage === 'planned';
  });
}
