import type { Random } from '../place/random';
import { BRIEFING, DRIVE, GROUP, SIGHTING, type Occupancy } from '../place/occupancy';
import { guestGaps } from '../place/fits';
import { cheapestDrive, putIn } from '../place/place-drive';
import { earliestShared, leadersOf, type Shared } from '../place/place-shared';
import { has, mayGo, takeOut } from './rebuild';
import { anyDrive, drivesIn } from './ruin';
import type { Timetable } from '../place/timetable';

/**
 * Moves that take nothing apart: a class or sighting run goes to another time or instructor with everybody in it, and two
 * drives change places. Where one is not possible, nothing is changed.
 */

/** How far a class or run may go at once. */
const FARTHEST_S = 1800;

/** Another time or another instructor for a class or sighting run, its guests and all else staying as they are. */
export function moveShared(timetable: Timetable, random: Random): number[] {
  const chosen = anyShared(timetable, random);
  if (!chosen) return [];
  const kind = chosen.kind as Shared;
  const able = leadersOf(timetable, kind, chosen.guests);
  const crew = random() < 0.4 ? chosen.crew : able[Math.floor(random() * able.length)];
  if (crew === undefined) return [];
  timetable.remove(chosen);
  const stretch = stretchOf(timetable, kind, chosen.guests);
  if (!stretch) {
    timetable.add(chosen);
    return [];
  }
  const [fromS, toS] = stretch;
  const aroundS = chosen.startS + (random() * random() * 2 - random()) * FARTHEST_S;
  const wantedS = Math.max(fromS, Math.round(random() < 0.3 ? fromS : aroundS));
  const wanted = { kind, vehicle: chosen.car, crew, guests: chosen.guests };
  const moved = earliestShared(timetable, wanted, wantedS, toS);
  // Under another condition a run takes another time, and its place is looked for by the ordinary way.
  const same = moved && moved.endS - moved.startS === chosen.endS - chosen.startS;
  timetable.add(same ? moved : chosen);
  return [];
}

function anyShared({ briefings, circuit }: Timetable, random: Random): Occupancy | undefined {
  if (random() < 0.4) {
    const one = briefings[Math.floor(random() * briefings.length)];
    return one && !one.fixed ? one : undefined;
  }
  for (let tries = 0; tries < 8; tries++) {
    const one = circuit[Math.floor(random() * circuit.length)];
    if (one && one.kind === SIGHTING && !one.fixed) return one;
  }
  return undefined;
}

/** Where all of these guests have room for a class or run: earliest start and latest end. */
function stretchOf(
  timetable: Timetable,
  kind: Shared,
  guests: readonly number[],
): readonly [fromS: number, toS: number] | undefined {
  const gaps = guests.flatMap((guest) => guestGaps(timetable, guest, kind).at(-1) ?? []);
  if (gaps.length < guests.length) return undefined;
  return [Math.max(...gaps.map(({ fromS }) => fromS)), Math.min(...gaps.map(({ toS }) => toS))];
}

/** A drive takes about the place of another one, which then goes where it costs least. */
export function swapDrives(timetable: Timetable, random: Random): number[] {
  const { circuit } = timetable;
  const at = Math.floor(random() * circuit.length);
  const one = circuit[at];
  const other = circuit[at + Math.floor((random() - 0.5) * 16)];
  if (!one || !other || one === other || one.kind !== DRIVE || other.kind !== DRIVE || one.fixed || other.fixed)
    return [];
  if (one.guests[0] === other.guests[0]) return [];
  takeOut(timetable, one);
  takeOut(timetable, other);
  const found = cheapestDrive(timetable, one.drive, {
    stepS: 1 + Math.floor(random() * 30),
    fromS: other.releaseS - 300,
    toS: other.releaseS + 300,
    ...(random() < 0.5 ? { crew: other.crew } : {}),
  });
  if (found) putIn(timetable, found);
  return [other.drive, one.drive];
}

/**
 * A drive begins only when its instructor has rested, or its car has cooled, and what follows it is planned again: a few
 * minutes lost that may save a whole rest later on.
 *
 * @returns drives to plan again
 */
