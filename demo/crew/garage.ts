import { BREAKDOWN_S, REFUEL, TROUBLE, UNWELL_S } from './chance';
import type { Deed, Scene } from './scene';

const GARAGE = { station: 'garage', by: 'Garage' } as const;

/** Cars are filled when the plan says so and they are there; what broke down comes back. */
export function* inGarage({ state, context, nowS, ripe, between }: Scene): Iterable<Deed> {
  const { refuels } = context.accepted;
  const { refuelBays } = context.day.rules;
  let atBays = [...state.cars.values()].filter(({ refuelling }) => refuelling).length;
  for (const { refuel, startS, endS } of refuels) {
    const car = state.cars.get(refuel.car);
    if (!car) continue;
    const key = `refuel ${refuel.car} ${refuels.filter((one) => one.refuel.car === refuel.car && one.startS < startS).length}`;
    const marks = state.garage.cars.get(refuel.car)?.fuelMarks ?? [];
    const done = marks.some(({ atS }) => atS >= startS - 60);
    const there = car.drive === undefined && !car.refuelling && atBays < refuelBays;
    if (ripe(key, nowS >= startS && nowS < endS + 3600 && there && !done, between(key, [5, 40]))) {
      atBays += 1;
      yield { ...GARAGE, fields: { kind: 'refuelBegan', car: refuel.car } };
    }
  }
  for (const { car, refuelling, heldFor, backAtS } of state.cars.values()) {
    const fillS = car.fuel.refuelS * between(`fill ${car.id}`, REFUEL);
    if (ripe(`filled ${car.id}`, refuelling, fillS)) yield { ...GARAGE, fields: { kind: 'refuelEnded', car: car.id } };
    if (heldFor !== undefined && backAtS !== undefined && nowS >= backAtS) {
      yield { ...GARAGE, fields: { kind: 'carReady', car: car.id } };
    }
  }
}

/** Now and then a car breaks down on the circuit, or a guest feels unwell in it. */
export function* inTrouble({ state, nowS, draw, between, ripe }: Scene): Iterable<Deed> {
  for (const { drive, stage, crossings, car, instructor } of state.drives.values()) {
    if (stage !== 'onCircuit' || crossings.length < 2) continue;
    const chance = draw(`trouble ${drive.id}`);
    const by = state.crew.get(instructor ?? '')?.instructor.name ?? 'Instructor';
    if (chance < TROUBLE.breakdown && car !== undefined) {
      yield {
        station: 'cars',
        by,
        fields: { kind: 'brokenOff', drive: drive.id, reason: 'fault', note: 'warning light' },
      };
      const backAt = Math.min(86_400, Math.round(nowS + between(`back ${drive.id}`, BREAKDOWN_S)));
      yield { ...GARAGE, fields: { kind: 'carHeld', car, reason: 'warning light', backAt } };
    } else if (chance > 1 - TROUBLE.unwell) {
      yield { station: 'cars', by, fields: { kind: 'brokenOff', drive: drive.id, reason: 'unwell' } };
    }
  }
  for (const { guest, unwell, gone } of state.guests.values()) {
    if (ripe(`well ${guest.id}`, unwell && !gone, between(`well ${guest.id}`, UNWELL_S))) {
      yield { station: 'desk', by: 'Desk', fields: { kind: 'guestWell', guest: guest.id } };
    }
  }
}
