import type { Plan } from '@core/day';
import type { JournalEntry } from '@core/journal';
import { DEMO_MANAGER_HASH, HOLDS_UNTIL, OWN_FAULTS, ROSTER, TRUSTED_WITH } from '../demo/crew-days';
import { EARLIER_DAYS, earlierBookings, earlierDate, playEarlierDay } from '../demo/earlier-days';
import { CREW, DEMO_DATE, DEMO_DEVICE_KEY, DEMO_DEVICES, FLEET, LARKMERE } from '../demo/larkmere';
import {
  DEMO_CAST,
  programmesBookings,
  PROGRAMMES_DATE,
  programmesGroups,
  SATURDAY,
  type Cast,
} from '../demo/programmes-day';
import { demoBookings, demoDay, firstPlan } from '../demo/seed';
import { SLIPWAY } from '../demo/slipway';
import { dayOf } from './services/day';
import type { Store } from './store';

const MANAGER = 'Maren, manager';
const MADE_AT = '2027-05-22T06:00:00.000Z';
const TABLES = [
  'track',
  'guest_link',
  'erasure',
  'device',
  'plan_job',
  'journal_entry',
  'plan_revision',
  'pairing_reason',
  'roster',
  'fault',
  'manager_code',
  'day_group',
  'booking',
  'list_word',
  'event_day',
  'instructor',
  'car',
  'venue',
  'surface',
  'circuit',
  'show',
  'photo',
];

/** The demo's plans and morning are the same every time, and take a second to make. */
let played: ReturnType<typeof demoDay> | undefined;
let programmesPlan: Plan | undefined;
const playedEarlier = new Map<number, ReturnType<typeof playEarlierDay>>();

/** Fills an empty database with the demo venue, its bookings, its plan and its morning; an old demo is cleared first. */
export function seedDemo(store: Store): void {
  store.db
    .transaction(() => {
      store.tracks.forget();
      for (const table of TABLES) store.db.exec(`delete from ${table}`);
      store.venue.create(LARKMERE);
      store.circuit.change(0, SLIPWAY);
      for (const car of FLEET) store.cars.add(car.id, car);
      for (const instructor of CREW) {
        const { id } = instructor;
        store.instructors.add(id, { ...instructor, ...TRUSTED_WITH[id], holdsUntil: HOLDS_UNTIL[id] });
      }
      for (const entry of ROSTER) store.roster.put(entry);
      for (const fault of OWN_FAULTS) store.faults.add(fault.id, fault);
      store.manager.setHash(DEMO_MANAGER_HASH);
      for (const device of DEMO_DEVICES) store.devices.add({ ...device, key: DEMO_DEVICE_KEY, series: '' });
      for (let daysAgo = EARLIER_DAYS; daysAgo > 0; daysAgo--) seedEarlierDay(store, daysAgo);
      store.days.add(DEMO_DATE, MADE_AT);
      for (const booking of demoBookings()) store.bookings.add(DEMO_DATE, booking.reference.toLowerCase(), booking);
      seedProgrammes(store, DEMO_DATE, DEMO_CAST);
      const { plans, journal } = (played ??= demoDay(dayOf(store, DEMO_DATE)));
      const accepted = plans.map(({ plan, atS, reason }) => {
        const acceptedAt = new Date(Date.parse(`${DEMO_DATE}T00:00:00Z`) + atS * 1000).toISOString();
        const { revision } = store.days.acceptPlan(DEMO_DATE, plan, { author: MANAGER, reason, acceptedAt });
        const entry: JournalEntry = {
          id: `demo-plan-${revision}`,
          kind: 'planAccepted',
          at: atS,
          by: MANAGER,
          revision,
        };
        return { entry, recordedAt: acceptedAt };
      });
      const entries = [...accepted, ...journal].sort((a, b) => a.entry.at - b.entry.at);
      for (const { entry, recordedAt } of entries) store.journal.append(DEMO_DATE, entry, recordedAt);
      seedProgrammesDay(store);
    })
    .immediate();
}

/** A day to come, on which people drive in other ways. */
function seedProgrammesDay(store: Store): void {
  store.days.add(PROGRAMMES_DATE, MADE_AT);
  seedProgrammes(store, PROGRAMMES_DATE, SATURDAY);
  const plan = (programmesPlan ??= firstPlan(dayOf(store, PROGRAMMES_DATE)));
  const by = { author: MANAGER, reason: 'First plan of the day', acceptedAt: MADE_AT };
  store.days.acceptPlan(PROGRAMMES_DATE, plan, by);
}

function seedProgrammes(store: Store, date: string, cast: Cast): void {
  for (const booking of programmesBookings(cast)) store.bookings.add(date, booking.reference.toLowerCase(), booking);
  for (const { id, ...fields } of programmesGroups(cast)) store.groups.add(date, id, fields);
}

function seedEarlierDay(store: Store, daysAgo: number): void {
  const date = earlierDate(daysAgo);
  const madeAt = `${date}T06:00:00.000Z`;
  store.days.add(date, madeAt);
  for (const booking of earlierBookings(daysAgo)) store.bookings.add(date, booking.reference.toLowerCase(), booking);
  let day = playedEarlier.get(daysAgo);
  if (!day) playedEarlier.set(daysAgo, (day = playEarlierDay(dayOf(store, date), daysAgo)));
  store.days.acceptPlan(date, day.plan, { author: MANAGER, reason: 'Plan of the day', acceptedAt: madeAt });
  for (const { entry, recordedAt } of day.journal) store.journal.append(date, entry, recordedAt);
}
