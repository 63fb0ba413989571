import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { BookingFields } from '@core/api';
import type { Day, Plan } from '@core/day';
import { dayAsItIs, dayContext, stateOf, withGuestsGone, type RecordedEntry } from '@core/journal';
import { planDay, seededRandom } from '@core/planner';
import { readBookingList } from '@exchange/booking-list';
import { CREW, DEMO_SEED, DEMO_STARTS_S, FLEET } from './larkmere';
import { garageMorning, garageOfDemoDay } from './garage-day';
import { CAR_HELD, CAR_HELD_S, playMorning } from './morning';

/** Seed and steps of the search for each of the demo's plans: so that at its start something goes on at every station. */
const PLAN_SEED = 25;
const STEPS = 200;
const REPLANNED_S = CAR_HELD_S + 120;
const HERE = dirname(fileURLToPath(import.meta.url));

/** The bookings of the demo day, read from its list like any other. */
export function demoBookings(): BookingFields[] {
  const list = readBookingList(readFileSync(join(HERE, 'larkmere-day.csv'), 'utf8'), {
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

/** A plan that was accepted, when, and why. */
export interface AcceptedPlan {
  readonly plan: Plan;
  readonly atS: number;
  readonly reason: string;
}

/**
 * The demo's plans and its morning, the same every time: the first plan, then the one that the manager accepted after a
 * car was held.
 */
export function demoDay(day: Day): { plans: AcceptedPlan[]; journal: readonly RecordedEntry[] } {
  const random = seededRandom(PLAN_SEED);
  const first = planDay(day, { iterations: STEPS, random }).plan;
  const more = [...garageMorning(day, DEMO_SEED), ...garageOfDemoDay(day), CAR_HELD];
  const early = playMorning(day, first, REPLANNED_S, DEMO_SEED, undefined, more);
  const state = stateOf(dayContext(day, first), early.entries, REPLANNED_S);
  const known = dayAsItIs(day, first, state);
  const repaired = planDay(known, { iterations: STEPS, random }, { previous: first, nowS: REPLANNED_S }).plan;
  const second = withGuestsGone(day, known, repaired);
  return {
    plans: [
      { plan: first, atS: 7 * 3600 + 50 * 60, reason: 'First plan of the day' },
      { plan: second, atS: REPLANNED_S, reason: 'Sabrel R out of service, brakes' },
    ],
    journal: playMorning(day, second, DEMO_STARTS_S, DEMO_SEED, early, more).entries,
  };
}
