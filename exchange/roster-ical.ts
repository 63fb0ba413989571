import { TZDate } from '@date-fns/tz';
import { dateAfter } from '@core/people/crew/at-start';
import { daysBetween, MOST_ROSTER_DAYS, type InstructorFields, type RosterEntry } from '@core/people/crew';
import { DAY_S, type TimeWindow } from '@core/values';
import ICAL from 'ical.js';
import { ICalCalendar } from 'ical-generator';
import { calendarBlocks, propertyOf, zonesOf, type CalendarBlock, type CalendarBlocks } from './calendar-blocks';

/** The crew's roster as a calendar (iCalendar, RFC 5545), out and in. Reasons are private and stay here. */

interface Crew {
  readonly crew: readonly InstructorFields[];
  /** The venue's, IANA name. */
  readonly timeZone: string;
}

const UID_ENDS = '@joylap';
const AWAY_WORDS = /\b(absent|absence|away|leave|holiday|vacation|sick|off)\b/i;
/** Longer series are cut here. */
const MOST_DAYS = 731;
/** More than so many events are no roster, nor are so many times of all series together. */
const MOST_EVENTS = 5000;
const MOST_TIMES = 40_000;

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

/** An event that cannot be taken in, or not as a whole. */
interface CalendarFault {
  /** Line of the file on which the event begins. */
  readonly line: number;
  /** Its title. */
  readonly event: string;
  readonly message: string;
}

/** What became of a calendar file. */
export type RosterRead =
  | { readonly ok: false; readonly reason: string }
  | {
      readonly ok: true;
      readonly entries: readonly RosterEntry[];
      /**
       * Ids of events that were read as a whole or are cancelled: an entry of the roster whose id is one of these, or begins with one and a space, and
       * which is not among `entries`, is no longer in that calendar.
       */
      readonly known: readonly string[];
      readonly faults: readonly CalendarFault[];
    };

/**
 * Reads shifts and absences. An event belongs to the instructor whose name its title begins with (or whose id it is); one
 * called absent, away, leave, holiday, sick or off, or of the category ABSENCE, is an absence. Series are read time by
 * time, for two years at most; times that were moved or taken out of a series are. Each event is read by itself.
 */
export function readRosterIcal(text: string, { crew, timeZone }: Crew): RosterRead {
  const plain = text.replace(/^\uFEFF/, '');
  if (!/^BEGIN:VCALENDAR/im.test(plain)) return { ok: false, reason: 'This is no calendar file (iCalendar).' };
  const { events, zones, open } = calendarBlocks(plain);
  if (events.length > MOST_EVENTS) {
    return { ok: false, reason: `This calendar has ${events.length} events; at most ${MOST_EVENTS} are read.` };
  }
  const faults: CalendarFault[] = open.map((line) => ({ line, event: 'event', message: 'it begins and does not end' }));
  const read: ReadEvent[] = [];
  let times = 0;
  for (const block of events) {
    const one = readEvent(block, zones, timeZone);
    for (const message of one.faults) faults.push({ line: block.line, event: one.title, message });
    read.push(one);
    times += one.times.length;
    if (times > MOST_TIMES)
      return { ok: false, reason: `This calendar has more than ${MOST_TIMES} times; no roster has.` };
  }
  // A time of a series that was moved stands in an event of its own and names the time that it stands for.
  const moved = new Set(read.flatMap(({ id, standsFor }) => (standsFor === undefined ? [] : [`${id} ${standsFor}`])));
  const known = new Set<string>();
  const spans = new Map<string, OwnSpan[]>();
  for (const event of read) {
    if (event.cancelled) known.add(event.id);
    if (event.times.length === 0 || event.cancelled) continue;
    const who = crew.find(
      ({ id: own, name }) => event.title === own || event.title.toLowerCase().startsWith(name.toLowerCase()),
    );
    if (!who) {
      faults.push({ line: event.line, event: event.title, message: 'no instructor has this name' });
      continue;
    }
    known.add(event.id);
    const away = AWAY_WORDS.test(event.title.slice(who.name.length)) || event.isAbsence;
    for (const { start, span } of event.times) {
      if (event.standsFor === undefined && moved.has(`${event.id} ${start}`)) continue;
      const own = spans.get(event.id) ?? [];
      spans.set(event.id, own);
      own.push({ ...span, instructor: who.id, kind: away ? 'absence' : 'shift' });
    }
  }
  const entries = [...spans].flatMap(([id, own]): RosterEntry[] => {
    const stretches = stretchesOf(own);
    return stretches.map((stretch, place) => {
      const twice = stretches.findIndex(({ from }) => from === stretch.from) < place ? ` ${place}` : '';
      return { id: stretches.length === 1 ? id : `${id} ${stretch.from}${twice}`, ...stretch };
    });
  });
  faults.sort((a, b) => a.line - b.line);
  // Of an event that is at fault, nothing is known that would be reason to take anything out of the roster.
  for (const { id, times, cancelled } of read) if (times.length === 0 && !cancelled) known.delete(id);
  return { ok: true, entries, known: [...known], faults };
}

