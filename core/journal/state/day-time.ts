import { DAY_ENDS_S, DAY_S } from '../../values';

/** Where the venue's clock stands. */
export interface ClockTime {
  /** The calendar date, YYYY-MM-DD. */
  readonly date: string;
  /** Seconds since midnight. */
  readonly secondsOfDay: number;
}

/**
 * What time of an event day it is, whole seconds since its midnight: 0 before it has come, and past 24:00 as long as it
 * runs past midnight, until somebody closes it or it is six in the morning. Once it is over, its end.
 *
 * @param isClosed asked only in the night after the day
 */
export function timeOnDay(date: string, clock: ClockTime, isClosed: () => boolean): number {
  if (clock.date === date) return Math.floor(clock.secondsOfDay);
  if (clock.date < date) return 0;
  const nightS = DAY_S + Math.floor(clock.secondsOfDay);
  return clock.date === nextDate(date) && nightS < DAY_ENDS_S && !isClosed() ? nightS : DAY_ENDS_S;
}

/** The calendar date after another. */
export function nextDate(date: string): string {
  return new Date(Date.parse(date) + DAY_S * 1000).toISOString().slice(0, 10);
}
