import { activityOf, carsOf, crewOf, type Activity } from '../../day';
import type { Violation } from '../../rules';
import type { DayState } from '../../journal';
import { begunLate, NOTICED_S, type DriftLine } from './causes';
import { TOLERATED } from './crew-day';
import type { Drift, Occupancy } from './expected';

/** Rules of a repair, and drives without a place, are told in their own way. */
const TOLD_OTHERWISE = new Set<string>(['REPAIR_NOW', 'REPAIR_STANDS', 'COMPLETE']);

/**
 * The broken rules that something to come has a part in, and by more than is noise: nobody can mend what has happened,
 * and nobody is told of seconds.
 */
export function brokenAhead(violations: readonly Violation[], state: DayState): Violation[] {
  return violations.filter((violation) => {
    const { subjects, values } = violation;
    if (TOLD_OTHERWISE.has(violation.code)) return false;
    if (violation.code === 'GUEST_PRESENT' && isOverdue(violation.subjects.guest, state)) return false;
    const lastS = 'toS' in values ? values.toS : 'atS' in values ? values.atS : Infinity;
    const activities = activitiesIn(subjects);
    const toCome = activities.filter((one) => isToCome(one, state));
    if (lastS <= state.timeS || (toCome.length === 0 && activities.length > 0)) return false;
    return shortBy(violation) > NOTICED_S;
  });
}

/** Whoever should be here and is not: told by what waits for the guest. */
function isOverdue(id: string, { guests, timeS }: DayState): boolean {
  const guest = guests.get(id);
  return guest !== undefined && guest.arrivedS === undefined && guest.guest.arrives < timeS;
}

/** By how many seconds a rule about times is broken. */
function shortBy({ values }: Violation): number {
  if ('workedS' in values) return values.workedS <= values.maxSeatS * (1 + TOLERATED) ? 0 : Infinity;
  if ('neededS' in values) return values.neededS - ('restS' in values ? values.restS : values.gapS);
  if ('longestS' in values) return values.durationS - values.longestS;
  if ('forS' in values) return values.forS;
  if ('closesS' in values) return Math.max(values.endS - values.closesS, values.opensS - values.startS);
  if ('leavesByS' in values) return values.endS - values.leavesByS;
  return 'untilS' in values && 'startS' in values ? values.untilS - values.startS : Infinity;
}

function isToCome(activity: Activity, { drives, groups, sightings, shown, classes, taught, timeS }: DayState): boolean {
  const began = (atS: number, moments: Iterable<{ readonly sinceS: number }>) =>
    [...moments].some(({ sinceS }) => Math.abs(sinceS - atS) <= NOTICED_S);
  switch (activity.kind) {
    case 'drive':
      return drives.get(activity.drive)?.stage === 'planned';
    case 'sighting': {
      const runs = [...shown.filter(({ vehicle }) => vehicle === activity.vehicle), sightings.get(activity.vehicle)];
      return (
        activity.releaseS > timeS - OVERDUE_S &&
        !began(
          activity.releaseS,
          runs.flatMap((run) => run ?? []),
        )
      );
    }
    case 'briefing': {
      const own = [
        ...taught.filter(({ instructor }) => instructor === activity.instructor),
        classes.get(activity.instructor),
      ];
      return (
        activity.startS > timeS - OVERDUE_S &&
        !began(
          activity.startS,
          own.flatMap((one) => one ?? []),
        )
      );
    }
    case 'group':
      return groups.get(activity.group)?.stage === 'planned';
    case 'refuel':
      return activity.startS > timeS;
  }
}

/** What should have begun longer ago than this is told by its cause. */
const OVERDUE_S = 10 * 60;

/** A cause with the rules that are broken because of it. */
export interface BrokenLine extends DriftLine {
  readonly broken: readonly Violation[];
}

/**
 * Which broken rule belongs to which cause: to the one that makes one of its activities late, else to one that does so
 * to somebody or something that it is about, else to what of theirs ran over most, however little that was.
 */
