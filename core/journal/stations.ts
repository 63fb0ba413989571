import type { DayState, GuestState } from './day-state';

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
    case 'seated':
      return 'pitExit';
    case 'onCircuit':
      return 'onCircuit';
    case 'inDebrief':
      return 'debrief';
    case 'debriefed':
      return guest.guest.drives.some(({ id }) => state.drives.get(id)?.stage === 'planned') ? 'pitExit' : 'desk';
    default:
      return undefined;
  }
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
