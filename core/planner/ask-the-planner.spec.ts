import fc from 'fast-check';
import { checkPlan } from '../rules';
import { clockMinute } from '../values';
import { layOut, type Day, type Plan } from '../day';
import { randomDay } from '../testing/random-day';
import { inEnglish } from '../testing/in-english';
import { aCar, aDay, aGuest, anInstructor, aPlan, at, drive } from '../testing/small-day';
import { bottleneckOf } from './questions/bottleneck';
import { changesBetween } from './questions/changes';
import { improve, planDay } from './search/plan-day';
import { insertions, offersOf } from './questions/insert';
import { remediesFor, withRemedy } from './questions/remedies';
import { seededRandom } from './place/random';

const planned = (day: Day, iterations = 100) => planDay(day, { iterations, random: seededRandom(1) }).plan;

describe('Improving a plan', () => {
  it('tells of plans that are all valid and each cheaper than the one before', () => {
    fc.assert(
      fc.property(fc.nat(), fc.integer({ min: 4, max: 40 }), (seed, drives) => {
        const day = randomDay(seededRandom(seed), { drives });
        let last = Infinity;
        planDay(day, {
          iterations: 150,
          random: seededRandom(seed),
          onProgress: ({ best }) => {
            const { plan, cost } = best();
            const verdict = checkPlan(day, plan);
            if (!verdict.valid) throw new Error(JSON.stringify(verdict.violations[0]));
            if (!(cost.total < last && Math.abs(cost.total - verdict.cost.total) <= 1e-6))
              throw new Error('not cheaper');
            last = cost.total;
          },
        });
      }),
      { numRuns: 20 },
    );
    expect(planned(aDay()).drives.length).toBe(1);
  });

  it('leaves the best plan so far when it is stopped at any moment', () => {
    const day = randomDay(seededRandom(8), { drives: 40 });
    for (const after of [0, 1, 7, 60]) {
      let asked = 0;
      const { plan, steps } = planDay(day, {
        random: seededRandom(1),
        iterations: 5000,
        cancelled: () => asked++ >= after,
      });
      expect(steps).toBeLessThanOrEqual(after);
      expect(checkPlan(day, plan).valid).toBe(true);
    }
  });

  it('plans again what of the given plan no longer fits', () => {
    const day = aDay();
    const broken = aPlan({ drives: [drive('08:10')] });
    const { plan } = improve(day, broken, { iterations: 5, random: seededRandom(1) });
    expect(plan.drives).toEqual([drive('09:04')]);
  });

  it('touches only what a withdrawn car makes it touch, unless more pays for itself', () => {
    const day = randomDay(seededRandom(4), { drives: 40, cars: 6, instructors: 9 });
    const previous = planned(day, 3000);
    const car = day.cars[0]!.id;
    const changed = { ...day, cars: day.cars.slice(1) };
    const repaired = planDay(changed, { iterations: 3000, random: seededRandom(1) }, { previous, nowS: at('11:00') });
    const affected = previous.drives.filter((each) => each.car === car).length;
    const touched = changesBetween(changed, previous, repaired.plan);
    const untouched = planDay(changed, { iterations: 0, random: seededRandom(1) }, { previous, nowS: at('11:00') });
    expect(affected).toBeGreaterThan(0);
    // Each drive touched beyond those saves more than a minute of patience.
    expect(untouched.cost.total - repaired.cost.total).toBeGreaterThanOrEqual(touched.length - affected - 1e-6);
  });
});

