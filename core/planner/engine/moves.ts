import type { Random } from '../random';
import { DRIVE, SIGHTING, type Occupancy } from './occupancy';
import { cheapestDrive, putIn } from './place-drive';
import { earliestShared, leadersOf, type Shared } from './place-shared';
import { takeOut } from './rebuild';
import { anyDrive, drivesIn } from './ruin';
import type { Timetable } from './timetable';

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
  const [fromS, toS] = stretchOf(timetable, chosen);
  const aroundS = chosen.startS + (random() * random() * 2 - random()) * FARTHEST_S;
  const wantedS = Math.max(fromS, Math.round(random() < 0.3 ? fromS : aroundS));
  timetable.remove(chosen);
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

/** Between what its guests do before and after it: earliest start and latest end. */
function stretchOf(timetable: Timetable, shared: Occupancy): [fromS: number, toS: number] {
  const { day, guests, nowS } = timetable.problem;
  const rest = day.rules.guestRestS;
  let fromS = Math.max(day.opens, nowS);
  let toS = day.closes;
  for (const guest of shared.guests) {
    const own = timetable.guestOccupancies[guest]!;
    const at = own.indexOf(shared);
    const [before, after] = [own[at - 1], own[at + 1]];
    fromS = Math.max(fromS, before ? before.endS + rest : guests[guest]!.arrivesS);
    toS = Math.min(toS, guests[guest]!.leavesS, after ? after.startS - rest : Infinity);
  }
  return [fromS, toS];
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
  const fromS = before.endS + restS + problem.day.rules.setUpS;
  const found = cheapestDrive(timetable, chosen.drive, { car: chosen.car, crew: chosen.crew, stepS: 10, fromS });
  if (found) putIn(timetable, found);
  return [chosen.drive, ...after.map(({ drive }) => drive)];
}
