import { durationOf } from './time';

/** How a number may be written where it is asked for. */
export interface NumberAsked {
  /** Most digits behind the point; whole numbers where not given. */
  readonly decimals?: number | undefined;
  /** What may stand beside it: `l`, `EUR`, `€`. */
  readonly units?: readonly string[] | undefined;
  /** Seconds are asked for: minutes may be written as `1:02`, `62 s` or `1 min 2 s`. */
  readonly seconds?: boolean | undefined;
}

/** What a text says where a number is asked for; `either` where two readings are as good. */
export type NumberRead =
  | { readonly kind: 'empty' | 'unread' }
  | { readonly kind: 'number'; readonly value: number }
  | { readonly kind: 'either'; readonly values: readonly [number, number] };

const UNREAD: NumberRead = { kind: 'unread' };
const MINUTES = /^(\d{1,3}):([0-5]\d)(?:[.,](\d{1,3}))?$/;
/** Blanks of all widths and apostrophes part groups of three digits. */
const BLANK = /(?<=\d)['’\s\u00a0\u2009\u202f](?=\d{3}(?!\d))/gu;

/**
 * A number as people write it: `66,5`, `66.5`, `1 234,5`, `1’234.50`, `1.234.567`, with its unit before or behind. One
 * point or comma before three digits parts thousands where whole numbers are asked for, is the decimal sign where three
 * digits behind it are, and else may be either: both readings are given.
 */
export function numberIn(text: string, { decimals = 0, units = [], seconds = false }: NumberAsked = {}): NumberRead {
  const trimmed = text.trim();
  if (trimmed === '') return { kind: 'empty' };
  if (seconds) {
    const spoken = secondsIn(trimmed);
    if (spoken !== undefined) return { kind: 'number', value: spoken };
  }
  const plain = withoutUnit(trimmed, units).replace(BLANK, '').replace(/^[−–]/, '-');
  if (!/^[-+]?\d*[.,]?\d*(?:[.,]\d*)*$/.test(plain) || !/\d/.test(plain)) return UNREAD;
  const [whole, fraction, certain] = parts(plain, decimals);
  if (whole === undefined) return UNREAD;
  const exact = Number(`${whole}.${fraction || '0'}`);
  const asDecimal = Number(exact.toFixed(decimals));
  // More digits than the field holds are not dropped without a word.
  if (certain) return exact === asDecimal ? { kind: 'number', value: exact } : UNREAD;
  return { kind: 'either', values: [asDecimal, Number(`${whole}${fraction}`)] };
}

/** Whole part, digits behind the decimal sign, and whether that sign can be nothing else; no whole part where it is none. */
function parts(
  plain: string,
  decimals: number,
): readonly [whole: string | undefined, fraction: string, certain: boolean] {
  const signs = plain.match(/[.,]/g) ?? [];
  if (signs.length === 0) return [plain, '', true];
  const last = signs.at(-1)!;
  const at = plain.lastIndexOf(last);
  const [before, after] = [plain.slice(0, at), plain.slice(at + 1)];
  const alike = signs.every((sign) => sign === last);
  const grouped = (digits: string, sign: string) => {
    const groups = digits.replace(/^[-+]/, '').split(sign);
    return /^\d{1,3}$/.test(groups[0]!) && groups.slice(1).every((group) => /^\d{3}$/.test(group));
  };
  if (signs.length === 1) {
    const isGroup = /^[-+]?[1-9]\d{0,2}$/.test(before) && after.length === 3;
    if (isGroup && decimals === 0) return [before + after, '', true];
    return [before === '' || before === '-' ? `${before}0` : before, after, !isGroup || decimals >= 3];
  }
  // Several alike part groups; two kinds: the last one is the decimal sign, the others part groups.
  if (alike) return grouped(plain, last) ? [plain.replaceAll(last, ''), '', true] : [undefined, '', true];
  const other = last === '.' ? ',' : '.';
  const isSound = signs.slice(0, -1).every((sign) => sign === other) && grouped(before, other);
  return [isSound ? before.replaceAll(other, '') : undefined, after, true];
}

function withoutUnit(text: string, units: readonly string[]): string {
  const lower = text.toLowerCase();
  for (const unit of units.map((one) => one.toLowerCase()).filter((one) => one !== '')) {
    if (lower.endsWith(unit)) return text.slice(0, -unit.length).trim();
    if (lower.startsWith(unit)) return text.slice(unit.length).trim();
  }
  return text;
}

function secondsIn(text: string): number | undefined {
  const minutes = MINUTES.exec(text);
  if (minutes) return Number(minutes[1]) * 60 + Number(`${minutes[2]}.${minutes[3] ?? 0}`);
  return /[a-z]/i.test(text) ? durationOf(text) : undefined;
}
