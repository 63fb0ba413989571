import { layOut, type Day, type Drive, type Guest, type Plan } from '../../day';
import { bottleneckOf, type Limit } from './bottleneck';
import { SIGHTING } from '../place/occupancy';
import { cheapestDrive, putIn, type DriveSearch } from '../place/place-drive';
import { problemOf } from '../place/problem';
import { isReady, rebuild, SOON } from '../search/rebuild';
import type { Timetable } from '../place/timetable';
import { leastBusy, makeWay } from './insert';
import { brokenRules, loadForChange } from './load-for-change';
import { placesInGroups, type PlacesInGroup } from './places-in-groups';
import { planDay } from '../search/plan-day';
import { seededRandom } from '../place/random';

/** What somebody at the desk would buy, whoever it is. */
export interface Wanted {
  readonly laps: number;
  /** Has still to go to class and on a sighting run. */
  readonly isNew: boolean;
  /** Factor on the lap times of the cars. */
  readonly pace: number;
}

/** What stands in the way where there is no place. */
export type InTheWay = 'circuit' | 'closed' | 'car' | 'crew' | 'notReady' | 'several';

/** A stretch of the day in one car. */
export type Stretch =
  | { readonly fit: 'free' | 'tight'; readonly release: number; readonly instructor: string }
  | { readonly fit: 'none'; readonly because: InTheWay };

export interface StillSold {
  /** Start of each stretch, `STRETCH_S` long. */
  readonly stretches: readonly number[];
  /**
   * Of each car what fits with a release in each stretch: `free` moves nobody, `tight` moves others by up to five minutes.
   */
  readonly cars: readonly { readonly car: string; readonly level: number; readonly stretches: readonly Stretch[] }[];
  /** When class and sighting run are over at the earliest; nothing where they have no place any more. */
  readonly readyS: number | undefined;
  /** How many such drives have a place one after the other today, at least, while nobody moves. */
  readonly more: number;
  /** Groups to come that take more people. */
  readonly groups: readonly PlacesInGroup[];
  /** Classes and runs to come that have seats left. */
  readonly seats: readonly { readonly kind: 'briefing' | 'sighting'; readonly startS: number; readonly left: number }[];
}

export const STRETCH_S = 900;
/** Further guests imagined to count how many more drives have a place. */
const MOST_MORE = 40;
const GUEST = 'still-sold';

/**
 * What can still be sold from `nowS` on: the places of one more drive in each car, for a guest of whom nothing is known but
 * what is wanted. The guest speaks what most instructors speak, and fits into every car.
 */
export function stillSold(day: Day, plan: Plan, nowS: number, wanted: Wanted): StillSold {
  return { ...drivesStillSold(day, plan, nowS, wanted), groups: placesInGroups(day, plan, nowS, wanted.isNew) };
}

function drivesStillSold(day: Day, plan: Plan, nowS: number, wanted: Wanted): Omit<StillSold, 'groups'> {
  const extended = { ...day, guests: [...day.guests, ...strangers(day, nowS, wanted)] };
  const repair = { previous: plan, nowS };
  const problem = problemOf(extended, repair);
  const { timetable } = loadForChange(problem, plan, brokenRules(extended, plan, repair));
  const seats = seatsOf(timetable, nowS);
  const stretches = startsOf(day, nowS);
  // The strangers come after the guests of the day: one for the places, then those who are counted.
  const first = day.guests.length;
  const mark = timetable.mark();
  const readyS = ready(timetable, first);
  const cars = problem.cars.map(({ car }, number) => {
    const drive = problem.guests[first]!.drives[number]!;
    const fits = stretches.map((startS) => stretchAt(timetable, drive, Math.max(startS, nowS), startS, readyS));
    return { car: car.id, level: car.level, stretches: fits };
  });
  timetable.back(mark);
  return { stretches, cars, readyS, more: countMore(timetable, first + 1), seats };
}

/** One who could have any car, with a drive for each, and others who would take whatever car there is. */
function strangers(day: Day, nowS: number, { laps, isNew, pace }: Wanted): Guest[] {
  const stranger = (id: string, drives: readonly Drive[]): Guest => ({
    id,
    name: '',
    arrives: Math.max(nowS, day.opens),
    languages: [mostSpoken(day)],
    pace,
    briefed: !isNew,
    sighted: !isNew,
    sequence: 'any',
    drives: [...drives],
  });
  const everyCar = day.cars.map(({ id }) => id);
  return [
    stranger(
      GUEST,
      day.cars.map(({ id }) => ({ id: `${GUEST} ${id}`, cars: [id], laps })),
    ),
    ...Array.from({ length: everyCar.length > 0 ? MOST_MORE : 0 }, (_, n) =>
      stranger(`${GUEST} ${n}`, [{ id: `${GUEST} any ${n}`, cars: everyCar, laps }]),
    ),
  ];
}

function mostSpoken({ instructors }: Day): string {
  const count = new Map<string, number>();
  for (const { languages } of instructors) for (const one of languages) count.set(one, (count.get(one) ?? 0) + 1);
  return [...count].sort(([, a], [, b]) => b - a)[0]?.[0] ?? 'en';
}

