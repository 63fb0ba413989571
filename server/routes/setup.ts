import { Router } from 'express';
import { contract, storedCar, storedInstructor, storedVenue } from '@core/api';
import * as z from 'zod';
import type { Services } from '../services';
import { conflict, notFound, Refusal } from '../problems';
import type { Change } from '../store/documents';
import { mount } from './mount';

/** Venue, fleet, crew and the clock. */
export function setupRoutes({ store, room, hub, clock, planJobs, devices, resetDemo }: Services): Router {
  const router = Router();
  const changed = () => {
    room.forget();
    hub.changed('setup');
  };

  mount(router, contract.readVenue, () => store.venue.get()!);
  mount(router, contract.changeVenue, ({ body: { version, fields } }) => {
    const stored = store.venue.change(version, fields);
    if (!stored) throw stale('the rules', storedVenue, store.venue.get()!);
    changed();
    return stored;
  });

  mount(router, contract.listCars, () => ({ cars: store.cars.list() }));
  mount(router, contract.addCar, ({ body }) => {
    const stored = store.cars.add(body.id, body);
    if (!stored) throw conflict(`There is a car with the id "${body.id}" already.`);
    changed();
    return stored;
  });
  mount(router, contract.changeCar, ({ params: { id }, body: { version, fields } }) => {
    const stored = outcomeOf(store.cars.change(id, version, { ...fields, id }), `car "${id}"`, fields.name, storedCar);
    changed();
    return stored;
  });

  mount(router, contract.listInstructors, () => ({ instructors: store.instructors.list() }));
  mount(router, contract.addInstructor, ({ body }) => {
    const stored = store.instructors.add(body.id, body);
    if (!stored) throw conflict(`There is an instructor with the id "${body.id}" already.`);
    changed();
    return stored;
  });
  mount(router, contract.changeInstructor, ({ params: { id }, body: { version, fields } }) => {
    const change = store.instructors.change(id, version, { ...fields, id });
    const stored = outcomeOf(change, `instructor "${id}"`, fields.name, storedInstructor);
    changed();
    return stored;
  });

  mount(router, contract.readClock, () => clock.read());
  mount(router, contract.adjustClock, ({ body }) => {
    if (!clock.adjust(body)) throw demoOnly();
    hub.changed('clock');
    return clock.read();
  });
  mount(router, contract.resetDemo, () => {
    if (!resetDemo) throw demoOnly();
    planJobs.close();
    resetDemo();
    room.forget();
    devices.forget();
    hub.changed('reset');
    return clock.read();
  });
  return router;
}

const demoOnly = () =>
  new Refusal(403, 'Not here', 'Only the demo has a clock that can be set; this venue runs in real time.');

function stale<T>(what: string, schema: z.ZodType<T>, current: T): Refusal {
  return conflict(
    `Somebody else has changed ${what} meanwhile. Nothing of yours is saved yet.`,
    z.encode(schema, current),
  );
}

function outcomeOf<T, S>(change: Change<T>, what: string, name: string, schema: z.ZodType<S>) {
  if (change.outcome === 'missing') throw notFound(what);
  if (change.outcome === 'stale') throw stale(name, schema, change.current as S);
  return change.stored;
}
