import { TZDate } from '@date-fns/tz';
import type { ClockReading } from '@core/api';
import { DAY_ENDS_S, DAY_S } from '@core/values';
import { nextDate } from '@core/journal';

/** The venue's clock. Everything on the server that asks for the time asks here. */
export interface Clock {
  read(): ClockReading;
  /** False where this clock can't be adjusted. */
  adjust(change: { rate?: number | undefined; date?: string | undefined; secondsOfDay?: number | undefined }): boolean;
  /** Real moment at which the clock last stood at this time of its day; what entries are stamped with. */
  recordedAt(): string;
}

/** Real time in the venue's time zone, asked for each time: the zone may be set while the server runs. */
export function realClock(timeZone: () => string, now: () => number = Date.now): Clock {
  return {
    read: () => {
      const local = new TZDate(now(), timeZone());
      const date = [local.getFullYear(), local.getMonth() + 1, local.getDate()]
        .map((part) => String(part).padStart(2, '0'))
        .join('-');
      const secondsOfDay =
        local.getHours() * 3600 + local.getMinutes() * 60 + local.getSeconds() + local.getMilliseconds() / 1000;
      return { date, secondsOfDay, rate: 1, adjustable: false };
    },
    adjust: () => false,
    recordedAt: () => new Date(now()).toISOString(),
  };
}

/** The demo's clock: starts where it is told, can be paused, sped up and set; it stops where its event day ends. */
export function demoClock(start: { date: string; secondsOfDay: number }, now: () => number = Date.now): Clock {
  let { date, secondsOfDay } = start;
  let rate = 1;
  let since = now();
  /** Seconds since the midnight of the date at which it was set last. */
  const current = () => Math.min(DAY_ENDS_S, secondsOfDay + ((now() - since) / 1000) * rate);
  return {
    read: () => {
      const seconds = current();
      const overMidnight = seconds >= DAY_S;
      return {
        date: overMidnight ? nextDate(date) : date,
        secondsOfDay: overMidnight ? seconds - DAY_S : seconds,
        rate,
        adjustable: true,
      };
    },
    adjust: (change) => {
      const moved = change.date !== undefined || change.secondsOfDay !== undefined;
      const seconds = current();
      // A change of pace alone leaves the night what it is: still the day before.
      secondsOfDay = change.secondsOfDay ?? (moved ? seconds % DAY_S : seconds);
      since = now();
      date = change.date ?? (moved && seconds >= DAY_S ? nextDate(date) : date);
      rate = change.rate ?? rate;
      return true;
    },
    recordedAt: () => new Date(now()).toISOString(),
  };
}
