import { fact, type Fact } from '../values';
import type { Group } from './group';
import { carsNeeded } from './group-size';
import { comesOutEven, MOST_CARS, nearestEvenLaps, orderTable } from './order-table';

/** What a manager would want to know of a group before anybody drives, each with the next best. */
export type GroupAdvice =
  | Fact<'notEven', object, { laps: number; fewer: number | undefined; more: number | undefined; restores: boolean }>
  | Fact<'otherRhythm', object, { after: number; stretches: readonly number[] }>
  | Fact<'tooFewCars', object, { people: number; cars: number }>
  | Fact<'tooManyForOne', object, { people: number; most: number }>
  | Fact<'alone'>
  | Fact<'moreTeamsThanPeople', object, { teams: number; people: number }>;

/** @param carsThere how many of its cars are on the day's sheet */
export function adviceFor(
  group: Pick<Group, 'programme' | 'members' | 'carCount' | 'cars'>,
  carsThere: number,
): GroupAdvice[] {
  const { programme } = group;
  const people = group.members.length;
  const needed = carsNeeded(group as Group);
  const short = carsThere < needed ? [fact('tooFewCars', {}, { people: needed, cars: carsThere })] : [];
  switch (programme.kind) {
    case 'follow': {
      if (people > MOST_CARS) return [...short, fact('tooManyForOne', {}, { people, most: MOST_CARS })];
      if (people < 2) return [...short, fact('alone', {})];
      const { laps, change } = programme;
      const table = orderTable(people, laps, change.after);
      if (comesOutEven(table)) return short;
      const near = nearestEvenLaps(people, laps, change.after);
      const rhythm = table.adapted && change.after !== 'onCall';
      return [
        ...short,
        ...(rhythm
          ? [
              fact(
                'otherRhythm',
                {},
                {
                  after: change.after as number,
                  stretches: table.stretches.map((stretch) => stretch.laps),
                },
              ),
            ]
          : []),
        fact('notEven', {}, { laps, ...near, restores: table.restores }),
      ];
    }
    case 'throttle':
      return short;
    case 'lowGrip':
      return programme.teams > people
        ? [...short, fact('moreTeamsThanPeople', {}, { teams: programme.teams, people })]
        : short;
  }
}
