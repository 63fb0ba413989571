import fc from 'fast-check';
import { clockMinute } from '@core/values';
import { emptyPlan, type Day, type Plan } from '@core/day';
import { judgeOf, type Violation } from '@core/rules';
import {
  amendedDay,
  journalWithOwed,
  planningSnapshotOf,
  stateOf,
  withGuestsGone,
  withoutDelays,
  type DayState,
} from '@core/journal';
import { planDay, seededRandom } from '@core/planner';
import { inEnglish } from '@core/testing/in-english';
import { randomDay } from '@core/testing/random-day';
import { playPlan, type Act, type Played } from './plan-player';

/** Something that happens besides what was planned: which kind, to which of them, at what share of the time. */
const trouble = fc.record({
  kind: fc.constantFrom(
    'unwell',
    'left',
    'noShow',
    'held',
    'off',
    'brokenOff',
    'late',
    'closed',
    'damp',
    'running',
    'away',
    'closedSince',
  ),
  which: fc.nat({ max: 40 }),
  share: fc.double({ min: 0, max: 1, noNaN: true }),
});
type Trouble = typeof trouble extends fc.Arbitrary<infer T> ? T : never;

const playedDay = fc.record({
  seed: fc.nat({ max: 10_000 }),
  drives: fc.integer({ min: 3, max: 18 }),
  troubles: fc.array(trouble, { maxLength: 6 }),
  /** Minutes after the opening at which it is planned again. */
  stops: fc.array(fc.integer({ min: 20, max: 500 }), { minLength: 1, maxLength: 3 }),
});
type PlayedDay = typeof playedDay extends fc.Arbitrary<infer T> ? T : never;

function fieldsOf(day: Day, { kind, which }: Trouble, atS: number): Act['fields'] | undefined {
  const of = <T>(list: readonly T[]) => list[which % list.length]!;
  const guest = of(day.guests).id;
  const drive = of(day.guests.flatMap(({ drives }) => drives)).id;
  switch (kind) {
    case 'unwell':
      return { kind: 'guestUnwell', guest };
    case 'left':
      return { kind: 'guestLeft', guest };
    case 'noShow':
      return { kind: 'guestNoShow', guest };
    case 'held':
      return { kind: 'carHeld', car: of(day.cars).id, reason: 'brakes', ...(which % 2 && { backAt: atS + 1800 }) };
    case 'off':
      return { kind: 'breakBegan', instructor: of(day.instructors).id, what: 'off' };
    case 'brokenOff':
      return { kind: 'brokenOff', drive, reason: 'spin' };
    case 'late':
      return { kind: 'guestLate', guest, expected: atS + 3600 };
    case 'closed':
      return { kind: 'circuitClosed', from: atS, to: atS + 1200, reason: 'oil' };
    case 'closedSince':
      return { kind: 'circuitClosed', from: atS - 60 * which, to: atS + 600, reason: 'told late' };
    case 'away':
      return { kind: 'crewAway', instructor: of(day.instructors).id, from: atS - 60 * which, to: atS + 7200 };
    case 'damp':
      return { kind: 'conditionChanged', from: atS, name: 'damp', paceFactor: 1.15 };
    case 'running':
      return { kind: 'runningLate', minutes: 1 + (which % 20) };
  }
}

interface Stop {
  readonly state: DayState;
  readonly nowS: number;
  readonly day: Day;
  readonly known: Day;
  readonly planned: Plan;
  /** As it is stored. */
  readonly plan: Plan;
  /** The rules that it breaks and the plan before kept. */
  readonly broken: readonly Violation[];
}

/** Plays a random day from one stop to the next, and plans again at each as the server does. */
function played({ seed, drives, troubles, stops }: PlayedDay): Stop[] {
  const bare = randomDay(seededRandom(seed), { drives });
  const acts = troubles.flatMap((one, i): Act[] => {
    const atS = Math.round(bare.opens + one.share * (bare.closes - bare.opens - 4000));
    const fields = fieldsOf(bare, one, atS);
    return fields ? [{ key: `trouble ${i}`, atS, by: 'Test', fields, tries: 55 }] : [];
  });
  let plan = planDay(bare, { iterations: 5, random: seededRandom(seed) }).plan;
  let morning: Played | undefined;
  let day = bare;
  return [...new Set(stops)]
    .sort((a, b) => a - b)
    .map((minutes) => {
      const nowS = bare.opens + minutes * 60;
      morning = playPlan(day, plan, nowS, seed, morning, acts);
      const situated = amendedDay(bare, morning.entries).day;
      const { context } = journalWithOwed(situated, plan, [...morning.entries]);
      const state = stateOf(context, morning.entries, nowS);
      day = context.day;
      const snapshot = planningSnapshotOf(day, context.schedule.plan, state);
      const options = { iterations: 10, random: seededRandom(seed) };
      const planned = planDay(snapshot.day, options, snapshot.repair).plan;
      const { broken } = judgeOf(snapshot.day, snapshot.plan, snapshot.repair).of(planned);
      plan = withGuestsGone(day, snapshot.day, withoutDelays(planned));
      return { state, nowS, day, known: snapshot.day, planned, plan, broken };
    });
}

