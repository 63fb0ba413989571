import fc from 'fast-check';
import * as z from 'zod';
import { checkPlan, RULES, violationKey, type Violation } from '@core/rules';
import { emptyPlan, planFile, type Day, type Plan } from '@core/day';
import { fact, wallClock } from '@core/values';
import { RULE_CODES } from '@core/rules/rules';
import { planDay, seededRandom, type Random } from '@core/planner';
import { mixedDay } from '@core/testing/group-days';
import { inEnglish } from '@core/testing/in-english';
import { randomDay } from '@core/testing/random-day';
import { aDay, aGuest, aPlan, at } from '@core/testing/small-day';
import { tap, TAPPED_DAY } from '@core/testing/taps';
import { writtenJournal } from '@core/testing/written-journal';
import { namesOf } from './names';
import { wordsIn } from './';

/** What somebody with a text editor does to a plan. */
const MISCHIEF: readonly ((plan: Plan, random: Random, day: Day) => void)[] = [
  (plan, random) => plan.drives.forEach((one) => (one.release += Math.round((random() - 0.5) * 3600))),
  (plan, random) => plan.drives.forEach((one) => (one.release = Math.round(random() * 86_000))),
  (plan) => (plan.briefings = []),
  (plan) => (plan.sightings = []),
  (plan) => plan.briefings.push(...plan.briefings.map((one) => ({ ...one, guests: [] }))),
  (plan) => plan.sightings.push(...plan.sightings.map((one) => ({ ...one, release: one.release + 60 }))),
  (plan, _, day) => plan.sightings.forEach((one) => (one.guests = day.guests.map(({ id }) => id))),
  (plan, _, day) => plan.briefings.forEach((one) => (one.guests = day.guests.map(({ id }) => id))),
  (plan, _, day) => plan.drives.forEach((one) => (one.car = day.cars[0]!.id)),
  (plan, _, day) => plan.drives.forEach((one) => (one.instructor = day.instructors[0]!.id)),
  (plan, _, day) => plan.briefings.forEach((one) => (one.instructor = day.instructors.at(-1)!.id)),
  (plan, _, day) => plan.sightings.forEach((one) => (one.instructor = day.instructors.at(-1)!.id)),
  (plan) => plan.drives.forEach((one) => (one.release = at('10:00'))),
  (plan) => (plan.refuels = []),
  (plan, _, day) => (plan.refuels = day.cars.map(({ id }) => ({ car: id, start: at('09:00') }))),
  (plan) => plan.drives.push(...plan.drives.slice(0, 1)),
  (plan) => (plan.drives = plan.drives.slice(1)),
  (plan) => (plan.date = '2027-01-01'),
  (plan) => plan.drives.forEach((one) => (one.car = 'nobody-knows')),
  (plan) => plan.unplanned.push({ drive: plan.drives[0]?.drive ?? 'x', reason: ' ' }),
  (plan, random) => plan.groups?.forEach((one) => (one.release = Math.round(random() * 86_000))),
  (plan) => plan.groups?.forEach((one) => (one.release = at('15:00'))),
  (plan) => plan.groups?.forEach((one) => (one.cars = one.cars.slice(1))),
  (plan, _, day) => plan.groups?.forEach((one) => Object.assign(one, { cars: [day.cars[0]!.id], leadCar: undefined })),
  (plan, _, day) =>
    plan.groups?.forEach(({ crew }) => crew.forEach((one) => (one.instructor = day.instructors[0]!.id))),
  (plan) => plan.groups?.forEach((one) => one.crew.pop()),
  (plan) => (plan.groups &&= plan.groups.slice(1)),
];

const spoiled = fc.record({
  seed: fc.nat({ max: 5000 }),
  drives: fc.integer({ min: 4, max: 30 }),
  mischief: fc.array(fc.nat({ max: MISCHIEF.length - 1 }), { minLength: 1, maxLength: 3 }),
  now: fc.option(fc.integer({ min: at('09:00'), max: at('17:00') }), { nil: undefined }),
});

/** A day with groups and rides, with less room for them than when it was planned. */
function cramped(day: Day): Day {
  return {
    ...day,
    surfaces: day.surfaces!.map((one) => ({ ...one, limit: 1, closures: [{ from: at('09:00'), to: at('17:00') }] })),
    groups: day.groups!.map((one) => ({ ...one, notBefore: at('12:00'), endsBy: at('12:30') })),
    rules: { ...day.rules, rides: { setUpS: 60, wrapUpS: 60, mostBeside: 1 } },
  };
}

function violationsOf({ seed, drives, mischief, now }: typeof spoiled extends fc.Arbitrary<infer T> ? T : never) {
  const random = seededRandom(seed);
  const grouped = seed % 3 === 0;
  const roomy = grouped ? mixedDay(random, drives, 4) : randomDay(random, { drives, cars: 2 + (seed % 4) });
  for (const one of roomy.instructors) (one as { maxLaps: number }).maxLaps = 60;
  const { plan: previous } = planDay(roomy, { iterations: 0, random });
  const day = grouped ? cramped(roomy) : roomy;
  const plan = structuredClone(previous);
  for (const which of mischief) MISCHIEF[which]!(plan, random, day);
  return { day, violations: checkPlan(day, plan, now === undefined ? undefined : { previous, nowS: now }).violations };
}

