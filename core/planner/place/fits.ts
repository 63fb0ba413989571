import { overlaps, type TimeWindow, DAY_S } from '../../values';
import {
  ANY_TIME,
  type BRIEFING,
  CLASS,
  DRIVE,
  mustPrecede,
  OWN_DRIVE,
  refuelOccupancy,
  RUN,
  SIGHTING,
  type Occupancy,
} from './occupancy';
import type { Problem } from './problem';
import type { Timetable } from './timetable';

/**
 * Whether one more occupancy would leave every hard rule kept, one resource at a time. Each answer is the least number of
 * seconds after which a later start may be worth trying: 0 where the resource is free, `Infinity` where no later start
 * helps. A property test holds them against the plain checker.
 */

/** Where no later time follows from what is in the way, the search tries again after this long. */
const STEP_S = 60;

/** Shift until an interval lies inside one of the (merged) windows. */
export function outside(windows: readonly TimeWindow[], startS: number, endS: number): number {
  for (const window of windows) {
    if (window.from > startS) return window.from - startS;
    if (endS <= window.to) return 0;
  }
  return Infinity;
}

/** Whether an instructor can be held over `[startS, endS)`: hours, other occupancies, rest, meal. */
export function crewShift(timetable: Timetable, crew: number, startS: number, endS: number): number {
  const { instructor, windows, owedMeal } = timetable.problem.crew[crew]!;
  const away = outside(windows, startS, endS);
  if (away > 0) return away;
  const lengthS = endS - startS;
  const { maxSeatS, restS } = instructor;
  if (lengthS > maxSeatS) return Infinity;
  const occupancies = timetable.crewOccupancies[crew]!;
  let at = occupancies.length;
  while (at > 0 && occupancies[at - 1]!.startS >= endS) at -= 1;
  // `at` is the first occupancy that starts when this one is over, or later.
  let before = at - 1;
  if (before >= 0 && occupancies[before]!.endS > startS) {
    return Math.max(1, occupancies[before]!.endS - startS);
  }
  let worked = lengthS;
  let from = startS;
  while (before >= 0 && from - occupancies[before]!.endS < restS) {
    worked += occupancies[before]!.endS - occupancies[before]!.startS;
    from = occupancies[before]!.startS;
    before -= 1;
  }
  let to = endS;
  for (let after = at; after < occupancies.length && occupancies[after]!.startS - to < restS; after++) {
    worked += occupancies[after]!.endS - occupancies[after]!.startS;
    to = occupancies[after]!.endS;
  }
  if (worked > maxSeatS) {
    const rested = at > 0 ? occupancies[at - 1]!.endS + restS - startS : 0;
    return rested > 0 ? rested : STEP_S;
  }
  return owedMeal && !mealLeft(occupancies, instructor.meal, startS, endS) ? STEP_S : 0;
}

/** Whether a gap for the meal is left beside the occupancies and one more. */
function mealLeft(
  occupancies: readonly Occupancy[],
  { from, to, durationS }: { from: number; to: number; durationS: number },
  startS: number,
  endS: number,
): boolean {
  if (to - from < durationS) return false;
  if (endS <= from || startS >= to) return true;
  let free = from;
  let mine = false;
  for (let i = 0; i <= occupancies.length; i++) {
    const occupancy = occupancies[i];
    if (!mine && (!occupancy || occupancy.startS >= startS)) {
      if (startS - free >= durationS) return true;
      free = Math.max(free, endS);
      mine = true;
    }
    if (!occupancy || occupancy.startS >= to) break;
    if (occupancy.startS - free >= durationS) return true;
    free = Math.max(free, occupancy.endS);
  }
  return to - free >= durationS;
}

/** Whether an instructor may ride so many laps more in a car of this level. */
export function crewLapsLeft(timetable: Timetable, crew: number, laps: number, level: number): boolean {
  const { instructor, levelLaps } = timetable.problem.crew[crew]!;
  const { all, ofLevel } = timetable.lapsOf(crew, level);
  return all + laps <= instructor.maxLaps && ofLevel + laps <= levelLaps[level - 1]!;
}

