import {
  clockMinute,
  withoutWindows,
  type BriefingOccupancy,
  type Car,
  type DriveOccupancy,
  type Instructor,
  type PersonOccupancy,
  type SightingOccupancy,
  type TimeWindow,
} from '@core/day';
import { mealGap, owedMeal } from '@core/day/rules/crew-meal';
import type { DayContext, DayState } from '@core/journal';
import type { OtherBlock } from './board-model';

/** What holds a car, a person or a room beside drives: classes, runs, refuels, meals, cooling, and not being there. */

export function sharedBlock(occupancy: BriefingOccupancy | SightingOccupancy, state: DayState): OtherBlock {
  const isClass = occupancy.kind === 'briefing';
  const seats = occupancy.guests.length;
  const label = isClass ? `class ${seats}` : `run ${seats}`;
  const who = occupancy.instructor?.name ?? 'nobody';
  const words = `${isClass ? 'Class' : 'Sighting run'} of ${seats}, ${clockMinute(occupancy.startS)}, with ${who}`;
  return blockOf(isClass ? 'class' : 'run', occupancy.instructor?.id ?? '', occupancy, label, words, state);
}

/** Everything of a person that is no drive. */
export function sharedBlocks(occupancies: readonly PersonOccupancy[] | undefined, state: DayState): OtherBlock[] {
  return (occupancies ?? []).flatMap((occupancy) =>
    occupancy.kind === 'drive' ? [] : [sharedBlock(occupancy, state)],
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
export function coolingBlocks({ id, cooling }: Car, drives: readonly DriveOccupancy[], state: DayState): OtherBlock[] {
  let laps = 0;
  return drives.flatMap((drive, at) => {
    const next = drives[at + 1];
    laps += drive.lapsDriven;
    if (!next || next.startS - drive.endS < cooling.restS) return [];
    const needed = laps + next.lapsDriven > cooling.afterLaps;
    const held = { startS: drive.endS, endS: drive.endS + cooling.restS };
    const words = `Cooling after ${laps} laps, ${clockMinute(held.startS)} to ${clockMinute(held.endS)}`;
    laps = 0;
    return needed ? [blockOf('cooling', id, held, 'cooling', words, state)] : [];
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
