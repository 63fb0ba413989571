import {
  byStart,
  liesInside,
  overlaps,
  type BriefingHold,
  type Car,
  type CircuitHold,
  type DriveHold,
  type Guest,
  type Instructor,
  type Interval,
  type PersonHold,
  type SightingHold,
  type TimeWindow,
} from '../day';
import { belowReserve, fuelAfterDrives } from '../day/rules/car-fuel';
import { overheatedDrive } from '../day/rules/car-cooling';
import { lapLimitFaults } from '../day/rules/crew-laps';
import { mealGap, owedMeal } from '../day/rules/crew-meal';
import { overworkedHold } from '../day/rules/crew-rest';
import { guestOrderFaults } from '../day/rules/guest-order';
import { onCircuit } from '../day/rules/track-load';
import { withHold, type Timetable } from './timetable';

/** Whom or what an obstacle belongs to: what a manager could change. */
export type ObstacleGroup = 'hours' | 'guest' | 'car' | 'crew' | 'circuit' | 'room';

/** Why a hold can't stand at its time, and the least shift in seconds after which it is worth trying again. */
export interface Obstacle {
  readonly group: ObstacleGroup;
  /** `Infinity` where no later time can help. */
  readonly shiftS: number;
}

/** Where no later time follows from the obstacle itself, the search tries again after this long. */
const STEP_S = 120;

type Check<H extends PersonHold> = (timetable: Timetable, hold: H) => Obstacle | undefined;

/** Each check mirrors hard rules of `core/day/rules`, for one hold against what is taken already. */
const anyone: Check<PersonHold>[] = [hours, guestsFree, crewFree, crewRested, crewFed];
const DRIVE_CHECKS: Check<DriveHold>[] = [
  ...anyone.slice(0, 2),
  carFree,
  circuitFree,
  carCool,
  carFuelled,
  ...anyone.slice(2),
  crewLaps,
  guestInOrder,
];
const SIGHTING_CHECKS: Check<SightingHold>[] = [
  ...anyone.slice(0, 2),
  vehicleFree,
  circuitFree,
  ...anyone.slice(2),
  guestInOrder,
];
const BRIEFING_CHECKS: Check<BriefingHold>[] = [...anyone.slice(0, 2), roomFree, ...anyone.slice(2), guestInOrder];

/** The first thing that stands in the way of a hold, leaving out the groups that are to be imagined away. */
export function obstacleTo(timetable: Timetable, hold: PersonHold, imaginedAway?: ObstacleGroup): Obstacle | undefined {
  const checks = (
    hold.kind === 'drive' ? DRIVE_CHECKS : hold.kind === 'sighting' ? SIGHTING_CHECKS : BRIEFING_CHECKS
  ) as Check<PersonHold>[];
  for (const check of checks) {
    const obstacle = check(timetable, hold);
    if (obstacle && obstacle.group !== imaginedAway) return obstacle;
  }
  return undefined;
}

function hours({ day, nowS }: Timetable, hold: PersonHold): Obstacle | undefined {
  const from = Math.max(day.opens, nowS);
  if (hold.startS < from) return { group: 'hours', shiftS: from - hold.startS };
  return hold.endS > day.closes ? { group: 'hours', shiftS: Infinity } : undefined;
}

function guestsFree(timetable: Timetable, hold: PersonHold): Obstacle | undefined {
  const { guestRestS } = timetable.day.rules;
  for (const guest of hold.guests) {
    if (hold.startS < guest.arrives) return { group: 'guest', shiftS: guest.arrives - hold.startS };
    if (guest.leavesBy !== undefined && hold.endS > guest.leavesBy) return { group: 'guest', shiftS: Infinity };
    for (const other of timetable.guest(guest.id)) {
      if (hold.startS < other.endS + guestRestS && other.startS < hold.endS + guestRestS) {
        return { group: 'guest', shiftS: other.endS + guestRestS - hold.startS };
      }
    }
  }
  return undefined;
}

function guestInOrder(timetable: Timetable, hold: PersonHold): Obstacle | undefined {
  for (const guest of hold.guests) {
    if (breaksOrder(guest, withHold(timetable.guest(guest.id), hold))) return { group: 'guest', shiftS: STEP_S };
  }
  return undefined;
}

/** Whether holds are out of order; a class or sighting run that is still to be planned is no fault yet. */
function breaksOrder(guest: Guest, holds: readonly PersonHold[]): boolean {
  const has = (kind: PersonHold['kind']) => holds.some((hold) => hold.kind === kind);
  const faults = guestOrderFaults(
    { ...guest, briefed: guest.briefed || !has('briefing'), sighted: guest.sighted || !has('sighting') },
    holds,
  );
  for (const _ of faults) return true;
  return false;
}

function carFree(timetable: Timetable, hold: DriveHold): Obstacle | undefined {
  const car = hold.car!;
  const { turnaroundS } = timetable.day.rules;
  const outside = outsideWindows(timetable.index.windows(car), hold);
  if (outside !== undefined) return { group: 'car', shiftS: outside };
  const mine = { startS: hold.startS, endS: hold.endS + turnaroundS };
  for (const other of timetable.car(car.id)) {
    const taken = { startS: other.startS, endS: other.endS + turnaroundS };
    if (overlaps(mine, taken)) return { group: 'car', shiftS: taken.endS - hold.startS };
  }
  for (const refuel of timetable.carRefuels(car.id)) {
    if (overlaps(mine, refuel)) return { group: 'car', shiftS: refuel.endS - hold.startS };
  }
  return undefined;
}

