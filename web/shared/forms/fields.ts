import { currencyDecimals, durationOf, numberIn, durationText, paddedTime, windowsOf, windowsText } from '@core/values';

/** One field of a record form: where its value lies and how it is entered. */
export interface Field {
  /** Place in the record, `fuel.capacityL`. */
  readonly path: string;
  readonly label: string;
  readonly kind:
    | 'text'
    | 'longText'
    | 'number'
    | 'duration'
    | 'colour'
    | 'photo'
    | 'time'
    | 'date'
    | 'choice'
    | 'many'
    | 'words'
    | 'list'
    | 'numbers'
    | 'curve'
    | 'yes'
    | 'windows'
    | 'drives';
  readonly options?: readonly Option[];
  /** Unit behind a number. */
  readonly unit?: string;
  /** Most digits behind the point of a number; whole numbers where not given. */
  readonly decimals?: number;
  /** An empty value is left out of the record. */
  readonly optional?: boolean;
  /** What a yes-or-no field means where the record does not say; no where not given. */
  readonly whenAbsent?: boolean;
  /** Begins a new group with this title. */
  readonly group?: string;
  /** What that group is for: it is folded behind this until somebody wants it, or something in it is wrong. */
  readonly folded?: string;
  /** Read as a sentence, with the value in it: what stands before and behind it. */
  readonly sentence?: readonly [before: string, after: string];
  readonly hint?: string;
  /** Takes the whole width. */
  readonly wide?: boolean;
}

/** In place of the unit of an amount: it has the currency of the venue. */
export const MONEY = 'money';

/** The fields as they are asked for where a currency is paid in: with its name and its digits behind the point. */
export function withCurrency(fields: readonly Field[], currency: string): Field[] {
  const decimals = currencyDecimals(currency);
  return fields.map((field) => (field.unit === MONEY ? { ...field, unit: currency, decimals } : field));
}

type IsGroup<V> = [V] extends [object] ? ([V] extends [readonly unknown[]] ? false : true) : false;

/** Where the values of a record lie, down to what one control holds: `fuel.capacityL`. */
type PathsOf<T> = {
  [K in keyof T & (string | number)]-?: IsGroup<NonNullable<T[K]>> extends true
    ? `${K}.${PathsOf<NonNullable<T[K]>>}`
    : `${K}`;
}[keyof T & (string | number)];

type KeyOf<T, S> = { [K in keyof T & (string | number)]: `${K}` extends S ? K : never }[keyof T & (string | number)];
/** The value at a path; what lies in a group that may be missing may be missing too. */
type ValueAt<T, P extends string> = P extends `${infer Step}.${infer Rest}`
  ? ValueAt<NonNullable<T[KeyOf<T, Step>]>, Rest> | (undefined extends T[KeyOf<T, Step>] ? undefined : never)
  : T[KeyOf<T, P>];

/** How a value of a type can be entered. */
type KindFor<V> = [V] extends [boolean]
  ? 'yes' | 'choice'
  : [V] extends [number]
    ? 'number' | 'duration' | 'choice'
    : [V] extends [string]
      ? 'text' | 'longText' | 'colour' | 'photo' | 'time' | 'date' | 'choice'
      : [V] extends [readonly string[] | 'all']
        ? 'many' | 'words' | 'list'
        : [V] extends [readonly number[]]
          ? 'numbers'
          : [V] extends [readonly { from: string; to: string }[]]
            ? 'windows'
            : [V] extends [readonly { rpm: number; kW: number }[]]
              ? 'curve'
              : [V] extends [readonly { cars: string[]; laps: number }[]]
                ? 'drives'
                : never;

/** A field for a value of a type; only what may be missing may be left empty. */
type FieldFor<V> = Omit<Field, 'path' | 'kind' | 'optional'> & {
  readonly kind: KindFor<NonNullable<V>>;
} & (undefined extends V ? { readonly optional?: boolean } : { readonly optional?: false });

/** A field for every value of a record in its encoded form, or that this form has none: forgetting one does not compile. */
export type FieldsOf<T> = { readonly [P in PathsOf<T>]: FieldFor<ValueAt<T, P>> | 'notHere' };

/** The fields of a form in their order, each with its path. */
export function formOf<T>(fields: FieldsOf<T>): Field[] {
  return Object.entries(fields as Readonly<Record<string, Omit<Field, 'path'> | 'notHere'>>).flatMap(([path, field]) =>
    field === 'notHere' ? [] : [{ path, ...field }],
  );
}

