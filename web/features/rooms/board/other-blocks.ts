import { clockMinute, overlaps, spokenDuration, withoutWindows, type Interval, type TimeWindow } from '@core/values';
import type {
  BriefingOccupancy,
  Car,
  CarOccupancy,
  GroupOccupancy,
  Instructor,
  PersonOccupancy,
  SightingOccupancy,
} from '@core/day';
import { mealGap, owedMeal } from '@core/rules';
import type { DayContext, DayState } from '@core/journal';
import type { OtherBlock } from './blocks';

/** What holds a car, a person or a room beside drives: classes, runs, refuels, meals, cooling, and not being there. */

export function sharedBlock(occupancy: BriefingOccupancy | SightingOccupancy, state: DayState): OtherBlock {
  const isClass = occupancy.kind === 'briefing';
  const seats = occupancy.guests.length;
  const label = isClass ? `class ${seats}` : `run ${seats}`;
  const who = occupancy.instructor?.name ?? 'nobody';
  const words = `${isClass ? 'Class' : 'Sighting run'} of ${seats}, ${clockMinute(occupancy.startS)}, with ${who}`;
  return blockOf(isClass ? 'class' : 'run', occupancy.instructor?.id ?? '', occupancy, label, words, state);
}

/** A group, wherever one of those stands whom or what it takes. */
export function groupBlock(occupancy: GroupOccupancy, state: DayState): OtherBlock {
  const { group, planned, guests, instructor, startS } = occupancy;
  const name = group?.name ?? planned.group;
  const words = `${name}, ${clockMinute(startS)}, ${guests.length} guests${instructor ? `, ${instructor.name} leads` : ''}`;
  return blockOf('group', planned.group, occupancy, name, words, state);
}

/** Everything of a person that is no drive. */
export function sharedBlocks(occupancies: readonly PersonOccupancy[] | undefined, state: DayState): OtherBlock[] {
  return (occupancies ?? []).flatMap((occupancy) =>
    occupancy.kind === 'drive'
      ? []
      : [occupancy.kind === 'group' ? groupBlock(occupancy, state) : sharedBlock(occupancy, state)],
  );
}

export function refuelBlocks({ schedule }: DayContext, car: string, state: DayState): OtherBlock[] {
  return schedule.refuels
    .filter(({ refuel }) => refuel.car === car)
    .map((held) => blockOf('fuel', car, held, 'fuel', `Refuel at ${clockMinute(held.startS)}`, state));
}

/** The meal in the first gap that is long enough for it, where one is owed. */
export function mealBlocks({ schedule }: DayContext, instructor: Instructor, state: DayState): OtherBlock[] {
  if (!owedMeal(instructor, schedule.index.windows(instructor))) return [];
  const gap = mealGap(instructor, schedule.crewOccupancies.get(instructor.id) ?? []);
  return gap ? [blockOf('meal', instructor.id, gap, 'meal', `Meal from ${clockMinute(gap.startS)}`, state)] : [];
}

/**
 * Rests without which the next drive would be more laps in a row than the car may run.
 *
 * @param drives of the car, by start
 */
export function coolingBlocks({ id, cooling }: Car, drives: readonly CarOccupancy[], state: DayState): OtherBlock[] {
  return neededRests(drives, ({ lapsDriven }) => lapsDriven, cooling.afterLaps, cooling.restS).map(
    ({ after: laps, ...held }) => {
      const words = `Cooling after ${laps} laps, ${clockMinute(held.startS)} to ${clockMinute(held.endS)}`;
      return blockOf('cooling', id, held, 'cooling', words, state);
    },
  );
}

/** Rests without which an instructor would work longer in one piece than is allowed; a meal is a rest as well. */
export function restBlocks({ schedule }: DayContext, instructor: Instructor, state: DayState): OtherBlock[] {
  const { id, maxSeatS, restS } = instructor;
  const occupancies = schedule.crewOccupancies.get(id) ?? [];
  const meal = owedMeal(instructor, schedule.index.windows(instructor)) && mealGap(instructor, occupancies);
  return neededRests(occupancies, ({ startS, endS }) => endS - startS, maxSeatS, restS)
    .filter((rest) => !(meal && overlaps(rest, meal)))
    .map(({ after, ...held }) => {
      const words = `Rest after ${spokenDuration(after)} of work, ${clockMinute(held.startS)} to ${clockMinute(held.endS)}`;
      return blockOf('rest', id, held, 'rest', words, state);
    });
}

/** Rests between activities in a row without which the next one would be too much, each with what had come together by then. */
function neededRests<T extends Interval>(
  activities: readonly T[],
  amountOf: (of: T) => number,
  most: number,
  restS: number,
): { readonly startS: number; readonly endS: number; readonly after: number }[] {
  let after = 0;
  return activities.flatMap((activity, at) => {
    const next = activities[at + 1];
    after += amountOf(activity);
    if (!next || next.startS - activity.endS < restS) return [];
    const rest = { startS: activity.endS, endS: activity.endS + restS, after };
    const needed = after + amountOf(next) > most;
    after = 0;
    return needed ? [rest] : [];
  });
}

/** The stretches of the opening hours in which a car or an instructor is not there. */
export function awayBlocks(
  { day }: DayContext,
  id: string,
  windows: readonly TimeWindow[],
  state: DayState,
): OtherBlock[] {
  return withoutWindows([{ from: day.opens, to: day.closes }], windows).map(({ from, to }) => {
    const words = `Not there from ${clockMinute(from)} to ${clockMinute(to)}`;
    return blockOf('away', id, { startS: from, endS: to }, 'away', words, state);
  });
}

function blockOf(
  what: OtherBlock['what'],
  of: string,
  { startS, endS }: { readonly startS: number; readonly endS: number },
  label: string,
  words: string,
  state: DayState,
): OtherBlock {
  // Of a class or run the number of guests says most.
  const short = /\d+$/u.exec(label)?.[0] ?? label.charAt(0).toUpperCase();
  const id = `${what}-${of}-${startS}`;
  return { kind: 'other', what, id, startS, endS, label, short, words, past: endS <= state.timeS };
}
