import { emptyPlan, type Plan } from '../day';
import { ableForGroups, aGroup } from './group-days';
import { aCar, aDay, aGuest, anInstructor, at } from './small-day';
import { writtenJournal } from './written-journal';

const ids = ['g1', 'g2', 'g3'];
const base = aDay({
  cars: ['c1', 'c2', 'c3', 'c4'].map((id) => aCar({ id, name: `Car ${id}` })),
  instructors: ableForGroups([anInstructor(), anInstructor({ id: 'i2', name: 'Ife Okoro' })]),
  guests: ids.map((id) => aGuest({ id, name: `Guest ${id}`, briefed: true, drives: [] })),
});
/** Three guests in their own cars behind a leader in a fourth, out at ten. */
const train = aGroup({ id: 'train', members: ids, cars: ['c1', 'c2', 'c3'], leadCars: ['c4'] });
export const TRAIN_DAY = { ...base, version: 2 as const, groups: [train], rules: { ...base.rules, maxCarsOnTrack: 6 } };
export const TRAIN_PLAN: Plan = {
  ...emptyPlan(TRAIN_DAY.date),
  version: 2,
  groups: [
    {
      ...{ group: 'train', release: at('10:00'), cars: ['c1', 'c2', 'c3'], leadCar: 'c4' },
      crew: [{ role: 'lead', instructor: 'i1' }],
    },
  ],
  unplannedGroups: [],
};

/** Three guests behind a leader, seated in their cars since ten to ten. */
export function gathered() {
  const it = writtenJournal(TRAIN_DAY, TRAIN_PLAN);
  for (const guest of ids) {
    for (const kind of ['guestArrived', 'waiverSigned', 'licenceSeen', 'helmetFitted'] as const) {
      it.enter('09:30', { kind, guest });
    }
  }
  const crew = [{ role: 'lead' as const, instructor: 'i1' }];
  it.enter('09:50', { kind: 'groupBegan', group: 'train', guests: ids, cars: ['c1', 'c2', 'c3'], leadCar: 'c4', crew });
  return it;
}
