import { activityOf, type Activity, type CarMisfit } from '../day';
import { frozenTexts, sameActivity } from './frozen';
import { carsNeeded, traitsOf } from '../programmes';
import { misfitOfSize } from './car-fit';
import { rule, type Broken } from './rule';

type Of = { activity: Activity };
export type GroupCarsBroken =
  | Broken<'nobody', Of>
  | Broken<'count', Of, { count: number; needed: number }>
  | Broken<'twice' | 'notAllowed', Of & { car: string }>
  | Broken<'noLeadCar', Of>
  | Broken<'misfit', Of, { misfit: CarMisfit }>;

/**
 * A group has guests, as many of its cars as it needs, each once, and a leader's where it has one; in a train everybody's own
 * car fits. What has begun goes on with
 * the cars that are left to it.
 */
export const groupCars = rule('GROUP_CARS', function* (schedule): Iterable<GroupCarsBroken> {
  const { day, index, groups, repair } = schedule;
  const stands = new Set(repair ? frozenTexts(day, repair, index).map(({ text }) => text) : []);
  for (const occupancy of groups) {
    const { group, planned, guests } = occupancy;
    if (!group) continue;
    const subjects = { activity: activityOf(occupancy) };
    if (guests.length === 0) yield { detail: 'nobody', subjects, values: {} };
    const needed = carsNeeded(group);
    const count = planned.cars.length;
    if (count !== needed && !stands.has(`group ${sameActivity.group(planned)}`)) {
      yield { detail: 'count', subjects, values: { count, needed } };
    }
    const seen = new Set<string>();
    const all = [
      ...planned.cars,
      ...(planned.leadCar === undefined ? [] : [planned.leadCar]),
      ...(group.staffCars ?? []),
    ];
    for (const car of all) {
      if (seen.has(car)) yield { detail: 'twice', subjects: { ...subjects, car }, values: {} };
      seen.add(car);
    }
    for (const car of planned.cars) {
      if (!group.cars.includes(car)) yield { detail: 'notAllowed', subjects: { ...subjects, car }, values: {} };
    }
    const { leadCars = [] } = group;
    if (leadCars.length > 0 && !(planned.leadCar !== undefined && leadCars.includes(planned.leadCar))) {
      yield { detail: 'noLeadCar', subjects, values: {} };
    }
    if (!traitsOf(group).ownCars || count !== guests.length) continue;
    for (const [place, guest] of guests.entries()) {
      const car = index.cars.get(planned.cars[place]!);
      const misfit = car && misfitOfSize(car, guest);
      if (misfit) yield { detail: 'misfit', subjects, values: { misfit } };
    }
  }
});