describe('Mends for a drive without a place', () => {
  it('work: with each of them the drive is planned, nobody moves and no rule is broken', () => {
    let remedies = 0;
    fc.assert(
      fc.property(fc.nat(), fc.integer({ min: 20, max: 60 }), (seed, drives) => {
        const day = randomDay(seededRandom(seed), { drives, cars: 4, instructors: 5 });
        const plan = planned(day, 30);
        for (const { drive: id } of plan.unplanned.slice(0, 2)) {
          for (const { change, release } of remediesFor(day, plan, id)) {
            remedies += 1;
            const remedied = improve(withRemedy(day, change), plan, { iterations: 0, random: seededRandom(1) }).plan;
            expect(checkPlan(withRemedy(day, change), remedied).valid).toBe(true);
            expect(release).toBeGreaterThan(day.opens);
            const stays = plan.drives.every((old) =>
              remedied.drives.some((now) => now.drive === old.drive && now.release === old.release),
            );
            if (!stays) throw new Error(`${change.kind} moves others`);
          }
        }
      }),
      { numRuns: 12 },
    );
    expect(remedies).toBeGreaterThan(0);
  });

  it('offer another car, a longer stay, or hours of an instructor who is away', () => {
    const texts = (of: Day) =>
      remediesFor(of, planned(of), 'd1').map(({ change, release }) => inEnglish(of).remedy(change, release));
    const crew = [anInstructor({ available: [{ from: at('12:00'), to: at('18:00') }] })];
    const spare = aCar({ id: 'c2', name: 'Sabrel R', level: 4 });
    const leaving = aGuest({ leavesBy: at('10:00') });
    const day = aDay({ instructors: crew, cars: [aCar(), spare], guests: [leaving] });
    expect(texts(day)).toEqual(['Anselm Holt there from 08:00 to 12:00']);
    const tall = aDay({ cars: [aCar({ fit: { maxHeightCm: 170 } }), spare], guests: [aGuest({ heightCm: 190 })] });
    expect(texts(tall)).toEqual(['Sabrel R instead, at 09:04']);
    const hasty = aDay({ guests: [aGuest({ leavesBy: at('09:10') })] });
    expect(texts(hasty)[0]).toBe('Ines Faro stays until 09:25');
  });
});

describe('One more drive', () => {
  const another = { id: 'new', cars: ['c1'], laps: 5 };

  it('is offered the soonest slot, the cheapest for others and the best car, and none twice within ten minutes', () => {
    const slot = (time: string, car: string, costs: number) =>
      ({ planned: { drive: 'x', car, instructor: 'i1', release: at(time) }, costs, moved: [] }) as never;
    const cars = [aCar({ id: 'c1', level: 1 }), aCar({ id: 'c2', level: 4 })];
    const offered = (...slots: never[]) =>
      offersOf(slots, { cars }).map(({ planned }) => `${clockMinute(planned.release)} ${planned.car}`);
    expect(offered(slot('10:00', 'c1', 9), slot('10:02', 'c1', 6), slot('10:04', 'c1', 5))).toEqual(['10:04 c1']);
    expect(offered(slot('10:00', 'c1', 9), slot('10:01', 'c2', 12), slot('11:00', 'c1', 1))).toEqual([
      '10:00 c1',
      '10:01 c2',
      '11:00 c1',
    ]);
    expect(offered()).toEqual([]);
  });

  it('gets the earliest slots that move nobody, each with its cost, in a valid plan', () => {
    let slotsFound = 0;
    fc.assert(
      fc.property(fc.nat(), fc.integer({ min: 5, max: 50 }), fc.integer({ min: 8, max: 15 }), (seed, drives, hour) => {
        const day = randomDay(seededRandom(seed), { drives });
        const plan = planned(day, 20);
        const guest = day.guests[seed % day.guests.length]!;
        const nowS = hour * 3600;
        const offer = insertions(day, plan, guest, { ...another, cars: day.cars.map(({ id }) => id) }, nowS);
        for (const slot of [...offer.slots, ...(offer.better ? [offer.better] : [])]) {
          slotsFound += 1;
          const { violations } = checkPlan(offer.day, slot.plan, { previous: plan, nowS });
          if (violations.length > 0) throw new Error(JSON.stringify(violations[0]));
          expect(slot.moved.every(({ from, to }) => Math.abs(to - from) <= 300)).toBe(true);
        }
        for (const slot of offer.slots) {
          const stays = plan.drives.every((old) =>
            slot.plan.drives.some((now) => JSON.stringify(now) === JSON.stringify(old)),
          );
          if (!stays) throw new Error('somebody was moved');
        }
      }),
      { numRuns: 30 },
    );
    expect(slotsFound).toBeGreaterThan(0);
  });

  it('comes after the drive before it, or from now on', () => {
    const day = aDay();
    const plan = aPlan({ drives: [drive('09:04')] });
    // The first drive ends at 09:14:40; five minutes of rest and four of set-up follow.
    expect(insertions(day, plan, day.guests[0]!, another, 0).slots[0]?.planned.release).toBe(at('09:23:40'));
    expect(insertions(day, plan, day.guests[0]!, another, at('10:00')).slots[0]?.planned.release).toBe(at('10:04'));
  });

  it('is found for somebody who walks in and needs class and sighting run', () => {
    const day = aDay();
    const plan = planned(day);
    const walkIn = aGuest({
      id: 'w',
      name: 'Noor Vale',
      arrives: at('10:00'),
      briefed: false,
      sighted: false,
      drives: [],
    });
    const [slot] = insertions(day, plan, walkIn, another, at('10:00')).slots;
    expect(slot?.plan.briefings.map(({ start }) => start)).toEqual([at('10:00')]);
    expect(slot?.plan.sightings.length).toBe(1);
    expect(slot!.planned.release).toBeGreaterThan(at('10:30'));
  });

  it('is offered sooner where another drive can wait a few minutes', () => {
    const day = aDay({
      guests: [
        aGuest({ drives: [] }),
        aGuest({ id: 'g2', name: 'Noor Vale', drives: [{ id: 'd2', cars: ['c1'], laps: 5 }] }),
      ],
    });
    const plan: Plan = aPlan({ drives: [drive('09:19', { drive: 'd2' })] });
    const { slots, better } = insertions(day, plan, day.guests[0]!, another, 0);
    expect(slots[0]!.planned.release).toBeGreaterThan(at('09:30'));
    expect(better?.planned.release).toBeLessThan(at('09:10'));
    expect(better?.moved.map((each) => each.drive)).toEqual(['d2']);
  });
});

