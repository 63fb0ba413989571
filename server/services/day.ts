import { hoursOn, onHours, type VenueFields } from '@core/venue/settings';
import { isInFleet, plannedCar } from '@core/venue/fleet';
import type { Booking } from '@core/api';
import type { BookingFields } from '@core/venue/booking';
import { plannedInstructor } from '@core/people/crew';
import { versionOf, type Day, type Drive, type Guest } from '@core/day';
import type { TimeWindow } from '@core/values';
import type { Store } from '../store';

/** The day file of an event day, put together from venue, calendar, fleet, crew and bookings. */
export function dayOf(store: Store, date: string): Day {
  const venue = store.venue.get()!.fields;
  const setup = store.days.setupOf(date);
  const hours = hoursOn(venue, date, setup);
  const there = <T extends { readonly available: readonly TimeWindow[] }>(one: T) => ({
    ...one,
    available: onHours(one.available, { from: venue.opens, to: venue.closes }, hours),
  });
  const cars = store.cars.list().flatMap(({ fields }) => (isInFleet(fields, date) ? [there(plannedCar(fields))] : []));
  const fleet = cars.map(({ id }) => id);
  const roster = store.roster.between(date, date).map(({ fields }) => fields);
  const groups = store.groups.list(date).map(({ id, fields }) => ({ id, ...fields }));
  const day = {
    venue: venue.name,
    date,
    timeZone: venue.timeZone,
    opens: hours.from,
    closes: hours.to,
    condition: setup.condition ?? venue.condition,
    circuit: setup.closures ? { ...venue.circuit, closures: setup.closures } : venue.circuit,
    rules: { ...venue.rules, maxCarsOnTrack: setup.maxCarsOnTrack ?? venue.rules.maxCarsOnTrack },
    sightingVehicles: venue.sightingVehicles.map(there),
    cars,
    instructors: store.instructors.list().map(({ fields }) => plannedInstructor(there(fields), roster, date, fleet)),
    guests: guestsOf(store.bookings.list(date), venue),
    ...(venue.surfaces.length > 0 && { surfaces: venue.surfaces.map(there) }),
    ...(groups.length > 0 && { groups }),
  };
  return { format: 'joylap-day', version: versionOf(day), ...day };
}

/** The planner's view of bookings: what bears on time and people, nothing else. */
function guestsOf(bookings: readonly Booking[], venue: VenueFields): Guest[] {
  const idOf = new Map(bookings.map(({ id, fields }) => [fields.reference, id]));
  // A friend who is not booked keeps the reference, so that it can be told.
  const friends = (references: readonly string[] | undefined) =>
    references?.map((reference) => idOf.get(reference) ?? reference);
  const coming = bookings.filter(({ fields }) => fields.cancelled === undefined);
  return coming.map((booking) => guestOf(booking, venue, friends));
}

function guestOf(
  { id, fields }: Booking,
  venue: VenueFields,
  friends: (references: readonly string[] | undefined) => string[] | undefined,
): Guest {
  return {
    id,
    name: fields.name,
    party: fields.party,
    arrives: fields.arrives,
    leavesBy: fields.leavesBy,
    languages: fields.languages,
    heightCm: fields.heightCm,
    weightKg: fields.weightKg,
    pace: venue.paces[fields.pace],
    // What this venue does without is behind everybody.
    briefed: fields.briefed || !venue.introduction.class,
    sighted: fields.sighted || venue.introduction.circuit !== 'vehicle',
    avoidInstructors: fields.avoidInstructors,
    preferInstructors: fields.preferInstructors,
    sameTimeAs: friends(fields.sameTimeAs),
    inTurnWith: friends(fields.inTurnWith),
    sameInstructorAs: friends(fields.sameInstructorAs),
    sequence: fields.sequence,
    drives: fields.drives.map((drive) => driveOf(drive, fields)),
  };
}

function driveOf(drive: BookingFields['drives'][number], fields: BookingFields): Drive {
  return { ...drive, gearbox: drive.gearbox ?? fields.gearbox };
}
