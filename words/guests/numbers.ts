/** Numbers, dates and lap times as a language writes them. */
export interface Numbers {
  /** `1:29.0`, seconds in. */
  readonly lapTime: (seconds: number) => string;
  /** With so many digits after the point, always. */
  readonly fixed: (value: number, digits: number) => string;
  /** A day of the year in full, `YYYY-MM-DD` in. */
  readonly date: (date: string) => string;
}

/** @param locale as `Intl` takes it, BCP 47 */
export function numbersIn(locale: string): Numbers {
  const format = (digits: number, integers = 1) =>
    new Intl.NumberFormat(locale, {
      minimumFractionDigits: digits,
      maximumFractionDigits: digits,
      minimumIntegerDigits: integers,
    });
  const seconds = format(1, 2);
  const days = new Intl.DateTimeFormat(locale, { dateStyle: 'full', timeZone: 'UTC' });
  return {
    lapTime: (lapS) => {
      const tenths = Math.round(lapS * 10);
      return `${Math.floor(tenths / 600)}:${seconds.format((tenths % 600) / 10)}`;
    },
    fixed: (value, digits) => format(digits).format(value),
    date: (date) => days.format(new Date(`${date}T00:00:00Z`)),
  };
}
