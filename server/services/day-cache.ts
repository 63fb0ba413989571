import {
  dayView,
  patchBetween,
  type Booking,
  type WrittenDay,
  type WrittenPatch,
  type DataIssue,
  type PlanRevision,
} from '@core/api';
import { vocabularyOf } from '@core/people/coaching';
import { teachingDrivesOf, type FaultEntry, type TaughtDrive } from '@core/people/coaching';
import { dateAfter } from '@core/people/crew/at-start';
import { crewDaysOf, skillGaps, type CrewDay } from '@core/people/crew';
import { fact, DAY_ENDS_S, DAY_S } from '@core/values';
import { emptyPlan, type Day, type Plan } from '@core/day';
import { closeOfDay, type DayClose, type ToDo } from '@core/venue/closing';
import { carDaysOf, type CarDay } from '@core/venue/garage';
import {
  runningPlan,
  amendedDay,
  effectiveEntries,
  recordedEntry,
  journalWithOwed,
  rescheduledContext,
  type RunningJournal,
  planningSnapshotOf,
  stateOf,
  timeOnDay,
  vehiclesOnCircuit,
  type DayContext,
  type DayState,
  type OwedDrive,
  type RecordedEntry,
  type PlanningSnapshot,
} from '@core/journal';
import { circuitMapOf } from './circuit-map';
import type { Clock } from '../base/clock';
import { dayOf } from './day';
import { notFound } from '../base/refusal';
import type { Store } from '../store';
import { entryIssues, soundDay, storedIssues } from './data-issues';
import * as z from 'zod';

/** So many days ahead the close warns of skills that hang on one person. */
const SKILLS_AHEAD_DAYS = 14;

interface Read {
  readonly day: Day;
  readonly bookings: readonly Booking[];
  /** The plan in force. */
  readonly plan: Plan | undefined;
  /** The same as it was accepted, before any of its times slid. */
  readonly accepted: Plan | undefined;
  readonly revision: PlanRevision | undefined;
  readonly context: DayContext;
  /** Grows by `journal` only. */
  readonly entries: readonly RecordedEntry[];
  readonly journal: RunningJournal;
  /** Drives of laps that are owed; they are part of the day and of the plan. */
  readonly owed: readonly OwedDrive[];
  /** What of the day could not be used as it is stored. */
  readonly dataIssues: readonly DataIssue[];
  /** The view as JSON, but for clock, journal and dataIssues; made when first asked for. */
  /** The view as it travels, but for clock, journal and what is at fault; made when first asked for. */
  written?: WrittenDay;
  json?: string;
  /** The journal as JSON, entry by entry, as far as it has been asked for. */
  readonly jsonEntries: string[];
}

/** What cars and crew did on a day, as far as its journal went. */
interface Counted {
  readonly lastSeq: number;
  readonly cars: readonly CarDay[];
  readonly crew: readonly CrewDay[];
  readonly teaching: readonly TaughtDrive[];
}

interface OnCircuit {
  /** Car or sighting vehicle by its transponder. */
  readonly carOf: ReadonlyMap<string, string>;
  readonly lapLengthM: number;
}

/**
 * The event days as this server has them in memory. The tables are the truth; what was read is kept until one of its
 * tables changes, and all changes pass through this process.
 */
export class DayCache {
  private readonly read = new Map<string, Read>();
  /** Each day as the screens know it that have read it, with what was at fault in it. */
  private readonly told = new Map<string, { readonly day: WrittenDay; readonly issues: string }>();
  private onCircuit: OnCircuit | undefined;
  private readonly counted = new Map<string, Counted>();
  private words: ReadonlyMap<string, FaultEntry> | undefined;

  constructor(
    private readonly store: Store,
    private readonly clock: Clock,
  ) {}

  /** @throws Refusal 404 where there is no such day */
  of(date: string): Read {
    const known = this.read.get(date);
    if (known) return known;
    if (!this.store.days.has(date)) throw notFound('eventDay', date);
    const { entries, unreadable } = this.store.journal.read(date);
    const setUp = soundDay(dayOf(this.store, date));
    const { day, unfit } = amendedDay(setUp.day, entries);
    const current = this.store.days.currentPlan(date);
    const { context, journal, owed } = journalWithOwed(
      day,
      current?.plan ?? emptyPlan(date),
      entries,
      current?.revision.revision,
    );
    const read: Read = {
      day: context.day,
      bookings: this.store.bookings.list(date),
      plan: current && context.schedule.plan,
      accepted: current && context.accepted.plan,
      revision: current?.revision,
      context,
      entries,
      journal,
      owed,
      dataIssues: [...storedIssues(this.store, date), ...setUp.dataIssues, ...entryIssues(unreadable, unfit)],
      jsonEntries: [],
    };
    this.read.set(date, read);
    return read;
  }

