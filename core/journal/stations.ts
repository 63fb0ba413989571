import type { DayState, DriveState, GuestState } from './state/day-state';

/** The guest's walk through the venue, in order. */
export const STATIONS = ['gate', 'classroom', 'sighting', 'pitExit', 'onCircuit', 'debrief', 'desk'] as const;
export type Station = (typeof STATIONS)[number];

/** Where a guest is to be found now, or nothing where not at the venue or through with it. */
export function stationOf(guest: GuestState, state: DayState): Station | undefined {
  switch (guest.stage) {
    case 'arrived':
      return 'gate';
    case 'cleared':
    case 'inClass':
      return 'classroom';
    case 'briefed':
    case 'onSighting':
      return 'sighting';
    case 'seen':
    case 'waiting':
      return isLeftOut(guest, state) ? 'desk' : 'pitExit';
    case 'seated':
      return 'pitExit';
    case 'onCircuit':
      return 'onCircuit';
    case 'inDebrief':
      return 'debrief';
    case 'debriefed':
      return drivesToCome(guest, state).length > 0 && !isLeftOut(guest, state) ? 'pitExit' : 'desk';
    default:
      return undefined;
  }
}

function drivesToCome({ guest }: GuestState, state: DayState): DriveState[] {
  const drives = guest.drives.flatMap(({ id }) => state.drives.get(id) ?? []);
  return drives.filter(({ stage }) => stage === 'planned');
}

/** Whether nothing that is to come for a guest has a place in the plan: nobody waits for them at the cars. */
function isLeftOut(guest: GuestState, state: DayState): boolean {
  const toCome = drivesToCome(guest, state);
  if (toCome.length === 0 || toCome.some(({ car }) => car !== undefined)) return false;
  const inGroup = [...state.groups.values()].some(
    ({ stage, group }) => stage !== 'over' && group.members.includes(guest.guest.id),
  );
  // Before the day has a plan, nobody is left out of it.
  return !inGroup && [...state.drives.values()].some(({ car }) => car !== undefined);
}

/** How many guests are at each station. */
export function stationCounts(state: DayState): Record<Station, number> {
  const counts = Object.fromEntries(STATIONS.map((station) => [station, 0])) as Record<Station, number>;
  for (const guest of state.guests.values()) {
    const station = stationOf(guest, state);
    if (station) counts[station] += 1;
  }
  return counts;
}