interface ReadEvent {
  readonly line: number;
  readonly id: string;
  readonly title: string;
  readonly cancelled: boolean;
  readonly isAbsence: boolean;
  readonly times: readonly { readonly start: string; readonly span: Span }[];
  /** The time of the series in whose place this one stands, if it does. */
  readonly standsFor: string | undefined;
  readonly faults: readonly string[];
}

/** One event by itself, with the definitions of time zones that its file holds. */
function readEvent(block: CalendarBlock, zones: CalendarBlocks['zones'], timeZone: string): ReadEvent {
  const uid = propertyOf(block, 'UID')?.trim() ?? '';
  const faults: string[] = [];
  const nothing = {
    line: block.line,
    id: idOf(uid),
    title: propertyOf(block, 'SUMMARY')?.trim() || 'event without title',
    cancelled: /^CANCELLED$/i.test(propertyOf(block, 'STATUS') ?? ''),
    isAbsence: false,
    times: [],
    standsFor: undefined,
  };
  if (uid === '') return { ...nothing, faults: ['has no UID'] };
  if (propertyOf(block, 'DTSTART') === undefined) return { ...nothing, faults: ['has no beginning (DTSTART)'] };
  try {
    const text = ['BEGIN:VCALENDAR', 'VERSION:2.0', ...zonesOf(block, zones), ...block.lines, 'END:VCALENDAR'].join(
      '\r\n',
    );
    const component = new ICAL.Component(ICAL.parse(text) as unknown[]).getFirstSubcomponent('vevent')!;
    const event = new ICAL.Event(component);
    const { starts, cut } = startsOf(event);
    if (cut) faults.push(`goes on beyond two years: read up to ${starts.at(-1)!.toString().slice(0, 10)}`);
    if (starts.length === 0) faults.push('repeats on days of which there are none in two years');
    const { zone } = event.startDate;
    const zoneName = component.getFirstProperty('dtstart')!.getFirstParameter('tzid') as string | undefined;
    const times = starts.flatMap((start) => {
      start.zone = zone;
      const end = start.clone();
      end.addDuration(event.duration);
      const span = spanOf(start, end, zoneName, timeZone);
      if (typeof span !== 'string') return [{ start: start.toString(), span }];
      faults.push(span);
      return [];
    });
    return {
      ...nothing,
      title: (event.summary ?? '').trim() || nothing.title,
      isAbsence: component
        .getAllProperties('categories')
        .some((list) => list.getValues().some((name) => String(name).toUpperCase() === 'ABSENCE')),
      times,
      standsFor: event.recurrenceId ? String(event.recurrenceId) : undefined,
      faults,
    };
  } catch (error) {
    return { ...nothing, faults: [`cannot be read: ${(error as Error).message}`] };
  }
}

const DAILY_OR_LONGER = ['DAILY', 'WEEKLY', 'MONTHLY', 'YEARLY'];

/**
 * When an event begins: once, or at the times of its series without those taken out. A series ends after two years at the
 * latest, so that one that has no time at all is not looked for in vain.
 *
 * @throws Error where it is no series that a roster could have
 */
function startsOf(event: ICAL.Event): { starts: ICAL.Time[]; cut: boolean } {
  const rule = event.component.getFirstPropertyValue('rrule') as ICAL.Recur | null;
  if (!rule) return { starts: [event.startDate], cut: false };
  const parts = rule.parts as Record<string, unknown[]>;
  if (!DAILY_OR_LONGER.includes(rule.freq) || parts['BYHOUR'] || parts['BYMINUTE'] || parts['BYSECOND']) {
    throw new Error('repeats several times a day, as no roster does');
  }
  const last = event.startDate.clone();
  last.adjust(MOST_DAYS, 0, 0, 0);
  const cut = !rule.isByCount() && (!rule.until || rule.until.compare(last) > 0);
  if (!rule.until || rule.until.compare(last) > 0) rule.until = last;
  const isMeant = ({ month, day }: ICAL.Time) =>
    (parts['BYMONTH']?.includes(month) ?? true) &&
    (parts['BYMONTHDAY']?.some((one) => one === day || Number(one) < 0) ?? true);
  const iterator = event.iterator();
  const starts: ICAL.Time[] = [];
  for (let next = iterator.next(); next && starts.length < MOST_DAYS; next = iterator.next()) {
    // What a rule does not mean, as the second of March for the thirtieth of February, is none of its times.
    if (isMeant(next)) starts.push(next.clone());
  }
  return { starts, cut: cut && starts.length > 0 };
}

