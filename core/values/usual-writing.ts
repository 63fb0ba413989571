import { secondsOf } from './time';

/** Which of day and month stands first where only numbers tell. */
export type DateOrder = 'dayFirst' | 'monthFirst';

/** Names of months in the languages in which lists come. */
const MONTH_LANGUAGES = ['en', 'de', 'fr', 'es', 'it', 'nl'];
const plain = (word: string): string =>
  word
    .normalize('NFKD')
    .replace(/[\p{M}.]/gu, '')
    .toLowerCase();
let months: ReadonlyMap<string, number> | undefined;

function monthOf(word: string): number | undefined {
  months ??= new Map(
    MONTH_LANGUAGES.flatMap((language) =>
      (['long', 'short'] as const).flatMap((month) => {
        const format = new Intl.DateTimeFormat(language, { month, timeZone: 'UTC' });
        return Array.from({ length: 12 }, (_, at) => [plain(format.format(Date.UTC(2024, at, 1))), at + 1] as const);
      }),
    ),
  );
  const name = plain(word);
  // Three letters are enough in all of them, where they fit one month only.
  return months.get(name) ?? (name.length >= 3 ? months.get(name.slice(0, 3)) : undefined);
}

const DATE = /^(?:\p{L}+\.?,?\s+)?(\d{1,4})[-./\s]+(\d{1,2}|\p{L}+\.?)[-./,\s]+(\d{1,4})$/u;
const MONTH_FIRST = /^(\p{L}+)\.?\s+(\d{1,2})(?:st|nd|rd|th)?,?\s+(\d{2,4})$/u;

/**
 * A date in the usual ways of writing, as YYYY-MM-DD: `2027-05-22`, `22.5.2027`, `22/05/27`, `5/22/2027`, `22 May 2027`,
 * `May 22, 2027`, `22. Mai 2027`; nothing where it is none. Two figures of a year are those of this century up to twenty
 * years ahead of 2027, else of the last one.
 */
export function dateIn(text: string, order: DateOrder = 'dayFirst'): string | undefined {
  const trimmed = text.trim().replace(/(\d)(st|nd|rd|th|er|º)\b/, '$1');
  const named = MONTH_FIRST.exec(trimmed);
  if (named) return isoOf(named[3]!, monthOf(named[1]!), Number(named[2]));
  const match = DATE.exec(trimmed);
  if (!match) return undefined;
  const [first, second, third] = [match[1]!, match[2]!, match[3]!];
  if (!/^\d+$/.test(second)) return isoOf(third, monthOf(second), Number(first));
  if (first.length === 4) return isoOf(first, Number(second), Number(third));
  const [a, b] = [Number(first), Number(second)];
  const monthLeads = b > 12 || (order === 'monthFirst' && a <= 12);
  return monthLeads ? isoOf(third, a, b) : isoOf(third, b, a);
}

function isoOf(yearText: string, month: number | undefined, day: number): string | undefined {
  if (month === undefined || yearText.length === 3) return undefined;
  const short = Number(yearText);
  const year = yearText.length <= 2 ? short + (short <= 47 ? 2000 : 1900) : short;
  const iso = `${String(year).padStart(4, '0')}-${String(month).padStart(2, '0')}-${String(day).padStart(2, '0')}`;
  const at = Date.parse(`${iso}T00:00:00Z`);
  return Number.isNaN(at) || new Date(at).toISOString().slice(0, 10) !== iso ? undefined : iso;
}

/** Which stands first in a column of dates, as far as one of them tells; days where none does. */
export function dateOrderOf(texts: readonly string[]): DateOrder {
  const numbers = texts.flatMap((text) => {
    const match = /^(\d{1,2})[-./](\d{1,2})[-./]\d{2,4}$/.exec(text.trim());
    return match ? [[Number(match[1]), Number(match[2])] as const] : [];
  });
  return numbers.some(([, b]) => b > 12) && numbers.every(([a]) => a <= 12) ? 'monthFirst' : 'dayFirst';
}

const TIME = /^(\d{1,2})(?:\s*(?:[:.h]|uhr)\s*(\d{2}))?(?::(\d{2}))?\s*(?:h|uhr|o'clock)?\s*([ap])?\.?m?\.?$/i;

/**
 * A time of day in the usual ways of writing, seconds since midnight: `9:40`, `09.40`, `9h40`, `0940`, `9:40 am`, `9 Uhr`,
 * also behind a date; nothing where it is none.
 */
export function timeIn(text: string): number | undefined {
  const trimmed = text.trim();
  const joined = /^(\d{2})(\d{2})$/.exec(trimmed);
  if (joined) return timeOf(Number(joined[1]), Number(joined[2]), 0, undefined);
  const behind = /^(.*\d{4}|\d{4}-\d{2}-\d{2})[T,\s]+(\d.*)$/.exec(trimmed);
  if (behind && dateIn(behind[1]!.replace(/,$/, ''))) return timeIn(behind[2]!);
  const match = TIME.exec(trimmed);
  // A number alone is no time.
  if (!match || /^\d+$/.test(trimmed)) return undefined;
  return timeOf(Number(match[1]), Number(match[2] ?? 0), Number(match[3] ?? 0), match[4]?.toLowerCase());
}

function timeOf(hours: number, minutes: number, seconds: number, half: string | undefined): number | undefined {
  if (half !== undefined && (hours < 1 || hours > 12)) return undefined;
  const hour = half === undefined ? hours : (hours % 12) + (half === 'p' ? 12 : 0);
  if (hour > 23 || minutes > 59 || seconds > 59) return undefined;
  return secondsOf(`${hour}:${minutes}:${seconds}`);
}