/** A drive that should have begun may still do so for this long. */
const SEATING_GRACE_S = 600;
const hasBegun = ({ drives }: DayState, id: string) => (drives.get(id)?.stage ?? 'planned') !== 'planned';

/** Says which day it was, where an expectation fails. */
function forEachStop(runs: number, check: (stop: Stop, told: string) => void): void {
  fc.assert(
    fc.property(playedDay, (one) => {
      for (const stop of played(one)) check(stop, `${JSON.stringify(one)} at ${clockMinute(stop.nowS)}`);
    }),
    { numRuns: runs },
  );
}

describe('A day that is planned again while it runs', () => {
  it('breaks no rule from there on, whatever has happened', () => {
    forEachStop(60, ({ broken, known }, told) => {
      expect(broken.map(inEnglish(known).violation))
        .withContext(told)
        .toEqual([]);
    });
  });

  it('keeps what has begun: car, instructor, and no later', () => {
    forEachStop(40, ({ state, planned, nowS, day }, told) => {
      for (const drive of state.drives.values()) {
        if (!hasBegun(state, drive.drive.id)) continue;
        const now = planned.drives.find((one) => one.drive === drive.drive.id);
        expect([now?.car, now?.instructor])
          .withContext(`${told} ${drive.drive.id}`)
          .toEqual([drive.car, drive.instructor]);
        expect(now!.release - day.rules.setUpS)
          .withContext(told)
          .toBeLessThan(nowS);
      }
    });
  });

  it('begins nothing in the past', () => {
    forEachStop(40, ({ state, planned, nowS, day }, told) => {
      const anew = planned.drives.filter(({ drive }) => !hasBegun(state, drive));
      const before = anew.filter(({ release }) => release - day.rules.setUpS < nowS - SEATING_GRACE_S);
      expect(before.map(({ drive }) => drive))
        .withContext(told)
        .toEqual([]);
    });
  });

  it('loses no drive: each stands in the plan once, with a time or with a reason', () => {
    forEachStop(40, ({ day, plan }, told) => {
      const booked = day.guests.flatMap(({ drives }) => drives.map(({ id }) => id)).sort();
      const stand = [...plan.drives, ...plan.unplanned].map(({ drive }) => drive).sort();
      expect(stand).withContext(told).toEqual(booked);
      expect(plan.unplanned.filter(({ reason }) => inEnglish(day).leftOut(reason).length < 10))
        .withContext(told)
        .toEqual([]);
    });
  });

  it('plans nobody who is gone, no car that is held without an end, nobody who is off', () => {
    forEachStop(40, ({ state, planned }, told) => {
      const wrong = planned.drives.filter(({ drive, car, instructor }) => {
        if (hasBegun(state, drive)) return false;
        const { guest } = state.drives.get(drive)!;
        const held = state.cars.get(car)!;
        return (
          state.guests.get(guest.id)!.gone !== undefined ||
          (held.heldFor !== undefined && held.backAtS === undefined) ||
          state.crew.get(instructor)!.pause === 'off'
        );
      });
      expect(wrong.map(({ drive }) => drive))
        .withContext(told)
        .toEqual([]);
    });
  });

  it('sends nobody to class or on a run again who was there, and lets nobody drive who was not', () => {
    forEachStop(40, ({ state, planned, nowS, known }, told) => {
      const gate = [
        { to: planned.briefings.map(({ start, guests }) => ({ startS: start, guests })), done: 'briefed' as const },
        { to: planned.sightings.map(({ release, guests }) => ({ startS: release, guests })), done: 'sighted' as const },
      ];
      for (const { to, done } of gate) {
        const again = to
          .filter(({ startS }) => startS > nowS + known.rules.sighting.setUpS)
          .flatMap(({ guests }) => guests.filter((id) => state.guests.get(id)![done]));
        expect(again).withContext(`${told} ${done}`).toEqual([]);
        const sent = new Set(to.flatMap(({ guests }) => guests));
        const without = planned.drives.filter(({ drive }) => {
          const { guest } = state.drives.get(drive)!;
          return !hasBegun(state, drive) && !state.guests.get(guest.id)![done] && !sent.has(guest.id);
        });
        const driven = (id: string) => state.drives.get(id)!.guest.drives.some((one) => hasBegun(state, one.id));
        expect(without.filter(({ drive }) => !driven(drive)))
          .withContext(`${told} ${done}`)
          .toEqual([]);
      }
    });
  });

  it('is the same whether it is planned from the plan as stored or as seen', () => {
    forEachStop(15, ({ state, day, plan, nowS }, told) => {
      const { from } = planningSnapshotOf(day, plan, state);
      expect(withoutDelays(from.previous).drives.length).withContext(told).toBeLessThanOrEqual(plan.drives.length);
      expect(from.nowS).toBe(nowS);
      expect(planningSnapshotOf(day, emptyPlan(day.date), state).plan.drives).toEqual([]);
    });
  });
});
