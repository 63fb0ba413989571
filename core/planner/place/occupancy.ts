import { circuitEnds } from '../../day';
import type { GroupRole } from '../../programmes';
import type { Problem } from './problem';

export const DRIVE = 0;
export const SIGHTING = 1;
export const BRIEFING = 2;
export const REFUEL = 3;
export const GROUP = 4;

/**
 * One activity of a plan in numbers. An occupancy never changes: whoever wants it otherwise takes it out and puts another one in,
 * which is what makes every step of the search easy to take back.
 */
export interface Occupancy {
  readonly kind: typeof DRIVE | typeof SIGHTING | typeof BRIEFING | typeof REFUEL | typeof GROUP;
  readonly startS: number;
  readonly endS: number;
  /** On the circuit over `[releaseS, trackEndS)`; equal where it is not. */
  readonly releaseS: number;
  readonly trackEndS: number;
  readonly lapsDriven: number;
  /** How many are out at once. */
  readonly vehicles: number;
  /** The instructor drives, and the guest sits beside. */
  readonly ride: boolean;
  /** Which part of a guest's day it is; see `mustPrecede`. */
  readonly part: PartOfDay;
  /** Numbers of instructor, car (of a drive or refuel) or vehicle (of a sighting run), and drive; -1 for none. */
  readonly crew: number;
  readonly car: number;
  readonly drive: number;
  readonly guests: readonly number[];
  /** Stands in a repair; the search leaves it alone. */
  readonly fixed: boolean;
  readonly heldUntilS: number | undefined;
  /** Whom and what a group takes; of a group alone. */
  readonly takes: GroupTakes | undefined;
}

/** Who does what in a group, and with which cars. */
export interface GroupTakes {
  readonly group: number;
  readonly crew: readonly { readonly role: GroupRole; readonly who: number }[];
  /** Of the guests. */
  readonly cars: readonly number[];
  /** -1 for none. */
  readonly leadCar: number;
  /** All of them, with leader and staff. */
  readonly allCars: readonly number[];
}

/** What decides in which order the parts of a guest's day come. */
export const OWN_DRIVE = 0;
export const RUN = 1;
export const CLASS = 2;
/** Before it is the class. */
export const WITH_CLASS = 3;
/** A ride, or a group that needs no class: whenever there is time. */
export const ANY_TIME = 4;
export type PartOfDay = typeof OWN_DRIVE | typeof RUN | typeof CLASS | typeof WITH_CLASS | typeof ANY_TIME;

/** Class, sighting run, drives; the class before groups that need it. */
export function mustPrecede(one: PartOfDay, other: PartOfDay): boolean {
  if (one === CLASS) return other !== CLASS && other !== ANY_TIME;
  return one === RUN && other === OWN_DRIVE;
}

const NOBODY: readonly number[] = [];
const ALONE = { vehicles: 1, ride: false, part: ANY_TIME, takes: undefined } as const;

/** Classes and sighting runs are what guests join and leave. */
export function isShared({ kind }: Pick<Occupancy, 'kind'>): boolean {
  return kind === BRIEFING || kind === SIGHTING;
}

/** Which of the problem's conditions is in force for a release. */
function conditionAt(problem: Problem, releaseS: number): number {
  let at = problem.conditions.length - 1;
  while (at > 0 && problem.conditions[at]!.fromS > releaseS) at -= 1;
  return at;
}

/** A drive in the car of one of its options; throws where the car is none of them. */
export function driveOccupancy(
  problem: Problem,
  drive: number,
  car: number,
  crew: number,
  releaseS: number,
  trackS: number,
  heldUntilS?: number,
  fixed = false,
): Occupancy {
  const facts = problem.drives[drive]!;
  const { setUpS, wrapUpS } = facts;
  const { trackEndS, endS } = circuitEnds(releaseS, trackS, wrapUpS, heldUntilS);
  return {
    kind: DRIVE,
    startS: releaseS - setUpS,
    releaseS,
    trackEndS,
    endS,
    lapsDriven: facts.laps,
    crew,
    car,
    drive,
    guests: [facts.guest],
    fixed,
    heldUntilS,
    ...ALONE,
    ride: facts.drive.ride !== undefined,
    part: facts.drive.ride ? ANY_TIME : OWN_DRIVE,
  };
}

export function sightingOccupancy(
  problem: Problem,
  vehicle: number,
  crew: number,
  guests: readonly number[],
  releaseS: number,
  heldUntilS?: number,
  fixed = false,
): Occupancy {
  const { setUpS, wrapUpS, laps } = problem.day.rules.sighting;
  const trackS = problem.vehicles[vehicle]!.trackS[conditionAt(problem, releaseS)]!;
  const { trackEndS, endS } = circuitEnds(releaseS, trackS, wrapUpS, heldUntilS);
  return {
    kind: SIGHTING,
    startS: releaseS - setUpS,
    releaseS,
    trackEndS,
    endS,
    lapsDriven: laps,
    crew,
    car: vehicle,
    drive: -1,
    guests,
    fixed,
    heldUntilS,
    ...ALONE,
    part: RUN,
  };
}

export function briefingOccupancy(
  problem: Problem,
  crew: number,
  guests: readonly number[],
  startS: number,
  heldUntilS?: number,
  fixed = false,
): Occupancy {
  const endS = Math.max(startS, heldUntilS ?? startS + problem.day.rules.briefing.durationS);
  return {
    kind: BRIEFING,
    startS,
    endS,
    releaseS: endS,
    trackEndS: endS,
    lapsDriven: 0,
    crew,
    car: -1,
    drive: -1,
    guests,
    fixed,
    heldUntilS,
    ...ALONE,
    part: CLASS,
  };
}

export function refuelOccupancy(problem: Problem, car: number, startS: number, fixed = false): Occupancy {
  const endS = startS + problem.cars[car]!.car.fuel.refuelS;
  return {
    kind: REFUEL,
    startS,
    endS,
    releaseS: endS,
    trackEndS: endS,
    lapsDriven: 0,
    crew: -1,
    car,
    drive: -1,
    guests: NOBODY,
    fixed,
    heldUntilS: undefined,
    ...ALONE,
  };
}

/** A group on its surface, with all that it takes. */
export function groupOccupancy(
  problem: Problem,
  takes: GroupTakes,
  releaseS: number,
  heldUntilS?: number,
  fixed = false,
): Occupancy {
  const { group, members, trackS, laps, vehicles } = problem.groups[takes.group]!;
  const ends = circuitEnds(releaseS, trackS[conditionAt(problem, releaseS)]!, group.wrapUpS, heldUntilS);
  return {
    kind: GROUP,
    startS: releaseS - group.setUpS,
    releaseS,
    ...ends,
    lapsDriven: laps,
    vehicles,
    ride: false,
    part: group.needsBriefing ? WITH_CLASS : ANY_TIME,
    crew: -1,
    car: -1,
    drive: -1,
    guests: members,
    fixed,
    heldUntilS,
    takes,
  };
}