function startsOf(day: Day, nowS: number): number[] {
  const fromS = Math.floor(Math.max(nowS, day.opens) / STRETCH_S) * STRETCH_S;
  return Array.from(
    { length: Math.max(0, Math.ceil((day.closes - fromS) / STRETCH_S)) },
    (_, i) => fromS + i * STRETCH_S,
  );
}

/** Plans class and sighting run for a guest; says when the first drive may begin. */
function ready(timetable: Timetable, guest: number): number | undefined {
  const { guests, day } = timetable.problem;
  const { arrivesS, drives } = guests[guest]!;
  if (isReady(timetable, guest)) return arrivesS;
  // Any drive will do to be let into class and run; it is taken out again.
  for (const drive of drives) {
    rebuild(timetable, [drive], SOON);
    const occupancy = timetable.driveOccupancy[drive];
    if (!occupancy) continue;
    timetable.remove(occupancy);
    return Math.max(...timetable.guestOccupancies[guest]!.map(({ endS }) => endS)) + day.rules.guestRestS;
  }
  return undefined;
}

function stretchAt(
  timetable: Timetable,
  drive: number,
  fromS: number,
  startS: number,
  readyS: number | undefined,
): Stretch {
  const { day, crew } = timetable.problem;
  const within: DriveSearch = { fromS, toS: Math.min(startS + STRETCH_S, day.closes) - 1, stepS: 60 };
  if (readyS === undefined || readyS + day.rules.setUpS > within.toS!) return { fit: 'none', because: 'notReady' };
  const found = cheapestDrive(timetable, drive, within);
  if (found) {
    const { releaseS, crew: who } = found.occupancy;
    return { fit: 'free', release: releaseS, instructor: crew[who]!.instructor.id };
  }
  return tight(timetable, drive, within, readyS) ?? { fit: 'none', because: inTheWay(timetable, drive, within) };
}

/** The first place in a stretch where others can go aside by up to five minutes. */
function tight(timetable: Timetable, drive: number, { fromS, toS }: DriveSearch, readyS: number): Stretch | undefined {
  const { drives, crew, day } = timetable.problem;
  const [option] = drives[drive]!.options;
  if (!option) return undefined;
  const firstS = Math.max(fromS!, readyS + day.rules.setUpS);
  for (let release = firstS; release <= toS!; release += STRETCH_S / 3) {
    const who = leastBusy(
      timetable,
      option.crew,
      release - day.rules.setUpS,
      release + option.trackS[0]! + day.rules.wrapUpS,
    );
    if (who === undefined) continue;
    const mark = timetable.mark();
    const moved = makeWay(timetable, drive, { release, car: option.car, crew: who });
    timetable.back(mark);
    if (moved) return { fit: 'tight', release, instructor: crew[who]!.instructor.id };
  }
  return undefined;
}

function inTheWay(timetable: Timetable, drive: number, within: DriveSearch): InTheWay {
  const { day, drives } = timetable.problem;
  const fits = (ignoring: 'circuit' | 'car' | 'crew') => cheapestDrive(timetable, drive, { ...within, ignoring });
  const found = (['car', 'crew', 'circuit'] as const).find(fits);
  const trackS = drives[drive]!.options[0]?.trackS[0] ?? 0;
  const isClosed = day.circuit.closures.some(({ from, to }) => from < within.fromS! + trackS && within.toS! < to);
  return found === 'circuit' && isClosed ? 'closed' : (found ?? 'several');
}

/** Puts one more after the other in until one has no place. */
function countMore(timetable: Timetable, from: number): number {
  const { guests } = timetable.problem;
  let count = 0;
  for (let guest = from; guest < guests.length; guest++) {
    const [drive] = guests[guest]!.drives;
    if (drive === undefined) break;
    if (guests[guest]!.needsBriefing || guests[guest]!.needsSighting) rebuild(timetable, [drive], SOON);
    else {
      const place = cheapestDrive(timetable, drive, { stepS: 60 });
      if (place) putIn(timetable, place);
    }
    if (!timetable.driveOccupancy[drive]) break;
    count += 1;
  }
  return count;
}

function seatsOf({ briefings, circuit, problem }: Timetable, nowS: number): StillSold['seats'] {
  const { day, vehicles } = problem;
  return [
    ...briefings.map(({ startS, guests }) => ({
      kind: 'briefing' as const,
      startS,
      left: day.rules.briefing.seats - guests.length,
    })),
    ...circuit
      .filter(({ kind }) => kind === SIGHTING)
      .map(({ startS, guests, car }) => ({
        kind: 'sighting' as const,
        startS,
        left: vehicles[car]!.vehicle.seats - guests.length,
      })),
  ]
    .filter(({ startS, left }) => startS >= nowS && left > 0)
    .sort((a, b) => a.startS - b.startS);
}

/** How much more another day takes. */
export interface DayAhead {
  /** Drives, at least. */
  readonly more: number;
  /** Classes and runs with seats left. */
  readonly seats: number;
  readonly limit: Limit;
}

/** What is still free on a day that has not begun: by its plan, or by a first one. */
export function dayAhead(day: Day, accepted: Plan | undefined, wanted: Wanted): DayAhead {
  const plan = accepted ?? planDay(day, { iterations: 0, random: seededRandom(1) }).plan;
  const { more, seats } = drivesStillSold(day, plan, day.opens, wanted);
  return { more, seats: seats.length, limit: bottleneckOf(layOut(day, plan)).limits };
}
