import { waitOfGap } from '../../cost';
import { classroomShift, crewShift, guestGaps, ReleaseScan, vehicleShift, type GuestGap } from './fits';
import { BRIEFING, briefingOccupancy, SIGHTING, sightingOccupancy, type Occupancy } from './occupancy';
import type { Timetable } from './timetable';

/**
 * Classes and sighting runs: activities that guests share. A guest joins one that is planned, or a new one is opened for
 * as many of the waiting guests as gain by it.
 */
export interface SharedSearch {
  /** What opening one more costs, in minutes of patience, beyond what the cost terms say: the crew it keeps from driving. */
  readonly openPrice: number;
  /** How much later than the first guest could begin a new one may start, seconds. */
  readonly patienceS: number;
}

/** A guest waiting for a class or sighting run, with the stretch of the day into which it must go. */
interface Waiting {
  readonly guest: number;
  readonly gap: GuestGap;
}

/** Plans classes for these guests, in the order given; says who found none. */
export function planBriefings(timetable: Timetable, guests: readonly number[], search: SharedSearch): number[] {
  return planShared(timetable, guests, BRIEFING, search);
}

/** Plans sighting runs for these guests, in the order given; says who found none. */
export function planSightings(timetable: Timetable, guests: readonly number[], search: SharedSearch): number[] {
  return planShared(timetable, guests, SIGHTING, search);
}

export type Shared = typeof BRIEFING | typeof SIGHTING;

/** The first gap of a guest that is long enough for a class or a run; else the last one there is. */
function firstGap(timetable: Timetable, guest: number, kind: Shared): GuestGap | undefined {
  const gaps = guestGaps(timetable, guest, kind);
  const { briefing, sighting } = timetable.problem.day.rules;
  const leastS = kind === BRIEFING ? briefing.durationS : sighting.setUpS + sighting.wrapUpS;
  return gaps.find(({ fromS, toS }) => toS - fromS > leastS) ?? gaps.at(-1);
}

function planShared(timetable: Timetable, guests: readonly number[], kind: Shared, search: SharedSearch): number[] {
  const failed: number[] = [];
  let waiting = guests.flatMap((guest): Waiting[] => {
    const gap = firstGap(timetable, guest, kind);
    if (gap) return [{ guest, gap }];
    failed.push(guest);
    return [];
  });
  while (waiting.length > 0) {
    const first = waiting[0]!;
    const joined = cheapestToJoin(timetable, first, kind);
    const opened = cheapestToOpen(timetable, waiting, kind, search);
    if (opened && (!joined || opened.each < joined.price)) {
      timetable.add(opened.occupancy);
      const seated = opened.occupancy.guests;
      waiting = waiting.filter(({ guest }) => !seated.includes(guest));
      continue;
    }
    if (joined) {
      timetable.remove(joined.from);
      timetable.add(joined.to);
    } else failed.push(first.guest);
    waiting = waiting.slice(1);
  }
  return failed;
}

/** What a guest waits more with an occupancy over `[startS, endS)` in a gap. */
function waitIn(timetable: Timetable, { guest, gap }: Waiting, startS: number, endS: number): number {
  const { guests, day, weights } = timetable.problem;
  const rest = day.rules.guestRestS;
  const beforeS = gap.before ? gap.before.endS + rest : guests[guest]!.arrivesS;
  const { after } = gap;
  return (
    weights.waiting *
    (waitOfGap(startS - beforeS) +
      (after ? waitOfGap(after.startS - endS - rest) - waitOfGap(after.startS - beforeS) : 0))
  );
}

function seatsOf(timetable: Timetable, occupancy: Occupancy): number {
  const { day, vehicles } = timetable.problem;
  return occupancy.kind === BRIEFING ? day.rules.briefing.seats : vehicles[occupancy.car]!.vehicle.seats;
}

/** The same activity with other guests. */
export function withGuests(timetable: Timetable, occupancy: Occupancy, guests: readonly number[]): Occupancy {
  return occupancy.kind === BRIEFING
    ? briefingOccupancy(
        timetable.problem,
        occupancy.crew,
        guests,
        occupancy.startS,
        occupancy.heldUntilS,
        occupancy.fixed,
      )
    : sightingOccupancy(
        timetable.problem,
        occupancy.car,
        occupancy.crew,
        guests,
        occupancy.releaseS,
        occupancy.heldUntilS,
        occupancy.fixed,
      );
}

function cheapestToJoin(
  timetable: Timetable,
  waiting: Waiting,
  kind: Shared,
): { from: Occupancy; to: Occupancy; price: number } | undefined {
  const { guests } = timetable.problem;
  const { guest, gap } = waiting;
  let best: { from: Occupancy; price: number } | undefined;
  for (const occupancy of kind === BRIEFING ? timetable.briefings : timetable.circuit) {
    if (occupancy.kind !== kind || occupancy.fixed || occupancy.startS < gap.fromS || occupancy.endS > gap.toS)
      continue;
    if (guests[guest]!.mayHave[occupancy.crew] === 0 || occupancy.guests.length >= seatsOf(timetable, occupancy))
      continue;
    const price = waitIn(timetable, waiting, occupancy.startS, occupancy.endS);
    if (!best || price < best.price) best = { from: occupancy, price };
  }
  return best && { ...best, to: withGuests(timetable, best.from, [...best.from.guests, guest]) };
}

