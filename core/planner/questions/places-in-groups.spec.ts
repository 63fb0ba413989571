import type { Day, Plan } from '../../day';
import { ableForGroups, aGroup, OVAL, STEPS } from '../../testing/group-days';
import { aCar, aDay, aGuest, anInstructor, at } from '../../testing/small-day';
import { planDay } from '../search/plan-day';
import { seededRandom } from '../place/random';
import { placesInGroups } from './places-in-groups';

const ids = ['g1', 'g2'];
const base = aDay({
  cars: ['c1', 'c2', 'c3', 'c4', 'c5'].map((id) => aCar({ id, name: `Car ${id}` })),
  instructors: ableForGroups([anInstructor({ brief: true }), anInstructor({ id: 'i2', name: 'Ife Okoro' })]),
  guests: ids.map((id) => aGuest({ id, name: `Guest ${id}`, briefed: false, drives: [] })),
});
const train = aGroup({ id: 'train', members: ids, cars: ['c1', 'c2', 'c3', 'c4'], leadCars: ['c5'] });
const trainDay: Day = { ...base, version: 2, groups: [train], rules: { ...base.rules, maxCarsOnTrack: 6 } };
const planned = (day: Day): Plan => planDay(day, { iterations: 50, random: seededRandom(1) }).plan;
const places = (day: Day, isNew: boolean, nowS = at('08:30'), plan = planned(day)) =>
  placesInGroups(day, plan, nowS, isNew).map(({ group, left }) => `${group} ${left}`);

describe('Places in groups', () => {
  it('of a train are the cars that are left, as far as the circuit takes them', () => {
    expect(places(trainDay, false)).toEqual(['train 2']);
    // The leader and three guests are all that may be out.
    expect(places({ ...trainDay, rules: { ...trainDay.rules, maxCarsOnTrack: 4 } }, false)).toEqual(['train 1']);
    expect(places({ ...trainDay, groups: [{ ...train, cars: ['c1', 'c2'] }] }, false)).toEqual([]);
  });

  it('for somebody new need a seat in a class before', () => {
    const briefing = (seats: number) => ({ ...trainDay.rules, briefing: { ...trainDay.rules.briefing, seats } });
    expect(places({ ...trainDay, rules: briefing(12) }, true)).toEqual(['train 2']);
    const full = { ...trainDay, rules: briefing(2) };
    expect(places(full, true)).toEqual([]);
    expect(places(full, false)).toEqual(['train 2']);
  });

  it('are none once it has gone out', () => {
    const plan = planned(trainDay);
    const { release } = plan.groups![0]!;
    expect(places(trainDay, false, release + 1, plan)).toEqual([]);
  });

  it('on an oval are as many turns as the hours leave room for', () => {
    const oval = (to: string, endsBy?: number): Day => ({
      ...base,
      version: 2,
      surfaces: [{ ...OVAL, available: [{ from: at('10:00'), to: at(to) }] }],
      groups: [
        aGroup({
          ...{ id: 'oval', members: ids, cars: ['c1'], surface: 'oval', programme: { ...STEPS, carsOut: 1 } },
          ...{ roles: [{ role: 'spotter', count: 1 }], needsBriefing: false, endsBy },
        }),
      ],
    });
    const [short, long] = [places(oval('10:40'), false), places(oval('17:00'), false)];
    expect(long).toEqual(['oval 6']);
    expect(short).not.toEqual(long);
  });
});
