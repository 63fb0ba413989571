import { TZDate } from '@date-fns/tz';
import { dateAfter, daysBetween, type InstructorFields, type RosterEntry } from '@core/crew';
import { DAY_S, type TimeWindow } from '@core/day';
import { addDays, format } from 'date-fns';
import { ICalCalendar } from 'ical-generator';
import ical, { type DateWithTimeZone, type VEvent } from 'node-ical';

/** The crew's roster as a calendar (iCalendar, RFC 5545), out and in. Reasons are private and stay here. */

interface Crew {
  readonly crew: readonly InstructorFields[];
  /** The venue's, IANA name. */
  readonly timeZone: string;
}

const UID_ENDS = '@joylap';
const AWAY_WORDS = /\b(absent|absence|away|leave|holiday|vacation|sick|off)\b/i;
/** Events of longer series are cut here; it is two years of days. */
const MOST_TIMES = 731;

/** A calendar with one event for each day with hours, and one for each stretch of whole days. */
export function rosterIcal(
  entries: readonly RosterEntry[],
  { crew, timeZone, venue }: Crew & { readonly venue: string },
): string {
  const calendar = new ICalCalendar({ name: `Roster, ${venue}`, prodId: { company: 'Joy Lap', product: 'roster' } });
  const names = new Map(crew.map(({ id, name }) => [id, name]));
  for (const entry of entries) {
    const { id, instructor, kind, from, to, hours } = entry;
    const away = kind === 'absence';
    const common = {
      summary: `${names.get(instructor) ?? instructor}${away ? ' absent' : ''}`,
      categories: [{ name: away ? 'ABSENCE' : 'SHIFT' }],
      stamp: new Date(0),
    };
    if (hours === undefined) {
      const [start, end] = [new Date(from), new Date(dateAfter(to, 1))];
      calendar.createEvent({ ...common, id: `${id}${UID_ENDS}`, start, end, allDay: true });
      continue;
    }
    const [start, end] = [instantOf(from, hours.from, timeZone), instantOf(from, hours.to, timeZone)];
    const event = calendar.createEvent({ ...common, id: `${id}${UID_ENDS}`, start, end, timezone: timeZone });
    const days = daysBetween(from, to) + 1;
    if (days > 1) event.repeating({ freq: 'DAILY' as never, count: days });
  }
  return calendar.toString();
}

/** What became of a calendar file. */
export type RosterRead =
  | { readonly ok: false; readonly reason: string }
  | {
      readonly ok: true;
      readonly entries: readonly RosterEntry[];
      readonly cancelled: readonly string[];
      readonly faults: readonly { readonly event: string; readonly message: string }[];
    };

/**
 * Reads shifts and absences. An event belongs to the instructor whose name its title begins with (or whose id it is); one
 * called absent, away, leave, holiday, sick or off, or of the category ABSENCE, is an absence. Series are read time by time.
 */
export function readRosterIcal(text: string, { crew, timeZone }: Crew): RosterRead {
  if (!/^BEGIN:VCALENDAR/im.test(text)) return { ok: false, reason: 'This is no calendar file (iCalendar).' };
  let events: VEvent[];
  try {
    events = Object.values(ical.sync.parseICS(text)).filter((part): part is VEvent => part?.type === 'VEVENT');
  } catch (error) {
    return { ok: false, reason: `This calendar cannot be read: ${(error as Error).message}.` };
  }
  const entries: RosterEntry[] = [];
  const cancelled: string[] = [];
  const faults: { event: string; message: string }[] = [];
  for (const event of events) {
    const title = textOf(event.summary) || 'event without title';
    const id = idOf(event.uid);
    if (event.status === 'CANCELLED') {
      cancelled.push(id);
      continue;
    }
    const who = crew.find(({ id: own, name }) => title === own || title.toLowerCase().startsWith(name.toLowerCase()));
    if (!who) {
      faults.push({ event: title, message: 'no instructor has this name' });
      continue;
    }
    const away =
      AWAY_WORDS.test(title.slice(who.name.length)) ||
      event.categories?.some((name) => name.toUpperCase() === 'ABSENCE');
    const spans: Span[] = [];
    for (const { start, end } of timesOf(event)) {
      const span = spanOf(start, end, event.datetype === 'date', timeZone);
      if (typeof span === 'string') faults.push({ event: title, message: span });
      else spans.push(span);
    }
    const stretches = stretchesOf(spans);
    for (const stretch of stretches) {
      const own = stretches.length === 1 ? id : `${id} ${stretch.from}`;
      entries.push({ id: own, instructor: who.id, kind: away ? 'absence' : 'shift', ...stretch });
    }
  }
  return { ok: true, entries, cancelled, faults };
}

