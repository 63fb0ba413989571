import type { DayContext, DayState } from '../../journal';
import { Begun } from './begun';
import { keyOf, type Drift, type Occupancy } from './expected';
import { Holds } from './holds';
import { ToCome } from './to-come';

/**
 * When everything that is still to come can really begin, as things stand: nothing before it was accepted to, nothing
 * before what it waits for has let go, and everybody with the car, the instructor and in the order of the plan. A pure
 * function of the plan that was accepted and of the state, so that it is the same however the state came to be.
 */
export function driftOf(context: DayContext, state: DayState): Drift {
  const holds = new Holds(context, state);
  const [begun, toCome] = [new Begun(holds), new ToCome(holds)];
  const waiting: { readonly startS: number; readonly expect: () => void }[] = [];
  const each = <T extends Occupancy>(
    list: readonly T[],
    keyAt: (occupancy: T, place: number) => string,
    hasBegun: (key: string, occupancy: T) => boolean,
    expect: (key: string, occupancy: T) => void,
  ) =>
    list.forEach((occupancy, place) => {
      const key = keyAt(occupancy, place);
      if (!hasBegun(key, occupancy)) waiting.push({ startS: occupancy.startS, expect: () => expect(key, occupancy) });
    });
  const { briefings, sightings, drives, groups, refuels } = context.accepted;
  each(briefings, (_, place) => keyOf.briefing(place), begun.classBegun, toCome.classToCome);
  each(sightings, (_, place) => keyOf.sighting(place), begun.runBegun, toCome.runToCome);
  each(drives, ({ planned }) => keyOf.drive(planned.drive), begun.driveBegun, toCome.driveToCome);
  each(groups, ({ planned }) => keyOf.group(planned.group), begun.groupBegun, toCome.groupToCome);
  each(refuels, (_, place) => keyOf.refuel(place), begun.refuelBegun, toCome.refuelToCome);
  holds.settle();
  for (const { expect } of waiting.sort((a, b) => a.startS - b.startS)) expect();
  return { timeS: holds.nowS, expected: holds.expected, stuck: toCome.stuck };
}
