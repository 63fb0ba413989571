import type { Random } from '../place/random';
import { BRIEFING, DRIVE, isShared, SIGHTING, type Occupancy } from '../place/occupancy';
import { inListedOrder, leave, takeOut } from './rebuild';
import type { Timetable } from '../place/timetable';

/** Takes a related handful of activities out of the plan; says which drives are to be planned again. */
export type Ruin = (timetable: Timetable, random: Random, size: number) => number[];

export function drivesIn(occupancies: readonly Occupancy[]): Occupancy[] {
  return occupancies.filter((occupancy) => occupancy.kind === DRIVE && !occupancy.fixed);
}

function pick<T>(random: Random, list: readonly T[]): T | undefined {
  return list[Math.floor(random() * list.length)];
}

function out(timetable: Timetable, occupancies: readonly Occupancy[]): number[] {
  for (const occupancy of occupancies) takeOut(timetable, occupancy);
  return occupancies.map(({ drive }) => drive);
}

export function anyDrive(timetable: Timetable, random: Random): Occupancy | undefined {
  for (let tries = 0; tries < 8; tries++) {
    const occupancy = pick(random, timetable.circuit);
    if (occupancy && occupancy.kind === DRIVE && !occupancy.fixed) return occupancy;
  }
  return undefined;
}

/** One drive alone: what costs least, and so can be tried most often. */
const single: Ruin = (timetable, random) => {
  const chosen = random() < 0.5 ? dearest(timetable, random) : anyDrive(timetable, random);
  return chosen ? out(timetable, [chosen]) : [];
};

/**
 * A drive whose guest waits for it goes first, at some moment of the wait; the drives of its car and a few on the circuit
 * that are in its way there are planned after it.
 */
export const pull: Ruin = (timetable, random, size) => {
  const chosen = longestWaitedFor(timetable, random);
  if (!chosen) return [];
  const { occupancy, sinceS } = chosen;
  const { turnaroundS, setUpS } = timetable.problem.day.rules;
  const atS = sinceS + random() * (occupancy.startS - sinceS);
  const endS = atS + occupancy.endS - occupancy.startS + turnaroundS;
  const inCar = drivesIn(timetable.carDrives[occupancy.car]!).filter(
    (other) => other.startS < endS && atS < other.endS + turnaroundS,
  );
  const beside = drivesIn(timetable.circuit).filter((other) => other.releaseS < endS && atS + setUpS < other.trackEndS);
  shuffle(beside, random);
  const others = new Set([...inCar, ...beside.slice(0, Math.floor(random() * Math.min(4, size + 1)))]);
  others.delete(occupancy);
  const inTurn = [...others].sort((a, b) => a.releaseS - b.releaseS);
  return out(timetable, [occupancy, ...inTurn]);
};

/** Of a few drives by chance the one for which its guest waits longest, and since when. */
function longestWaitedFor(timetable: Timetable, random: Random): { occupancy: Occupancy; sinceS: number } | undefined {
  const { guests, day } = timetable.problem;
  let longest: { occupancy: Occupancy; sinceS: number } | undefined;
  for (let tries = 0; tries < 3; tries++) {
    const occupancy = anyDrive(timetable, random);
    if (!occupancy) continue;
    const guest = occupancy.guests[0]!;
    const own = timetable.guestOccupancies[guest]!;
    const before = own[own.indexOf(occupancy) - 1];
    const sinceS = before ? before.endS + day.rules.guestRestS : guests[guest]!.arrivesS;
    const waited = occupancy.startS - sinceS;
    if (!longest || waited > longest.occupancy.startS - longest.sinceS) longest = { occupancy, sinceS };
  }
  return longest && longest.occupancy.startS - longest.sinceS >= 60 ? longest : undefined;
}

/** Drives released around one of them. */
const window: Ruin = (timetable, random, size) => {
  const centre = anyDrive(timetable, random);
  if (!centre) return [];
  const at = timetable.circuit.indexOf(centre);
  const around = drivesIn(timetable.circuit.slice(Math.max(0, at - size), at + size));
  shuffle(around, random);
  return out(timetable, around.slice(0, size));
};

/** Neighbours in one car. */
const car: Ruin = (timetable, random, size) => {
  const centre = anyDrive(timetable, random);
  return centre ? out(timetable, stretch(drivesIn(timetable.carDrives[centre.car]!), centre, random, size)) : [];
};

/** Neighbours of one instructor. */
const crew: Ruin = (timetable, random, size) => {
  const centre = anyDrive(timetable, random);
  return centre ? out(timetable, stretch(drivesIn(timetable.crewOccupancies[centre.crew]!), centre, random, size)) : [];
};

