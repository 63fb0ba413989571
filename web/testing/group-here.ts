import { emptyPlan, type Day, type Plan } from '@core/day';
import type { Group } from '@core/programmes';
import { ableForGroups, aGroup, OVAL, PAN } from '@core/testing/group-days';
import { aCar, aDay, aGuest, anInstructor, at } from '@core/testing/small-day';
import { FakeDay } from './fake-day';

export const NAMES = ['Ada Brook', 'Ben Carr', 'Cleo Dahl'];
const GUESTS = NAMES.map((name, i) => aGuest({ id: `g${i + 1}`, name, briefed: true, sighted: true, drives: [] }));
const CARS = GUESTS.map((_, i) => aCar({ id: `c${i + 1}`, name: `Car ${i + 1}` }));

/** Three guests through the gate who go out together at ten; it is ten to ten. */
export function dayWith(
  group: Partial<Group>,
  rules: Partial<Day['rules']> = {},
  moreCars: readonly string[] = [],
): FakeDay {
  const one = aGroup({
    id: 'one',
    name: 'The three',
    members: GUESTS.map(({ id }) => id),
    cars: ['c1', 'c2', 'c3'],
    ...group,
  });
  const day = aDay({
    guests: GUESTS,
    cars: [...CARS, ...moreCars.map((id) => aCar({ id, name: `Car ${id}` }))],
    instructors: ableForGroups([anInstructor(), anInstructor({ id: 'i2', name: 'Ife Okoro' })]),
  });
  const role = one.programme.kind === 'throttle' ? ('spotter' as const) : ('lead' as const);
  const plan: Plan = {
    ...emptyPlan(day.date),
    version: 2,
    groups: [{ group: 'one', release: at('10:00'), cars: ['c1', 'c2', 'c3'], crew: [{ role, instructor: 'i1' }] }],
    unplannedGroups: [],
  };
  const it = new FakeDay(
    { ...day, rules: { ...day.rules, ...rules }, version: 2, surfaces: [OVAL, PAN], groups: [one] },
    plan,
    '09:50',
  );
  for (const { id } of GUESTS) it.clear(id, '09:20');
  return it;
}
