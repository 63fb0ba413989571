import type { Random } from '../place/random';
import { BRIEFING, DRIVE, isShared, OWN_DRIVE, SIGHTING, WITH_CLASS, type Occupancy } from '../place/occupancy';
import { cheapestDrive, putIn } from '../place/place-drive';
import { planBriefings, planSightings, withGuests } from '../place/place-shared';
import type { Problem } from '../place/problem';
import { fuelLasts } from '../place/refuels';
import type { Timetable } from '../place/timetable';

/** How a part of the plan is put together again: the same part by another strategy becomes another plan. */
export interface InsertionStrategy {
  readonly random: Random;
  /** Whose turn comes first. */
  readonly order: 'ready' | 'leaving' | 'scarce' | 'chance' | 'guest' | 'given';
  /** Price in minutes of patience of opening one more class or sighting run; see `SharedSearch`. */
  readonly classPrice: number;
  readonly runPrice: number;
  readonly patienceS: number;
  /** Seconds between releases tried. */
  readonly stepS: number;
  /** Chance that a possible place is passed over. */
  readonly skipChance: number;
  /** Chance that a drive is looked for with the instructor of another drive of its guest alone, where that is possible. */
  readonly leaning: number;
}

/** The same every time: in the order given, whatever is open already or opens soonest. */
export const SOON: InsertionStrategy = {
  random: () => 0.5,
  order: 'given',
  classPrice: 0,
  runPrice: 0,
  patienceS: 0,
  stepS: 15,
  skipChance: 0,
  leaning: 0,
};

const ORDERS = ['ready', 'leaving', 'scarce', 'chance', 'guest'] as const;
/** Releases are tried on a raster that is drawn anew: a fixed fine one is slow, a fixed coarse one blind. Seconds. */
const COARSEST_S = 60;
/** So dear, a class or run is opened only where no seat is left in another: how those that are hardly used are dissolved. */
const DEAREST_CLASS = 600;
const DEAREST_RUN = 200;

/** Any strategy, by chance. */
export function randomStrategy(random: Random): InsertionStrategy {
  return {
    random,
    order: ORDERS[Math.floor(random() * ORDERS.length)]!,
    classPrice: random() < 0.5 ? random() * 40 : random() * random() * DEAREST_CLASS,
    runPrice: random() < 0.5 ? random() * 15 : random() * random() * DEAREST_RUN,
    patienceS: random() * 3600,
    stepS: 1 + Math.floor(random() * COARSEST_S),
    skipChance: random() < 0.5 ? 0 : 0.05,
    leaning: random() < 0.5 ? 0 : 0.5,
  };
}

/**
 * Plans drives that are out, with class and sighting run for guests who still need them. Drives that find no place stay
 * out, and guests who drive nothing are taken out of class and sighting run.
 */
export function rebuild(timetable: Timetable, wanted: readonly number[], strategy: InsertionStrategy): void {
  const { problem } = timetable;
  // One drive may be wanted for two reasons, and has one place all the same.
  const drives = [...new Set(wanted)];
  const pinned = drives.filter(
    (drive) => !timetable.driveOccupancy[drive] && problem.drives[drive]!.drive.pin?.release !== undefined,
  );
  for (const drive of pinned) place(timetable, drive, strategy);
  const guests = [...new Set(drives.map((drive) => problem.drives[drive]!.guest))].filter((guest) =>
    canDrive(timetable, guest),
  );
  const toBrief = timetable.groups.length === 0 ? guests : [...new Set([...guests, ...unbriefedMembers(timetable)])];
  planBriefings(
    timetable,
    byChance(
      toBrief.filter((guest) => problem.guests[guest]!.needsBriefing && !has(timetable, guest, BRIEFING)),
      (guest) => problem.guests[guest]!.arrivesS,
    ),
    { openPrice: strategy.classPrice, patienceS: strategy.patienceS },
  );
  planSightings(
    timetable,
    byChance(
      guests.filter(
        (guest) =>
          problem.guests[guest]!.needsSighting &&
          !has(timetable, guest, SIGHTING) &&
          (!problem.guests[guest]!.needsBriefing || has(timetable, guest, BRIEFING)),
      ),
      (guest) =>
        Math.max(problem.guests[guest]!.arrivesS, readyFor(timetable, guest)) + problem.guests[guest]!.party / 1000,
    ),
    { openPrice: strategy.runPrice, patienceS: strategy.patienceS / 4 },
  );
  for (const drive of inTurn(
    timetable,
    drives.filter((drive) => !timetable.driveOccupancy[drive]),
    strategy,
  )) {
    if (mayGo(timetable, drive)) place(timetable, drive, strategy);
  }
  for (const guest of toBrief) tidyGuest(timetable, guest);
}

