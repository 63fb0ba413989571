import { orderTable } from './order-table';
import type { FollowProgramme, LowGripProgramme, Programme, ThrottleProgramme } from './programme';
import { roundsOf, sharedRuns, teamsOf } from './rotation';
import { lapsInAll } from './train';

/** Who goes out together, as far as it decides how long that takes. */
export interface Outing {
  readonly programme: Programme;
  readonly members: number;
  /** Guests' cars. */
  readonly cars: number;
  /** Seconds of a lap at pace of the slowest guest in the slowest car, under the condition of the day. */
  readonly slowestLapS: number;
  /** How much longer everything takes under this condition. */
  readonly paceFactor: number;
}

/** One part of an outing, for a sheet that says what happens when. */
export interface OutingPart {
  readonly what: 'warmUp' | 'laps' | 'changes' | 'coolDown' | 'turns' | 'leadLaps' | 'stations' | 'walks';
  readonly times: number;
  readonly eachS: number;
}

/**
 * What an outing consists of, from its steps, laps and changes; the durations of the parts add up to the time it is out.
 * Seconds are whole.
 */
export function partsOf({ programme, members, cars, slowestLapS, paceFactor }: Outing): OutingPart[] {
  switch (programme.kind) {
    case 'follow':
      return followParts(programme, cars, slowestLapS);
    case 'throttle':
      return throttleParts(programme, members, paceFactor);
    case 'lowGrip':
      return lowGripParts(programme, members, cars, paceFactor);
  }
}

/** Seconds that an outing takes between the first start and the last car's coming in. */
export function outingS(outing: Outing): number {
  return partsOf(outing).reduce((sum, { times, eachS }) => sum + times * eachS, 0);
}

function followParts(programme: FollowProgramme, cars: number, slowestLapS: number): OutingPart[] {
  const { laps, warmUpLaps, coolDownLaps, gentleFactor, change } = programme;
  const gentleS = Math.round(slowestLapS * gentleFactor);
  const table = orderTable(cars, laps, change.after);
  // That which brings the first order back is for the laps in which the cars cool: without them it is not driven.
  const changes = table.changes - (table.restores && coolDownLaps === 0 ? 1 : 0);
  return [
    { what: 'warmUp', times: warmUpLaps, eachS: gentleS },
    { what: 'laps', times: laps, eachS: slowestLapS },
    { what: 'changes', times: changes, eachS: change.takesS },
    { what: 'coolDown', times: coolDownLaps, eachS: gentleS },
  ];
}

/** Turns that are taken one after the other until everybody has been out. */
function turnsOnOval({ carsOut }: ThrottleProgramme, members: number): number {
  return Math.ceil(members / carsOut);
}

function throttleParts(programme: ThrottleProgramme, members: number, paceFactor: number): OutingPart[] {
  const { steps, startS, finishS } = programme;
  const lapsS = steps.reduce((sum, { laps, lapS }) => sum + laps * Math.round(lapS * paceFactor), 0);
  return [{ what: 'turns', times: turnsOnOval(programme, members), eachS: startS + lapsS + finishS }];
}

function lowGripParts(programme: LowGripProgramme, members: number, cars: number, paceFactor: number): OutingPart[] {
  const { leadLaps, leadLapS, stations, walkS } = programme;
  const stops = roundsOf(programme.teams, stations).length;
  return [
    { what: 'leadLaps', times: leadLaps, eachS: Math.round(leadLapS * paceFactor) },
    { what: 'stations', times: stops, eachS: stationS(programme, members, cars, paceFactor) },
    { what: 'walks', times: stops - 1, eachS: walkS },
  ];
}

/** Seconds that every team stays at its station: as long as the largest team needs at the longest one. */
export function stationS(programme: LowGripProgramme, members: number, cars: number, paceFactor: number): number {
  const { stations, runsEach, changeS, teams } = programme;
  const largest = Math.max(...teamsOf(members, teams).map((team) => team.length));
  const carsEach = Math.max(1, Math.floor(cars / teams));
  const runs = sharedRuns(largest, carsEach, runsEach).length;
  const longestS = Math.round(Math.max(...stations.map(({ runS }) => runS)) * paceFactor);
  return runs * longestS + Math.max(0, runs - 1) * changeS;
}

/**
 * Laps that an outing takes of each car, in laps of the circuit: what fuel and cooling are counted in. A lap of an oval counts as
 * the part of a lap that it is as long as; on a pan each station counts as one, as cars there are slow and often stand.
 *
 * @param lapShare length of a lap of the surface, by that of the circuit
 */
export function lapsOfEachCar({ programme, members, cars }: Outing, lapShare: number): number {
  switch (programme.kind) {
    case 'follow':
      return lapsInAll(programme);
    case 'throttle': {
      const laps = programme.steps.reduce((sum, step) => sum + step.laps, 0);
      return Math.ceil(laps * Math.ceil(members / Math.max(1, cars)) * lapShare);
    }
    case 'lowGrip':
      return Math.ceil(programme.leadLaps * lapShare) + programme.stations.length;
  }
}
