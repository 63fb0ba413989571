import type { Day, Drive, Guest, Plan, PlannedDrive } from '../../day';
import { DRIVE, type Occupancy } from '../place/occupancy';
import { cheapestDrive, putIn } from '../place/place-drive';
import { problemOf } from '../place/problem';
import { mayGo, rebuild, SOON } from '../search/rebuild';
import type { Timetable } from '../place/timetable';
import { breaksNothingNew, brokenRules, loadForChange } from './load-for-change';

/** A place for one more drive. */
export interface Insertion {
  readonly planned: PlannedDrive;
  /** The whole plan with it. */
  readonly plan: Plan;
  /** What the plan then costs more, in minutes of patience; what the drive costs while it has no place is not counted. */
  readonly costs: number;
  /** Drives that move, none of them by more than five minutes; empty where nobody does. */
  readonly moved: readonly { readonly drive: string; readonly from: number; readonly to: number }[];
}

export interface Insertions {
  /** The day with the drive in it. */
  readonly day: Day;
  /**
   * Slots that move nobody, by release: the earliest, later ones only where they cost less, and the earliest in the best car.
   */
  readonly slots: readonly Insertion[];
  /** A better one, earlier or cheaper, where others move by up to five minutes. */
  readonly better: Insertion | undefined;
}

const MOST_SLOTS = 5;
const NUDGE_S = 300;
/** Starts tried for a slot that moves others, and how many of them at most are really tried. */
const NUDGE_STEP_S = 60;
const MOST_NUDGES = 120;
const MOST_MOVED = 4;

/** Offers that begin nearer to each other than this are one. */
const ONE_OFFER_S = 600;

/**
 * What is worth telling a guest of slots that move nobody: the soonest, the cheapest for others, and the soonest in the best
 * car; of those that begin at about the same time in cars of one level the cheapest.
 */
export function offersOf(slots: readonly Insertion[], { cars }: Pick<Day, 'cars'>): Insertion[] {
  const levels = new Map(cars.map(({ id, level }) => [id, level]));
  const level = ({ planned }: Insertion) => levels.get(planned.car) ?? 0;
  const [soonest] = slots;
  if (!soonest) return [];
  const cheapest = slots.reduce((best, slot) => (slot.costs < best.costs ? slot : best));
  const best = slots.reduce((found, slot) => (level(slot) > level(found) ? slot : found));
  const isNear = (a: Insertion, b: Insertion) =>
    Math.abs(a.planned.release - b.planned.release) < ONE_OFFER_S && level(a) === level(b);
  return [cheapest, soonest, best]
    .reduce<Insertion[]>((kept, slot) => (kept.some((other) => isNear(other, slot)) ? kept : [...kept, slot]), [])
    .sort((a, b) => a.planned.release - b.planned.release);
}

/**
 * Places for one more drive of a guest, from `nowS` on, in an accepted plan. A guest who is not on the day yet joins it;
 * class and sighting run are planned where the guest still needs them.
 */
export function insertions(day: Day, plan: Plan, guest: Guest, drive: Drive, nowS: number): Insertions {
  const booked = day.guests.some(({ id }) => id === guest.id);
  const extended: Day = {
    ...day,
    guests: booked
      ? day.guests.map((other) => (other.id === guest.id ? { ...other, drives: [...other.drives, drive] } : other))
      : [...day.guests, { ...guest, drives: [...guest.drives, drive] }],
  };
  const repair = { previous: plan, nowS };
  const problem = problemOf(extended, repair);
  const known = brokenRules(day, plan, repair);
  const { timetable, toPlan } = loadForChange(problem, plan, known);
  const number = problem.drives.findIndex((facts) => facts.drive.id === drive.id);
  // What the timetable could not take over costs the same before and after.
  const before = timetable.cost() - problem.weights.unplanned;

  prepare(timetable, number);
  const slots: Insertion[] = [];
  if (mayGo(timetable, number)) {
    const pareto = problem.drives[number]!.options.flatMap(({ car }) => earlierAndEarlier(timetable, number, car));
    let cheapest = Infinity;
    const levelOf = ({ occupancy }: (typeof pareto)[number]) => problem.day.cars[occupancy.car]!.level;
    let bestLevel = Math.max(...pareto.map(levelOf));
    for (const place of pareto.sort((a, b) => a.occupancy.releaseS - b.occupancy.releaseS)) {
      const isBest = levelOf(place) === bestLevel;
      if (!isBest && (slots.length === MOST_SLOTS || place.price >= cheapest)) continue;
      if (isBest) bestLevel = Infinity;
      cheapest = Math.min(cheapest, place.price);
      const mark = timetable.mark();
      putIn(timetable, place);
      slots.push(offered([]));
      timetable.back(mark);
    }
  }
  const better = mayGo(timetable, number) ? nudged() : undefined;
  return { day: extended, slots: slots.filter(({ plan: made }) => breaksNothingNew(problem, made, known)), better };

  function offered(moved: Insertion['moved']): Insertion {
    const made = toPlan();
    return {
      planned: made.drives.find((planned) => planned.drive === drive.id)!,
      plan: made,
      costs: timetable.cost() - before,
      moved,
    };
  }

  function nudged(): Insertion | undefined {
    const earliest = slots[0]?.planned.release ?? Infinity;
    const cheapest = Math.min(...slots.map(({ costs }) => costs));
    let best: Insertion | undefined;
    let tries = 0;
    for (const { release, car, crew } of wishes(timetable, number, earliest)) {
      if (tries++ >= MOST_NUDGES) break;
      const mark = timetable.mark();
      const moved = makeWay(timetable, number, { release, car, crew });
      if (moved) {
        const offer = { costs: timetable.cost() - before };
        const isBetter = release < earliest - NUDGE_STEP_S || offer.costs < cheapest - 1;
        if (isBetter && (!best || offer.costs < best.costs)) best = offered(moved);
      }
      timetable.back(mark);
    }
    return best && breaksNothingNew(problem, best.plan, known) ? best : undefined;
  }
}