/** The new class or sighting run that costs least for each guest in it; the first waiting guest is always one of them. */
function cheapestToOpen(
  timetable: Timetable,
  waiting: readonly Waiting[],
  kind: Shared,
  search: SharedSearch,
): { occupancy: Occupancy; each: number } | undefined {
  const { problem } = timetable;
  const first = waiting[0]!;
  const starts = [first.gap.fromS];
  for (const { gap } of waiting) {
    if (gap.fromS > first.gap.fromS && gap.fromS <= first.gap.fromS + search.patienceS) starts.push(gap.fromS);
  }
  let best: { occupancy: Occupancy; each: number } | undefined;
  const level = timetable.balanceWith(-1, 0);
  const able = leadersOf(timetable, kind, [first.guest]);
  const vehicles = kind === BRIEFING ? [-1] : problem.vehicles.map((_, number) => number);
  for (const startS of new Set(starts)) {
    for (const vehicle of vehicles) {
      for (const who of able) {
        const occupancy = earliestFor(timetable, kind, vehicle, who, first, startS);
        if (!occupancy) continue;
        const seats = seatsOf(timetable, occupancy);
        const members: number[] = [];
        let price =
          search.openPrice +
          timetable.balanceWith(who, occupancy.endS - occupancy.startS) -
          level +
          (kind === SIGHTING ? problem.weights.passes * timetable.passesOf(occupancy) : 0);
        for (const candidate of waiting) {
          if (members.length >= seats) break;
          const { guest, gap } = candidate;
          if (gap.fromS > occupancy.startS || gap.toS < occupancy.endS || problem.guests[guest]!.mayHave[who] === 0)
            continue;
          members.push(guest);
          price += waitIn(timetable, candidate, occupancy.startS, occupancy.endS);
        }
        if (!members.includes(first.guest)) continue;
        const each = price / members.length;
        if (!best || each < best.each) best = { occupancy: withGuests(timetable, occupancy, members), each };
      }
    }
  }
  return best;
}

/** Instructors who may give such a class or run to all of these guests. */
export function leadersOf({ problem }: Timetable, kind: Shared, guests: readonly number[]): number[] {
  return problem.crew.flatMap(({ instructor }, who) => {
    const can = kind === BRIEFING ? instructor.brief : instructor.sighting;
    return can && guests.every((guest) => problem.guests[guest]!.mayHave[who] === 1) ? [who] : [];
  });
}

/** The earliest class or sighting run of one guest with this instructor, not before `fromS`. */
export function earliestFor(
  timetable: Timetable,
  kind: Shared,
  vehicle: number,
  who: number,
  { guest, gap }: Waiting,
  fromS: number,
): Occupancy | undefined {
  return earliestShared(timetable, { kind, vehicle, crew: who, guests: [guest] }, Math.max(fromS, gap.fromS), gap.toS);
}

/** The earliest class or sighting run with these guests and this instructor that starts from `fromS` on and ends by `toS`. */
export function earliestShared(
  timetable: Timetable,
  wanted: {
    readonly kind: Shared;
    readonly vehicle: number;
    readonly crew: number;
    readonly guests: readonly number[];
  },
  fromS: number,
  toS: number,
): Occupancy | undefined {
  const { problem } = timetable;
  const { kind, vehicle, crew, guests } = wanted;
  let scan: ReleaseScan | undefined;
  let startS = fromS;
  while (startS < toS) {
    const occupancy =
      kind === BRIEFING
        ? briefingOccupancy(problem, crew, guests, startS)
        : sightingOccupancy(problem, vehicle, crew, guests, startS + problem.day.rules.sighting.setUpS);
    if (occupancy.endS > toS) return undefined;
    let shift = crewShift(timetable, crew, occupancy.startS, occupancy.endS);
    if (shift === 0 && kind === BRIEFING) shift = classroomShift(timetable, occupancy.startS, occupancy.endS);
    if (shift === 0 && kind === SIGHTING) {
      shift = vehicleShift(timetable, vehicle, occupancy.startS, occupancy.endS);
      if (shift === 0) {
        if (!scan || problem.conditions.length > 1)
          scan = new ReleaseScan(timetable, occupancy.trackEndS - occupancy.releaseS);
        shift = scan.next(occupancy.releaseS) - occupancy.releaseS;
      }
    }
    if (shift === 0) return occupancy;
    if (shift === Infinity) return undefined;
    startS += shift;
  }
  return undefined;
}
