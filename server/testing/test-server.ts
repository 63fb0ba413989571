import { setTimeout } from 'node:timers/promises';
import type { z } from 'zod';
import { NO_PATTERN } from '@core/venue/settings';
import type { planJob } from '@core/api';
import type { startPlanning } from '@core/api/planning';
import request from 'supertest';
import { createApp, type AppOptions } from '../app';
import { demoClock, type Clock } from '../base/clock';
import { openDatabase } from '../store/database';
import { CREW, FLEET, LARKMERE } from '../../demo/larkmere';
import { openStore, type Store } from '../store';

export const DATE = '2027-05-22';

export interface TestServer {
  readonly store: Store;
  readonly clock: Clock;
  readonly http: ReturnType<typeof request>;
  readonly app: ReturnType<typeof createApp>['app'];
  /** A browser that the manager has been let in with; sets the code. */
  manager(): Promise<ReturnType<typeof request.agent>>;
  /** Looks for a plan and waits until the search has ended. */
  look(order?: Partial<z.input<typeof startPlanning>>): Promise<z.input<typeof planJob>>;
  /** Looks for a plan and accepts it; gives the number of the revision. */
  plan(order?: Partial<z.input<typeof startPlanning>>): Promise<number>;
  close(): void;
}

/** The real application on a database in memory: the demo's venue, fleet and crew, one empty day, noon. */
export function testServer(options: Pick<AppOptions, 'hosts' | 'backUp' | 'resetDemo' | 'forGood'> = {}): TestServer {
  const store = openStore(openDatabase(':memory:'));
  store.venue.create({ ...LARKMERE, calendar: NO_PATTERN });
  for (const car of FLEET) store.cars.add(car.id, car);
  for (const instructor of CREW) store.instructors.add(instructor.id, instructor);
  store.days.add(DATE, '2027-05-22T06:00:00.000Z');
  const clock = demoClock({ date: DATE, secondsOfDay: 12 * 3600 });
  clock.adjust({ rate: 0 });
  const { app, close } = createApp({ store, clock, ...options });
  const http = request(app);
  const day = `/api/days/${DATE}`;
  const look: TestServer['look'] = async (order = {}) => {
    const body = { author: 'Maren', reason: 'First plan', mode: 'improve', seconds: 0.1, ...order };
    await http.post(`${day}/planning`).send(body).expect(202);
    for (;;) {
      const { job } = (await http.get(`${day}/planning`).expect(200)).body;
      if (job.state !== 'running') return job;
      await setTimeout(20);
    }
  };
  return {
    store,
    clock,
    app,
    http,
    look,
    manager: async () => {
      const agent = request.agent(app);
      await agent.put('/api/manager/code').send({ code: 'larkmere' }).expect(200);
      return agent;
    },
    plan: async (order) => {
      const { base, asOf, found, author, reason } = await look(order);
      const body = { base, asOf, author, reason, plan: found!.plan };
      return (await http.post(`${day}/plans`).send(body).expect(201)).body.revision;
    },
    close: () => {
      close();
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
  touch: true,
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
