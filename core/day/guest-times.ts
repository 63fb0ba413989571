import type { PersonOccupancy, Schedule } from './schedule';

/** One thing that a guest has to be there for. */
export interface GuestTime {
  readonly kind: 'arrive' | PersonOccupancy['kind'];
  readonly atS: number;
  /** What it is; nothing for the arrival. */
  readonly of: PersonOccupancy | undefined;
  /** Of a drive: what it is driven in, and how far. */
  readonly car: string | undefined;
  readonly laps: number | undefined;
  readonly instructor: string | undefined;
}

/** The day of a guest as it is planned, in order of time: when to arrive, to be in class, and to be seated. */
export function guestTimes({ index, guestOccupancies }: Schedule, guestId: string): GuestTime[] {
  const guest = index.guests.get(guestId);
  if (!guest) return [];
  const occupancies = (guestOccupancies.get(guestId) ?? []).map((occupancy) => ({
    kind: occupancy.kind,
    atS: occupancy.startS,
    of: occupancy,
    car: occupancy.kind === 'drive' ? (occupancy.car?.name ?? occupancy.planned.car) : undefined,
    laps: occupancy.kind === 'drive' ? occupancy.lapsDriven : undefined,
    instructor: occupancy.instructor?.name,
  }));
  return [
    { kind: 'arrive', atS: guest.arrives, of: undefined, car: undefined, laps: undefined, instructor: undefined },
    ...occupancies,
  ];
}
