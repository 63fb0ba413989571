import { carMisfit, checkPlan, sharesLanguage, teachesIn, type Violation } from '../../rules';
import { closingAt, type Day, type DriveOccupancy, type Plan } from '../../day';
import { DAY_S, fact, type Fact } from '../../values';
import {
  runningPlan,
  dayContext,
  rescheduled,
  planningSnapshotOf,
  type DayContext,
  type DayState,
} from '../../journal';
import { brokenAhead } from './broken';
import { driftOf } from './drift';
import type { Expected } from './expected';
import { slideOf } from './slide';

/** What can be done so that what is late does not eat a meal, a closure, somebody's leaving or the end of the day. */
export type RepairChange =
  | Fact<'fewerLaps', { guest: string; drive: string }, { laps: number }>
  | Fact<'otherCar', { guest: string; drive: string; car: string }>
  | Fact<'otherCrew', { guest: string; drive: string; instructor: string }>
  | Fact<'closeLater', object, { to: number }>;

export interface RepairOption {
  readonly change: RepairChange;
  /** Minutes of patience that the day costs more than as it is heading; less than 0 where it gets better. */
  readonly costs: number;
}

/** Where the day is heading: what the plan with all times as expected breaks of what is to come, and its cost. */
export interface Heading {
  readonly broken: readonly Violation[];
  readonly cost: number;
}

/** So many ways are told, so many of a line's drives are looked at, and a drive is made shorter by at most so many laps. */
const MOST_WAYS = 3;
const MOST_DRIVES = 8;
const FEWER_LAPS = [1, 2, 3];
const LEAST_LAPS = 3;
const LATER_S = [15 * 60, 30 * 60];

/** What becomes of a day if every time follows, however late. */
export function headingOf(context: DayContext, state: DayState): Heading {
  const plan = rescheduled(context.schedule.plan, slideOf(driftOf(context, state)));
  const { day, repair } = planningSnapshotOf(context.day, plan, state);
  const { violations, cost } = checkPlan(day, runningPlan(context.day, plan, state, day), repair);
  return { broken: brokenAhead(violations, state), cost: cost.total };
}

/**
 * The three cheapest changes with which what is late breaks less than it would, each tried: a drive of some laps less (by
 * the guest's word), in another car, with another instructor, or a later closing.
 *
 * @param late what is late because of one cause
 */
export function repairOptions(context: DayContext, state: DayState, late: readonly Expected[]): RepairOption[] {
  const now = headingOf(context, state);
  if (now.broken.length === 0) return [];
  const ways = candidates(context, late).flatMap(({ change, day, plan }): RepairOption[] => {
    const tried = headingOf(dayContext(day, plan), state);
    return tried.broken.length < now.broken.length ? [{ change, costs: tried.cost - now.cost }] : [];
  });
  const cheapest = new Map<string, RepairOption>();
  for (const way of ways.sort((a, b) => a.costs - b.costs)) {
    const { code, subjects } = way.change;
    const key = `${code} ${'drive' in subjects ? subjects.drive : ''}`;
    if (!cheapest.has(key)) cheapest.set(key, way);
  }
  return [...cheapest.values()].slice(0, MOST_WAYS);
}

interface Candidate {
  readonly change: RepairChange;
  readonly day: Day;
  readonly plan: Plan;
}

function candidates({ day, accepted }: DayContext, late: readonly Expected[]): Candidate[] {
  const { plan } = accepted;
  const drives = late.flatMap(({ occupancy }) => (occupancy.kind === 'drive' ? [occupancy] : [])).slice(0, MOST_DRIVES);
  return [
    ...drives.flatMap((occupancy) => [...shorter(day, plan, occupancy), ...elsewhere(day, plan, occupancy)]),
    ...LATER_S.map((byS) => day.closes + byS)
      .filter((to) => to <= DAY_S)
      .map((to) => ({ change: fact('closeLater', {}, { to }), day: closingAt(day, to), plan })),
  ];
}

function shorter(day: Day, plan: Plan, { planned, drive, guests }: DriveOccupancy): Candidate[] {
  const guest = guests[0];
  if (!drive || !guest) return [];
  return FEWER_LAPS.map((fewer) => drive.laps - fewer)
    .filter((laps) => laps >= LEAST_LAPS)
    .map((laps) => ({
      change: fact('fewerLaps', { guest: guest.id, drive: planned.drive }, { laps }),
      day: {
        ...day,
        guests: day.guests.map((it) =>
          it.id === guest.id
            ? { ...it, drives: it.drives.map((own) => (own.id === drive.id ? { ...own, laps } : own)) }
            : it,
        ),
      },
      plan,
    }));
}

function elsewhere(day: Day, plan: Plan, { planned, drive, guests, instructor }: DriveOccupancy): Candidate[] {
  const guest = guests[0];
  if (!drive || !guest) return [];
  const of = { guest: guest.id, drive: planned.drive };
  const with_ = (more: { car?: string; instructor?: string }): Plan => ({
    ...plan,
    drives: plan.drives.map((one) => (one.drive === planned.drive ? { ...one, ...more } : one)),
  });
  const cars = day.cars.filter(
    (car) => car.id !== planned.car && !carMisfit(car, drive, guest) && (!instructor || teachesIn(instructor, car)),
  );
  const crew = day.instructors.filter(
    (it) =>
      it.id !== planned.instructor &&
      teachesIn(it, { id: planned.car }) &&
      sharesLanguage(it, guest) &&
      !guest.avoidInstructors?.includes(it.id),
  );
  return [
    ...cars.map(({ id }) => ({ change: fact('otherCar', { ...of, car: id }), day, plan: with_({ car: id }) })),
    ...crew.map(({ id }) => ({
      change: fact('otherCrew', { ...of, instructor: id }),
      day,
      plan: with_({ instructor: id }),
    })),
  ];
}
