/** One event of a calendar file, cut out of it. */
export interface CalendarBlock {
  /** Line of the file on which it begins, from 1. */
  readonly line: number;
  /** Its lines, unfolded (RFC 5545, 3.1), from BEGIN to END. */
  readonly lines: readonly string[];
}

export interface CalendarBlocks {
  readonly events: readonly CalendarBlock[];
  /** Definitions of time zones by the name that events give them. */
  readonly zones: ReadonlyMap<string, string>;
  /** Events that begin and do not end. */
  readonly open: readonly number[];
}

/**
 * Cuts a calendar file into its events, so that each can be read by itself: one that is at fault then spoils no other, is
 * named with its line, and none can stand in for another by having its UID. Linear in the length of the file.
 */
export function calendarBlocks(text: string): CalendarBlocks {
  const events: CalendarBlock[] = [];
  const zones = new Map<string, string>();
  const open: number[] = [];
  let inside: { kind: string; line: number; lines: string[] } | undefined;
  text.split(/\r\n|\n|\r/).forEach((raw, place) => {
    const folded = inside && /^[ \t]/.test(raw);
    if (folded) {
      inside!.lines[inside!.lines.length - 1] += raw.slice(1);
      return;
    }
    const line = raw.trimEnd();
    const begins = /^BEGIN:(VEVENT|VTIMEZONE)$/i.exec(line)?.[1]?.toUpperCase();
    if (begins) {
      if (inside?.kind === 'VEVENT') open.push(inside.line);
      inside = { kind: begins, line: place + 1, lines: [] };
    }
    inside?.lines.push(line);
    if (!inside || line.toUpperCase() !== `END:${inside.kind}`) return;
    if (inside.kind === 'VEVENT') events.push({ line: inside.line, lines: inside.lines });
    else zones.set(propertyOf(inside, 'TZID') ?? '', inside.lines.join('\r\n'));
    inside = undefined;
  });
  if (inside?.kind === 'VEVENT') open.push(inside.line);
  return { events, zones, open };
}

/** The value of a property of an event; nothing where it is not there. */
export function propertyOf({ lines }: Pick<CalendarBlock, 'lines'>, name: string): string | undefined {
  const own = lines.find((line) => new RegExp(`^${name}[;:]`, 'i').test(line));
  return own?.slice(own.indexOf(':') + 1);
}

/** The definitions of the time zones that an event names, as lines. */
export function zonesOf({ lines }: CalendarBlock, zones: CalendarBlocks['zones']): string[] {
  const named = new Set(lines.flatMap((line) => /;TZID="?([^":;]+)/i.exec(line)?.[1] ?? []));
  return [...named].flatMap((name) => zones.get(name) ?? []);
}