/** Who teaches another drive of the same guest. */
function instructorOf(timetable: Timetable, drive: number): number | undefined {
  const { guest } = timetable.problem.drives[drive]!;
  return timetable.guestOccupancies[guest]!.find(({ kind }) => kind === DRIVE)?.crew;
}

function byChance(guests: number[], key: (guest: number) => number): number[] {
  return guests.sort((a, b) => key(a) - key(b));
}

function canDrive(timetable: Timetable, guest: number): boolean {
  return timetable.problem.guests[guest]!.ownDrives.some(
    (drive) => timetable.problem.drives[drive]!.options.length > 0,
  );
}

/** Whether a guest is in a group with a place before which the class has to be. */
export function needsClassForGroup({ groupOccupancy, problem }: Timetable, guest: number): boolean {
  const { needsBriefing, groups } = problem.guests[guest]!;
  return needsBriefing && groups.some((group) => groupOccupancy[group] && problem.groups[group]!.group.needsBriefing);
}

/** Guests of groups with a place who have no class before it yet. */
function unbriefedMembers(timetable: Timetable): number[] {
  return timetable.groups
    .flatMap(({ guests }) => guests)
    .filter((guest) => needsClassForGroup(timetable, guest) && !has(timetable, guest, BRIEFING));
}

/** Whether a guest has a place for something that only the guest drives. */
function hasOwnDrive(timetable: Timetable, guest: number): boolean {
  return timetable.guestOccupancies[guest]!.some(({ part }) => part === OWN_DRIVE);
}

/** Whether class and sighting run are behind the guest of a drive, or planned; a ride needs neither. */
export function mayGo(timetable: Timetable, drive: number): boolean {
  const { guest, drive: booked } = timetable.problem.drives[drive]!;
  return booked.ride !== undefined || isReady(timetable, guest);
}

export function has(timetable: Timetable, guest: number, kind: Occupancy['kind']): boolean {
  return timetable.guestOccupancies[guest]!.some((occupancy) => occupancy.kind === kind);
}

/** Whether class and sighting run are behind the guest, or at least planned. */
export function isReady(timetable: Timetable, guest: number): boolean {
  const { needsBriefing, needsSighting } = timetable.problem.guests[guest]!;
  return (!needsBriefing || has(timetable, guest, BRIEFING)) && (!needsSighting || has(timetable, guest, SIGHTING));
}

/** End of class, sighting run or arrival: when the first drive may follow. */
function readyFor(timetable: Timetable, guest: number): number {
  let ready = timetable.problem.guests[guest]!.arrivesS;
  for (const occupancy of timetable.guestOccupancies[guest]!)
    if (isShared(occupancy)) ready = Math.max(ready, occupancy.endS);
  return ready;
}

