import { CIRCUIT, type Group, TRAIN_CARS, traitsOf } from '../../programmes';
import { indexDay, type Day, type Guest, type Plan, type PlannedGroup } from '../../day';
import { breaksNothingNew, brokenRules } from './load-for-change';

/** How many more people a group takes that is planned already. */
export interface PlacesInGroup {
  readonly group: string;
  readonly releaseS: number;
  readonly left: number;
}

interface Asked {
  readonly nowS: number;
  readonly isNew: boolean;
  /** What the plan breaks already. */
  readonly known: ReadonlySet<string>;
}

/** Of an oval or a pan, where each makes the group longer: more than this are not counted. */
const MOST_COUNTED = 6;

/**
 * Places in the groups of a plan that go out after `nowS`, at the time that is planned: so many join before a rule is broken,
 * of a train one for each car that is free then.
 *
 * @param isNew whoever joins needs a class before, where the group's guests do: in one that has a seat left
 */
export function placesInGroups(day: Day, plan: Plan, nowS: number, isNew: boolean): PlacesInGroup[] {
  const toCome = (plan.groups ?? []).filter(({ release }) => release > nowS);
  if (toCome.length === 0) return [];
  const asked = { nowS, isNew, known: brokenRules(day, plan, { previous: plan, nowS }) };
  return toCome.flatMap((planned): PlacesInGroup[] => {
    const group = day.groups?.find(({ id }) => id === planned.group);
    if (!group) return [];
    const most = traitsOf(group).ownCars ? TRAIN_CARS.most - group.members.length : MOST_COUNTED;
    let [left, joined]: [number, Joined] = [0, { day, plan }];
    while (left < most) {
      const next = withOneMore(joined, group.id, left, asked);
      if (!next) break;
      [left, joined] = [left + 1, next];
    }
    return left > 0 ? [{ group: group.id, releaseS: planned.release, left }] : [];
  });
}

interface Joined {
  readonly day: Day;
  readonly plan: Plan;
}

/** The day with one more in a group, and a plan of it that breaks nothing new; nothing where there is none. */
function withOneMore({ day, plan }: Joined, id: string, number: number, asked: Asked): Joined | undefined {
  const { nowS, isNew, known } = asked;
  const group = day.groups!.find((one) => one.id === id)!;
  const planned = plan.groups!.find((one) => one.group === id)!;
  const first = day.guests.find((guest) => guest.id === group.members[0]);
  const stranger: Guest = {
    ...{ id: `one-more-${id}-${number}`, name: '', arrives: Math.max(nowS, day.opens), drives: [] },
    ...{ languages: first?.languages ?? ['en'], pace: first?.pace ?? 1, briefed: !isNew, sighted: true },
  };
  const joined: Day = {
    ...day,
    guests: [...day.guests, stranger],
    groups: day.groups!.map((one) => (one.id === id ? { ...one, members: [...one.members, stranger.id] } : one)),
  };
  const index = indexDay(joined);
  const found = ways(group, planned, plan, isNew && group.needsBriefing)
    .map(({ car, briefing }): Plan => ({
      ...plan,
      groups: plan.groups!.map((one) =>
        one.group === id && car !== undefined ? { ...one, cars: [...one.cars, car] } : one,
      ),
      briefings: plan.briefings.map((one, place) =>
        place === briefing ? { ...one, guests: [...one.guests, stranger.id] } : one,
      ),
    }))
    .find((way) => breaksNothingNew({ day: joined, index, repair: { previous: way, nowS } }, way, known));
  return found && { day: joined, plan: found };
}

/** The ways in which one more may join: in each car that is left in a train, by each class that there is. */
function ways(group: Group, planned: PlannedGroup, plan: Plan, needsClass: boolean) {
  const taken = new Set([...planned.cars, planned.leadCar, ...(group.staffCars ?? [])]);
  const ownCars = traitsOf(group).ownCars && group.surface === CIRCUIT;
  const cars = ownCars ? group.cars.filter((id) => !taken.has(id)) : [undefined];
  const classes = needsClass
    ? plan.briefings.flatMap(({ start }, place) => (start < planned.release ? [place] : []))
    : [undefined];
  return cars.flatMap((car) => classes.map((briefing) => ({ car, briefing })));
}
