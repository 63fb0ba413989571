import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { BookingFields } from '@core/venue/booking';
import type { Day, Plan } from '@core/day';
import { driftOf } from '@core/live/drift';
import { dayAsItIs, withGuestsGone, type RecordedEntry } from '@core/journal';
import { planDay, seededRandom } from '@core/planner';
import { EVEN_RING } from '@core/live/traffic';
import { readBookingList } from '@exchange/booking-list';
import { byAdvice } from './crew/marshal';
import { PlayedDay } from './crew/play';
import { garageMorning, garageOfDemoDay } from './garage-day';
import { CREW, CREW_SEED, DEMO_DATE, DEMO_SEED, DEMO_STARTS_S, FLEET } from './larkmere';
import type { Act } from './plan-player';
import { SLIPWAY } from './slipway';

/** Seed and steps of the search for each of the demo's plans: so that at its start something goes on at every station. */
const PLAN_SEED = 24;
const STEPS = 1500;
/** The morning is played from before the opening, when the garage begins. */
const BEGINS_BEFORE_S = 3000;
/** As the server does: so often it is looked at whether times follow, and so far they do by themselves. */
const SLIDES_EVERY_S = 15;
const SLIDES_UP_TO_S = 5 * 60;

/** The demo day's own troubles: a guest who never comes, one who is late, and a car with a long brake pedal. */
const ABSENT_GUEST = 'Milo Petrak';
const LATE_GUEST = 'Emre Yalin';
const LATE_S = 15 * 60;
const CAR_HELD: Act = {
  key: 'held',
  atS: 10 * 3600 + 35 * 60,
  by: 'Garage',
  fields: { kind: 'carHeld', car: 'c9', reason: 'brake pedal long', backAt: 12 * 3600 + 15 * 60 },
  tries: 0,
};
/** The manager has a new plan so long after the car was held. */
const REPLANNED_AFTER_S = 120;
const HERE = dirname(fileURLToPath(import.meta.url));

/** The bookings of the demo day, read from its list like any other. */
export function demoBookings(): BookingFields[] {
  const list = readBookingList(readFileSync(join(HERE, 'larkmere-day.csv'), 'utf8'), {
    date: DEMO_DATE,
    cars: FLEET,
    instructors: CREW,
    bookings: [],
  });
  if (!list.ok) throw new Error(`demo bookings: ${list.faults[0]!.message}`);
  return list.preview.rows.map(({ fields, line, faults }) => {
    if (!fields) throw new Error(`demo bookings, line ${line}: ${faults[0]!.reason}`);
    return fields;
  });
}

/** The plan of a day that is still to come, the same every time. */
export function firstPlan(day: Day): Plan {
  return planDay(day, { iterations: STEPS, random: seededRandom(PLAN_SEED) }).plan;
}

/** A plan that was accepted, when, and why. */
export interface AcceptedPlan {
  readonly plan: Plan;
  readonly atS: number;
  readonly reason: string;
}

/**
 * The demo's plans and its morning, the same every time: the first plan, then the one that the manager accepted after a
 * car was held; played by the crew that goes on with it afterwards.
 */
export function demoDay(day: Day): { plans: AcceptedPlan[]; journal: readonly RecordedEntry[] } {
  const random = seededRandom(PLAN_SEED);
  const first = planDay(day, { iterations: STEPS, random }).plan;
  const comes = new Map(
    day.guests.flatMap(({ id, name, arrives }): [string, number | undefined][] => {
      if (name === ABSENT_GUEST) return [[id, undefined]];
      return name === LATE_GUEST ? [[id, arrives + LATE_S]] : [];
    }),
  );
  const corners = SLIPWAY.corners.map(({ name }) => name);
  const crew = { seed: CREW_SEED, corners, comes, letOut: byAdvice(EVEN_RING) };
  const played = new PlayedDay(day, first, crew, day.opens - BEGINS_BEFORE_S);
  const plans = [{ plan: first, atS: 7 * 3600 + 50 * 60, reason: 'First plan of the day' }];
  let acts = [...garageMorning(day, DEMO_SEED), ...garageOfDemoDay(day), CAR_HELD];
  let heldS = Infinity;
  while (played.nowS < DEMO_STARTS_S - 1) {
    played.step();
    // What is not possible yet is tried again with the next second.
    acts = acts.filter((act) => {
      if (act.atS > played.nowS || !played.enter(act.fields, act.by)) return true;
      if (act === CAR_HELD) heldS = played.nowS;
      return false;
    });
    if (played.nowS % SLIDES_EVERY_S === 0) played.slide(driftOf(played.context, played.state()), SLIDES_UP_TO_S);
    if (played.nowS === heldS + REPLANNED_AFTER_S) {
      const plan = replanned(played, random);
      plans.push({ plan, atS: played.nowS, reason: 'Sabrel R out of service, brakes' });
      played.accept(plan);
    }
  }
  return { plans, journal: played.entries.filter(({ entry }) => entry.kind !== 'planAccepted') };
}

/** The manager plans again from where the day is. */
function replanned(played: PlayedDay, random: () => number): Plan {
  const { day, context, nowS } = played;
  const previous = context.schedule.plan;
  const known = dayAsItIs(day, previous, played.state());
  const { plan } = planDay(known, { iterations: STEPS, random }, { previous, nowS });
  return withGuestsGone(day, known, plan);
}
