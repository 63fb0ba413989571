import { checkPlan, sameActivity } from '../../rules';
import { COST_TERMS } from '../../cost';
import { layOut, type Plan, type Repair } from '../../day';
import { RULE_CODES } from '../../rules/rules';
import { BINDING_DAYS, TERM_DAYS } from '../../testing/binding-days';
import { withReasons } from '../search/explain';
import { planDay } from '../search/plan-day';
import { seededRandom } from './random';
import { loadPlan } from '../search/load';
import { problemOf } from './problem';
import { INCREMENTAL_TERMS } from './incremental-terms';
import type { Timetable } from './timetable';

const DAYS = 8;
const CHANGES = 25;

/** What is held when, as a set: the order in which activities are listed says nothing. */
const activitiesOf = ({ briefings, sightings, drives, refuels, groups = [] }: Plan) =>
  [
    ...[...briefings, ...sightings, ...drives, ...refuels].map((one) => JSON.stringify(one, Object.keys(one).sort())),
    ...groups.map(sameActivity.group),
  ].sort();

describe('The engine and the plain rules', () => {
  for (const code of RULE_CODES) {
    it(`agree on ${code}, on days on which it binds: what is allowed is kept, and nothing else`, () => {
      const { day: dayOf, change, repair: repairOf } = BINDING_DAYS[code];
      let [broken, allowed] = [0, 0];
      for (let seed = 1; seed <= DAYS; seed++) {
        const random = seededRandom(seed);
        const day = dayOf(random);
        const { plan } = planDay(day, { iterations: 30, random });
        const repair: Repair | undefined = repairOf?.(plan);
        const problem = problemOf(day, repair);
        for (let i = 0; i < CHANGES; i++) {
          const changed = change(random, plan, day);
          const { valid, violations } = checkPlan(day, changed, repair);
          const kept = withReasons(loadPlan(problem, changed));
          const codes = new Set(violations.map((violation) => violation.code));
          if (codes.size === 1 && codes.has(code)) broken += 1;
          if (valid) {
            allowed += 1;
            expect(activitiesOf(kept)).toEqual(activitiesOf(changed));
          } else {
            expect(checkPlan(day, kept, repair).violations).toEqual([]);
          }
        }
      }
      // Otherwise the days say nothing of this rule.
      expect([code, broken > 0, allowed > 0]).toEqual([code, true, true]);
    });
  }
});

describe('The engine and the plain cost terms', () => {
  const amountOf = (timetable: Timetable, name: keyof typeof INCREMENTAL_TERMS): number => {
    const form = INCREMENTAL_TERMS[name];
    const { problem } = timetable;
    const sum = (things: readonly unknown[], amount: (of: number) => number) =>
      things.reduce<number>((total, _, of) => total + amount(of), 0);
    if (form.of === 'day') return form.amount(timetable);
    if (form.of === 'party') return sum(problem.parties, (party) => form.amount(timetable, party));
    if (form.of === 'wish') return sum(problem.friendWishes, (wish) => form.amount(timetable, wish));
    return sum(problem.guests, (guest) => form.amount(problem, guest, timetable.guestOccupancies[guest]!));
  };

  for (const term of COST_TERMS) {
    const { name } = term;
    it(`count the same ${name}, on days that have some`, () => {
      let most = 0;
      for (let seed = 1; seed <= DAYS; seed++) {
        const random = seededRandom(seed);
        const day = TERM_DAYS[name](random);
        const { plan: previous } = planDay(day, { iterations: 10, random });
        // In a repair from before the day, everything may move, and is counted against the plan before.
        const repair = name === 'moved' || name === 'reassigned' ? { previous, nowS: 0 } : undefined;
        const { plan } = planDay(day, { iterations: 60, random: seededRandom(seed + 100) });
        const timetable = loadPlan(problemOf(day, repair), plan);
        const plain = term.of(layOut(day, withReasons(timetable), repair));
        expect(amountOf(timetable, name)).toBeCloseTo(plain, 6);
        most = Math.max(most, plain);
      }
      expect([name, most > 0]).toEqual([name, true]);
    });
  }
});
