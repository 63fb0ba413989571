import type { Station } from '@core/journal';

/** A place of the navigation: a station of the guest's walk or a room of the manager's. */
export interface Place {
  readonly label: string;
  readonly path: string;
  readonly fragment?: string;
  readonly station?: Station;
  /** The key that opens it from anywhere outside a field. */
  readonly key: string;
}

export const STATION_PLACES: readonly Place[] = [
  { label: 'Gate', path: '/gate', station: 'gate', key: '1' },
  { label: 'Classroom', path: '/classroom', station: 'classroom', key: '2' },
  { label: 'Sighting', path: '/classroom', fragment: 'sighting', station: 'sighting', key: '3' },
  { label: 'Pit exit', path: '/pit-exit', station: 'pitExit', key: '4' },
  { label: 'On circuit', path: '/pit-exit', fragment: 'circuit', station: 'onCircuit', key: '5' },
  { label: 'Debrief', path: '/debrief', station: 'debrief', key: '6' },
  { label: 'Desk', path: '/desk', station: 'desk', key: '7' },
];

export const ROOM_PLACES: readonly Place[] = [
  { label: 'Board', path: '/board', key: 'b' },
  { label: 'Bookings', path: '/bookings', key: 'k' },
  { label: 'Garage', path: '/garage', key: 'g' },
  { label: 'Circuit', path: '/circuit', key: 't' },
  { label: 'Cars', path: '/cars', key: 'c' },
  { label: 'Crew', path: '/crew', key: 'r' },
  { label: 'Rules', path: '/rules', key: 'u' },
  { label: 'Devices', path: '/devices', key: 'v' },
  { label: 'Close', path: '/close', key: 'z' },
];

/** What is used on a phone, and may be looked at anywhere. */
export const PHONE_PLACES: readonly Place[] = [
  { label: 'Counter', path: '/counter', key: 'o' },
  { label: 'Calls', path: '/calls', key: 'y' },
  { label: 'Cones', path: '/set-out', key: 'e' },
  { label: 'Handover', path: '/handover', key: 'w' },
];

export const PLACES: readonly Place[] = [...ROOM_PLACES, ...PHONE_PLACES, ...STATION_PLACES];