export function restBefore(timetable: Timetable, random: Random): number[] {
  const chosen = anyDrive(timetable, random);
  if (!chosen) return [];
  const { problem } = timetable;
  const ofCrew = random() < 0.7;
  const own = ofCrew ? timetable.crewOccupancies[chosen.crew]! : timetable.carDrives[chosen.car]!;
  const restS = ofCrew ? problem.crew[chosen.crew]!.instructor.restS : problem.cars[chosen.car]!.car.cooling.restS;
  const at = own.indexOf(chosen);
  const before = own[at - 1];
  if (!before || chosen.startS - before.endS >= restS) return [];
  const after = drivesIn(own.slice(at + 1, at + 1 + Math.floor(random() * 4)));
  for (const occupancy of [chosen, ...after]) takeOut(timetable, occupancy);
  const fromS = before.endS + restS + problem.drives[chosen.drive]!.setUpS;
  const found = cheapestDrive(timetable, chosen.drive, { car: chosen.car, crew: chosen.crew, stepS: 10, fromS });
  if (found) putIn(timetable, found);
  return [chosen.drive, ...after.map(({ drive }) => drive)];
}

/** Most activities that are put back one after the other. */
const MOST_IN_TURN = 14;
/** Chance that one of them gets whoever is cheapest instead of the instructor it had. */
const ANOTHER = 0.15;

/**
 * A stretch of the day in another order: everything in it comes out, two change turns, and one after the other goes back as
 * soon as it can, classes and runs with everybody in them. What stands tightly one after the other moves only like this.
 *
 * @returns drives to plan again
 */
export function inAnotherOrder(timetable: Timetable, random: Random): number[] {
  const all = [...timetable.briefings, ...timetable.circuit].filter(({ fixed, kind }) => !fixed && kind !== GROUP);
  all.sort((a, b) => a.startS - b.startS);
  if (all.length < 2) return [];
  const count = 2 + Math.floor(random() * (MOST_IN_TURN - 1));
  const turns = all.splice(Math.floor(random() * (all.length - 1)), count);
  for (const occupancy of turns) {
    if (occupancy.kind === DRIVE) takeOut(timetable, occupancy);
    else timetable.remove(occupancy);
  }
  const one = Math.floor(random() * turns.length);
  const other = Math.min(turns.length - 1, one + 1 + Math.floor(random() * 3));
  [turns[one], turns[other]] = [turns[other]!, turns[one]!];
  const stepS = 1 + Math.floor(random() * random() * 30);
  return turns.flatMap((occupancy) =>
    occupancy.kind === DRIVE
      ? driveAgain(timetable, occupancy, stepS, random)
      : sharedAgain(timetable, occupancy, random),
  );
}

function driveAgain(timetable: Timetable, { drive, car, crew }: Occupancy, stepS: number, random: Random): number[] {
  if (!mayGo(timetable, drive)) return [drive];
  const found = cheapestDrive(timetable, drive, random() < ANOTHER ? { stepS } : { stepS, car, crew });
  if (!found) return [drive];
  putIn(timetable, found);
  return [];
}

function sharedAgain(
  timetable: Timetable,
  { kind, car, crew, guests, startS, endS }: Occupancy,
  random: Random,
): number[] {
  const { problem } = timetable;
  const first = guests.flatMap((guest) => problem.guests[guest]!.ownDrives[0] ?? []);
  if (
    kind === SIGHTING &&
    guests.some((guest) => problem.guests[guest]!.needsBriefing && !has(timetable, guest, BRIEFING))
  )
    return first;
  const stretch = stretchOf(timetable, kind as Shared, guests);
  const able = random() < ANOTHER ? leadersOf(timetable, kind as Shared, guests) : [crew];
  const who = able[Math.floor(random() * able.length)] ?? crew;
  const wanted = { kind: kind as Shared, vehicle: car, crew: who, guests };
  const again = stretch && earliestShared(timetable, wanted, ...stretch);
  if (!again || again.endS - again.startS !== endS - startS) return first;
  timetable.add(again);
  return [];
}