function carCool(timetable: Timetable, hold: DriveHold): Obstacle | undefined {
  const car = hold.car!;
  if (hold.lapsDriven > car.cooling.afterLaps) return { group: 'car', shiftS: Infinity };
  const drives = timetable.car(car.id);
  if (!overheatedDrive(car, withHold(drives, hold))) return undefined;
  return { group: 'car', shiftS: shiftToRest(drives, hold, car.cooling.restS) };
}

/** Enough fuel for this drive and those after it; `refuel.ts` says where a refuel before it would do. */
function carFuelled(timetable: Timetable, hold: DriveHold): Obstacle | undefined {
  const car = hold.car!;
  return fuelLasts(car, withHold(timetable.car(car.id), hold), timetable.carRefuels(car.id))
    ? undefined
    : { group: 'car', shiftS: STEP_S };
}

export function fuelLasts(
  car: Car,
  drives: readonly DriveHold[],
  refuels: Parameters<typeof fuelAfterDrives>[2],
): boolean {
  return fuelAfterDrives(car, drives, refuels).every(({ litres }) => !belowReserve(car, litres));
}

function circuitFree({ day, circuit }: Timetable, hold: CircuitHold): Obstacle | undefined {
  const { releaseGapS, maxCarsOnTrack } = day.rules;
  const mine = onCircuit(hold);
  for (const { from, to } of day.circuit.closures) {
    if (overlaps(mine, { startS: from, endS: to })) return { group: 'circuit', shiftS: to - hold.releaseS };
  }
  const beside: Interval[] = [];
  for (const other of circuit) {
    if (other.releaseS >= hold.trackEndS && other.releaseS - hold.releaseS >= releaseGapS) break;
    if (Math.abs(other.releaseS - hold.releaseS) < releaseGapS) {
      return { group: 'circuit', shiftS: other.releaseS + releaseGapS - hold.releaseS };
    }
    if (overlaps(mine, onCircuit(other))) beside.push(onCircuit(other));
  }
  if (beside.length < maxCarsOnTrack) return undefined;
  // The load can only pass the limit at an instant where one of the neighbours, or this vehicle itself, goes out.
  for (const instant of [mine, ...beside]) {
    const atS = Math.max(instant.startS, mine.startS);
    const running = beside.filter((other) => other.startS <= atS && atS < other.endS);
    if (running.length >= maxCarsOnTrack) {
      const firstOff = Math.min(...running.map((other) => other.endS));
      return { group: 'circuit', shiftS: firstOff - hold.releaseS };
    }
  }
  return undefined;
}

function crewFree(timetable: Timetable, hold: PersonHold): Obstacle | undefined {
  const instructor = hold.instructor!;
  const outside = outsideWindows(timetable.index.windows(instructor), hold);
  if (outside !== undefined) return { group: 'crew', shiftS: outside };
  const taken = timetable.crew(instructor.id).find((other) => overlaps(hold, other));
  return taken && { group: 'crew', shiftS: taken.endS - hold.startS };
}

function crewRested(timetable: Timetable, hold: PersonHold): Obstacle | undefined {
  const instructor = hold.instructor!;
  if (hold.endS - hold.startS > instructor.maxSeatS) return { group: 'crew', shiftS: Infinity };
  const holds = timetable.crew(instructor.id);
  if (!overworkedHold(instructor, withHold(holds, hold))) return undefined;
  return { group: 'crew', shiftS: shiftToRest(holds, hold, instructor.restS) };
}

function crewFed(timetable: Timetable, hold: PersonHold): Obstacle | undefined {
  const instructor: Instructor = hold.instructor!;
  if (!owedMeal(instructor, timetable.index.windows(instructor))) return undefined;
  if (mealGap(instructor, withHold(timetable.crew(instructor.id), hold))) return undefined;
  return { group: 'crew', shiftS: STEP_S };
}

function crewLaps(timetable: Timetable, hold: DriveHold): Obstacle | undefined {
  const instructor = hold.instructor!;
  for (const _ of lapLimitFaults(instructor, withHold(timetable.crew(instructor.id), hold))) {
    return { group: 'crew', shiftS: Infinity };
  }
  return undefined;
}

function vehicleFree(timetable: Timetable, hold: SightingHold): Obstacle | undefined {
  const vehicle = hold.vehicle!;
  const outside = outsideWindows(timetable.index.windows(vehicle), hold);
  if (outside !== undefined) return { group: 'car', shiftS: outside };
  const taken = timetable.vehicle(vehicle.id).find((other) => overlaps(hold, other));
  return taken && { group: 'car', shiftS: taken.endS - hold.startS };
}

function roomFree({ day, briefings }: Timetable, hold: BriefingHold): Obstacle | undefined {
  const beside = briefings.filter((other) => overlaps(hold, other));
  if (beside.length < day.rules.briefing.rooms) return undefined;
  return { group: 'room', shiftS: Math.min(...beside.map((other) => other.endS), Infinity) - hold.startS };
}

/** Shift to the next window in which the hold may begin, or nothing where it lies inside one. */
function outsideWindows(windows: readonly TimeWindow[], hold: Interval): number | undefined {
  if (liesInside(windows, hold)) return undefined;
  const next = windows.find((window) => window.from > hold.startS);
  return next ? next.from - hold.startS : Infinity;
}

/** Shift after which the gap to the hold before is a rest; where it is one already, the trouble lies ahead: step on. */
function shiftToRest(holds: readonly Interval[], hold: Interval, restS: number): number {
  const before = [...holds].sort(byStart).findLast((other) => other.startS <= hold.startS);
  const shiftS = before ? before.endS + restS - hold.startS : 0;
  return shiftS > 0 ? shiftS : STEP_S;
}