export interface Option {
  readonly label: string;
  readonly value: string | number | boolean;
}

/** Id of the control of a field on the page. */
export function fieldId({ path }: Field): string {
  return `field-${path.replaceAll('.', '-')}`;
}

/** What a control shows for a value of the record. */
export function shownValue(field: Field, value: unknown): unknown {
  switch (field.kind) {
    case 'windows':
      return windowsText(value);
    case 'words':
    case 'list':
    case 'numbers':
      return ((value as (string | number)[] | undefined) ?? []).join(', ');
    case 'curve':
      return curveText(value);
    case 'duration':
      return typeof value === 'number' ? durationText(value) : (value ?? '');
    case 'yes':
      return value ?? field.whenAbsent ?? false;
    case 'many':
    case 'drives':
      return value ?? [];
    case 'number':
    case 'choice':
      return value ?? null;
    default:
      return value ?? '';
  }
}

/** The value that goes into the record for what a control holds; nothing for an empty optional field. */
export function recordValue(field: Field, shown: unknown): unknown {
  if (field.optional && isEmpty(shown)) return undefined;
  switch (field.kind) {
    case 'windows':
      return windowsOf(String(shown));
    case 'words':
      return String(shown)
        .split(/[,\s]+/)
        .filter((word) => word !== '');
    case 'list':
      return String(shown)
        .split(',')
        .map((part) => part.trim())
        .filter((part) => part !== '');
    case 'numbers':
      return listed(String(shown)).map(numberOf);
    case 'curve':
      return pairs(String(shown)).map(([rpm, kW]) => ({ rpm: numberOf(rpm ?? ''), kW: numberOf(kW ?? '') }));
    case 'duration':
      // What cannot be read stays as it is, for the form to say how it is written.
      return durationOf(String(shown)) ?? shown;
    case 'time':
      return paddedTime(String(shown));
    default:
      return shown ?? undefined;
  }
}

/** Most digits of a number in a list. */
const LIST_DECIMALS = 3;

/** A number of a list; what is none is `NaN`, which no schema takes. */
function numberOf(text: string): number {
  const read = numberIn(text, { decimals: LIST_DECIMALS });
  return read.kind === 'number' ? read.value : NaN;
}

/**
 * Numbers in a row, parted by blanks, semicolons, or commas: `3,8 2,2` and `3,8; 2,2` have decimal commas, `3.8,2.2` and
 * `4,5,6` have none.
 */
function listed(text: string): string[] {
  const parts = text.split(/;|,\s+|\s+/).filter((part) => part.trim() !== '');
  const isPlain = parts.length === 1 || parts.some((part) => part.split(',').length > 2 || /\..*,|,.*\./.test(part));
  return isPlain ? parts.flatMap((part) => part.split(',')).filter((part) => part.trim() !== '') : parts;
}

/** `2000 70, 3000 130` as pairs; each is parted by a blank or a stroke. */
function pairs(text: string): string[][] {
  const apart = (by: RegExp) =>
    text
      .split(by)
      .map((part) => part.trim())
      .filter((part) => part !== '')
      .map((part) => part.split(/[\s/]+/));
  const wide = apart(/;|,\s+/);
  return wide.every((pair) => pair.length === 2) ? wide : apart(/[;,]/);
}

function isEmpty(shown: unknown): boolean {
  return shown === '' || shown === null || shown === undefined || (Array.isArray(shown) && shown.length === 0);
}

/** Points of a power curve as people write them: `2000 70, 3000 130`. */
function curveText(value: unknown): string {
  return ((value as { rpm: number; kW: number }[] | undefined) ?? []).map(({ rpm, kW }) => `${rpm} ${kW}`).join(', ');
}

/** A value in words, for showing two versions side by side. */
export function valueText(field: Field, value: unknown): string {
  if (value === undefined || value === '') return 'empty';
  if (field.kind === 'windows') return windowsText(value);
  if (field.kind === 'curve') return curveText(value) || 'none';
  if (field.kind === 'duration') return durationText(value as number);
  if (field.kind === 'yes') return value ? 'yes' : 'no';
  if (field.kind === 'drives') {
    return (
      (value as { cars: string[]; laps: number }[]).map(({ cars, laps }) => `${cars.join('/')} × ${laps}`).join(', ') ||
      'none'
    );
  }
  const label = (one: unknown) => field.options?.find((option) => option.value === one)?.label ?? String(one);
  return Array.isArray(value) ? value.map(label).join(', ') || 'none' : label(value);
}
