import type { PersonHold } from '../day';
import type { DayState } from './day-state';
import type { DayContext } from './context';

/** What the plan holds next for a guest and has not happened yet, or nothing. */
export function nextHold({ schedule }: DayContext, state: DayState, guestId: string): PersonHold | undefined {
  const guest = state.guests.get(guestId);
  return schedule.guestHolds.get(guestId)?.find((hold) => {
    if (hold.kind === 'briefing') return !guest?.briefed && guest?.heldBy !== 'class';
    if (hold.kind === 'sighting') return !guest?.sighted && guest?.heldBy !== 'sighting';
    return state.drives.get(hold.planned.drive)?.stage === 'planned';
  });
}