/** The times of an event: one, or those of its series. */
function timesOf(event: VEvent): { start: DateWithTimeZone; end: DateWithTimeZone }[] {
  const end = event.end ?? event.start;
  if (!event.rrule) return [{ start: event.start, end }];
  const from = event.start;
  const times = ical.expandRecurringEvent(event, { from, to: addDays(from, MOST_TIMES) });
  return times.map((time) => ({
    start: Object.assign(time.start, { tz: event.start.tz }),
    end: Object.assign(time.end, { tz: event.start.tz }),
  }));
}

/** Days in a row with the same hours become one stretch. */
function stretchesOf(spans: readonly Span[]): Span[] {
  const stretches: Span[] = [];
  for (const span of spans) {
    const last = stretches.at(-1);
    const goesOn =
      last !== undefined &&
      dateAfter(last.to, 1) === span.from &&
      last.hours?.from === span.hours?.from &&
      last.hours?.to === span.hours?.to;
    if (goesOn) stretches[stretches.length - 1] = { ...last, to: span.to };
    else stretches.push(span);
  }
  return stretches;
}

type Span = Pick<RosterEntry, 'from' | 'to'> & { readonly hours?: TimeWindow };

/** The days and hours of an event on the venue's clock; what cannot be in a roster is a sentence. */
function spanOf(start: DateWithTimeZone, end: DateWithTimeZone, wholeDays: boolean, timeZone: string): Span | string {
  if (wholeDays) {
    const from = format(start, 'yyyy-MM-dd');
    const until = format(end, 'yyyy-MM-dd');
    return { from, to: until > from ? dateAfter(until, -1) : from };
  }
  const [begins, ends] = [wallOf(start, timeZone), wallOf(end, timeZone)];
  const overMidnight = begins.date !== ends.date;
  const toS = overMidnight && ends.secondsOfDay === 0 && daysBetween(begins.date, ends.date) === 1 ? DAY_S : undefined;
  if (overMidnight && toS === undefined) return `runs over midnight, from ${begins.date} to ${ends.date}`;
  const hours = { from: begins.secondsOfDay, to: toS ?? ends.secondsOfDay };
  if (hours.from >= hours.to) return `has no length on ${begins.date}`;
  return { from: begins.date, to: begins.date, hours };
}

/** Date and time on the venue's clock. A time without a zone is the venue's already; the parser reads it as this machine's. */
function wallOf(at: DateWithTimeZone, timeZone: string): { date: string; secondsOfDay: number } {
  const local = at.tz === undefined ? at : new TZDate(at, timeZone);
  return {
    date: format(local, 'yyyy-MM-dd'),
    secondsOfDay: local.getHours() * 3600 + local.getMinutes() * 60 + local.getSeconds(),
  };
}

/** The instant at which the venue's clock shows a time. */
function instantOf(date: string, secondsOfDay: number, timeZone: string): TZDate {
  const [year, month, day] = date.split('-').map(Number) as [number, number, number];
  const [hours, minutes] = [Math.floor(secondsOfDay / 3600), Math.floor((secondsOfDay % 3600) / 60)];
  return new TZDate(year, month - 1, day, hours, minutes, secondsOfDay % 60, timeZone);
}

function idOf(uid: string): string {
  return uid.endsWith(UID_ENDS) ? uid.slice(0, -UID_ENDS.length) : uid.slice(0, 280);
}

function textOf(summary: VEvent['summary']): string {
  return (typeof summary === 'string' ? summary : (summary?.val ?? '')).trim();
}
