import { carMisfit } from '../../rules';
import { closingAt, type Day, type Plan, type Repair } from '../../day';
import { DAY_S, type Fact, type TimeWindow } from '../../values';
import { problemOf } from '../place/problem';
import { rebuild, SOON } from '../search/rebuild';
import { breaksNothingNew, brokenRules, loadForChange } from './load-for-change';

/** A change of the day with which a drive that has no place would get one. */
export type RemedyChange =
  | { readonly kind: 'car'; readonly drive: string; readonly car: string }
  | { readonly kind: 'closes'; readonly to: number }
  | { readonly kind: 'crew'; readonly instructor: string; readonly from: number; readonly to: number }
  | { readonly kind: 'stays'; readonly guest: string; readonly until: number }
  | { readonly kind: 'unpin'; readonly drive: string };

/** Why a plan was accepted that came from a remedy or a free place. */
export type RevisionReason =
  | Fact<'remedied', { guest: string }, { change: RemedyChange }>
  | Fact<'lapsOwedTo' | 'oneMoreDriveFor' | 'oneRideFor', { guest: string; cars: readonly string[] }, { laps: number }>;

export interface Remedy {
  readonly change: RemedyChange;
  /** Release that the drive would have, nobody else moved. */
  readonly release: number;
}

const MOST_REMEDIES = 3;

/** The day with one change made. */
export function withRemedy(day: Day, change: RemedyChange): Day {
  switch (change.kind) {
    case 'car':
      return withDrive(day, change.drive, ({ pin, ...drive }) => ({
        ...drive,
        cars: [change.car],
        ...(pin && { pin: { ...pin, car: undefined } }),
      }));
    case 'unpin':
      return withDrive(day, change.drive, ({ pin: _, ...drive }) => drive);
    case 'closes':
      return closingAt(day, change.to);
    case 'crew':
      return {
        ...day,
        instructors: day.instructors.map((who) =>
          who.id === change.instructor
            ? { ...who, available: [...who.available, { from: change.from, to: change.to }] }
            : who,
        ),
      };
    case 'stays':
      return {
        ...day,
        guests: day.guests.map((guest) => (guest.id === change.guest ? { ...guest, leavesBy: change.until } : guest)),
      };
  }
}

function withDrive(
  day: Day,
  id: string,
  change: (drive: Day['guests'][number]['drives'][number]) => Day['guests'][number]['drives'][number],
): Day {
  return {
    ...day,
    guests: day.guests.map((guest) =>
      guest.drives.some((drive) => drive.id === id)
        ? { ...guest, drives: guest.drives.map((drive) => (drive.id === id ? change(drive) : drive)) }
        : guest,
    ),
  };
}

/**
 * Up to three changes with which an unplanned drive gets a place while everybody else stays where they are, each checked to
 * break nothing more. Of each kind the mildest one that works, and other cars where that leaves room.
 */
export function remediesFor(day: Day, plan: Plan, driveId: string, repair?: Repair): Remedy[] {
  const booked = day.guests.flatMap((guest) => guest.drives.map((drive) => ({ guest, drive })));
  const found = booked.find(({ drive }) => drive.id === driveId);
  if (!found) return [];
  const known = brokenRules(day, plan, repair);
  const remedies: Remedy[] = [];
  const firstOf = (candidates: readonly RemedyChange[]): readonly RemedyChange[] => {
    for (const [place, change] of candidates.entries()) {
      const made = remedied(day, plan, driveId, change, repair, known);
      if (!made) continue;
      remedies.push({ change, release: made.release });
      return candidates.slice(place + 1);
    }
    return [];
  };
  let others: readonly RemedyChange[] = [];
  for (const candidates of kindsOfChange(day, found.guest, found.drive)) {
    if (remedies.length === MOST_REMEDIES) return remedies;
    const left = firstOf(candidates);
    if (candidates[0]?.kind === 'car') others = left;
  }
  while (remedies.length < MOST_REMEDIES && others.length > 0) others = firstOf(others);
  return remedies;
}

function* kindsOfChange(
  day: Day,
  guest: Day['guests'][number],
  drive: Day['guests'][number]['drives'][number],
): Iterable<RemedyChange[]> {
  if (drive.pin) yield [{ kind: 'unpin', drive: drive.id }];
  const levels = drive.cars.flatMap((id) => day.cars.find((car) => car.id === id)?.level ?? []);
  const apart = (level: number) => Math.min(...levels.map((own) => Math.abs(own - level)), 9);
  yield day.cars
    .filter((car) => !drive.cars.includes(car.id) && !carMisfit(car, { ...drive, cars: [car.id] }, guest))
    .sort((a, b) => apart(a.level) - apart(b.level))
    .map((car) => ({ kind: 'car', drive: drive.id, car: car.id }));
  if (guest.leavesBy !== undefined) {
    const leavesBy = guest.leavesBy;
    yield [15, 30, 60, 120]
      .map((minutes) => leavesBy + minutes * 60)
      .filter((until) => until <= day.closes)
      .map((until) => ({ kind: 'stays', guest: guest.id, until }));
  }
  yield day.instructors.flatMap((who) =>
    gapsOf(who.available, day.opens, day.closes).map(({ from, to }): RemedyChange => ({
      kind: 'crew',
      instructor: who.id,
      from,
      to,
    })),
  );
  yield [20, 40, 60]
    .map((minutes) => day.closes + minutes * 60)
    .filter((to) => to <= DAY_S)
    .map((to) => ({ kind: 'closes', to }));
}

/** Stretches of the day in which somebody is not there. */
function gapsOf(windows: readonly TimeWindow[], opens: number, closes: number): TimeWindow[] {
  const gaps: TimeWindow[] = [];
  let from = opens;
  for (const window of [...windows].sort((a, b) => a.from - b.from)) {
    if (window.from > from) gaps.push({ from, to: Math.min(window.from, closes) });
    from = Math.max(from, window.to);
  }
  if (from < closes) gaps.push({ from, to: closes });
  return gaps;
}

/**
 * The plan of the changed day in which the drive has a place and all else stays, or nothing where there is none.
 *
 * @param known what the plan breaks already, and may break on
 */
export function remedied(
  day: Day,
  plan: Plan,
  driveId: string,
  change: RemedyChange,
  repair?: Repair,
  known: ReadonlySet<string> = brokenRules(day, plan, repair),
): { readonly plan: Plan; readonly release: number } | undefined {
  const problem = problemOf(withRemedy(day, change), repair);
  const number = problem.drives.findIndex(({ drive }) => drive.id === driveId);
  if (number < 0) return undefined;
  const { timetable, toPlan } = loadForChange(problem, plan, known);
  rebuild(timetable, [number], SOON);
  const release = timetable.driveOccupancy[number]?.releaseS;
  if (release === undefined) return undefined;
  const made = toPlan();
  return breaksNothingNew(problem, made, known) ? { plan: made, release } : undefined;
}
