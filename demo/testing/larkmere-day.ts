import { plannedCar } from '@core/venue/fleet';
import type { BookingFields } from '@core/venue/booking';
import { plannedInstructor } from '@core/people/crew';
import type { Day } from '@core/day';
import type { Group } from '@core/programmes';
import { TRUSTED_WITH } from '../crew-days';
import { CREW, FLEET, LARKMERE } from '../larkmere';

/** A day at Larkmere as the server puts it together. */
export function larkmereDay(date: string, bookings: readonly BookingFields[], groups: readonly Group[]): Day {
  const { paces, name, timeZone, opens, closes, condition, circuit, rules, sightingVehicles, surfaces } = LARKMERE;
  const fleet = FLEET.map(({ id }) => id);
  const friends = (references: readonly string[] | undefined) => references?.map((one) => one.toLowerCase());
  const inOrder = [...bookings].sort((a, b) => a.arrives - b.arrives || (a.reference < b.reference ? -1 : 1));
  return {
    ...{ timeZone, opens, closes, condition, circuit, rules, sightingVehicles, surfaces },
    ...{ format: 'joylap-day', version: 2, venue: name, date },
    cars: FLEET.map(plannedCar),
    instructors: CREW.map((who) => plannedInstructor({ ...who, ...TRUSTED_WITH[who.id] }, [], date, fleet)),
    guests: inOrder.map((booking) => ({
      id: booking.reference.toLowerCase(),
      name: booking.name,
      party: booking.party,
      arrives: booking.arrives,
      leavesBy: booking.leavesBy,
      languages: booking.languages,
      heightCm: booking.heightCm,
      weightKg: booking.weightKg,
      pace: paces[booking.pace],
      briefed: booking.briefed,
      sighted: booking.sighted,
      avoidInstructors: booking.avoidInstructors,
      preferInstructors: booking.preferInstructors,
      sameTimeAs: friends(booking.sameTimeAs),
      inTurnWith: friends(booking.inTurnWith),
      sameInstructorAs: friends(booking.sameInstructorAs),
      sequence: booking.sequence,
      drives: booking.drives.map((drive) => ({ ...drive, gearbox: drive.gearbox ?? booking.gearbox })),
    })),
    groups: [...groups],
  };
}
