import { ORDINARY_COACHING } from '@core/venue/settings';
import { A_ROUND_S, BREAKDOWN_S, REFUEL, ROUNDS_BEFORE_S, TROUBLE, UNWELL_S } from './chance';
import type { Deed, Scene } from './scene';

const GARAGE = { by: 'Garage' } as const;

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

/** Cars are walked round before the opening, and once more when they have done their day's work. */
export function* atWalkRounds({ state, context, nowS }: Scene): Iterable<Deed> {
  const { day, accepted } = context;
  const items = ORDINARY_COACHING.walkRound;
  for (const [place, { id: car }] of day.cars.entries()) {
    const rounds = state.garage.cars.get(car)?.walkRounds ?? [];
    const done = (when: 'start' | 'end') => rounds.some((round) => round.when === when);
    const enter = (when: 'start' | 'end'): Deed => ({ ...GARAGE, fields: { kind: 'walkRoundDone', car, when, items } });
    if (!done('start') && nowS >= day.opens - ROUNDS_BEFORE_S + place * A_ROUND_S) yield enter('start');
    if (done('end') || nowS < day.closes - ROUNDS_BEFORE_S + place * A_ROUND_S) continue;
    const own = accepted.drives.filter(({ planned }) => planned.car === car);
    const through = own.every(
      ({ planned, endS }) =>
        nowS >= endS + place * A_ROUND_S &&
        ['done', 'planned'].includes(state.drives.get(planned.drive)?.stage ?? 'done'),
    );
    if (through && state.cars.get(car)?.drive === undefined) yield enter('end');
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
        by,
        fields: { kind: 'brokenOff', drive: drive.id, reason: 'fault', note: 'warning light' },
      };
      const backAt = Math.min(86_400, Math.round(nowS + between(`back ${drive.id}`, BREAKDOWN_S)));
      yield { ...GARAGE, fields: { kind: 'carHeld', car, reason: 'warning light', backAt } };
    } else if (chance > 1 - TROUBLE.unwell) {
      yield { by, fields: { kind: 'brokenOff', drive: drive.id, reason: 'unwell' } };
    }
  }
  for (const { guest, unwell, gone } of state.guests.values()) {
    if (ripe(`well ${guest.id}`, unwell && !gone, between(`well ${guest.id}`, UNWELL_S))) {
      yield { by: 'Desk', fields: { kind: 'guestWell', guest: guest.id } };
    }
  }
}
