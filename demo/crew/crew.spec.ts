import fc from 'fast-check';
import { takenByCar } from '@core/day';
import { driftOf, keyOf } from '@core/live/drift';
import type { Expected } from '@core/live/drift/expected';
import { stateOf } from '@core/journal';
import { planDay, seededRandom } from '@core/planner';
import { randomDay } from '@core/testing/random-day';
import { PlayedDay } from './play';

const LOOK_EVERY_S = 15;

/** Plays a random day, its times following, and stops at each of some minutes after the opening. */
function played(seed: number, drives: number, stops: readonly number[], check: (played: PlayedDay) => void): PlayedDay {
  const day = randomDay(seededRandom(seed), { drives });
  const { plan } = planDay(day, { iterations: 20, random: seededRandom(seed) });
  const it = new PlayedDay(day, plan, { seed }, day.opens - 1800);
  for (const minutes of [...stops].sort((a, b) => a - b)) {
    while (it.nowS < day.opens + minutes * 60) {
      it.step();
      if (it.nowS % LOOK_EVERY_S === 0) it.slide(driftOf(it.context, it.state()), 300);
    }
    check(it);
  }
  return it;
}

const anyDay = fc.record({
  seed: fc.nat({ max: 10_000 }),
  drives: fc.integer({ min: 3, max: 16 }),
  stops: fc.array(fc.integer({ min: 5, max: 560 }), { minLength: 1, maxLength: 4 }),
});

/** A moment of a day that is played, with all that the crew does and suffers. */
interface Moment {
  readonly told: string;
  readonly context: PlayedDay['context'];
  readonly entries: PlayedDay['entries'];
  readonly nowS: number;
  readonly drift: ReturnType<typeof driftOf>;
}

function anyMoments(days: number): Moment[] {
  return fc.sample(anyDay, { numRuns: days }).flatMap(({ seed, drives, stops }) => {
    const moments: Moment[] = [];
    played(seed, drives, stops, (it) => {
      const { context, nowS } = it;
      const drift = driftOf(context, it.state());
      moments.push({ told: `${seed}, ${drives} at ${nowS}`, context, entries: [...it.entries], nowS, drift });
    });
    return moments;
  });
}

describe('Drift on days that are played', () => {
  let moments: Moment[];
  beforeAll(() => (moments = anyMoments(10)));
  const toCome = (all: Iterable<Expected>) => [...all].filter(({ phase }) => phase === 'toCome');

  it('lets nothing begin before it was accepted to, or before now', () => {
    for (const { drift, told } of moments) {
      for (const { key, startS, occupancy } of toCome(drift.expected.values())) {
        expect(startS).withContext(`${key}, ${told}`).toBeGreaterThanOrEqual(Math.max(occupancy.startS, drift.timeS));
      }
    }
  });

  it('keeps everybody’s order, and lets nobody and nothing be in two places', () => {
    for (const { drift, context, told } of moments) {
      const { crewOccupancies, guestOccupancies } = context.accepted;
      const keyed = new Map([...drift.expected.values()].map((one) => [one.occupancy, one]));
      const cars = takenByCar(context.accepted);
      for (const own of [...crewOccupancies.values(), ...guestOccupancies.values(), ...cars.values()]) {
        const ahead = toCome(own.flatMap((occupancy) => keyed.get(occupancy) ?? []));
        ahead.slice(1).forEach((next, i) => {
          expect(next.startS)
            .withContext(`${ahead[i]!.key} before ${next.key}, ${told}`)
            .toBeGreaterThanOrEqual(ahead[i]!.endS);
        });
      }
    }
  });

  it('lets out no two nearer together than allowed, of those that have moved', () => {
    for (const { drift, context, told } of moments) {
      const out = toCome(drift.expected.values())
        .filter(({ occupancy }) => occupancy.kind === 'drive' || occupancy.kind === 'sighting')
        .sort((a, b) => a.releaseS - b.releaseS);
      out.slice(1).forEach((next, i) => {
        if (next.lateS + out[i]!.lateS === 0) return;
        const apartS = next.releaseS - out[i]!.releaseS;
        expect(apartS).withContext(`${next.key}, ${told}`).toBeGreaterThanOrEqual(context.day.rules.releaseGapS);
      });
    }
  });

  it('is the same worked out from nothing as entry by entry', () => {
    for (const { drift, context, entries, nowS, told } of moments) {
      const anew = driftOf(context, stateOf(context, entries, nowS));
      expect([...anew.expected])
        .withContext(told)
        .toEqual([...drift.expected]);
      expect([...anew.stuck])
        .withContext(told)
        .toEqual([...drift.stuck]);
    }
  });
});

describe('The crew of a day', () => {
  let days: (readonly [seed: number, PlayedDay])[];
  beforeAll(() => (days = [3, 4].map((seed) => [seed, played(seed, 14, [620], () => undefined)] as const)));

  it('brings a day to its end: every drive is driven, left out by the plan, or has somebody who can’t drive it', () => {
    for (const [seed, it] of days) {
      const state = it.state();
      const left = new Set(it.context.schedule.plan.unplanned.map(({ drive }) => drive));
      const stuck = driftOf(it.context, state).stuck;
      for (const { drive, stage, guest } of state.drives.values()) {
        const gone = state.guests.get(guest.id)?.gone !== undefined;
        const has = stage === 'done' || left.has(drive.id) || gone || stuck.has(keyOf.drive(drive.id));
        expect(has).withContext(`${seed}: ${drive.id} ${stage}`).toBeTrue();
      }
      expect([...state.drives.values()].some(({ stage }) => stage === 'done')).toBeTrue();
    }
  });

  it('does the same on the same day with the same chance, and something else with another', () => {
    const kinds = (seed: number) => {
      const day = randomDay(seededRandom(5), { drives: 6 });
      const { plan } = planDay(day, { iterations: 5, random: seededRandom(5) });
      const it = new PlayedDay(day, plan, { seed }, day.opens - 1800);
      while (it.nowS < day.opens + 4 * 3600) it.step();
      return it.entries.map(({ entry: { kind, at } }) => `${at} ${kind}`);
    };
    expect(kinds(1)).toEqual(kinds(1));
    expect(kinds(1)).not.toEqual(kinds(2));
  });

  it('counts by hand now and then less than the loop, and never more', () => {
    const counts = days.flatMap(([, it]) =>
      [...it.state().drives.values()].map(({ count }) => count).filter(({ loop }) => loop !== undefined),
    );
    expect(counts.length).toBeGreaterThan(5);
    for (const { hand = 0, loop = 0 } of counts) expect(hand).toBeLessThanOrEqual(loop);
  });
});
