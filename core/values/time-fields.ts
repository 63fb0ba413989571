import * as z from 'zod';
import { DAY_ENDS_S, DAY_S, secondsOf, wallClock } from './time';

const WALL_CLOCK = /^(?:(?:[01]\d|2[0-3]):[0-5]\d(?::[0-5]\d)?|24:00(?::00)?)$/;

/** Wall clock in files, seconds since midnight in the core. */
export const timeOfDay = z.codec(
  z.string().regex(WALL_CLOCK, 'expected a time of day, HH:MM or HH:MM:SS, from 00:00 to 24:00'),
  z.number().int().min(0).max(DAY_S),
  { decode: secondsOf, encode: wallClock },
);

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

/** A day of a venue ends at midnight; how one that works longer is set up. */
export const OVER_MIDNIGHT =
  'expected the opening time to be before the closing time; for hours past midnight, close at 24:00 and give the rest to the next day, from 00:00 on';

/** A stretch of the day, `from` before `to`. */
export const timeWindow = z
  .strictObject({ from: timeOfDay, to: timeOfDay })
  .refine((window) => window.from < window.to, { message: 'expected "from" to be before "to"', path: ['from'] });
export type TimeWindow = z.output<typeof timeWindow>;
