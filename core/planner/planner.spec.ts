import fc from 'fast-check';
import { checkPlan } from '../rules';
import type { Day } from '../day';
import { inEnglish } from '../testing/in-english';
import { randomDay } from '../testing/random-day';
import { aCar, aDay, aGuest, anInstructor, at } from '../testing/small-day';
import { planDay } from './search/plan-day';
import { seededRandom } from './place/random';

const plan = (day: Day, iterations = 50) => planDay(day, { iterations, random: seededRandom(1) }).plan;
const reason = (day: Day) => plan(day).unplanned.map((item) => inEnglish(day).leftOut(item.reason));

describe('The planner', () => {
  it('always gives a valid plan, however awkward the day', () => {
    fc.assert(
      fc.property(
        fc.nat(),
        fc.integer({ min: 1, max: 70 }),
        fc.integer({ min: 1, max: 8 }),
        fc.integer({ min: 1, max: 7 }),
        (seed, drives, cars, instructors) => {
          const day = randomDay(seededRandom(seed), { drives, cars, instructors });
          const { violations } = checkPlan(day, plan(day, 150));
          if (violations.length > 0) throw new Error(JSON.stringify(violations[0]));
        },
      ),
      { numRuns: 40 },
    );
    expect(checkPlan(aDay(), plan(aDay())).valid).toBe(true);
  });

  it('always gives a valid repair, whenever it is asked and whatever has changed', () => {
    fc.assert(
      fc.property(fc.nat(), fc.integer({ min: 5, max: 50 }), fc.integer({ min: 8, max: 18 }), (seed, drives, hour) => {
        const random = seededRandom(seed);
        const day = randomDay(random, { drives });
        const previous = plan(day);
        const nowS = hour * 3600 + Math.floor(random() * 3600);
        const changed: Day = {
          ...day,
          cars: day.cars.slice(random() < 0.5 ? 1 : 0),
          instructors: day.instructors.slice(random() < 0.5 ? 1 : 0),
          guests: day.guests.filter(() => random() < 0.95),
        };
        const repaired = planDay(changed, { iterations: 100, random }, { previous, nowS }).plan;
        const { violations } = checkPlan(changed, repaired, { previous, nowS });
        if (violations.length > 0) throw new Error(JSON.stringify(violations[0]));
      }),
      { numRuns: 40 },
    );
    expect(plan(aDay()).drives.length).toBe(1);
  });

  it('goes on from a better plan that another search has found', () => {
    const day = randomDay(seededRandom(5), { drives: 40 });
    const elsewhere = planDay(day, { iterations: 3000, random: seededRandom(2) });
    const few = (more: object) => planDay(day, { iterations: 10, random: seededRandom(1), ...more }).cost.total;
    expect(few({})).toBeGreaterThan(elsewhere.cost.total);
    expect(few({ elsewhere: () => elsewhere.plan })).toBeLessThanOrEqual(elsewhere.cost.total + 1e-6);
    expect(few({ elsewhere: () => planDay(day, { iterations: 0, random: seededRandom(1) }).plan }))
      .withContext('a worse one changes nothing')
      .toBe(few({}));
  });

  it('moves nobody in a repair where nothing has changed', () => {
    const day = randomDay(seededRandom(5), { drives: 40 });
    const previous = plan(day);
    const repair = { previous, nowS: at('11:00') };
    const { moved, reassigned, unplanned } = planDay(day, { iterations: 1, random: seededRandom(1) }, repair).cost
      .terms;
    expect({ moved, reassigned }).toEqual({ moved: 0, reassigned: 0 });
    expect(unplanned).toBeLessThanOrEqual(previous.unplanned.length * 2000);
  });

  it('gives the same plan for the same seed and number of constructions', () => {
    const day = randomDay(seededRandom(3), { drives: 30 });
    expect(plan(day, 4)).toEqual(plan(day, 4));
  });

  it('never gives a dearer plan for having tried longer', () => {
    const day = randomDay(seededRandom(11), { drives: 40 });
    const cost = (iterations: number) => planDay(day, { iterations, random: seededRandom(1) }).cost.total;
    expect(cost(6)).toBeLessThanOrEqual(cost(1));
  });

  it('holds a pinned release, and plans class and sighting run before it', () => {
    const pinned = aGuest({
      briefed: false,
      sighted: false,
      drives: [{ id: 'd1', cars: ['c1'], laps: 5, pin: { release: at('11:11:11') } }],
    });
    const day = aDay({ guests: [pinned] });
    const made = plan(day);
    expect(made.drives.map(({ release }) => release)).toEqual([at('11:11:11')]);
    expect(checkPlan(day, made).valid).toBe(true);
  });

  it('refuels a car that could not finish the day otherwise', () => {
    const fuel = { capacityL: 30, startL: 16, reserveL: 10, perLapL: 1, refuelS: 480 };
    const guests = ['a', 'b', 'c'].map((id) => aGuest({ id, drives: [{ id: `d-${id}`, cars: ['c1'], laps: 5 }] }));
    const made = plan(aDay({ cars: [aCar({ fuel })], guests }));
    expect(made.drives.length).toBe(3);
    expect(made.refuels.length).toBe(1);
  });
});

describe('A drive without a place', () => {
  it('is explained by the guest’s size', () => {
    const day = aDay({ cars: [aCar({ fit: { maxHeightCm: 190 } })], guests: [aGuest({ heightCm: 201 })] });
    expect(reason(day)).toEqual(['Ines Faro is 201 cm tall, Dunnock Cup takes up to 190 cm; offer another car.']);
  });

  it('is explained by a car that is not there', () => {
    expect(reason(aDay({ cars: [] }))).toEqual(["No car of this drive (c1) is on the day's sheet; offer another car."]);
  });

  it('is explained by a language that nobody speaks', () => {
    expect(reason(aDay({ guests: [aGuest({ languages: ['ja'] })] }))).toEqual([
      'No instructor teaches in Dunnock Cup, speaks ja and may be with Ines Faro; bring in one who does.',
    ]);
  });

  it('is explained by a guest who has to leave too early', () => {
    const [text] = reason(aDay({ guests: [aGuest({ leavesBy: at('09:10') })] }));
    expect(text).toContain('leaves by 09:10');
  });

  it('is explained by a car that is taken all day', () => {
    const guests = Array.from({ length: 3 }, (_, n) =>
      aGuest({ id: `g${n}`, leavesBy: at('09:40'), drives: [{ id: `d${n}`, cars: ['c1'], laps: 5 }] }),
    );
    const crew = [anInstructor(), anInstructor({ id: 'i2', name: 'Ife Okoro' })];
    const [text] = reason(aDay({ guests, instructors: crew }));
    expect(text).toMatch(/^Dunnock Cup is taken, refuelling, cooling or away until 09:40; another car would do from/);
  });

  it('is explained on a day without instructors, without time, and with everybody late', () => {
    expect(reason(aDay({ instructors: [] })).length).toBe(1);
    expect(reason(aDay({ opens: at('08:00'), closes: at('08:01') })).length).toBe(1);
    expect(reason(aDay({ guests: [aGuest({ arrives: at('23:00') })] })).length).toBe(1);
  });
});