/** Drives around one of them in its car, and with their instructors around those. */
const carAndCrew: Ruin = (timetable, random, size) => {
  const centre = anyDrive(timetable, random);
  if (!centre) return [];
  const chosen = new Set(stretch(drivesIn(timetable.carDrives[centre.car]!), centre, random, Math.ceil(size / 2)));
  for (const occupancy of [...chosen]) {
    if (chosen.size >= size) break;
    for (const other of stretch(drivesIn(timetable.crewOccupancies[occupancy.crew]!), occupancy, random, 3))
      chosen.add(other);
  }
  return out(timetable, [...chosen].slice(0, size));
};

/** All drives of a few guests near one another. */
const guests: Ruin = (timetable, random, size) => {
  const centre = dearest(timetable, random);
  if (!centre) return [];
  const chosen = new Set(drivesIn(timetable.guestOccupancies[centre.guests[0]!]!));
  const at = timetable.circuit.indexOf(centre);
  for (let tries = 0; chosen.size < size && tries < size; tries++) {
    const near = timetable.circuit[at + Math.floor((random() - 0.5) * 4 * size)];
    if (near?.kind === DRIVE)
      for (const occupancy of drivesIn(timetable.guestOccupancies[near.guests[0]!]!)) chosen.add(occupancy);
  }
  return out(timetable, [...chosen]);
};

/** All drives of a party, or of two friends with a wish. */
const company: Ruin = (timetable, random, size) => {
  const members = pick(random, timetable.problem.companies);
  if (!members) return guests(timetable, random, size);
  return out(timetable, members.flatMap((guest) => drivesIn(timetable.guestOccupancies[guest]!)).slice(0, 3 * size));
};

/** Sighting runs near one another, with the drives of their guests or without. */
const runs: Ruin = (timetable, random, size) => {
  const all = timetable.circuit.filter((occupancy) => occupancy.kind === SIGHTING && !occupancy.fixed);
  const at = Math.floor(random() * all.length);
  return reopen(timetable, all.slice(at, at + 1 + Math.floor((random() * size) / 3)), random() < 0.4, false);
};

/** A class, or two that follow one another, with what its guests do afterwards or without. */
const classes: Ruin = (timetable, random, size) => {
  const all = timetable.briefings.filter((occupancy) => !occupancy.fixed);
  const at = Math.floor(random() * all.length);
  const chosen = all.slice(at, at + (random() < 0.5 ? 2 : 1));
  const kind = random();
  return reopen(
    timetable,
    chosen.filter((occupancy, place) => place === 0 || occupancy.guests.length < 3 * size),
    kind < 0.3,
    kind < 0.7,
  );
};

/** A few guests out of their class and sighting run, while their drives stay. */
const seats: Ruin = (timetable, random, size) => {
  const centre = dearest(timetable, random);
  if (!centre) return [];
  const near = guestsNear(timetable, random, centre.guests[0]!, 1 + Math.floor(random() * size));
  const withClass = random() < 0.6;
  for (const guest of near) {
    for (const occupancy of [...timetable.guestOccupancies[guest]!]) {
      if (!occupancy.fixed && isShared(occupancy) && (withClass || occupancy.kind !== BRIEFING))
        leave(timetable, occupancy, guest);
    }
  }
  return near.flatMap((guest) => timetable.problem.guests[guest]!.drives.slice(0, 1));
};

/** A few guests with all that they do, class and sighting run as well. */
const fromTheStart: Ruin = (timetable, random, size) => {
  const centre = dearest(timetable, random);
  if (!centre) return [];
  const near = guestsNear(timetable, random, centre.guests[0]!, 1 + Math.floor((random() * size) / 2));
  return near.flatMap((guest) => wholeGuest(timetable, guest));
};

/** A guest and others who arrive at about the same time. */
function guestsNear(timetable: Timetable, random: Random, guest: number, count: number): number[] {
  const { guests } = timetable.problem;
  const { arrivesS } = guests[guest]!;
  return guests
    .map((other, number) => ({
      number,
      apartS: number === guest ? -1 : Math.abs(other.arrivesS - arrivesS) + random() * 1200,
    }))
    .sort((a, b) => a.apartS - b.apartS)
    .slice(0, count)
    .map(({ number }) => number);
}

/** So near a moment drives are taken out of all cars at once, where one has no place. */
const AROUND_S = 1500;

/** Everything on the circuit around some moment, for one of these drives that have no place; half the time its guest begins anew. */
export function clearAround(timetable: Timetable, random: Random, unplanned: readonly number[]): number[] {
  const { problem } = timetable;
  const drive = pick(random, unplanned)!;
  const { guest } = problem.drives[drive]!;
  const { arrivesS, leavesS } = problem.guests[guest]!;
  const atS = arrivesS + random() * (Math.min(leavesS, problem.day.closes) - arrivesS);
  const aroundS = random() * AROUND_S;
  const own = random() < 0.5 ? wholeGuest(timetable, guest) : [];
  const near = drivesIn(timetable.circuit).filter(({ releaseS }) => Math.abs(releaseS - atS) < aroundS);
  shuffle(near, random);
  return inListedOrder(problem, [drive, ...own, ...out(timetable, near)]);
}

