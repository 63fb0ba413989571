import { Router } from 'express';
import { contract, storedCar, storedInstructor, storedVenue } from '@core/api';
import type { Services } from '../services';
import { conflict, Refusal } from '../problems';
import { mount } from './mount';
import { recordDesk, stale } from './records';

/** Venue, fleet, crew and the clock. */
export function setupRoutes({ store, room, hub, clock, planJobs, devices, manager, resetDemo }: Services): Router {
  const router = Router();
  const changed = () => {
    room.forget();
    hub.changed('setup');
  };

  mount(router, contract.readVenue, () => store.venue.get()!);
  mount(router, contract.changeVenue, ({ body: { version, fields } }) => {
    const twin = fields.sightingVehicles.find(({ id }) => store.cars.get(id));
    if (twin) throw conflict(`A car has the id "${twin.id}" already; a sighting vehicle needs one of its own.`);
    const stored = store.venue.change(version, fields);
    if (!stored) throw stale('the rules', storedVenue, store.venue.get()!);
    changed();
    return stored;
  });

  const cars = recordDesk(store.cars, (id) => `car "${id}"`, storedCar, changed);
  mount(router, contract.listCars, () => ({ cars: store.cars.list() }));
  mount(router, contract.addCar, ({ body }) => {
    if (store.venue.get()!.fields.sightingVehicles.some(({ id }) => id === body.id)) {
      throw conflict(`A sighting vehicle has the id "${body.id}" already; a car needs one of its own.`);
    }
    return cars.add(body);
  });
  mount(router, contract.changeCar, ({ params: { id }, body: { version, fields } }) =>
    cars.change(id, version, fields),
  );

  const crew = recordDesk(store.instructors, (id) => `instructor "${id}"`, storedInstructor, changed);
  mount(router, contract.listInstructors, () => ({ instructors: store.instructors.list() }));
  mount(router, contract.addInstructor, ({ body }) => crew.add(body));
  mount(router, contract.changeInstructor, ({ params: { id }, body: { version, fields } }) =>
    crew.change(id, version, fields),
  );

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
    manager.forget();
    hub.changed('reset');
    return clock.read();
  });
  return router;
}

const demoOnly = () =>
  new Refusal(403, 'Not here', 'Only the demo has a clock that can be set; this venue runs in real time.');
