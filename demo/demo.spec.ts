import { readFileSync } from 'node:fs';
import { checkPlan } from '@core/rules';
import { admit, dayContext, stateOf, stationCounts, vehiclesOnCircuit, type RecordedEntry } from '@core/journal';
import { readBookingList } from '@exchange/booking-list';
import { conesFor, taughtCones } from './cones';
import { CREW, DEMO_DATE, DEMO_STARTS_S, FLEET } from './larkmere';
import { DEMO_CAST, programmesBookings, programmesGroups } from './programmes-day';
import { demoBookings, demoDay } from './seed';
import { larkmereDay } from './testing/larkmere-day';

describe('The demo', () => {
  const bookings = [...demoBookings(), ...programmesBookings(DEMO_CAST)];
  const day = larkmereDay(DEMO_DATE, bookings, programmesGroups(DEMO_CAST));
  const { plans, journal } = demoDay(day);
  const context = dayContext(day, plans.at(-1)!.plan);
  const state = stateOf(context, journal, DEMO_STARTS_S);

  it('has all cones looked at that stand for any of its cars', () => {
    expect(taughtCones().sort()).toEqual(conesFor(() => true).sort());
  });

  it('is a day of about forty guests and sixty drives, and of twenty-one who drive in other ways', () => {
    expect(demoBookings().length).toBe(40);
    expect(day.guests.length).toBe(61);
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

  it('has its convoy behind it, and the oval, the pan and three rides before it', () => {
    const { groups, drives, unplannedGroups } = plans.at(-1)!.plan;
    expect(unplannedGroups).toEqual([]);
    expect(groups!.length).toBe(3);
    expect([...state.groups.values()].map(({ stage }) => stage)).toEqual(['over', 'planned', 'planned']);
    expect(drives.filter(({ drive }) => drive.startsWith('G-R')).length).toBe(6);
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
      date: DEMO_DATE,
      cars: FLEET,
      instructors: CREW,
      bookings: [],
    });
    const preview = list.ok ? list.preview : undefined;
    expect(preview?.rows.map(({ outcome }) => outcome)).toEqual(Array.from({ length: 40 }, () => 'added' as const));
    expect([preview?.delimiter, preview?.decimalComma]).toEqual([';', true]);
  });
});