/** Room for one of these drives that have no place: its car's drives around some time, and what their instructors do. */
export function makeRoom(timetable: Timetable, random: Random, size: number, unplanned: readonly number[]): number[] {
  const { problem } = timetable;
  const drive = pick(random, unplanned)!;
  const { options, guest } = problem.drives[drive]!;
  const option = pick(random, options);
  if (!option) return [];
  const { arrivesS, leavesS } = problem.guests[guest]!;
  const toS = Math.min(leavesS, problem.day.closes);
  const atS = arrivesS + random() * (toS - arrivesS);
  const inCar = drivesIn(timetable.carDrives[option.car]!);
  const near = inCar.findIndex((occupancy) => occupancy.endS > atS);
  const from = Math.max(0, (near < 0 ? inCar.length : near) - Math.floor(random() * 3));
  const chosen = new Set(inCar.slice(from, from + 1 + Math.floor(random() * 3)));
  const own = problem.guests[guest]!;
  // What the guest drives later than this one may be what stands in its way, where they go in the order listed.
  if (own.guest.sequence === 'asListed')
    for (const occupancy of drivesIn(timetable.guestOccupancies[guest]!)) chosen.add(occupancy);
  const crew = pick(random, option.crew)!;
  const beside = drivesIn(timetable.crewOccupancies[crew]!).filter(
    (occupancy) => Math.abs(occupancy.startS - atS) < 1800,
  );
  for (const occupancy of beside.slice(0, size)) chosen.add(occupancy);
  return inListedOrder(problem, [drive, ...out(timetable, [...chosen])]);
}

/** Closes classes or sighting runs; of their guests, the drives too and, after a class, the sighting runs. */
function reopen(timetable: Timetable, shared: readonly Occupancy[], withDrives: boolean, withRuns: boolean): number[] {
  const drives: number[] = [];
  for (const occupancy of shared) {
    timetable.remove(occupancy);
    for (const guest of occupancy.guests) {
      if (withDrives) out(timetable, drivesIn(timetable.guestOccupancies[guest]!));
      drives.push(...timetable.problem.guests[guest]!.drives);
      if (occupancy.kind !== BRIEFING || !withRuns) continue;
      for (const other of [...timetable.guestOccupancies[guest]!]) {
        if (!other.fixed && other.kind === SIGHTING) leave(timetable, other, guest);
      }
    }
  }
  return drives;
}

function wholeGuest(timetable: Timetable, guest: number): number[] {
  const drives = out(timetable, drivesIn(timetable.guestOccupancies[guest]!));
  if (drives.length === 0) return [];
  if (timetable.guestOccupancies[guest]!.some(({ kind }) => kind === DRIVE)) return drives;
  for (const occupancy of [...timetable.guestOccupancies[guest]!])
    if (!occupancy.fixed && isShared(occupancy)) leave(timetable, occupancy, guest);
  return drives;
}

/** Of a few drives by chance the one whose guest has most to complain about. */
function dearest(timetable: Timetable, random: Random): Occupancy | undefined {
  let best: Occupancy | undefined;
  let most = -1;
  for (let tries = 0; tries < 4; tries++) {
    const occupancy = anyDrive(timetable, random);
    if (!occupancy) continue;
    const cost = timetable.costOfGuest(occupancy.guests[0]!);
    if (cost > most) {
      most = cost;
      best = occupancy;
    }
  }
  return best;
}

/** A run of `size` occupancies around one of them. */
function stretch(occupancies: Occupancy[], centre: Occupancy, random: Random, size: number): Occupancy[] {
  const from = Math.max(0, occupancies.indexOf(centre) - Math.floor(random() * size));
  return occupancies.slice(from, from + size);
}

function shuffle<T>(list: T[], random: Random): void {
  for (let i = list.length - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1));
    [list[i], list[j]] = [list[j]!, list[i]!];
  }
}

/** Ways to take a handful out, each chosen as often as its weight says. */
export const RUINS: readonly { readonly name: string; readonly move: Ruin; readonly weight: number }[] = [
  { name: 'one drive', move: single, weight: 12 },
  { name: 'a window of time', move: window, weight: 2 },
  { name: 'neighbours in a car', move: car, weight: 2 },
  { name: 'neighbours of an instructor', move: crew, weight: 2 },
  { name: 'neighbours in car and crew', move: carAndCrew, weight: 2 },
  { name: 'drives of guests near one another', move: guests, weight: 3 },
  { name: 'a party or two friends', move: company, weight: 1 },
  { name: 'sighting runs', move: runs, weight: 1 },
  { name: 'classes', move: classes, weight: 1 },
  { name: 'seats in class and run', move: seats, weight: 2 },
  { name: 'guests from the start', move: fromTheStart, weight: 2 },
];
