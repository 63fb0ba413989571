import { fact } from '../../values';
import { faultOf, inGarage } from '../state/garage';
import { firstReason } from '../state/out-of-order';
import { knownCar } from './judging';
import { always, NO_WORDS, type Family } from './family';
import { type garageSchemas } from '../entries/garage';

export const garageRules: Family<typeof garageSchemas> = {
  carStalled: {
    admit: (state, { car }) => knownCar(state, car),
    apply: (state, { car, stall, lock }) => {
      const it = inGarage(state, car);
      it.stall = stall;
      it.lock = lock ?? it.lock;
    },
    words: NO_WORDS,
  },
  cardMoved: {
    admit: (state, { car }) => knownCar(state, car),
    apply: (state, { car, card, charged, at }) => {
      inGarage(state, car).card = { where: card, charged, atS: at };
    },
    words: NO_WORDS,
  },
  carsCounted: {
    admit: (state, { cars }) => firstReason(cars, (id) => knownCar(state, id)),
    apply: ({ garage }, { cars, at, by }) => {
      garage.counted = { atS: at, by, cars };
    },
    words: NO_WORDS,
  },
  walkRoundDone: {
    admit: (state, { car }) => knownCar(state, car),
    apply: (state, { car, when, items, at, by }) => {
      inGarage(state, car).walkRounds.push({ when, items, atS: at, by });
    },
    words: NO_WORDS,
  },
  faultFound: {
    admit: (state, { car }) => knownCar(state, car),
    apply: (state, { id, car, where, what, severity, photo, at, by }) => {
      inGarage(state, car).faults.push({ id, car, atS: at, by, where, what, severity, photo, repairedS: undefined });
    },
    words: { named: ['what'] },
  },
  faultMended: {
    // A fault of an earlier day is not known to this one, and can be repaired on it all the same.
    admit: (state, { fault }) => (state.garage.repaired.has(fault) ? fact('faultMendedAlready', {}) : undefined),
    apply: (state, { fault, at }) => {
      const known = faultOf(state, fault);
      if (known) known.repairedS = at;
      state.garage.repaired.add(fault);
    },
    words: { named: ['note'] },
  },
  serviced: {
    admit: (state, { car }) => knownCar(state, car),
    apply: (state, { car, what, note, at, by }) => {
      const laps = state.cars.get(car)?.laps ?? 0;
      inGarage(state, car).services.push({ what, note, atS: at, by, laps });
    },
    words: { named: ['note'] },
  },
  conesChecked: {
    admit: always,
    apply: ({ garage }, { cones, at, by }) => {
      for (const cone of cones) garage.cones.set(cone, { atS: at, by, doubt: undefined });
    },
    words: NO_WORDS,
  },
  coneDoubted: {
    admit: always,
    apply: ({ garage }, { cone, note, at, by }) => {
      garage.cones.set(cone, { atS: at, by, doubt: note ?? 'doubted' });
    },
    words: { named: ['note'] },
  },
};
