import * as z from 'zod';
import { fact } from '../../day';
import { faultOf, inGarage } from '../garage';
import { firstReason } from '../misplaced';
import { knownCar } from './judging';
import { subject, sentence, common, entryOf, carPlace, faultSeverity, servicePart, wheelLock, note } from './parts';
import { always, NO_WORDS, type Family } from './family';

/** What the garage and the people with the cones enter. */
export const garageSchemas = {
  carStalled: entryOf('carStalled', {
    car: subject,
    stall: z.number().int().min(1).max(999),
    lock: wheelLock.optional(),
  }),
  cardMoved: entryOf('cardMoved', { car: subject, card: z.enum(['in', 'out']), charged: z.boolean() }),
  /** Cars that were there when somebody went round with the sheet. */
  carsCounted: entryOf('carsCounted', { cars: z.array(subject).max(200) }),
  walkRoundDone: entryOf('walkRoundDone', {
    car: subject,
    when: z.enum(['start', 'end']),
    items: z.array(z.string().min(1).max(100)).max(30),
  }),
  faultFound: entryOf('faultFound', {
    car: subject,
    where: carPlace,
    what: sentence,
    severity: faultSeverity,
    /** Id of a picture that was sent before. */
    photo: subject.optional(),
  }),
  faultMended: entryOf('faultMended', { fault: common.id, note }),
  serviced: entryOf('serviced', { car: subject, what: servicePart, note }),
  conesChecked: entryOf('conesChecked', { cones: z.array(z.string().min(1).max(100)).min(1).max(500) }),
  coneDoubted: entryOf('coneDoubted', { cone: z.string().min(1).max(100), note }),
};

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