  /** Forgets what was read, of one day or of all, after a table has changed. */
  forget(date?: string): void {
    if (date !== undefined) return void this.read.delete(date);
    this.read.clear();
    this.told.clear();
    this.counted.clear();
    this.onCircuit = undefined;
    this.words = undefined;
  }

  /** Times of the plan have slid, by an entry that the journal has: what else was read stays. */
  slide(date: string): void {
    const read = this.of(date);
    const { day, accepted, revision, entries, journal } = read;
    if (!accepted || !revision) return;
    const context = rescheduledContext(day, accepted, revision.revision, entries);
    journal.goBy(context);
    this.read.set(date, { ...read, context, plan: context.schedule.plan });
  }

  /** What the lines of devices are read by, many times a second. */
  devicesSee(): OnCircuit {
    if (!this.onCircuit) {
      const { sightingVehicles, circuit } = this.store.venue.get()!.fields;
      const vehicles = sightingVehicles.map(({ id }): [string, string] => [id, id]);
      const cars = this.store.cars.list().map(({ id, fields }): [string, string] => [fields.transponder ?? id, id]);
      this.onCircuit = { carOf: new Map([...vehicles, ...cars]), lapLengthM: circuit.lapLengthM };
    }
    return this.onCircuit;
  }

  /**
   * The whole view as JSON. Everything but the clock is encoded once, and each entry when it has come: screens that open
   * or come back ask for the same again and again.
   *
   * @param more what is at fault besides
   */
  viewJson(date: string, more: readonly DataIssue[] = []): string {
    const read = this.of(date);
    const { entries, dataIssues, jsonEntries } = read;
    read.json ??= JSON.stringify(this.written(date));
    for (const entry of entries.slice(jsonEntries.length)) {
      jsonEntries.push(JSON.stringify(z.encode(recordedEntry, entry)));
    }
    const clock = JSON.stringify(this.clock.read());
    const faults = JSON.stringify([...more, ...dataIssues]);
    return `${read.json.slice(0, -1)},"dataIssues":${faults},"journal":[${jsonEntries.join(',')}],"clock":${clock}}`;
  }

  private written(date: string): WrittenDay {
    const read = this.of(date);
    const { day, bookings, accepted, revision, dataIssues } = read;
    read.written ??= z.encode(dayView.omit({ clock: true, journal: true, dataIssues: true }), {
      day,
      bookings: [...bookings],
      groups: this.store.groups.list(date),
      ...exitOf(this.store),
      plan: accepted ?? null,
      revision: revision ?? null,
    });
    this.told.set(date, { day: read.written, issues: JSON.stringify(dataIssues) });
    return read.written;
  }

  /** What has changed in a day since it was asked for last; nothing where it has to be read anew. */
  patch(date: string): WrittenPatch | undefined {
    const before = this.told.get(date);
    if (!before) return undefined;
    const after = this.written(date);
    const summary = this.store.days.list().find((one) => one.date === date);
    const isSound = before.issues === JSON.stringify(this.of(date).dataIssues);
    return summary && isSound ? patchBetween(before.day, after, summary) : undefined;
  }

  /** The common vocabulary with what the venue has added to it. */
  vocabulary(): ReadonlyMap<string, FaultEntry> {
    return (this.words ??= vocabularyOf(this.store.faults.list().map(({ fields }) => fields)));
  }

  /** What each car and each instructor did on each day up to this one. */
  daysUpTo(date: string): { days: CarDay[]; crew: CrewDay[] } {
    const counted = this.countedUpTo(date);
    return { days: counted.flatMap(({ cars }) => cars), crew: counted.flatMap(({ crew }) => crew) };
  }

  /** What each drive says of the teaching in it, on all days up to today. */
  teachingUpToNow(): TaughtDrive[] {
    return this.countedUpTo(this.clock.read().date).flatMap(({ teaching }) => teaching);
  }

  /** Days that are over are counted once; of days of practice only the one that is asked for. */
  private countedUpTo(date: string): Counted[] {
    return this.store.days
      .list()
      .filter((day) => day.date <= date && day.drives > 0 && (!day.practice || day.date === date))
      .map((day): Counted => {
        const lastSeq = this.store.journal.lastSeq(day.date);
        const known = this.counted.get(day.date);
        if (known?.lastSeq === lastSeq) return known;
        const { context } = this.of(day.date);
        const state = this.stateAt(day.date, DAY_ENDS_S);
        const fresh = {
          lastSeq,
          cars: carDaysOf(context, state),
          crew: crewDaysOf(context, state),
          teaching: teachingDrivesOf(context, state, this.vocabulary()),
        };
        this.counted.set(day.date, fresh);
        if (day.date !== date) this.forget(day.date);
        return fresh;
      });
  }