/** Whether a car can be held by a drive over `[startS, endS)`: windows, other drives, turnarounds, cooling, standing refuels. */
export function carShift(timetable: Timetable, car: number, startS: number, endS: number, laps: number): number {
  const { problem } = timetable;
  const { car: facts, windows } = problem.cars[car]!;
  const { turnaroundS } = problem.day.rules;
  const away = outside(windows, startS, endS);
  if (away > 0) return away;
  const { afterLaps, restS } = facts.cooling;
  if (laps > afterLaps) return Infinity;
  const drives = timetable.carDrives[car]!;
  let at = drives.length;
  while (at > 0 && drives[at - 1]!.startS >= endS + turnaroundS) at -= 1;
  const before = drives[at - 1];
  if (before && before.endS + turnaroundS > startS) return Math.max(1, before.endS + turnaroundS - startS);
  for (const refuel of timetable.carRefuels[car]!) {
    // Others go where the drives leave room for them.
    if (refuel.fixed && refuel.startS < endS + turnaroundS && startS < refuel.endS) return refuel.endS - startS;
  }
  let sum = laps;
  let from = startS;
  for (let i = at - 1; i >= 0 && from - drives[i]!.endS < restS; i--) {
    sum += drives[i]!.lapsDriven;
    from = drives[i]!.startS;
  }
  let to = endS;
  for (let i = at; i < drives.length && drives[i]!.startS - to < restS; i++) {
    sum += drives[i]!.lapsDriven;
    to = drives[i]!.endS;
  }
  if (sum <= afterLaps) return 0;
  const cooled = before ? before.endS + restS - startS : 0;
  if (cooled > 0) return cooled;
  return drives[at]!.endS + turnaroundS - startS;
}

/** Whether a bay is free over `[startS, endS)` beside these refuels. */
export function bayShift({ problem }: Timetable, startS: number, endS: number, refuels: readonly Occupancy[]): number {
  return roomShift(refuels, problem.day.rules.refuelBays, startS, endS);
}

/** Whether a classroom is free over `[startS, endS)`. */
export function classroomShift(timetable: Timetable, startS: number, endS: number): number {
  return roomShift(timetable.briefings, timetable.problem.day.rules.briefing.rooms, startS, endS);
}

function roomShift(occupancies: readonly Occupancy[], most: number, startS: number, endS: number): number {
  if (most === 0) return Infinity;
  const mine = { startS, endS };
  const beside = occupancies.filter((occupancy) => overlaps(mine, occupancy));
  if (beside.length < most) return 0;
  let shift = 0;
  for (const at of [mine, ...beside]) {
    const instant = Math.max(at.startS, startS);
    const running = beside.filter((occupancy) => occupancy.startS <= instant && instant < occupancy.endS);
    if (running.length >= most)
      shift = Math.max(shift, Math.min(...running.map((occupancy) => occupancy.endS)) - startS);
  }
  return shift;
}

/** Whether a sighting vehicle is free over `[startS, endS)`. */
export function vehicleShift(timetable: Timetable, vehicle: number, startS: number, endS: number): number {
  const away = outside(timetable.problem.vehicles[vehicle]!.windows, startS, endS);
  if (away > 0) return away;
  for (const occupancy of timetable.vehicleOccupancies[vehicle]!) {
    if (occupancy.startS < endS && startS < occupancy.endS) return Math.max(1, occupancy.endS - startS);
  }
  return 0;
}

/**
 * Walks forward through the releases that the circuit allows a vehicle which is on it for `trackS`. Only ever asked for
 * later releases, it looks at each second of the day once.
 */
export class ReleaseScan {
  private clearTo = -1;

  constructor(
    private readonly timetable: Timetable,
    private readonly trackS: number,
    private readonly ride = false,
  ) {}

  /** The first allowed release at or after `fromS`; past the end of the day where there is none. */
  next(fromS: number): number {
    const { near } = this.timetable;
    let release = fromS;
    for (;;) {
      while (release <= DAY_S && near[release]! > 0) release += 1;
      const endS = release + this.trackS;
      if (endS > DAY_S) return Infinity;
      const aheadS = Math.max(release, this.clearTo);
      const blocked = this.ride
        ? this.timetable.lastWithoutRoom(aheadS, endS, 1, true)
        : this.timetable.lastFull(aheadS, endS);
      this.clearTo = endS;
      if (blocked < 0) return release;
      release = blocked + 1;
    }
  }
}

