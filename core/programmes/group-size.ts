import type { Group } from './group';
import type { Outing } from './outing';

/** Guests' cars that a group takes along. */
export function carsNeeded({ programme: of, members, carCount }: Group): number {
  switch (of.kind) {
    case 'follow':
      return members.length;
    case 'throttle':
      return carCount ?? of.carsOut;
    case 'lowGrip':
      return carCount ?? of.teams;
  }
}

/** Vehicles of a group on its surface at once, with leader and staff cars. */
export function vehiclesOf(group: Group): number {
  const { programme: of, leadCars = [], staffCars = [] } = group;
  if (of.kind === 'throttle') return Math.min(of.carsOut, carsNeeded(group));
  return carsNeeded(group) + (leadCars.length > 0 ? 1 : 0) + staffCars.length;
}

/** What the time of a group depends on besides its own steps. */
export interface GroupPace {
  /** Lap times of the cars that its guests may drive, seconds. */
  readonly lapTimesS: readonly number[];
  readonly paces: readonly number[];
  readonly paceFactor: number;
}

/** A group as an outing: it is as quick as its slowest guest in its slowest car. */
export function outingOf(group: Group, { lapTimesS, paces, paceFactor }: GroupPace): Outing {
  const slowest = Math.max(0, ...lapTimesS) * Math.max(0, ...paces) * paceFactor;
  return {
    programme: group.programme,
    members: group.members.length,
    cars: carsNeeded(group),
    slowestLapS: Math.round(slowest),
    paceFactor,
  };
}
