import type { Day } from '@core/day';
import { randomOf } from '@core/planner';
import { ORDINARY_COACHING } from '@core/venue/settings';
import { taughtCones } from './cones';
import type { Act } from './plan-player';

/** What the garage enters on a day of the demo. */

const act = (key: string, atS: number, by: string, fields: Act['fields']): Act => ({
  key,
  atS: Math.round(atS),
  by,
  fields,
  tries: 0,
});

/** The morning: cones looked at, cars parked in their stalls, walked round and counted. */
export function garageMorning(day: Day, seed: number): Act[] {
  const acts: Act[] = [];
  const opensS = day.opens;
  acts.push(act('cones', opensS - 1500, 'Piers, pit exit', { kind: 'conesChecked', cones: taughtCones() }));
  day.cars.forEach(({ id }, index) => {
    const atS = opensS - 2400 + 90 * index;
    const stall = Number(id.slice(1));
    acts.push(act(`stall ${id}`, atS, 'Garage', { kind: 'carStalled', car: id, stall, lock: 'left' }));
    const charged = randomOf(seed, `charge ${id}`)() > 0.15;
    acts.push(act(`card ${id}`, atS + 20, 'Garage', { kind: 'cardMoved', car: id, card: 'in', charged }));
    const items = ORDINARY_COACHING.walkRound;
    acts.push(act(`round ${id}`, atS + 60, 'Garage', { kind: 'walkRoundDone', car: id, when: 'start', items }));
  });
  acts.push(act('counted', opensS - 900, 'Garage', { kind: 'carsCounted', cars: day.cars.map(({ id }) => id) }));
  return acts;
}

/** What the garage enters on the demo day besides. */
export function garageOfDemoDay(day: Day): Act[] {
  const read = { kind: 'fuelRead', car: 'c4', litres: 37, withinL: 4.5 } as const;
  const chip = {
    kind: 'faultFound',
    car: 'c2',
    where: 'roof and glass',
    what: 'stone chip, lower left',
    severity: 'note',
  } as const;
  return [act('read c4', day.opens + 7500, 'Garage', read), act('chip c2', day.opens + 4000, 'Garage', chip)];
}

/** What a garage finds on an ordinary day; none of it keeps a car from being driven. */
const FAULTS = [
  { where: 'wheels and tyres', what: 'flat spot, front left', severity: 'watch' },
  { where: 'wheels and tyres', what: 'slow puncture, rear right', severity: 'watch' },
  { where: 'brakes', what: 'squeals when warm', severity: 'watch' },
  { where: 'front', what: 'splitter scraped', severity: 'note' },
  { where: 'cockpit', what: 'belt buckle sticks, passenger', severity: 'watch' },
  { where: 'left side', what: 'door seal loose', severity: 'note' },
] as const;

/** Readings at noon, and at times a fault that is repaired or a part that is replaced. */
export function garageOfEarlierDay(day: Day, seed: number, daysAgo: number): Act[] {
  const acts: Act[] = [];
  const chance = (key: string) => randomOf(seed, key)();
  for (const { id, fuel } of day.cars) {
    if (chance(`read ${id}`) < 0.3) {
      const litres = Math.round(fuel.startL * (0.55 + 0.2 * chance(`level ${id}`)));
      acts.push(act(`read ${id}`, day.opens + 4 * 3600, 'Garage', { kind: 'fuelRead', car: id, litres, withinL: 2 }));
    }
    if (chance(`fault ${id}`) < 0.02) {
      const fault = FAULTS[Math.floor(chance(`which ${id}`) * FAULTS.length)]!;
      acts.push(act(`fault ${id}`, day.opens + 5 * 3600, 'Garage', { kind: 'faultFound', car: id, ...fault }));
    }
  }
  const serviced = {
    14: ['c7', 'tyres'],
    11: ['c12', 'brakes'],
    9: ['c10', 'tyres'],
    6: ['c4', 'brakes'],
    3: ['c12', 'tyres'],
  } as const;
  const today = serviced[daysAgo as keyof typeof serviced];
  if (today) {
    const [car, what] = today;
    acts.push(act(`service ${car}`, day.closes - 1800, 'Garage', { kind: 'serviced', car, what, note: 'replaced' }));
  }
  return acts;
}
