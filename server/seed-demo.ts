import { CREW, DEMO_DATE, FLEET, LARKMERE } from '../demo/larkmere';
import { demoBookings, demoDay } from '../demo/seed';
import { dayOf } from './day';
import type { Store } from './store';

const MADE_AT = '2027-05-22T06:00:00.000Z';
const TABLES = ['journal_entry', 'plan_revision', 'booking', 'event_day', 'instructor', 'car', 'venue', 'surface'];

/** Fills an empty database with the demo venue, its bookings, its plan and its morning; an old demo is cleared first. */
export function seedDemo(store: Store): void {
  store.db
    .transaction(() => {
      for (const table of TABLES) store.db.exec(`delete from ${table}`);
      store.venue.create(LARKMERE);
      for (const car of FLEET) store.cars.add(car.id, car);
      for (const instructor of CREW) store.instructors.add(instructor.id, instructor);
      store.days.add(DEMO_DATE, MADE_AT);
      for (const booking of demoBookings()) store.bookings.add(DEMO_DATE, booking.reference.toLowerCase(), booking);
      const { plans, journal } = demoDay(dayOf(store, DEMO_DATE));
      for (const { plan, atS, reason } of plans) {
        const acceptedAt = new Date(Date.parse(`${DEMO_DATE}T00:00:00Z`) + atS * 1000).toISOString();
        store.days.acceptPlan(DEMO_DATE, plan, { author: 'Maren, manager', reason, acceptedAt });
      }
      for (const { entry, recordedAt } of journal) store.journal.append(DEMO_DATE, entry, recordedAt);
    })
    .immediate();
}
