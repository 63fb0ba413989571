import request from 'supertest';
import { createApp } from '../app';
import { demoClock, type Clock } from '../clock';
import { openDatabase } from '../database';
import { CREW, FLEET, LARKMERE } from '../../demo/larkmere';
import { openStore, type Store } from '../store';

export const DATE = '2027-05-22';

export interface TestServer {
  readonly store: Store;
  readonly clock: Clock;
  readonly http: ReturnType<typeof request>;
  readonly app: ReturnType<typeof createApp>['app'];
  close(): void;
}

/** The real application on a database in memory: the demo's venue, fleet and crew, one empty day, noon. */
export function testServer(): TestServer {
  const store = openStore(openDatabase(':memory:'));
  store.venue.create(LARKMERE);
  for (const car of FLEET) store.cars.add(car.id, car);
  for (const instructor of CREW) store.instructors.add(instructor.id, instructor);
  store.days.add(DATE, '2027-05-22T06:00:00.000Z');
  const clock = demoClock({ date: DATE, secondsOfDay: 12 * 3600 });
  clock.adjust({ rate: 0 });
  const { app, hub } = createApp({ store, clock });
  return {
    store,
    clock,
    app,
    http: request(app),
    close: () => {
      hub.close();
      store.db.close();
    },
  };
}

/** A booking as the form sends it. */
export const bookingBody = (more: Record<string, unknown> = {}) => ({
  reference: 'A1',
  name: 'Ines Faro',
  languages: ['en'],
  arrives: '09:10',
  pace: 'first',
  prompting: true,
  sequence: 'any',
  price: 149,
  paid: 0,
  briefed: true,
  sighted: true,
  avoidInstructors: [],
  preferInstructors: [],
  drives: [{ id: 'A1-1', cars: ['c4'], laps: 5 }],
  ...more,
});
