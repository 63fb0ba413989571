import type { PersonHold, Schedule } from './schedule';

/** One thing that a guest has to be there for. */
export interface GuestTime {
  readonly kind: 'arrive' | PersonHold['kind'];
  readonly atS: number;
  /** Of a drive: what it is driven in, and how far. */
  readonly car: string | undefined;
  readonly laps: number | undefined;
  readonly instructor: string | undefined;
}

/** The day of a guest as it is planned, in order of time: when to arrive, to be in class, and to be seated. */
export function guestTimes({ index, guestHolds }: Schedule, guestId: string): GuestTime[] {
  const guest = index.guests.get(guestId);
  if (!guest) return [];
  const holds = (guestHolds.get(guestId) ?? []).map((hold) => ({
    kind: hold.kind,
    atS: hold.startS,
    car: hold.kind === 'drive' ? (hold.car?.name ?? hold.planned.car) : undefined,
    laps: hold.kind === 'drive' ? hold.lapsDriven : undefined,
    instructor: hold.instructor?.name,
  }));
  return [{ kind: 'arrive', atS: guest.arrives, car: undefined, laps: undefined, instructor: undefined }, ...holds];
}
