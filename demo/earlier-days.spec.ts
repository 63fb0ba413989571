import { plannedCar } from '@core/venue/fleet';
import { checkPlan } from '@core/rules';
import type { Day } from '@core/day';
import { admit, dayContext, stateOf, type RecordedEntry } from '@core/journal';
import { randomDay } from '@core/testing/random-day';
import { planDay, seededRandom } from '@core/planner';
import { EARLIER_DAYS, earlierBookings, earlierDate, playEarlierDay } from './earlier-days';
import { CREW, FLEET, LARKMERE } from './larkmere';
import { playPlan } from './plan-player';

const DAYS_AGO = Array.from({ length: EARLIER_DAYS }, (_, i) => i + 1);

/** An earlier day as the server puts it together, without what only a booking has. */
function earlierDay(daysAgo: number): Day {
  const { paces, name, timeZone, opens, closes, condition, circuit, rules, sightingVehicles } = LARKMERE;
  return {
    ...{ timeZone, opens, closes, condition, circuit, rules, sightingVehicles },
    format: 'joylap-day',
    version: 1,
    venue: name,
    date: earlierDate(daysAgo),
    cars: FLEET.map(plannedCar),
    instructors: CREW,
    guests: earlierBookings(daysAgo).map(
      ({ reference, name: guest, arrives, languages, pace, briefed, sighted, drives }) => ({
        ...{
          id: reference.toLowerCase(),
          name: guest,
          arrives,
          languages,
          pace: paces[pace],
          briefed,
          sighted,
          drives,
        },
      }),
    ),
  };
}

describe('The days before the demo day', () => {
  it('have bookings of cars that are there, each with an id of its own, the same every time', () => {
    const cars = new Set(FLEET.map(({ id }) => id));
    const all = DAYS_AGO.flatMap(earlierBookings);
    const drives = all.flatMap((booking) => booking.drives);
    expect(drives.every((drive) => drive.cars.length > 0 && drive.cars.every((id) => cars.has(id)))).toBeTrue();
    expect(new Set(drives.map(({ id }) => id)).size).toBe(drives.length);
    expect(new Set(all.map(({ reference }) => reference)).size).toBe(all.length);
    expect(DAYS_AGO.flatMap(earlierBookings)).toEqual(all);
  });

  it('lie one day apart, up to the eve', () => {
    const dates = DAYS_AGO.map(earlierDate);
    expect(new Set(dates).size).toBe(EARLIER_DAYS);
    expect(dates).toEqual([...dates].sort().reverse());
    expect(dates[0]).toBe('2027-05-21');
  });

  it('have two guests who come again, with an address by which they are known', () => {
    const back = DAYS_AGO.flatMap((daysAgo) => earlierBookings(daysAgo).filter(({ email }) => email));
    expect(back.map(({ name }) => name).sort()).toEqual(['Ines Faro', 'Piet Verhoeve']);
    expect(back.every(({ email }) => email!.endsWith('@example.org'))).toBeTrue();
  });

  for (const daysAgo of [1, 9, 20]) {
    it(`are planned without a broken rule and played to the evening: ${daysAgo} days before`, () => {
      const day = earlierDay(daysAgo);
      const { plan, journal } = playEarlierDay(day, daysAgo);
      expect(checkPlan(day, plan).violations).toEqual([]);
      const context = dayContext(day, plan);
      const state = stateOf(context, journal, day.closes);
      const stages = [...state.drives.values()].map(({ stage }) => stage);
      expect(stages.filter((stage) => stage === 'done').length).toBe(plan.drives.length);
      expect(state.resolved).toEqual([]);
      expect(journal.every(({ seq }, place) => seq === place + 1)).toBeTrue();
    });
  }
});

describe('A morning that is played', () => {
  const day = randomDay(seededRandom(7), { drives: 10 });
  const { plan } = planDay(day, { iterations: 10, random: seededRandom(7) });

  it('has only entries that were possible when they were made, in the order of time', () => {
    const { entries } = playPlan(day, plan, day.closes, 7);
    const written: RecordedEntry[] = [];
    for (const recorded of entries) {
      expect(admit(dayContext(day, plan), written, recorded.entry)).toEqual({ admitted: true });
      written.push(recorded);
    }
    const times = entries.map(({ entry }) => entry.at);
    expect(times).toEqual([...times].sort((a, b) => a - b));
  });

  it('is the same in one piece and in two', () => {
    const noon = 12 * 3600;
    const whole = playPlan(day, plan, day.closes, 7);
    const first = playPlan(day, plan, noon, 7);
    const second = playPlan(day, plan, day.closes, 7, first);
    expect(second.entries.map(({ entry }) => [entry.at, entry.kind])).toEqual(
      whole.entries.map(({ entry }) => [entry.at, entry.kind]),
    );
    expect(first.entries.every(({ entry }) => entry.at < noon)).toBeTrue();
  });
});
