import { traitsOf } from '../../programmes';
import { DAY_S } from '../../values';
import { waitOfGap } from '../../cost';
import { misfitOfSize } from '../../rules';
import type { GroupNeed } from '../../day';
import { carShift, crewShift, outside } from './fits';
import { CLASS, groupOccupancy, mustPrecede, WITH_CLASS, type GroupTakes, type Occupancy } from './occupancy';
import { matched } from './matching';
import { NO_CHANGE, refuelsWith } from './refuels';
import type { Timetable } from './timetable';

/**
 * Where a group goes: everything that it needs at the same time, for as long as its programme takes. There are few groups on a
 * day, and each is large, so the releases are tried one after the other, and what can be told at little cost comes first.
 */

/** Where to look for a group's place. */
export interface GroupSearch {
  /** Releases from `fromS` up to and with `toS`, so many seconds apart. */
  readonly fromS?: number;
  readonly toS?: number;
  readonly stepS?: number;
  /** Taken where they can be, before all others. */
  readonly cars?: readonly number[];
  readonly leadCar?: number;
  readonly crew?: GroupTakes['crew'];
  /** One kind of need that is left out, to learn whether that is what stands in the way. */
  readonly ignoring?: GroupNeed;
}

const STEP_S = 300;

/**
 * Puts a group where it costs its guests least, with refuels so that the fuel of its cars lasts.
 *
 * @returns its occupancy; nothing, and nothing is changed, where it has no place
 */
export function putGroup(timetable: Timetable, number: number, search: GroupSearch = {}): Occupancy | undefined {
  for (const { releaseS } of byPrice(timetable, number, search)) {
    const mark = timetable.mark();
    const occupancy = takenAt(timetable, number, releaseS, search);
    if (occupancy) {
      timetable.add(occupancy);
      return occupancy;
    }
    timetable.back(mark);
  }
  return undefined;
}

/** Puts every group that has no place yet where it costs least, those first whose time is fixed, then the longest. */
export function placeGroups(timetable: Timetable): void {
  const { groups } = timetable.problem;
  groups
    .map(({ group, trackS }, number) => ({ number, pinned: group.pin ? 0 : 1, lengthS: Math.max(...trackS) }))
    .filter(({ number }) => !timetable.groupOccupancy[number])
    .sort((a, b) => a.pinned - b.pinned || b.lengthS - a.lengthS)
    .forEach(({ number }) => putGroup(timetable, number));
}

/** The first release at which a group would have a place; nothing is changed. */
export function firstReleaseOf(timetable: Timetable, number: number, search: GroupSearch): number | undefined {
  const found = byPrice(timetable, number, search).sort((a, b) => a.releaseS - b.releaseS);
  const mark = timetable.mark();
  for (const { releaseS } of found) {
    const there = takenAt(timetable, number, releaseS, search);
    timetable.back(mark);
    if (there) return releaseS;
  }
  return undefined;
}

/** The stretch of releases that hours, the group's own time and pin, and now leave. */
export function releasesOf(timetable: Timetable, number: number): { readonly fromS: number; readonly toS: number } {
  const { day, nowS, groups } = timetable.problem;
  const { group, trackS } = groups[number]!;
  const firstS = Math.max(day.opens, nowS, group.notBefore ?? 0) + group.setUpS;
  const lastS = Math.min(day.closes, group.endsBy ?? Infinity) - group.wrapUpS - Math.min(...trackS);
  const { release } = group.pin ?? {};
  if (release === undefined) return { fromS: firstS, toS: lastS };
  return { fromS: Math.max(firstS, release), toS: Math.min(lastS, release) };
}

/** The releases that guests and surface allow, those for which the guests wait least first. */
function byPrice(timetable: Timetable, number: number, search: GroupSearch): { releaseS: number; price: number }[] {
  const { problem } = timetable;
  const { members, posts, cars, carCount, leadCars, surface } = problem.groups[number]!;
  const { ignoring } = search;
  if (members.length === 0 || (surface === -2 && ignoring !== 'surface')) return [];
  if (ignoring !== 'crew' && posts.some(({ able }) => able.length === 0)) return [];
  if (ignoring !== 'cars' && cars.length < carCount) return [];
  if (ignoring !== 'cars' && problem.groups[number]!.group.leadCars?.length && leadCars.length === 0) return [];
  const within = releasesOf(timetable, number);
  const fromS = Math.max(within.fromS, search.fromS ?? 0);
  const toS = Math.min(within.toS, search.toS ?? Infinity);
  const found: { releaseS: number; price: number }[] = [];
  const before = problem.groups[number]!.beforeS;
  const stepS = search.stepS ?? STEP_S;
  const releases = new Set<number>();
  for (let releaseS = fromS; releaseS <= toS; releaseS += stepS) releases.add(releaseS);
  if (before !== undefined && before >= fromS && before <= toS) releases.add(before);
  for (const releaseS of releases) {
    const occupancy = bare(timetable, number, releaseS);
    if (occupancy.endS > Math.min(problem.day.closes, problem.groups[number]!.group.endsBy ?? Infinity)) continue;
    if (ignoring !== 'surface' && !surfaceFree(timetable, occupancy, surface)) continue;
    let price = before !== undefined && before !== releaseS ? problem.weights.moved * members.length : 0;
    for (const guest of members) price += waitedBy(timetable, guest, occupancy, ignoring === 'guests');
    if (price < Infinity) found.push({ releaseS, price });
  }
  return found.sort((a, b) => a.price - b.price || a.releaseS - b.releaseS);
}

/** The group at a time, before it is known with what and whom. */
function bare({ problem }: Timetable, number: number, releaseS: number): Occupancy {
  return groupOccupancy(problem, { group: number, crew: [], cars: [], leadCar: -1, allCars: [] }, releaseS);
}

