import { CIRCUIT } from '../../programmes';
import type { Random } from '../place/random';
import { BRIEFING, DRIVE, groupOccupancy, isShared, type GroupTakes, type Occupancy } from '../place/occupancy';
import { placeGroups, putGroup, releasesOf } from '../place/place-group';
import { leave, rebuild, takeOut, type InsertionStrategy } from './rebuild';
import type { Timetable } from '../place/timetable';

/** Half of the time a group goes only so far, half of the time anywhere. */
const NEAR_S = 2400;
const RASTER_S = 60;

/**
 * A group goes to another time, or gets one; whatever is in its way there is planned again. Where that fails, nothing is
 * changed.
 *
 * @returns drives to plan again
 */
export function moveGroup(timetable: Timetable, random: Random): number[] {
  if (timetable.problem.groups.length === 0) return [];
  const number = anyGroup(timetable, random);
  const standing = timetable.groupOccupancy[number];
  if (standing?.fixed || timetable.problem.groups[number]!.members.length === 0) return [];
  const releaseS = anyRelease(timetable, random, number, standing);
  const wanted = wantedFor(timetable, random, number, standing);
  if (releaseS === undefined || !wanted) return [];
  const mark = timetable.mark();
  if (standing) timetable.remove(standing);
  const again = cleared(timetable, random, groupOccupancy(timetable.problem, wanted, releaseS));
  const { cars, leadCar, crew } = wanted;
  if (again && putGroup(timetable, number, { fromS: releaseS, toS: releaseS, cars, leadCar, crew })) return again;
  timetable.back(mark);
  return [];
}

/** More often one of those that have no place. */
function anyGroup(timetable: Timetable, random: Random): number {
  const all = timetable.problem.groups.map((_, number) => number);
  const without = all.filter((number) => !timetable.groupOccupancy[number]);
  const of = without.length > 0 && random() < 0.7 ? without : all;
  return of[Math.floor(random() * of.length)]!;
}

/** A group whose class found no room is tried elsewhere so often. */
const MOST_ROUNDS = 3;

/** Every group that has no place yet gets one, with the class before it, as far as there is room. */
export function settleGroups(timetable: Timetable, strategy: InsertionStrategy): void {
  const { groups } = timetable.problem;
  for (let round = 0; round < MOST_ROUNDS; round++) {
    if (groups.every((_, number) => timetable.groupOccupancy[number])) return;
    placeGroups(timetable);
    rebuild(timetable, [], strategy);
  }
}

function anyRelease(
  timetable: Timetable,
  random: Random,
  number: number,
  standing: Occupancy | undefined,
): number | undefined {
  const { fromS, toS } = releasesOf(timetable, number);
  if (toS < fromS) return undefined;
  const nearS = standing && random() < 0.5 ? standing.releaseS + (2 * random() - 1) * NEAR_S : undefined;
  const anyS = nearS ?? fromS + random() * (toS - fromS);
  return Math.min(toS, Math.max(fromS, Math.round(anyS / RASTER_S) * RASTER_S));
}

/** The cars and people it has, or any that may be. */
function wantedFor(
  { problem }: Timetable,
  random: Random,
  number: number,
  standing: Occupancy | undefined,
): GroupTakes | undefined {
  if (standing?.takes && random() < 0.7) return standing.takes;
  const { cars, carCount, leadCars, staffCars, posts } = problem.groups[number]!;
  const shuffled = <T>(list: readonly T[]) =>
    list
      .map((one) => ({ one, key: random() }))
      .sort((a, b) => a.key - b.key)
      .map(({ one }) => one);
  const own = shuffled(cars.filter((car) => !staffCars.includes(car))).slice(0, carCount);
  const leadCar = shuffled(leadCars.filter((car) => !own.includes(car)))[0] ?? -1;
  const crew: { role: GroupTakes['crew'][number]['role']; who: number }[] = [];
  for (const { role, able } of posts) {
    const who = shuffled(able.filter((one) => !crew.some((other) => other.who === one)))[0];
    if (who === undefined) return undefined;
    crew.push({ role, who });
  }
  const allCars = [...own, ...(leadCar < 0 ? [] : [leadCar]), ...staffCars];
  return { group: number, crew, cars: own, leadCar, allCars };
}

/** Takes out what is in a group's way; the drives to plan again, nothing where something stands that stays. */
function cleared(timetable: Timetable, random: Random, group: Occupancy): number[] | undefined {
  const { problem } = timetable;
  const { guestRestS, turnaroundS } = problem.day.rules;
  const { startS, endS, guests, takes } = group;
  const meets = (other: Occupancy, apartS: number) => other.startS < endS + apartS && startS < other.endS + apartS;
  const again = new Set<number>();
  const out = (occupancy: Occupancy) => {
    if (again.has(occupancy.drive)) return;
    again.add(occupancy.drive);
    takeOut(timetable, occupancy);
  };
  const drivesOf = (list: readonly Occupancy[], apartS: number) =>
    list.filter((one) => one.kind === DRIVE && !one.fixed && meets(one, apartS));
  for (const guest of guests) {
    for (const one of drivesOf(timetable.guestOccupancies[guest]!, guestRestS)) out(one);
    for (const one of [...timetable.guestOccupancies[guest]!]) {
      const late = one.kind === BRIEFING && one.endS + guestRestS > startS;
      if (!isShared(one) || one.fixed || !(late || meets(one, guestRestS))) continue;
      leave(timetable, one, guest);
      for (const drive of problem.guests[guest]!.ownDrives.slice(0, 1)) again.add(drive);
    }
  }
  for (const car of takes!.allCars) for (const one of drivesOf(timetable.carDrives[car]!, turnaroundS)) out(one);
  for (const { who } of takes!.crew) for (const one of drivesOf(timetable.crewOccupancies[who]!, 0)) out(one);
  if (problem.groups[takes!.group]!.group.surface !== CIRCUIT) return [...again];
  const { releaseGapS } = problem.day.rules;
  for (const one of [...timetable.circuit]) {
    if (one.kind === DRIVE && !one.fixed && Math.abs(one.releaseS - group.releaseS) < releaseGapS) out(one);
  }
  for (;;) {
    const fullS = timetable.lastWithoutRoom(group.releaseS, group.trackEndS, group.vehicles, false);
    if (fullS < 0) return [...again];
    const there = timetable.circuit.filter(
      (one) => one.kind === DRIVE && !one.fixed && one.releaseS <= fullS && fullS < one.trackEndS,
    );
    const one = there[Math.floor(random() * there.length)];
    if (!one) return undefined;
    out(one);
  }
}
