import { readFileSync } from 'node:fs';
import { plannedCar } from '@core/api';
import { checkPlan, type Day } from '@core/day';
import { admit, dayContext, stateOf, stationCounts, vehiclesOnCircuit, type RecordedEntry } from '@core/journal';
import { readBookingList } from '@exchange/booking-list';
import { CREW, DEMO_STARTS_S, FLEET, LARKMERE } from './larkmere';
import { demoBookings, demoDay } from './seed';

/** The day as the server puts it together. */
function larkmereDay(): Day {
  const { paces, name, timeZone, opens, closes, condition, circuit, rules, sightingVehicles } = LARKMERE;
  const friends = (references: readonly string[] | undefined) => references?.map((one) => one.toLowerCase());
  const inOrder = demoBookings().sort((a, b) => a.arrives - b.arrives || (a.reference < b.reference ? -1 : 1));
  return {
    ...{ timeZone, opens, closes, condition, circuit, rules, sightingVehicles },
    format: 'joylap-day',
    version: 1,
    venue: name,
    date: '2027-05-22',
    cars: FLEET.map(plannedCar),
    instructors: CREW,
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
  };
}

describe('The demo', () => {
  const day = larkmereDay();
  const { plans, journal } = demoDay(day);
  const context = dayContext(day, plans.at(-1)!.plan);
  const state = stateOf(context, journal, DEMO_STARTS_S);

  it('is a day of about forty guests and sixty drives', () => {
    expect(day.guests.length).toBe(40);
    expect(context.schedule.index.drives.size).toBeGreaterThanOrEqual(58);
    expect(day.guests.some(({ heightCm }) => heightCm === 201)).toBe(true);
  });

  it('has a first plan that breaks no rule', () => {
    expect(checkPlan(day, plans[0]!.plan).violations).toEqual([]);
  });

  it('is in full swing at ten past eleven', () => {
    expect(vehiclesOnCircuit(state)).toBeGreaterThanOrEqual(3);
    const counts = stationCounts(state);
    expect(counts.classroom + counts.gate).toBeGreaterThan(0);
    expect(counts.pitExit).toBeGreaterThan(3);
    expect(state.cars.get('c9')!.status).toBe('held');
    expect([...state.drives.values()].some(({ spoiled }) => spoiled.size > 0)).toBe(true);
    expect([...state.guests.values()].map(({ stage }) => stage)).toContain('noShow');
  });

  it('has a morning in which every entry was possible', () => {
    const written: RecordedEntry[] = [];
    const held = journal.findIndex(({ entry }) => entry.kind === 'carHeld');
    const refused = journal.slice(0, held).filter((recorded) => {
      const admission = admit(dayContext(day, plans[0]!.plan), written, recorded.entry);
      written.push(recorded);
      return !admission.admitted;
    });
    expect(refused).toEqual([]);
  });

  it('is the same every time', () => {
    expect(demoDay(day)).toEqual({ plans, journal });
  });

  it('brings a sample list of forty bookings without a fault', () => {
    const list = readBookingList(readFileSync('demo/sample-bookings.csv', 'utf8'), {
      cars: FLEET,
      instructors: CREW,
      bookings: [],
    });
    const preview = list.ok ? list.preview : undefined;
    expect(preview?.rows.map(({ outcome }) => outcome)).toEqual(Array.from({ length: 40 }, () => 'added' as const));
    expect([preview?.delimiter, preview?.decimalComma]).toEqual([';', true]);
  });
});
