import * as z from 'zod';
import { dateAfter } from '../../people/crew/at-start';
import { circuit, condition, rules } from '../../day';
import { text, OVER_MIDNIGHT, timeOfDay, timeWindow, type TimeWindow } from '../../values';

/** Days of the week, Monday first, as ISO 8601 numbers them. */
export const WEEKDAYS = [1, 2, 3, 4, 5, 6, 7] as const;
export type Weekday = (typeof WEEKDAYS)[number];
const weekday = z.literal(WEEKDAYS);

/** A day of any year, `05-01`. */
const monthDay = z
  .string()
  .regex(/^(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, 'expected month and day, MM-DD')
  .refine((value) => Number.isFinite(Date.parse(`2024-${value}`)) && isOfMonth(value), {
    message: 'expected a day that the month has',
  });

/** Weekdays on which the venue is open in a part of the year; it may run over the turn of the year. */
export const openPattern = z.strictObject({
  weekdays: z.array(weekday).min(1, 'expected at least one weekday').max(7),
  from: monthDay,
  to: monthDay,
  /** Other hours than usual. */
  hours: timeWindow.optional(),
});
export type OpenPattern = z.output<typeof openPattern>;

const date = z.iso.date('expected a date, YYYY-MM-DD');
const closedDays = z
  .strictObject({ from: date, to: date, reason: text(100).min(1).optional() })
  .refine(({ from, to }) => from <= to, { message: 'expected the last day not to be before the first', path: ['to'] });
type ClosedDays = z.output<typeof closedDays>;

/** When the venue is open: from this its event days make themselves. */
export const calendar = z.strictObject({
  weekStartsOn: weekday,
  patterns: z.array(openPattern).max(20),
  closed: z.array(closedDays).max(200),
});
export type Calendar = z.output<typeof calendar>;

/** Of a venue that adds its days one by one. */
export const NO_PATTERN: Calendar = { weekStartsOn: 1, patterns: [], closed: [] };

/** What a single day has of its own; everything else is as the venue has it. */
export const daySetup = z
  .strictObject({
    opens: timeOfDay.optional(),
    closes: timeOfDay.optional(),
    condition: condition.omit({ changes: true }).optional(),
    maxCarsOnTrack: rules.shape.maxCarsOnTrack.optional(),
    closures: circuit.shape.closures.max(20).optional(),
  })
  .refine(({ opens, closes }) => opens === undefined || closes === undefined || opens < closes, {
    message: OVER_MIDNIGHT,
    path: ['opens'],
  });
export type DaySetup = z.output<typeof daySetup>;

/** Event days are made so far ahead. */
const CALENDAR_DAYS = 400;

/** The weekday of a date. */
export function weekdayOf(on: string): Weekday {
  return (new Date(`${on}T00:00:00Z`).getUTCDay() || 7) as Weekday;
}

function isOfMonth(value: string): boolean {
  return new Date(`2024-${value}T00:00:00Z`).toISOString().slice(5, 10) === value;
}

/** The pattern by which the venue is open on a date; nothing where it is not, or is closed for once. */
export function patternOn({ patterns, closed }: Calendar, on: string): OpenPattern | undefined {
  if (closed.some(({ from, to }) => from <= on && on <= to)) return undefined;
  const [day, weekdayOn] = [on.slice(5), weekdayOf(on)];
  return patterns.find(({ weekdays, from, to }) => {
    const inSeason = from <= to ? from <= day && day <= to : from <= day || day <= to;
    return inSeason && weekdays.includes(weekdayOn);
  });
}

/** The dates on which the venue is open, from one on. */
export function openDates(of: Calendar, from: string, days = CALENDAR_DAYS): string[] {
  if (of.patterns.length === 0) return [];
  return Array.from({ length: days }, (_, ahead) => dateAfter(from, ahead)).filter((on) => patternOn(of, on));
}

/** The calendar with one more date closed, or with a date no longer closed for once. */
export function withDate(of: Calendar, on: string, open: boolean): Calendar {
  if (!open) return patternOn(of, on) ? { ...of, closed: [...of.closed, { from: on, to: on }] } : of;
  const closed = of.closed.flatMap((days): ClosedDays[] => {
    if (on < days.from || days.to < on) return [days];
    const parts = [
      { ...days, to: dateAfter(on, -1) },
      { ...days, from: dateAfter(on, 1) },
    ];
    return parts.filter(({ from, to }) => from <= to);
  });
  return { ...of, closed };
}

/** The hours of a day: its own, else those of its pattern, else the usual ones. */
export function hoursOn(
  { opens, closes, calendar: of }: { readonly opens: number; readonly closes: number; readonly calendar: Calendar },
  on: string,
  setup: DaySetup,
): TimeWindow {
  const usual = patternOn(of, on)?.hours ?? { from: opens, to: closes };
  const own = { from: setup.opens ?? usual.from, to: setup.closes ?? usual.to };
  return own.from < own.to ? own : usual;
}

/** Who or what is there for the whole of the usual hours is there for the whole of a day with other ones. */
export function onHours(windows: readonly TimeWindow[], usual: TimeWindow, hours: TimeWindow): TimeWindow[] {
  return windows.flatMap(({ from, to }) => {
    const moved = { from: from <= usual.from ? hours.from : from, to: to >= usual.to ? hours.to : to };
    return moved.from < moved.to ? [moved] : [];
  });
}
