/**
 * Times of a day. Inside the core a time of day is a whole number of seconds since local midnight (0…86 400);
 * on disk and on the wire it is the wall-clock string `HH:MM` or `HH:MM:SS`.
 */

export const DAY_S = 86_400;

/** The end of what can happen on an event day, seconds since its midnight: six in the morning of the next day. */
export const DAY_ENDS_S = 30 * 3600;

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
function onOneDay(secondsOfDay: number): number {
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

/** A duration to the second, as people write it: `1 h 30 min`, `4 min`, `90 s` as `1 min 30 s`. */
export function durationText(durationS: number): string {
  const parts = [
    [Math.floor(durationS / 3600), 'h'],
    [Math.floor((durationS % 3600) / 60), 'min'],
    [durationS % 60, 's'],
  ] as const;
  const said = parts.flatMap(([count, unit]) => (count > 0 ? [`${Math.round(count * 1000) / 1000} ${unit}`] : []));
  return said.join(' ') || '0 s';
}

const UNITS_S: Readonly<Record<string, number>> = { h: 3600, m: 60, s: 1 };

/**
 * Seconds of a duration as people write it: `25 min`, `1 h 30`, `1:30 h`, `90 s`, `1 min 30`, a bare number in minutes.
 * Nothing where it cannot be read.
 */
export function durationOf(text: string): number | undefined {
  const written = text.trim().toLowerCase().replaceAll(',', '.');
  const clock = /^(\d{1,2}):([0-5]\d)(?:\s*h(?:ours?|rs?)?)?$/.exec(written);
  if (clock) return Number(clock[1]) * 3600 + Number(clock[2]) * 60;
  const parts = [
    ...written.matchAll(
      /(\d+(?:\.\d+)?)\s*(?:(h)(?:(?:ou)?rs?)?|(m)(?:in(?:ute)?s?)?|(s)(?:ec(?:ond)?s?)?)?\.?(?![a-z])\s*/g,
    ),
  ];
  if (parts.length === 0 || parts.map(([whole]) => whole).join('') !== written) return undefined;
  let last = 3600 * 60;
  let seconds = 0;
  for (const [, count, ...units] of parts) {
    const unit = units.find(Boolean);
    // What follows hours without a unit is minutes, what follows minutes seconds; alone it is minutes.
    const unitS = unit ? UNITS_S[unit]! : last === 3600 * 60 ? 60 : last / 60;
    if (unitS >= last || unitS < 1) return undefined;
    seconds += Number(count) * unitS;
    last = unitS;
  }
  return Math.round(seconds * 1000) / 1000;
}

/** A lap time as it is written at a circuit: `1:14.3`. */
export function lapTimeText(lapTimeS: number): string {
  const tenths = Math.round(lapTimeS * 10);
  return `${Math.floor(tenths / 600)}:${((tenths % 600) / 10).toFixed(1).padStart(4, '0')}`;
}