/** What no sentence may have in it. */
const BROKEN = /undefined|NaN|\[object|null|Infinity|function|=>/;

describe('Words', () => {
  it('tell every rule that can be broken, in a sentence of its own', () => {
    const told = new Map<string, Violation>();
    fc.assert(
      fc.property(spoiled, (one) => {
        const { day, violations } = violationsOf(one);
        const { violation: words } = inEnglish(day);
        const sentences = violations.map((violation) => {
          told.set(`${violation.code} ${violation.detail}`, violation);
          return words(violation);
        });
        for (const sentence of sentences) expect(sentence).not.toMatch(BROKEN);
        expect(new Set(sentences).size)
          .withContext(JSON.stringify(one))
          .toBeLessThanOrEqual(new Set(violations.map(violationKey)).size);
      }),
      { numRuns: 120 },
    );
    const codes = new Set([...told.values()].map(({ code }) => code));
    expect(RULE_CODES.filter((code) => !codes.has(code))).toEqual([]);
  });

  it('are the same for a fact that has travelled', () => {
    fc.assert(
      fc.property(spoiled, (one) => {
        const { day, violations } = violationsOf(one);
        const { violation: words } = inEnglish(day);
        const there = JSON.parse(JSON.stringify(violations)) as Violation[];
        expect(there.map(words)).toEqual(violations.map(words));
        expect(there.map(violationKey)).toEqual(violations.map(violationKey));
      }),
      { numRuns: 20 },
    );
  });

  it('name what nobody knows by its id', () => {
    const { activity, place } = wordsIn('en', namesOf(aDay({ guests: [], cars: [], instructors: [] })));
    expect(activity({ kind: 'drive', drive: 'd9', guest: undefined, car: 'c9', releaseS: at('10:00') })).toBe(
      'd9 in c9 at 10:00',
    );
    expect(place({ drive: 'd9', car: 'c9', instructor: 'i9', release: at('10:00') })).toBe('10:00, c9, with i9');
  });

  it('tell the reason for which a drive is left out, and somebody’s own words as they are', () => {
    const { leftOut } = inEnglish(aDay());
    expect(leftOut('The guest would rather look on.')).toBe('The guest would rather look on.');
    expect(leftOut(fact('leavesEarly', { guest: 'g1' }, { leavesBy: at('11:00') }))).toBe(
      'Ines Faro leaves by 11:00, too early for this drive; ask for a longer stay.',
    );
    const crew = ['a', 'b', 'c', 'd', 'e'];
    expect(leftOut(fact('crewTaken', { instructors: crew, cars: ['c1'] }, { from: at('12:00') }))).toBe(
      'a, b, c and 2 more are busy, resting or away whenever Dunnock Cup is free; one more instructor would do from 12:00.',
    );
  });
});

describe('Refusals', () => {
  it('are told in a sentence of their own, whatever somebody taps', () => {
    const told = new Set<string>();
    fc.assert(
      fc.property(fc.array(tap, { minLength: 5, maxLength: 60 }), fc.boolean(), (taps, offline) => {
        const it = writtenJournal(TAPPED_DAY, aPlan());
        const words = inEnglish(TAPPED_DAY);
        taps.forEach((fields, place) => {
          const time = wallClock(at('09:00') + place * 10);
          const answer = it.enter(time, offline && place % 3 === 0 ? { ...fields, offline: true } : fields);
          if (answer.startsWith('entry-')) return;
          told.add(answer.replaceAll(/\d+/g, '#'));
          expect(answer).toMatch(/^[A-Z].*[.)]$/);
          expect(answer).not.toMatch(BROKEN);
        });
        for (const { what } of it.state('10:00').resolved) {
          expect(words.resolution(what)).toMatch(/^[A-Z].*\.$/);
          expect(words.resolution(what)).not.toMatch(BROKEN);
        }
      }),
      { numRuns: 150 },
    );
    expect(told.size).toBeGreaterThan(20);
  });
});

describe('A reason in a plan', () => {
  it('travels in the plan as it is, with its times as a clock shows them', () => {
    fc.assert(
      fc.property(fc.nat({ max: 5000 }), (seed) => {
        const random = seededRandom(seed);
        const day = randomDay(random, { drives: 25, cars: 1, instructors: 1 });
        const { plan } = planDay(day, { iterations: 0, random });
        const sent = JSON.parse(JSON.stringify(z.encode(planFile, plan))) as unknown;
        expect(planFile.parse(sent)).toEqual(plan);
        expect(JSON.stringify(sent)).not.toMatch(/"(from|until|leavesBy|closes|release)":\d/);
        const { leftOut } = inEnglish(day);
        for (const { reason } of plan.unplanned) expect(leftOut(reason)).not.toMatch(BROKEN);
      }),
      { numRuns: 25 },
    );
  });

  it('may be text, as in plan files; a fact that is not one of the planner’s is refused', () => {
    const file = (reason: unknown) => ({ ...emptyPlan('2027-05-22'), unplanned: [{ drive: 'd1', reason }] });
    expect(planFile.safeParse(file('too late')).success).toBeTrue();
    expect(planFile.safeParse(file({ code: 'owed', subjects: {}, values: { since: '24:30' } })).success).toBeTrue();
    for (const reason of [
      '',
      { code: 'owed', subjects: {}, values: {} },
      { code: 'made up', subjects: {}, values: {} },
    ]) {
      expect(planFile.safeParse(file(reason)).success)
        .withContext(JSON.stringify(reason))
        .toBeFalse();
    }
  });

  it('is told for a guest who is booked, whatever the language asked for has', () => {
    const day = aDay({ guests: [aGuest({ languages: ['ja', 'pt'] })] });
    const { plan } = planDay(day, { iterations: 0, random: seededRandom(1) });
    expect(plan.unplanned.map(({ reason }) => inEnglish(day).leftOut(reason))).toEqual([
      'No instructor teaches in Dunnock Cup, speaks ja or pt and may be with Ines Faro; bring in one who does.',
    ]);
  });
});

describe('The list of rules', () => {
  it('has each under its own code', () => {
    expect(RULES.map(({ code }) => code)).toEqual(RULE_CODES);
  });
});
