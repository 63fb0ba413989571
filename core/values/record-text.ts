/** Records in their encoded form, and how people write some of their values. */

/** A record of any shape in its encoded form. */
export type Json = Record<string, unknown>;

/** Value at a path, or nothing. */
export function valueAt(record: unknown, path: string): unknown {
  return path.split('.').reduce<unknown>((value, step) => (value as Json | undefined)?.[step], record);
}

interface Window {
  readonly from: string;
  readonly to: string;
  readonly reason?: string;
}

/** Text of windows as people write them: `08:30–12:00, 13:00–18:00`, each with its reason if it has one. */
export function windowsText(windows: unknown): string {
  return ((windows as Window[] | undefined) ?? [])
    .map(({ from, to, reason }) => `${from}–${to}${reason ? ` ${reason}` : ''}`)
    .join(', ');
}

const HOUR = String.raw`(\d{1,2})(?:\s*[:.h]\s*(\d{2}))?\s*(?:h|uhr|o'clock)?\s*(?:([ap])\.?m\.?(?![a-z]))?`;
const WINDOW = new RegExp(String.raw`^${HOUR}\s*(?:[–—-]|to|till|until|bis|à)\s*${HOUR}(?:\s+(.*))?$`, 'i');

/**
 * The windows of such a text, with hours as people write them: `9-15`, `9:00–15`, `9h to 15h30`, `9 to 3 pm`; what cannot be
 * read stays as it is, for the schema to refuse.
 */
export function windowsOf(text: string): Window[] {
  return text
    .split(',')
    .map((part) => part.trim())
    .filter((part) => part !== '')
    .map((part) => {
      const read = WINDOW.exec(part);
      if (!read) {
        const [, from = part, to = '', reason = ''] = /^(\S+?)\s*[–—-]\s*(\S+)\s*(.*)$/.exec(part) ?? [];
        return { from: paddedTime(from), to: paddedTime(to), ...(reason && { reason }) };
      }
      const [, fromHour, fromMinute, fromHalf, toHour, toMinute, toHalf, reason] = read;
      // "1 to 3 pm" begins in the afternoon, "9 to 3 pm" in the morning.
      const half = fromHalf ?? (toHalf && Number(fromHour) % 12 < Number(toHour) % 12 ? toHalf : undefined);
      return {
        from: timeText(fromHour!, fromMinute, half),
        to: timeText(toHour!, toMinute, toHalf),
        ...(reason && { reason }),
      };
    });
}

function timeText(hour: string, minute = '00', half?: string): string {
  const hours = half === undefined ? Number(hour) : (Number(hour) % 12) + (half.toLowerCase() === 'p' ? 12 : 0);
  return `${String(hours).padStart(2, '0')}:${minute}`;
}

/** `9:40` as `09:40`; anything else as it is. */
export function paddedTime(text: string): string {
  const trimmed = text.trim().replace('.', ':');
  return /^\d:\d\d/.test(trimmed) ? `0${trimmed}` : trimmed;
}

/** A copy of a record with values put at their paths; what no field names is kept. */
export function withValues(record: Json, values: readonly { readonly path: string; readonly value: unknown }[]): Json {
  const copy = structuredClone(record);
  for (const { path, value } of values) {
    const steps = path.split('.');
    const last = steps.pop()!;
    let target: Json = copy;
    // An empty value makes no group that was not there.
    if (value === undefined && valueAt(copy, steps.join('.') || path) === undefined) continue;
    for (const step of steps) target = (target[step] ??= {}) as Json;
    if (value !== undefined) target[last] = value;
    else {
      delete target[last];
      // A group of which nothing is left is none.
      if (steps.length === 1 && Object.keys(target).length === 0) delete copy[steps[0]!];
    }
  }
  return copy;
}