describe('The bottleneck', () => {
  it('shows how much of each resource a quarter hour uses', () => {
    const day = aDay();
    const { quarters, resources, limits } = bottleneckOf(layOut(day, aPlan({ drives: [drive('10:00')] })));
    const of = (kind: string) => resources.find((resource) => resource.kind === kind)!;
    const quarter = quarters.indexOf(at('10:00'));
    // On the circuit 10:00 to 10:06:40; the car is held until 10:12:40, the instructor until 10:10:40.
    expect(of('circuit').used[quarter]).toBeCloseTo(400 / 900 / day.rules.maxCarsOnTrack);
    expect(of('releases').used[quarter]).toBeCloseTo(day.rules.releaseGapS / 900);
    expect(of('car').used[quarter]).toBeCloseTo(760 / 900);
    expect(of('instructor').used[quarter]).toBeCloseTo(640 / 900);
    expect(of('instructor').used[quarter - 1]).toBeCloseTo(240 / 900);
    expect(inEnglish(day).limit(limits)).toMatch(/^The (cars|instructors) limit the day/);
  });

  it('leaves out the hours in which a car or the circuit is closed', () => {
    const day = aDay({
      cars: [aCar({ available: [{ from: at('09:00'), to: at('12:00') }] })],
      circuit: { name: 'Loop', lapLengthM: 2000, closures: [{ from: at('08:00'), to: at('08:30') }] },
    });
    const { resources, limits } = bottleneckOf(layOut(day, aPlan()));
    expect(resources.find(({ kind }) => kind === 'car')!.used.slice(0, 5)).toEqual([
      undefined,
      undefined,
      undefined,
      undefined,
      0,
    ]);
    expect(resources.find(({ kind }) => kind === 'releases')!.used.slice(0, 3)).toEqual([undefined, undefined, 0]);
    expect(inEnglish(day).limit(limits)).toContain('Nothing is planned yet');
  });
});

describe('Days on which hardly anything can be planned', () => {
  const days: Record<string, Day> = {
    'without instructors': aDay({ instructors: [] }),
    'without cars': aDay({ cars: [] }),
    'without time': aDay({ opens: at('08:00'), closes: at('08:01') }),
    'without guests': aDay({ guests: [] }),
    'without room on the circuit': aDay({
      circuit: { name: 'Loop', lapLengthM: 2000, closures: [{ from: 0, to: at('24:00') }] },
    }),
    'with everybody late': aDay({ guests: [aGuest({ arrives: at('17:59') })] }),
    'with no sighting vehicle': aDay({ sightingVehicles: [], guests: [aGuest({ sighted: false })] }),
  };
  for (const [name, day] of Object.entries(days)) {
    it(`${name} get a plan with reasons`, () => {
      const { plan } = planDay(day, { iterations: 200, random: seededRandom(1) });
      expect(checkPlan(day, plan).violations).toEqual([]);
      expect(plan.drives.length).toBe(0);
      expect(plan.unplanned.every(({ reason }) => inEnglish(day).leftOut(reason).length > 20)).toBe(true);
    });
  }

  it('and a guest with eleven drives gets as many as the day has room for', () => {
    const drives = Array.from({ length: 11 }, (_, n) => ({ id: `d${n}`, cars: ['c1'], laps: 5 }));
    const day = aDay({ guests: [aGuest({ drives })] });
    const { plan } = planDay(day, { iterations: 300, random: seededRandom(1) });
    expect(checkPlan(day, plan).violations).toEqual([]);
    expect(plan.drives.length).toBe(11);
  });
});