/** A stretch as one or more of a year at most. */
function yearsOf(span: OwnSpan): OwnSpan[] {
  const lastDay = dateAfter(span.from, MOST_ROSTER_DAYS - 1);
  if (span.to <= lastDay) return [span];
  return [{ ...span, to: lastDay }, ...yearsOf({ ...span, from: dateAfter(lastDay, 1) })];
}

type Span = Pick<RosterEntry, 'from' | 'to'> & { readonly hours?: TimeWindow };
type OwnSpan = Span & Pick<RosterEntry, 'instructor' | 'kind'>;

/** Days in a row with the same hours of the same person become one stretch, of a year at most. */
function stretchesOf(spans: readonly OwnSpan[]): OwnSpan[] {
  const stretches: OwnSpan[] = [];
  for (const span of [...spans].sort((a, b) => (a.from < b.from ? -1 : a.from > b.from ? 1 : 0))) {
    const last = stretches.at(-1);
    const goesOn =
      last !== undefined &&
      dateAfter(last.to, 1) === span.from &&
      last.instructor === span.instructor &&
      last.kind === span.kind &&
      last.hours?.from === span.hours?.from &&
      last.hours?.to === span.hours?.to &&
      daysBetween(last.from, span.to) < MOST_ROSTER_DAYS;
    if (goesOn) stretches[stretches.length - 1] = { ...last, to: span.to };
    else stretches.push(...yearsOf(span));
  }
  return stretches;
}

/** The days and hours of an event on the venue's clock; what cannot be in a roster is a sentence. */
function spanOf(start: ICAL.Time, end: ICAL.Time, zoneName: string | undefined, timeZone: string): Span | string {
  if (start.isDate) {
    const [from, until] = [dateOf(start), dateOf(end)];
    if (daysBetween(from, until) > MOST_DAYS) return `lasts longer than two years, from ${from}`;
    return { from, to: until > from ? dateAfter(until, -1) : from };
  }
  const [begins, ends] = [wallOf(start, zoneName, timeZone), wallOf(end, zoneName, timeZone)];
  if (!begins || !ends) return `names a time zone that is not known here: ${zoneName}`;
  const overMidnight = begins.date !== ends.date;
  const toS = overMidnight && ends.secondsOfDay === 0 && daysBetween(begins.date, ends.date) === 1 ? DAY_S : undefined;
  if (overMidnight && toS === undefined) return `runs over midnight, from ${begins.date} to ${ends.date}`;
  const hours = { from: begins.secondsOfDay, to: toS ?? ends.secondsOfDay };
  if (hours.from >= hours.to) return `has no length on ${begins.date}`;
  return { from: begins.date, to: begins.date, hours };
}

const dateOf = (at: ICAL.Time): string => at.toString().slice(0, 10);

/**
 * Date and time on the venue's clock; nothing where the zone of the time is not known.
 *
 * @param zoneName as the event names it; a time without a zone is the venue's already
 */
function wallOf(
  at: ICAL.Time,
  zoneName: string | undefined,
  timeZone: string,
): { date: string; secondsOfDay: number } | undefined {
  const { year, month, day, hour, minute, second, zone } = at;
  const isDefined = zone !== ICAL.Timezone.localTimezone;
  if (zoneName === undefined && !isDefined) {
    return { date: dateOf(at), secondsOfDay: hour * 3600 + minute * 60 + second };
  }
  if (!isDefined && !isZone(zoneName)) return undefined;
  // The name of a zone is better known than what a file says of it.
  const instant = isZone(zoneName)
    ? new TZDate(year, month - 1, day, hour, minute, second, zoneName)
    : new Date(at.toUnixTime() * 1000);
  const local = new TZDate(instant.getTime(), timeZone);
  const date = [local.getFullYear(), local.getMonth() + 1, local.getDate()]
    .map((part) => String(part).padStart(2, '0'))
    .join('-');
  return { date, secondsOfDay: local.getHours() * 3600 + local.getMinutes() * 60 + local.getSeconds() };
}

function isZone(name: string | undefined): name is string {
  try {
    return name !== undefined && new Intl.DateTimeFormat('en', { timeZone: name }) !== undefined;
  } catch {
    return false;
  }
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
