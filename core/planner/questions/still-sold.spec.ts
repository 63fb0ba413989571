import fc from 'fast-check';
import type { Day, Guest } from '../../day';
import { randomDay } from '../../testing/random-day';
import { aCar, aDay, aGuest, anInstructor, at } from '../../testing/small-day';
import { insertions } from './insert';
import { planDay } from '../search/plan-day';
import { seededRandom } from '../place/random';
import { STRETCH_S, stillSold, type Wanted } from './still-sold';

const WANTED: Wanted = { laps: 5, isNew: false, pace: 1 };
const planned = (day: Day) => planDay(day, { iterations: 100, random: seededRandom(1) }).plan;

describe('What can still be sold', () => {
  it('begins in each car where the desk finds the first place for such a guest', () => {
    let compared = 0;
    fc.assert(
      fc.property(fc.nat(), fc.boolean(), fc.integer({ min: 9, max: 15 }), (seed, isNew, hour) => {
        const base = randomDay(seededRandom(seed), { drives: 25 });
        const day: Day = {
          ...base,
          instructors: base.instructors.map((who) => ({ ...who, languages: ['en', ...who.languages] })),
        };
        const plan = planned(day);
        const nowS = hour * 3600;
        const { cars } = stillSold(day, plan, nowS, { ...WANTED, isNew });
        const guest: Guest = {
          ...{ id: 'stranger', name: 'Stranger', arrives: Math.max(nowS, day.opens), languages: ['en'], pace: 1 },
          ...{ briefed: !isNew, sighted: !isNew, sequence: 'any', drives: [] },
        };
        for (const { car, stretches } of cars) {
          const [slot] = insertions(day, plan, guest, { id: 'more', cars: [car], laps: 5 }, nowS).slots;
          const first = stretches.find(({ fit }) => fit === 'free');
          const release = first?.fit === 'free' ? first.release : undefined;
          if (slot === undefined && release === undefined) continue;
          // Both take the cheapest place, the desk the earliest of them, so they may differ within the stretch.
          const apart = Math.abs((slot?.planned.release ?? Infinity) - (release ?? Infinity));
          if (!isNew && !(apart < STRETCH_S)) throw new Error(`${car}: ${slot?.planned.release} and ${release}`);
          compared += 1;
        }
      }),
      { numRuns: 15 },
    );
    expect(compared).toBeGreaterThan(10);
  });

  it('says what stands in the way: the car, or not having been to class yet', () => {
    const booked = aGuest({ briefed: true, sighted: true, arrives: at('10:00'), sequence: 'any' });
    const day = aDay({
      cars: [aCar(), aCar({ id: 'c2', name: 'Sabrel R' })],
      instructors: [anInstructor(), anInstructor({ id: 'i2', name: 'Ife Okoro' })],
      guests: [booked],
    });
    const plan = planned(day);
    const { release } = plan.drives[0]!;
    const { stretches, cars } = stillSold(day, plan, at('09:00'), WANTED);
    const stretch = stretches.findIndex((startS) => startS <= release && release < startS + STRETCH_S);
    const [first, second] = cars;
    const other = first!.car === plan.drives[0]!.car ? second! : first!;
    expect(other.stretches[stretch]!.fit).toBe('free');
    const isNew = stillSold(day, plan, at('09:00'), { ...WANTED, isNew: true });
    expect(isNew.cars[0]!.stretches[0]).toEqual({ fit: 'none', because: 'notReady' });
    expect(isNew.readyS!).toBeGreaterThan(at('09:00') + day.rules.briefing.durationS);
  });

  it('counts one drive after the other into what time is left, and none once it is over', () => {
    const day = aDay({ guests: [] });
    const plan = { ...planned(aDay()), briefings: [], sightings: [], drives: [], refuels: [], unplanned: [] };
    const more = (time: string) => stillSold(day, plan, at(time), WANTED).more;
    expect(more('17:59')).toBe(0);
    expect(more('17:00')).toBeGreaterThan(0);
    expect(more('16:00')).toBeGreaterThan(more('17:00'));
    expect(
      stillSold(day, plan, at('17:59'), WANTED).cars.every(({ stretches }) =>
        stretches.every(({ fit }) => fit === 'none'),
      ),
    ).toBe(true);
  });

  it('tells of seats left in classes and runs to come', () => {
    const day = aDay({ guests: [aGuest({ briefed: false, sighted: false, arrives: at('09:00') })] });
    const plan = planned(day);
    const [briefing] = plan.briefings;
    const seats = (time: number) => stillSold(day, plan, time, WANTED).seats.filter(({ kind }) => kind === 'briefing');
    expect(seats(day.opens)).toEqual([
      { kind: 'briefing', startS: briefing!.start, left: day.rules.briefing.seats - 1 },
    ]);
    expect(seats(briefing!.start + 1)).toEqual([]);
  });

  it('has an answer for a day without cars', () => {
    const day = aDay({ cars: [], guests: [] });
    const plan = { ...planned(aDay()), briefings: [], sightings: [], drives: [], refuels: [], unplanned: [] };
    expect(stillSold(day, plan, at('09:00'), WANTED)).toEqual(jasmine.objectContaining({ cars: [], more: 0 }));
  });
});
