import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { BookingFields } from '@core/api';
import type { Day, Plan } from '@core/day';
import type { RecordedEntry } from '@core/journal';
import { planDay, seededRandom } from '@core/planner';
import { readBookingList } from '@exchange/booking-list';
import { CREW, DEMO_SEED, DEMO_STARTS_S, FLEET } from './larkmere';
import { playMorning } from './morning';

const CONSTRUCTIONS = 40;
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

/** The demo's plan and its morning; the same every time. */
export function demoDay(day: Day): { plan: Plan; journal: RecordedEntry[] } {
  const { plan } = planDay(day, { iterations: CONSTRUCTIONS, random: seededRandom(DEMO_SEED) });
  return { plan, journal: playMorning(day, plan, DEMO_STARTS_S, seededRandom(DEMO_SEED)) };
}