  /** The day in figures as it stands, and that of a week before where there was one. */
  closeOf(date: string): { today: DayClose; before: DayClose | null } {
    const close = (day: string): DayClose => {
      const { context, entries, bookings } = this.of(day);
      const money = bookings.flatMap(({ id, fields: { price, paid, cancelled } }) =>
        cancelled === undefined ? [{ guest: id, price, paid }] : [],
      );
      return closeOfDay({ context, state: this.stateAt(day), entries, money });
    };
    const weekBefore = dateAfter(date, -7);
    const { days } = this.store;
    const counts = (day: string) => days.has(day) && !days.isPractice(day);
    const today = close(date);
    return {
      today: { ...today, toDo: [...today.toDo, ...this.skillsInDanger(dateAfter(date, 1))] },
      before: counts(weekBefore) ? close(weekBefore) : null,
    };
  }

  /** Skills that hang on one person or on nobody in the two weeks from a day on. */
  private skillsInDanger(from: string): ToDo[] {
    const cars = this.store.cars.list().map(({ id }) => id);
    const crew = this.store.instructors.list().map(({ fields }) => fields);
    const names = Object.fromEntries(crew.map(({ id, name }) => [id, name]));
    const roster = this.store.roster.between(from, dateAfter(from, SKILLS_AHEAD_DAYS)).map(({ fields }) => fields);
    return skillGaps({ cars, crew, roster }, from, SKILLS_AHEAD_DAYS).map((gap) =>
      fact('skillGap', {}, { gap, crew: names }),
    );
  }

  /** What time of day it is for this day: 0 until the date has come, over 24 h as long as the day runs on past midnight, then its end. */
  nowS(date: string): number {
    return timeOnDay(date, this.clock.read(), () =>
      effectiveEntries(this.of(date).entries).some(({ kind }) => kind === 'dayClosed'),
    );
  }

  /** The state of a day at a time of it: now, where nothing else is said. */
  stateAt(date: string, atS = this.nowS(date)): DayState {
    const { context, entries } = this.of(date);
    return stateOf(context, entries, atS);
  }

  /**
   * The event day to which a moment of the night belongs, and its time on that day: the day before as long as that still
   * runs and either has a car out or is the only one there is; else the day of the date.
   */
  eventDayAt(date: string, atS: number): { readonly date: string; readonly atS: number } {
    const before = dateAfter(date, -1);
    const night = { date: before, atS: DAY_S + atS };
    if (night.atS >= DAY_ENDS_S || !this.store.days.has(before) || this.nowS(before) >= DAY_ENDS_S)
      return { date, atS };
    const out = vehiclesOnCircuit(this.of(before).journal.now()) > 0;
    return out || !this.store.days.has(date) ? night : { date, atS };
  }

  /** What planning and checking go by at a time of the day; a day without a plan has an empty one. */
  snapshot(date: string, atS: number): PlanningSnapshot {
    const { day, plan } = this.of(date);
    return planningSnapshotOf(day, plan ?? emptyPlan(date), this.stateAt(date, atS));
  }

  /** Any plan of the day as it is seen from a snapshot. */
  runningPlan(date: string, plan: Plan, { day: known, from }: PlanningSnapshot): Plan {
    return runningPlan(this.of(date).day, plan, this.stateAt(date, from.nowS), known);
  }
}

/** What screens go by that is not in the day file. */
function exitOf(store: Store) {
  const cars = store.cars.list();
  const { pitExit, currency, live, gate, calendar, coaching } = store.venue.get()!.fields;
  const { circuit } = store.circuit.get();
  return {
    carNumbers: Object.fromEntries(cars.map(({ id, fields }) => [id, fields.number])),
    carColours: Object.fromEntries(cars.flatMap(({ id, fields }) => (fields.colour ? [[id, fields.colour]] : []))),
    carPhotos: Object.fromEntries(cars.flatMap(({ id, fields }) => (fields.photo ? [[id, fields.photo]] : []))),
    lapPrices: Object.fromEntries(
      cars.flatMap(({ id, fields }) => (fields.lapPrice === undefined ? [] : [[id, fields.lapPrice]])),
    ),
    stalls: Object.fromEntries(cars.flatMap(({ id, fields }) => (fields.stall ? [[id, fields.stall]] : []))),
    pitExit,
    live,
    gate,
    currency,
    closestFollowS: coaching.closestFollowS,
    weekStartsOn: calendar.weekStartsOn,
    map: circuit ? circuitMapOf(circuit) : null,
    faults: store.faults.list().map(({ fields }) => fields),
  };
}
