import fc from 'fast-check';
import { carMisfit, checkPlan, layOut, layOutDrive, teachesIn, type Day, type DriveHold } from '../day';
import { randomDay } from '../testing/random-day';
import { aCar, aDay, aGuest, anInstructor, at } from '../testing/small-day';
import { obstacleTo } from './obstacles';
import { planDay } from './plan-day';
import { seededRandom } from './random';
import { mayTeach } from './readiness';
import { driveSlot, earliestDrive } from './slots';
import { Timetable } from './timetable';

/** A timetable filled with a plan of the day. */
function filled(day: Day): Timetable {
  const { plan } = planDay(day, { iterations: 1, random: seededRandom(1) });
  const timetable = new Timetable(day, 0);
  const schedule = layOut(day, plan);
  for (const hold of [...schedule.briefings, ...schedule.sightings, ...schedule.drives, ...schedule.refuels])
    timetable.add(hold);
  return timetable;
}

/** Rules that judge the whole plan rather than one more drive in it. */
const WHOLE_PLAN = ['COMPLETE', 'PIN'];

describe('What stands in the way of a drive', () => {
  it('is nothing exactly where the plain checker finds no broken rule', () => {
    let free = 0;
    let blocked = 0;
    fc.assert(
      fc.property(fc.nat(), fc.integer({ min: 4, max: 40 }), fc.nat(), (seed, drives, pick) => {
        const random = seededRandom(seed + pick);
        const day = randomDay(seededRandom(seed), { drives });
        const timetable = filled(day);
        const planned = [...timetable.drives.values()];
        for (let tries = 0; tries < 12 && planned.length > 0; tries++) {
          // One drive is taken out and put back somewhere else.
          const taken = planned[Math.floor(random() * planned.length)]!;
          const { drive } = taken.planned;
          const guest = taken.guests[0]!;
          const car = day.cars[Math.floor(random() * day.cars.length)]!;
          const instructor = day.instructors[Math.floor(random() * day.instructors.length)]!;
          if (carMisfit(car, taken.drive!, guest) || !teachesIn(instructor, car) || !mayTeach(instructor, guest))
            continue;
          timetable.remove(taken);
          const release = day.opens + Math.floor(random() * (day.closes - day.opens));
          const hold = layOutDrive(day, timetable.index, { drive, car: car.id, instructor: instructor.id, release });
          const before = checkPlan(day, timetable.toPlan([])).violations.filter(
            ({ code }) => !WHOLE_PLAN.includes(code),
          );
          const obstacle = obstacleTo(timetable, hold);
          timetable.add(hold);
          const after = checkPlan(day, timetable.toPlan([])).violations.filter(
            ({ code }) => !WHOLE_PLAN.includes(code),
          );
          timetable.remove(hold);
          timetable.add(taken);
          // A car whose fuel no longer lasts without the refuel before the taken drive is no question of the new place.
          if (before.length > 0) continue;
          if (obstacle) blocked += 1;
          else free += 1;
          if ((obstacle === undefined) !== (after.length === 0)) {
            throw new Error(`obstacle ${JSON.stringify(obstacle)}, violations ${JSON.stringify(after)}`);
          }
        }
      }),
      { numRuns: 60 },
    );
    expect(free).toBeGreaterThan(10);
    expect(blocked).toBeGreaterThan(10);
  });

  it('says after how long it is worth trying again, and never too long', () => {
    fc.assert(
      fc.property(fc.nat(), fc.integer({ min: 10, max: 40 }), (seed, drives) => {
        const day = randomDay(seededRandom(seed), { drives });
        const timetable = filled(day);
        for (const taken of [...timetable.drives.values()].slice(0, 4)) {
          if (taken.drive!.pin) continue;
          timetable.remove(taken);
          const slot = earliestDrive(timetable, taken.drive!, taken.car!, taken.instructor!, day.opens);
          const first = everyQuarterMinute(timetable, taken);
          timetable.add(taken);
          // The search may not jump over a place without a refuel that a plain walk through the day finds.
          if (first !== undefined && (slot === undefined || slot.hold.releaseS > first + SLACK_S)) {
            throw new Error(`found ${slot?.hold.releaseS}, there is a place at ${first}`);
          }
        }
      }),
      { numRuns: 25 },
    );
    expect(earliestDrive(new Timetable(aDay(), 0), aGuest().drives[0]!, aCar(), anInstructor(), 0)?.hold.releaseS).toBe(
      at('09:04'),
    );
  });
});

/** Where no later time follows from an obstacle, the search steps on by two minutes: so much later it may be. */
const SLACK_S = 120;

function everyQuarterMinute(timetable: Timetable, { planned }: DriveHold): number | undefined {
  const { day, index } = timetable;
  for (let release = day.opens; release <= day.closes; release += 15) {
    const hold = layOutDrive(day, index, { ...planned, release, heldUntil: undefined });
    if (!obstacleTo(timetable, hold)) return release;
  }
  return undefined;
}

describe('A timetable', () => {
  it('is as before when what was added is taken out again', () => {
    fc.assert(
      fc.property(fc.nat(), fc.integer({ min: 3, max: 30 }), (seed, drives) => {
        const timetable = filled(randomDay(seededRandom(seed), { drives }));
        const before = JSON.stringify(timetable.toPlan([]));
        const some = [...timetable.drives.values()].filter((_, place) => place % 3 === 0);
        some.forEach((hold) => timetable.remove(hold));
        some.forEach((hold) => timetable.add(hold));
        return JSON.stringify(timetable.toPlan([])) === before;
      }),
      { numRuns: 25 },
    );
    expect(new Timetable(aDay(), 0).toPlan([]).drives).toEqual([]);
  });
});

describe('A drive for which the fuel would not last', () => {
  const fuel = { capacityL: 30, startL: 13, reserveL: 10, perLapL: 1, refuelS: 480 };
  const slotAt = (release: string, bays = 1) => {
    const day = aDay({ cars: [aCar({ fuel })] });
    const timetable = new Timetable({ ...day, rules: { ...day.rules, refuelBays: bays } }, 0);
    const hold = layOutDrive(timetable.day, timetable.index, {
      drive: 'd1',
      car: 'c1',
      instructor: 'i1',
      release: at(release),
    });
    return driveSlot(timetable, hold);
  };

  it('gets a refuel before it, as early as the car is there', () => {
    expect(slotAt('09:30')?.refuel?.refuel).toEqual({ car: 'c1', start: at('08:00') });
  });

  it('has no place before the refuel is done, or without a bay', () => {
    const day = aDay({ cars: [aCar({ fuel, available: [{ from: at('09:20'), to: at('18:00') }] })] });
    const timetable = new Timetable(day, 0);
    const at9 = (release: string) =>
      driveSlot(
        timetable,
        layOutDrive(day, timetable.index, { drive: 'd1', car: 'c1', instructor: 'i1', release: at(release) }),
      );
    // Refuelling takes from 09:20 to 09:28, and the set-up four minutes.
    expect(at9('09:31:59')).toBeUndefined();
    expect(at9('09:32')?.refuel?.startS).toBe(at('09:20'));
    expect(slotAt('09:30', 0)).toBeUndefined();
  });
});
