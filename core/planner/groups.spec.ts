import { checkPlan, frozenOf } from '../rules';
import { costOf } from '../cost';
import { layOut, type Day, type Plan } from '../day';
import { type aGroup, mixedDay, PAN, STATIONS } from '../testing/group-days';
import { inEnglish } from '../testing/in-english';
import { loadPlan } from './search/load';
import { problemOf } from './place/problem';
import { planDay } from './search/plan-day';
import { seededRandom } from './place/random';

const planned = (day: Day, iterations = 150, seed = 1) => planDay(day, { iterations, random: seededRandom(seed) });
const told = (day: Day, plan: Plan) => checkPlan(day, plan).violations.map(inEnglish(day).violation);

describe('A day with groups and rides', () => {
  it('has a plan without a broken rule, with every group and ride in it', () => {
    for (let seed = 1; seed <= 4; seed++) {
      const day = mixedDay(seededRandom(seed));
      const { plan } = planned(day);
      expect(told(day, plan)).toEqual([]);
      expect(plan.groups?.map(({ group }) => group).sort()).toEqual(['oval', 'pan', 'train-1', 'train-2']);
      const rides = plan.drives.filter(({ drive }) => drive.endsWith('-ride'));
      expect(rides.length).toBe(10);
    }
  });

  it('costs the same by the engine and by the rules', () => {
    for (let seed = 1; seed <= 3; seed++) {
      const day = mixedDay(seededRandom(seed));
      const { plan, cost } = planned(day, 40);
      const timetable = loadPlan(problemOf(day), plan);
      expect(timetable.cost()).toBeCloseTo(cost.total, 6);
      // In a repair from before the day everything may move, groups as well.
      const repair = { previous: planned(day, 40, 9).plan, nowS: 0 };
      const again = loadPlan(problemOf(day, repair), plan);
      expect(again.cost()).toBeCloseTo(costOf(layOut(day, plan, repair)).total, 6);
    }
  });

  it('is repaired around what has begun, groups as well', () => {
    const day = mixedDay(seededRandom(2));
    const { plan } = planned(day);
    const train = plan.groups!.find(({ group }) => group === 'train-1')!;
    const nowS = train.release;
    const changed = { ...day, instructors: day.instructors.filter(({ id }) => id !== 'i11') };
    const repaired = planDay(changed, { iterations: 60, random: seededRandom(3) }, { previous: plan, nowS });
    expect(
      checkPlan(changed, repaired.plan, { previous: plan, nowS }).violations.map(inEnglish(day).violation),
    ).toEqual([]);
    const { groups } = frozenOf(changed, { previous: plan, nowS });
    for (const stands of groups) expect(repaired.plan.groups).toContain(stands);
    const same = planDay(day, { iterations: 30, random: seededRandom(3) }, { previous: plan, nowS }).plan;
    expect(same.groups).toContain(train);
  });

  it('goes on with the cars that are left where one is lost on the way', () => {
    const day = mixedDay(seededRandom(2));
    const { plan } = planned(day);
    const train = plan.groups!.find(({ group }) => group === 'train-1')!;
    const repair = { previous: plan, nowS: train.release + 60 };
    const changed = { ...day, cars: day.cars.filter(({ id }) => id !== train.cars[1]) };
    const repaired = planDay(changed, { iterations: 30, random: seededRandom(3) }, repair).plan;
    expect(checkPlan(changed, repaired, repair).violations.map(inEnglish(day).violation)).toEqual([]);
    const after = repaired.groups!.find(({ group }) => group === 'train-1');
    expect(after?.cars).toEqual(train.cars.filter((car) => car !== train.cars[1]));
  });
});

describe('A group without a place', () => {
  const reasonOf = (change: (day: Day) => Day) => {
    const day = change(mixedDay(seededRandom(1), 10, 0));
    const { plan } = planned(day, 20);
    expect(told(day, plan)).toEqual([]);
    const reason = plan.unplannedGroups?.find(({ group }) => group === 'pan')?.reason;
    return typeof reason === 'object' ? reason.code : reason;
  };
  const pan = (change: Parameters<typeof aGroup>[0] | object) => (day: Day) => ({
    ...day,
    groups: day.groups!.map((group) => (group.id === 'pan' ? { ...group, ...change } : group)),
  });

  it('says what it lacks: guests, surface, cars, people, time', () => {
    expect(reasonOf(pan({ members: ['nobody'] }))).toBe('nobodyComes');
    expect(reasonOf((day) => ({ ...day, surfaces: day.surfaces!.filter(({ id }) => id !== 'pan') }))).toBe(
      'surfaceGone',
    );
    expect(reasonOf(pan({ carCount: 7 }))).toBe('groupCarsShort');
    expect(reasonOf(pan({ leadCars: ['gone'] }))).toBe('groupLeadCarGone');
    expect(reasonOf(pan({ roles: [{ role: 'spotter', count: 2, people: ['i1'] }] }))).toBe('groupRoleShort');
    expect(reasonOf(pan({ programme: { ...STATIONS, runsEach: 20 } }))).toBe('groupTooLong');
    expect(reasonOf(pan({ programme: { ...STATIONS, runsEach: 4 } }))).toBe('groupOverCrew');
    const closed = { ...PAN, closures: [{ from: 8 * 3600, to: 18 * 3600 }] };
    const shut = (day: Day) => ({ ...day, surfaces: day.surfaces!.map((one) => (one.id === 'pan' ? closed : one)) });
    expect(reasonOf(shut)).toBe('groupTaken');
  });
});