/** Stretch of starts that one guest allows between two of the guest's occupancies. */
export interface GuestGap {
  /** Hold before and after; undefined at the ends of the day. */
  readonly before: Occupancy | undefined;
  readonly after: Occupancy | undefined;
  /** The nearest that the guest drives, before and after. */
  readonly driveBefore: Occupancy | undefined;
  readonly driveAfter: Occupancy | undefined;
  /** Earliest start and latest end. */
  readonly fromS: number;
  readonly toS: number;
}

/** The gaps between a guest's occupancies into which a drive, sighting run or class may go by order, in order of time. */
export function guestGaps(
  timetable: Timetable,
  guest: number,
  kind: typeof DRIVE | typeof SIGHTING | typeof BRIEFING,
  drive = -1,
  asListed = true,
): GuestGap[] {
  const { problem } = timetable;
  const { day, nowS } = problem;
  const facts = problem.guests[guest]!;
  const occupancies = timetable.guestOccupancies[guest]!;
  const gaps: GuestGap[] = [];
  const rest = day.rules.guestRestS;
  const wanted = problem.drives[drive]?.drive;
  const notBefore = wanted?.notBefore ?? 0;
  const own = wanted?.ride ? ANY_TIME : kind === DRIVE ? OWN_DRIVE : kind === SIGHTING ? RUN : CLASS;
  let first = 0;
  let last = occupancies.length;
  for (let at = 0; at < occupancies.length; at++) {
    const { part } = occupancies[at]!;
    if (mustPrecede(part, own)) first = at + 1;
    if (mustPrecede(own, part) && at < last) last = at;
  }
  for (let at = first; at <= last; at++) {
    const before = occupancies[at - 1];
    const after = occupancies[at];
    if (asListed && !inOrder(problem, occupancies, at, kind, drive)) continue;
    const fromS = Math.max(day.opens, nowS, notBefore, before ? before.endS + rest : facts.arrivesS);
    const toS = Math.min(day.closes, facts.leavesS, after ? after.startS - rest : Infinity);
    if (fromS >= toS) continue;
    const driveBefore = nearestDrive(occupancies, at - 1, -1);
    const driveAfter = nearestDrive(occupancies, at, 1);
    gaps.push({ before, after, driveBefore, driveAfter, fromS, toS });
  }
  return gaps;
}

/** The first from a place on, forwards or backwards, that the guest drives. */
function nearestDrive(occupancies: readonly Occupancy[], from: number, step: 1 | -1): Occupancy | undefined {
  for (let at = from; at >= 0 && at < occupancies.length; at += step) {
    if (occupancies[at]!.part === OWN_DRIVE) return occupancies[at];
  }
  return undefined;
}

/** Whether a drive of a guest who wants them as listed has its place between the others. */
function inOrder(
  problem: Problem,
  occupancies: readonly Occupancy[],
  at: number,
  kind: Occupancy['kind'],
  drive: number,
): boolean {
  if (kind !== DRIVE || drive < 0) return true;
  const { guest, place } = problem.drives[drive]!;
  if (problem.guests[guest]!.guest.sequence !== 'asListed') return true;
  return occupancies.every((occupancy, position) => {
    if (occupancy.kind !== DRIVE) return true;
    const other = problem.drives[occupancy.drive]!.place;
    return position < at ? other < place : other > place;
  });
}

export function refuelFits(timetable: Timetable, car: number, startS: number): boolean {
  const occupancy = refuelOccupancy(timetable.problem, car, startS);
  const { day, cars } = timetable.problem;
  if (startS < day.opens || occupancy.endS > day.closes) return false;
  if (outside(cars[car]!.windows, startS, occupancy.endS) > 0) return false;
  if (bayShift(timetable, startS, occupancy.endS, timetable.refuels) > 0) return false;
  const { turnaroundS } = day.rules;
  const meets = (from: number, to: number) => from < occupancy.endS && startS < to;
  return !(
    timetable.carDrives[car]!.some((drive) => meets(drive.startS, drive.endS + turnaroundS)) ||
    timetable.carRefuels[car]!.some((refuel) => meets(refuel.startS, refuel.endS))
  );
}
