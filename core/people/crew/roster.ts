import * as z from 'zod';
import { GROUP_ROLES, type GroupRole } from '../../programmes';
import type { Instructor } from '../../day';
import { timeWindow, type TimeWindow, withoutWindows } from '../../values';
import { holdsOn, type Duty, type InstructorFields } from './skills';

/** Days in a row of one entry; longer than this, it is a mistake in the year. */
export const MOST_ROSTER_DAYS = 366;
const DAY_MS = 86_400_000;

/** Somebody is there, or away, on some days in a row: at the usual hours or at these. */
export const rosterEntry = z
  .strictObject({
    id: z.string().min(1).max(300),
    instructor: z.string().min(1).max(64),
    kind: z.enum(['shift', 'absence']),
    /** First and last day. */
    from: z.iso.date('expected a date, YYYY-MM-DD'),
    to: z.iso.date('expected a date, YYYY-MM-DD'),
    /** A shift at other than the usual hours, or an absence for some hours of each day. */
    hours: timeWindow.optional(),
    /** Why, for the manager alone. */
    reason: z.string().trim().min(1).max(300).optional(),
  })
  .refine(({ from, to }) => from <= to, { message: 'expected the last day not to be before the first', path: ['to'] })
  .refine(({ from, to }) => daysBetween(from, to) < MOST_ROSTER_DAYS, {
    message: 'expected at most a year of days in a row',
    path: ['to'],
  });
export type RosterEntry = z.output<typeof rosterEntry>;

/** Whole days from one date to another. */
export function daysBetween(from: string, to: string): number {
  return Math.round((Date.parse(to) - Date.parse(from)) / DAY_MS);
}

/** The date so many days after another. */
export function dateAfter(date: string, days: number): string {
  return new Date(Date.parse(date) + days * DAY_MS).toISOString().slice(0, 10);
}

/**
 * When somebody is there on a day: in the shifts of that day, else at the usual hours unless only shifts count, and never
 * during an absence.
 */
export function windowsOn(who: InstructorFields, entries: readonly RosterEntry[], date: string): TimeWindow[] {
  const own = entries.filter(({ instructor, from, to }) => instructor === who.id && from <= date && date <= to);
  const shifts = own.filter(({ kind }) => kind === 'shift');
  const there = shifts.length > 0 ? shifts.flatMap(({ hours }) => hours ?? who.available) : [];
  const usual = shifts.length === 0 && !who.byRoster ? who.available : there;
  const absences = own.filter(({ kind }) => kind === 'absence');
  if (absences.some(({ hours }) => hours === undefined)) return [];
  return withoutWindows(
    usual,
    absences.map(({ hours }) => hours!),
  );
}

/** The skill that each role of a group takes; beside guests that is the car. */
const DUTY_OF: Readonly<Record<GroupRole, Duty | undefined>> = {
  lead: 'leadCar',
  inTrain: 'leadCar',
  beside: undefined,
  spotter: 'spotter',
  marshal: 'marshal',
  blocker: 'blocker',
  push: 'push',
};

/** The planner's view of an instructor on a day: there as the roster says, and with what still may be taught. */
export function plannedInstructor(
  who: InstructorFields,
  entries: readonly RosterEntry[],
  date: string,
  fleet: readonly string[],
): Instructor {
  const {
    byRoster: _,
    holdsUntil,
    leadCar: _l,
    spotter: _s,
    marshal: _m,
    blocker: _b,
    push: _p,
    rides: _r,
    ...planned
  } = who;
  const duties = GROUP_ROLES.filter((role) => DUTY_OF[role] && holdsOn(who, { kind: DUTY_OF[role] }, date));
  const rides = holdsOn(who, { kind: 'rides' }, date);
  const ended = Object.keys(holdsUntil?.cars ?? {}).some((car) => !holdsOn(who, { kind: 'car', car }, date));
  const taught = who.cars === 'all' ? fleet : who.cars;
  return {
    ...planned,
    available: windowsOn(who, entries, date),
    cars: ended ? taught.filter((car) => holdsOn(who, { kind: 'car', car }, date)) : who.cars,
    brief: holdsOn(who, { kind: 'brief' }, date),
    sighting: holdsOn(who, { kind: 'sighting' }, date),
    ...(rides && { rides }),
    ...(duties.length > 0 && { duties }),
  };
}