/** Class and sighting run for a guest who still needs them, as early as they leave room for the drive. */
function prepare(timetable: Timetable, drive: number): void {
  if (mayGo(timetable, drive)) return;
  rebuild(timetable, [drive], SOON);
  const occupancy = timetable.driveOccupancy[drive];
  if (occupancy) timetable.remove(occupancy);
}

/** The cheapest place in a car, the cheapest before that, and so on back to the earliest one. */
function earlierAndEarlier(timetable: Timetable, drive: number, car: number) {
  const places = [];
  let toS = Infinity;
  for (;;) {
    const place = cheapestDrive(timetable, drive, { car, toS });
    if (!place) return places;
    places.push(place);
    toS = place.occupancy.releaseS - 1;
  }
}

/** Releases, cars and instructors worth trying where others are to make way, soonest first. */
function* wishes(timetable: Timetable, drive: number, beforeS: number) {
  const { problem } = timetable;
  const { guest, options, setUpS, wrapUpS } = problem.drives[drive]!;
  const { arrivesS } = problem.guests[guest]!;
  const readyS = Math.max(
    problem.nowS,
    problem.day.opens,
    arrivesS,
    ...timetable.guestOccupancies[guest]!.map(({ endS }) => endS),
  );
  const until = Math.min(beforeS + NUDGE_S, readyS + 3 * 3600, problem.day.closes);
  for (let release = readyS + setUpS; release <= until; release += NUDGE_STEP_S) {
    for (const { car, crew, trackS } of options) {
      const endS = release + trackS[0]! + wrapUpS;
      const who = leastBusy(timetable, crew, release - setUpS, endS);
      if (who !== undefined) yield { release, car, crew: who };
    }
  }
}

/** Who of these has least to do over `[startS, endS)`. */
export function leastBusy(
  timetable: Timetable,
  crew: readonly number[],
  startS: number,
  endS: number,
): number | undefined {
  const busy = (who: number) =>
    timetable.crewOccupancies[who]!.filter((held) => held.startS < endS && startS < held.endS).length;
  return [...crew].sort((a, b) => busy(a) - busy(b))[0];
}

/** Puts a drive somewhere and those in its way up to five minutes aside; says who moved, or nothing where that fails. */
export function makeWay(
  timetable: Timetable,
  drive: number,
  { release, car, crew }: { release: number; car: number; crew: number },
): Insertion['moved'] | undefined {
  const { problem } = timetable;
  const { rules } = problem.day;
  const { options, setUpS, wrapUpS } = problem.drives[drive]!;
  const trackS = options.find((option) => option.car === car)!.trackS[0]!;
  const startS = release - setUpS;
  const endS = release + trackS + wrapUpS;
  const inTheWay = new Set<Occupancy>();
  for (const occupancy of timetable.carDrives[car]!) {
    if (occupancy.startS < endS + rules.turnaroundS && startS < occupancy.endS + rules.turnaroundS)
      inTheWay.add(occupancy);
  }
  for (const occupancy of timetable.crewOccupancies[crew]!)
    if (occupancy.startS < endS && startS < occupancy.endS) inTheWay.add(occupancy);
  for (const occupancy of timetable.circuit) {
    if (Math.abs(occupancy.releaseS - release) < rules.releaseGapS) inTheWay.add(occupancy);
  }
  if (inTheWay.size > MOST_MOVED || [...inTheWay].some((occupancy) => occupancy.fixed || occupancy.kind !== DRIVE))
    return undefined;
  for (const occupancy of inTheWay) timetable.remove(occupancy);
  const place = cheapestDrive(timetable, drive, { car, crew, fromS: release, toS: release });
  if (!place) return undefined;
  putIn(timetable, place);
  const moved: { drive: string; from: number; to: number }[] = [];
  for (const occupancy of [...inTheWay].sort((a, b) => a.releaseS - b.releaseS)) {
    const aside = cheapestDrive(timetable, occupancy.drive, {
      car: occupancy.car,
      crew: occupancy.crew,
      fromS: occupancy.releaseS - NUDGE_S,
      toS: occupancy.releaseS + NUDGE_S,
    });
    if (!aside) return undefined;
    putIn(timetable, aside);
    if (aside.occupancy.releaseS === occupancy.releaseS) continue;
    moved.push({
      drive: problem.drives[occupancy.drive]!.drive.id,
      from: occupancy.releaseS,
      to: aside.occupancy.releaseS,
    });
  }
  return moved;
}
