import * as z from 'zod';

/**
 * Times of a day. Inside the core a time of day is a whole number of seconds since local midnight (0…86 400);
 * on disk and on the wire it is the wall-clock string `HH:MM` or `HH:MM:SS`.
 */

export const DAY_S = 86_400;

const WALL_CLOCK = /^(?:(?:[01]\d|2[0-3]):[0-5]\d(?::[0-5]\d)?|24:00(?::00)?)$/;

/** Seconds since midnight of a wall-clock string that is known to be well formed. */
export function secondsOf(wallClock: string): number {
  const [hours, minutes, seconds = '0'] = wallClock.split(':');
  return Number(hours) * 3600 + Number(minutes) * 60 + Number(seconds);
}

/** `HH:MM`, or `HH:MM:SS` where the time is not a whole minute. */
export function wallClock(secondsOfDay: number): string {
  const whole = Math.round(secondsOfDay);
  const hours = String(Math.floor(whole / 3600)).padStart(2, '0');
  const minutes = String(Math.floor((whole % 3600) / 60)).padStart(2, '0');
  const seconds = whole % 60;
  return seconds === 0 ? `${hours}:${minutes}` : `${hours}:${minutes}:${String(seconds).padStart(2, '0')}`;
}

/** Always `HH:MM`: the minute in which the time falls, as people say it; after midnight that of the next day. */
export function clockMinute(secondsOfDay: number): string {
  return wallClock(Math.floor(onOneDay(secondsOfDay) / 60) * 60);
}

/** A time of a day that runs past midnight, as a clock on the wall shows it. */
export function onOneDay(secondsOfDay: number): number {
  return secondsOfDay > DAY_S ? secondsOfDay % DAY_S : secondsOfDay;
}

/** A duration as people say it: `40 s`, `6 min 40 s`, `25 min`, `2 h 5 min`. Negative durations count as 0. */
export function spokenDuration(durationS: number): string {
  const whole = Math.max(0, Math.round(durationS));
  if (whole < 60) return `${whole} s`;
  if (whole < 3600) {
    const seconds = whole % 60;
    return `${Math.floor(whole / 60)} min${seconds === 0 ? '' : ` ${seconds} s`}`;
  }
  const minutes = Math.round((whole % 3600) / 60);
  return `${Math.floor(whole / 3600)} h${minutes === 0 ? '' : ` ${minutes} min`}`;
}

/** A lap time as it is written at a circuit: `1:14.3`. */
export function lapTimeText(lapTimeS: number): string {
  const tenths = Math.round(lapTimeS * 10);
  return `${Math.floor(tenths / 600)}:${((tenths % 600) / 10).toFixed(1).padStart(4, '0')}`;
}

/** Wall clock in files, seconds since midnight in the core. */
export const timeOfDay = z.codec(
  z.string().regex(WALL_CLOCK, 'expected a time of day, HH:MM or HH:MM:SS, from 00:00 to 24:00'),
  z.number().int().min(0).max(DAY_S),
  { decode: secondsOf, encode: wallClock },
);

/** The end of what can happen on an event day, seconds since its midnight: six in the morning of the next day. */
export const DAY_ENDS_S = 30 * 3600;

/** When something happened on an event day that may run past midnight: half past midnight is `24:30`. */
export const eventTime = z.codec(
  z
    .string()
    .regex(
      /^(?:(?:[01]\d|2\d):[0-5]\d(?::[0-5]\d)?|30:00(?::00)?)$/,
      'expected a time of the event day, HH:MM or HH:MM:SS',
    ),
  z.number().int().min(0).max(DAY_ENDS_S),
  { decode: secondsOf, encode: wallClock },
);

/** A stretch of the day, `from` before `to`. */
export const timeWindow = z
  .strictObject({ from: timeOfDay, to: timeOfDay })
  .refine((window) => window.from < window.to, { message: 'expected "from" to be before "to"', path: ['from'] });
export type TimeWindow = z.output<typeof timeWindow>;
