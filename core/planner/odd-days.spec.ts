import { inEnglish } from '../testing/in-english';
import fc from 'fast-check';
import * as z from 'zod';
import { checkPlan } from '../rules';
import { dayFile, layOut, slipsOf, type Day } from '../day';
import { randomDay } from '../testing/random-day';
import { bottleneckOf } from './questions/bottleneck';
import { insertions } from './questions/insert';
import { remediesFor } from './questions/remedies';
import { planDay } from './search/plan-day';
import { seededRandom } from './place/random';

type Encoded = z.input<typeof dayFile>;

/** What an odd spreadsheet, or a bad morning, makes of a day; all of it may stand in a day file. */
const ODDITIES: readonly ((day: Encoded, n: number) => void)[] = [
  (day) => (day.cars = []),
  (day) => (day.instructors = []),
  (day) => (day.sightingVehicles = []),
  (day) => (day.guests = []),
  (day, n) => day.cars.splice(n % Math.max(1, day.cars.length), 1),
  (day, n) => day.instructors.splice(n % Math.max(1, day.instructors.length), 1),
  (day) => (day.circuit.closures = [{ from: '00:00', to: '23:59', reason: 'flooded' }]),
  (day) => (day.closes = '09:00'),
  (day, n) => day.guests.forEach((guest, i) => i % 3 === n % 3 && (guest.leavesBy = '08:00')),
  (day, n) => day.guests.forEach((guest, i) => i % 3 === n % 3 && (guest.drives = [])),
  (day, n) => day.guests.forEach((guest, i) => i % 4 === n % 4 && (guest.languages = ['xx'])),
  (day, n) => day.guests.forEach((guest, i) => i % 4 === n % 4 && (guest.arrives = '23:00')),
  (day) =>
    day.guests.forEach(({ drives }) => drives.forEach((drive) => (drive.cars = ['nobody-has-it', ...drive.cars]))),
  (day) => day.guests.forEach(({ drives }) => drives.forEach((drive) => (drive.notBefore = '16:00'))),
  (day) => day.guests.forEach(({ drives }) => drives.forEach((drive) => (drive.pin = { car: 'c1', release: '11:00' }))),
  (day) => day.guests.forEach(({ drives }) => drives.forEach((drive) => (drive.pin = { instructor: 'nobody' }))),
  (day) => day.instructors.forEach((one) => ((one.brief = false), (one.sighting = false))),
  (day) => day.instructors.forEach((one) => (one.cars = [])),
  (day) => day.instructors.forEach((one) => (one.available = [])),
  (day) => day.cars.forEach((car) => (car.available = [])),
  (day) => day.cars.forEach((car) => car.fuel && (car.fuel.startL = 0)),
  (day, n) =>
    day.cars.forEach(
      ({ fuel }) =>
        (fuel.readings = [
          { at: '13:00', litres: 20 + n },
          { at: '10:00', litres: 60 },
        ]),
    ),
  (day) => day.cars.forEach((car) => car.available.reverse()),
  (day) =>
    (day.condition.changes = [
      { from: '13:00', name: 'wet', paceFactor: 1.2 },
      { from: '10:00', name: 'damp', paceFactor: 1.1 },
    ]),
  (day) => (day.rules.maxCarsOnTrack = 1),
  (day) => (day.rules.releaseGapS = 3600),
  (day) => (day.condition = { ...day.condition, paceFactor: 2 }),
];

const odd = fc.record({
  seed: fc.nat(),
  drives: fc.integer({ min: 1, max: 12 }),
  oddities: fc.array(fc.tuple(fc.nat({ max: ODDITIES.length - 1 }), fc.nat({ max: 9 })), {
    minLength: 1,
    maxLength: 4,
  }),
});

function oddDay({
  seed,
  drives,
  oddities,
}: {
  seed: number;
  drives: number;
  oddities: [number, number][];
}): Day | undefined {
  const encoded = structuredClone<Encoded>(z.encode(dayFile, randomDay(seededRandom(seed), { drives })));
  for (const [which, n] of oddities) ODDITIES[which]!(encoded, n);
  return dayFile.safeParse(encoded).data;
}

describe('An odd day', () => {
  it('is planned by the rules as far as it goes; what does not go is left out, each with a reason', () => {
    let days = 0;
    fc.assert(
      fc.property(odd, (one) => {
        const day = oddDay(one);
        if (!day) return;
        days += 1;
        const { plan } = planDay(day, { iterations: 15, random: seededRandom(1) });
        const { valid, violations } = checkPlan(day, plan);
        expect(valid)
          .withContext(`${JSON.stringify(one)}: ${violations.map(inEnglish(day).violation)[0]}`)
          .toBeTrue();
        const booked = day.guests.flatMap((guest) => guest.drives.map(({ id }) => id)).sort();
        const told = [...plan.drives, ...plan.unplanned].map(({ drive }) => drive).sort();
        expect(told).withContext(JSON.stringify(one)).toEqual(booked);
        expect(plan.unplanned.every(({ reason }) => inEnglish(day).leftOut(reason).length > 10))
          .withContext(JSON.stringify(one))
          .toBeTrue();
      }),
      { numRuns: 150 },
    );
    expect(days).toBeGreaterThan(50);
  });

  it('is asked about without harm: slips, what limits it, what would help, one more drive', () => {
    fc.assert(
      fc.property(odd, (one) => {
        const day = oddDay(one);
        if (!day) return;
        const { plan } = planDay(day, { iterations: 0, random: seededRandom(1) });
        for (const { who, path, what } of slipsOf(day)) expect([who, path, what].every(Boolean)).toBeTrue();
        expect(inEnglish(day).limit(bottleneckOf(layOut(day, plan)).limits).length).toBeGreaterThan(0);
        for (const { drive } of plan.unplanned.slice(0, 1)) {
          const told = remediesFor(day, plan, drive).map(({ change, release }) =>
            inEnglish(day).remedy(change, release),
          );
          expect(told.every(Boolean)).toBeTrue();
        }
        const [guest] = day.guests;
        const more = { id: 'one-more', cars: ['c1', 'nobody-has-it'], laps: 5 };
        if (guest) expect(() => insertions(day, plan, guest, more, day.opens)).not.toThrow();
      }),
      { numRuns: 60 },
    );
  });
});