function inTurn(
  timetable: Timetable,
  drives: readonly number[],
  { order, random }: InsertionStrategy,
): readonly number[] {
  if (order === 'given') return drives;
  const { problem } = timetable;
  const turns = new Map<number, number>();
  /** A turn by chance, the same for all drives of a guest. */
  const turnOf = (guest: number) => {
    const known = turns.get(guest) ?? random();
    turns.set(guest, known);
    return known;
  };
  const key = (drive: number): number => {
    const { guest, options, place } = problem.drives[drive]!;
    const facts = problem.guests[guest]!;
    switch (order) {
      case 'ready':
        return readyFor(timetable, guest) + place + random() * 900;
      case 'leaving':
        return Math.min(facts.leavesS, problem.day.closes) - readyFor(timetable, guest) + place + random() * 600;
      case 'scarce':
        return options.reduce((sum, { crew }) => sum + crew.length, 0) + random() * 3;
      case 'guest':
        return turnOf(guest) + place / 100;
      case 'chance':
        return random();
    }
  };
  const inOrder = drives
    .map((drive) => ({ drive, key: key(drive) }))
    .sort((a, b) => a.key - b.key)
    .map(({ drive }) => drive);
  return inListedOrder(problem, inOrder);
}

/** The same turns, those of a guest who wants the drives as listed taken by them in this order. */
export function inListedOrder({ drives, guests }: Problem, turns: readonly number[]): number[] {
  const listed = new Map<number, number[]>();
  for (const drive of turns) {
    const { guest } = drives[drive]!;
    if (guests[guest]!.guest.sequence !== 'asListed') continue;
    const own = listed.get(guest);
    if (own) own.push(drive);
    else listed.set(guest, [drive]);
  }
  if (listed.size === 0) return [...turns];
  for (const own of listed.values()) own.sort((a, b) => drives[b]!.place - drives[a]!.place);
  return turns.map((drive) => listed.get(drives[drive]!.guest)?.pop() ?? drive);
}

function place(
  timetable: Timetable,
  drive: number,
  { random, stepS, skipChance, leaning }: InsertionStrategy,
): boolean {
  const search = { stepS, ...(skipChance > 0 ? { skip: () => random() < skipChance } : {}) };
  const known = leaning > 0 && random() < leaning ? instructorOf(timetable, drive) : undefined;
  const found =
    (known === undefined ? undefined : cheapestDrive(timetable, drive, { ...search, crew: known })) ??
    cheapestDrive(timetable, drive, search);
  if (!found) return false;
  putIn(timetable, found);
  return true;
}

/**
 * Takes out drives and groups that have no class or sighting run before them, and classes and runs of guests who don't need
 * them.
 */
export function tidyGuest(timetable: Timetable, guest: number): void {
  if (!isReady(timetable, guest)) {
    for (const occupancy of [...timetable.guestOccupancies[guest]!])
      if (occupancy.part === OWN_DRIVE && !occupancy.fixed) timetable.remove(occupancy);
  }
  if (needsClassForGroup(timetable, guest) && !has(timetable, guest, BRIEFING)) {
    for (const occupancy of [...timetable.guestOccupancies[guest]!])
      if (occupancy.part === WITH_CLASS && !occupancy.fixed) timetable.remove(occupancy);
  }
  if (hasOwnDrive(timetable, guest)) return;
  const keepsClass = needsClassForGroup(timetable, guest);
  for (const occupancy of [...timetable.guestOccupancies[guest]!]) {
    if (occupancy.fixed || !isShared(occupancy) || (keepsClass && occupancy.kind === BRIEFING)) continue;
    leave(timetable, occupancy, guest);
  }
}

/** Takes one guest out of a class or sighting run; the last one to leave closes it. */
export function leave(timetable: Timetable, occupancy: Occupancy, guest: number): void {
  timetable.remove(occupancy);
  const rest = occupancy.guests.filter((other) => other !== guest);
  if (rest.length > 0) timetable.add(withGuests(timetable, occupancy, rest));
}

/** Takes out a drive, and refuels of its car that the fuel lasts without. */
export function takeOut(timetable: Timetable, occupancy: Occupancy): void {
  timetable.remove(occupancy);
  for (const refuel of [...timetable.carRefuels[occupancy.car]!]) {
    if (refuel.fixed) continue;
    const others = timetable.carRefuels[occupancy.car]!.filter((other) => other !== refuel);
    if (fuelLasts(timetable, occupancy.car, others)) timetable.remove(refuel);
  }
}