/** What one guest waits more with a group in the day; `Infinity` where the guest can't be there. */
function waitedBy(timetable: Timetable, guest: number, occupancy: Occupancy, anyway: boolean): number {
  const { problem } = timetable;
  const { arrivesS, leavesS, needsBriefing } = problem.guests[guest]!;
  const { guestRestS, briefing } = problem.day.rules;
  const { startS, endS, part } = occupancy;
  const others = timetable.guestOccupancies[guest]!;
  const at = others.filter((other) => other.startS < startS).length;
  const [before, after] = [others[at - 1], others[at]];
  if (!anyway) {
    if (startS < arrivesS || endS > leavesS) return Infinity;
    if (before && before.endS + guestRestS > startS) return Infinity;
    if (after && endS + guestRestS > after.startS) return Infinity;
    if (others.slice(at).some((other) => mustPrecede(other.part, part))) return Infinity;
    // A class that is still to be planned needs its time before.
    const waitsForClass = part === WITH_CLASS && needsBriefing && !others.some((other) => other.part === CLASS);
    if (waitsForClass && arrivesS + briefing.durationS + guestRestS > startS) return Infinity;
  }
  const since = before ? before.endS + guestRestS : arrivesS;
  const split = waitOfGap(startS - since) + (after ? waitOfGap(after.startS - endS - guestRestS) : 0);
  return problem.weights.waiting * (split - (after ? waitOfGap(after.startS - since) : 0));
}

function surfaceFree(timetable: Timetable, occupancy: Occupancy, surface: number): boolean {
  const { releaseS, trackEndS, vehicles } = occupancy;
  if (surface < 0) {
    if (trackEndS > DAY_S || timetable.near[releaseS]! > 0) return false;
    return timetable.lastWithoutRoom(releaseS, trackEndS, vehicles, false) < 0;
  }
  const { surface: facts, windows } = timetable.problem.surfaces[surface]!;
  if (outside(windows, releaseS, trackEndS) > 0) return false;
  if (facts.closures.some(({ from, to }) => from < trackEndS && releaseS < to)) return false;
  const beside = timetable.onSurface[surface]!.filter(
    (other) => other.releaseS < trackEndS && releaseS < other.trackEndS,
  );
  // How many are out changes only where one of them goes out.
  return [releaseS, ...beside.map((other) => Math.max(releaseS, other.releaseS))].every((atS) => {
    const out = beside.filter((other) => other.releaseS <= atS && atS < other.trackEndS);
    return out.reduce((sum, other) => sum + other.vehicles, vehicles) <= facts.limit;
  });
}

/** The group at a time with cars and people; refuels of its cars are changed already. Nothing where something is taken. */
function takenAt(timetable: Timetable, number: number, releaseS: number, search: GroupSearch): Occupancy | undefined {
  const { problem } = timetable;
  const { group, members, posts, cars, carCount, leadCars, staffCars } = problem.groups[number]!;
  const occupancy = bare(timetable, number, releaseS);
  const { ignoring } = search;
  const crew = matched(
    posts.map(({ role, able }) =>
      preferring(
        able,
        (search.crew ?? []).flatMap((one) => (one.role === role ? [one.who] : [])),
      ),
    ),
    (who) => ignoring === 'crew' || crewShift(timetable, who, occupancy.startS, occupancy.endS) === 0,
  );
  if (!crew && ignoring !== 'crew') return undefined;
  const free = (car: number) => ignoring === 'cars' || carFree(timetable, car, occupancy);
  if (!staffCars.every(free)) return undefined;
  const front = leadCars.length === 0 ? undefined : preferring(leadCars, [search.leadCar ?? -1]);
  const { ownCars } = traitsOf(group);
  const fits = (car: number, place: number) =>
    !ownCars || !misfitOfSize(problem.cars[car]!.car, problem.guests[members[place]!]!.guest);
  const wanted = Array.from({ length: carCount }, (_, place) =>
    preferring(cars, [search.cars?.[place] ?? -1]).filter((car) => !staffCars.includes(car) && fits(car, place)),
  );
  const chosen = matched(front ? [front, ...wanted] : wanted, (car) => !staffCars.includes(car) && free(car));
  if (!chosen) return ignoring === 'cars' ? occupancy : undefined;
  const [leadCar, own] = front ? [chosen[0]!, chosen.slice(1)] : [-1, chosen];
  const allCars = [...own, ...(front ? [leadCar] : []), ...staffCars];
  if (ignoring !== 'cars' && !allCars.every((car) => refuelled(timetable, car, occupancy))) return undefined;
  const takes: GroupTakes = {
    group: number,
    crew: (crew ?? []).map((who, post) => ({ role: posts[post]!.role, who })),
    cars: own,
    leadCar,
    allCars,
  };
  return groupOccupancy(problem, takes, releaseS);
}

/** The same, those that are preferred first. */
function preferring(list: readonly number[], first: readonly number[]): number[] {
  const preferred = list.filter((one) => first.includes(one));
  return [...preferred, ...list.filter((one) => !first.includes(one))];
}

function carFree(timetable: Timetable, car: number, { startS, endS, lapsDriven }: Occupancy): boolean {
  return carShift(timetable, car, startS, endS, lapsDriven) === 0;
}

/** Refuels a car so that it lasts over the group as well; false where it can't be. */
function refuelled(timetable: Timetable, car: number, { startS, endS, trackEndS, lapsDriven }: Occupancy): boolean {
  const change = refuelsWith(timetable, car, { startS, endS, trackEndS, lapsDriven });
  if (!change) return false;
  if (change === NO_CHANGE) return true;
  for (const refuel of change.out) timetable.remove(refuel);
  for (const refuel of change.in) timetable.add(refuel);
  return true;
}