export function byCause(
  lines: readonly DriftLine[],
  violations: readonly Violation[],
  drift: Drift,
): { readonly lines: readonly BrokenLine[]; readonly rest: readonly Violation[] } {
  const named = lines.map((line) => {
    const all = [...line.later, ...line.stuck].map(({ occupancy }) => occupancy);
    return {
      itself: new Set(all.map((occupancy) => nameOf(activityOf(occupancy)))),
      about: new Set(all.flatMap(aboutOf)),
    };
  });
  const broken = lines.map((): Violation[] => []);
  const rest: Violation[] = [];
  /** Causes that make nothing late enough to be told for that alone. */
  const more = new Map<string, BrokenLine>();
  for (const violation of violations) {
    const activities = activitiesIn(violation.subjects).map(nameOf);
    const about = violation.code === 'ROOM' ? [ROOM] : aboutIn(violation.subjects);
    const of =
      indexWhere(named, ({ itself }) => activities.some((name) => itself.has(name))) ??
      indexWhere(named, (line) => about.some((name) => line.about.has(name)));
    if (of !== undefined) broken[of]!.push(violation);
    else {
      const over = ranOver(drift, activities, about);
      if (!over) rest.push(violation);
      else more.set(over.key, { ...over, broken: [...(more.get(over.key)?.broken ?? []), violation] });
    }
  }
  return { lines: [...lines.map((line, place) => ({ ...line, broken: broken[place]! })), ...more.values()], rest };
}

/** What has begun and took longest beyond its time of all that has to do with some activities, people or things. */
function ranOver(drift: Drift, activities: readonly string[], about: readonly string[]): DriftLine | undefined {
  const over = [...drift.expected.values()]
    .filter(({ phase, lateS, occupancy }) => {
      if (phase === 'toCome' || lateS <= 0) return false;
      return activities.includes(nameOf(activityOf(occupancy))) || aboutOf(occupancy).some((of) => about.includes(of));
    })
    .sort((a, b) => b.lateS - a.lateS)[0];
  return over && { ...begunLate(over, drift.timeS), later: [], stuck: [] };
}

function indexWhere<T>(list: readonly T[], test: (one: T) => boolean): number | undefined {
  const place = list.findIndex(test);
  return place < 0 ? undefined : place;
}

function activitiesIn(subjects: object): Activity[] {
  return Object.values(subjects).filter(
    (of: unknown): of is Activity => typeof of === 'object' && of !== null && 'kind' in of,
  );
}

/** An activity by what stays when its times slide. */
function nameOf(activity: Activity): string {
  switch (activity.kind) {
    case 'drive':
      return `drive ${activity.drive}`;
    case 'sighting':
      return `run ${activity.vehicle} ${activity.releaseS}`;
    case 'briefing':
      return `class ${activity.instructor} ${activity.startS}`;
    case 'group':
      return `group ${activity.group}`;
    case 'refuel':
      return `refuel ${activity.car} ${activity.startS}`;
  }
}

/** People, cars and vehicles of an activity. */
function aboutOf(occupancy: Occupancy): string[] {
  if (occupancy.kind === 'refuel') return [`car ${occupancy.refuel.car}`];
  const crew = crewOf(occupancy).map(({ id }) => `instructor ${id}`);
  const people = [...crew, ...occupancy.guests.map(({ id }) => `guest ${id}`)];
  if (occupancy.kind === 'group') return [...people, ...carsOf(occupancy).map(({ id }) => `car ${id}`)];
  if (occupancy.kind === 'drive') return [...people, `car ${occupancy.planned.car}`];
  return [...people, occupancy.kind === 'sighting' ? `vehicle ${occupancy.sighting.vehicle}` : ROOM];
}

/** What classes share. */
const ROOM = 'room';
const ABOUT = ['guest', 'instructor', 'car', 'vehicle'];

function aboutIn(subjects: object): string[] {
  return Object.entries(subjects).flatMap(([name, of]: [string, unknown]) => {
    if (typeof of === 'string' && ABOUT.includes(name)) return [`${name} ${of}`];
    // Several of a kind, as the cars that are refuelled at once.
    const one = ABOUT.find((singular) => name === `${singular}s`);
    if (one !== undefined && Array.isArray(of)) return of.map((id) => `${one} ${id}`);
    return typeof of === 'object' && of !== null ? aboutIn(of) : [];
  });
}
