import { fact } from '../../values';
import { markFuel } from '../state/garage';
import { onCar } from './judging';
import { changeCar } from './changing';
import { NO_WORDS, type Family } from './family';
import { type carsSchemas } from '../entries/cars';

/** How far off a full tank and a reading in litres may be. */
const FILLED_WITHIN_L = 1;
const READ_WITHIN_L = 1.5;

export const carsRules: Family<typeof carsSchemas> = {
  carHeld: {
    admit: (state, { car }) =>
      onCar(state, car, (it) => it.heldFor !== undefined, fact('outOfServiceAlready', { car })),
    apply: (state, { car, reason, backAt, at }) =>
      changeCar(state, car, (it) => {
        it.heldFor = reason;
        it.heldSinceS = at;
        it.backAtS = backAt;
      }),
    words: { named: ['reason'] },
  },
  carReady: {
    admit: (state, { car }) => onCar(state, car, (it) => it.heldFor === undefined, fact('notOutOfService', { car })),
    apply: (state, { car }) => changeCar(state, car, (it) => (it.heldFor = undefined)),
    words: NO_WORDS,
  },
  refuelBegan: {
    admit: (state, { car }, { day }) => {
      const refuelling = [...state.cars.values()].filter((it) => it.refuelling).length;
      return (
        onCar(state, car, (it) => it.refuelling, fact('refuellingAlready', { car })) ??
        onCar(state, car, (it) => it.drive !== undefined, fact('guestInIt', { car })) ??
        (refuelling >= day.rules.refuelBays ? fact('bayTaken', {}, { bays: day.rules.refuelBays }) : undefined)
      );
    },
    apply: (state, { car, at }) =>
      changeCar(state, car, (it) => {
        it.refuelling = true;
        it.refuelSinceS = at;
      }),
    words: NO_WORDS,
  },
  refuelEnded: {
    admit: (state, { car }) => onCar(state, car, (it) => !it.refuelling, fact('notRefuelling', { car })),
    apply: (state, { car, at }) =>
      changeCar(state, car, (it) => {
        it.refuelling = false;
        markFuel(state, it, { atS: at, litres: it.car.fuel.capacityL, withinL: FILLED_WITHIN_L });
      }),
    words: NO_WORDS,
  },
  fuelRead: {
    admit: (state, { car, litres }) =>
      onCar(state, car, (it) => litres > it.car.fuel.capacityL, fact('tankHoldsLess', { car }, { litres })),
    apply: (state, { car, litres, withinL, at }) =>
      changeCar(state, car, (it) => markFuel(state, it, { atS: at, litres, withinL: withinL ?? READ_WITHIN_L })),
    words: NO_WORDS,
  },
};
