import type { PersonOccupancy, Schedule } from './schedule';

/** One thing that a guest has to be there for. */
export interface GuestTime {
  readonly kind: 'arrive' | 'ride' | PersonOccupancy['kind'];
  readonly atS: number;
  /** What it is; nothing for the arrival. */
  readonly of: PersonOccupancy | undefined;
  /** Of a drive: what it is driven in, and how far. */
  readonly car: string | undefined;
  readonly laps: number | undefined;
  readonly instructor: string | undefined;
  /** What a group is called. */
  readonly group: string | undefined;
}

const NOTHING = { of: undefined, car: undefined, laps: undefined, instructor: undefined, group: undefined } as const;

/** The day of a guest as it is planned, in order of time: when to arrive, to be in class, and to be seated. */
export function guestTimes({ index, guestOccupancies }: Schedule, guestId: string): GuestTime[] {
  const guest = index.guests.get(guestId);
  if (!guest) return [];
  const occupancies = (guestOccupancies.get(guestId) ?? []).map((occupancy) => ({
    kind: occupancy.kind === 'drive' && occupancy.drive?.ride ? ('ride' as const) : occupancy.kind,
    atS: occupancy.startS,
    of: occupancy,
    car: occupancy.kind === 'drive' ? (occupancy.car?.name ?? occupancy.planned.car) : undefined,
    laps: occupancy.kind === 'drive' ? occupancy.lapsDriven : undefined,
    instructor: occupancy.instructor?.name,
    group: occupancy.kind === 'group' ? (occupancy.group?.name ?? occupancy.planned.group) : undefined,
  }));
  return [{ kind: 'arrive', atS: guest.arrives, ...NOTHING }, ...occupancies];
}
