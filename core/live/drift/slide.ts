import type { Activity, Plan } from '../../day';
import type { DayContext, EntryOf, RecordedEntry } from '../../journal';
import { NOTICED_S, type DriftCause, type DriftLine } from './causes';
import { keyOf, type Drift, type Expected } from './expected';

/** Whether anybody enters what happens on a day: where nobody does, nothing is late. */
export function somebodyEnters(entries: readonly RecordedEntry[]): boolean {
  return entries.some(({ entry: { kind } }) => kind !== 'planAccepted' && kind !== 'timesSlid');
}

/** The times of a slide, as they stand in the journal. */
export type SlideTimes = Pick<EntryOf<'timesSlid'>, 'drives' | 'classes' | 'runs' | 'refuels'>;

/** Something that can begin earlier again goes back from so much on: nobody is told of less. */
const BACK_FROM_S = 120;
/** What waits for something that is noticeably late follows from so much on. */
const FOLLOWS_S = 30;

/**
 * The times that may follow what has happened by themselves: of everything that is still to come and begins at most so
 * much later than somebody has agreed to. Nothing where all of it is, to a minute, where it is expected already.
 *
 * @param withinS the most that may slide by itself, seconds
 */
export function slideDue(context: DayContext, drift: Drift, withinS: number): SlideTimes | undefined {
  const inForce = timesOf(context.schedule.plan);
  const agreed = timesOf(context.agreed);
  const moves = [...drift.expected.values()].flatMap((one) => {
    const may = one.phase === 'toCome' && one.occupancy.kind !== 'group' && one.releaseS - agreed(one) <= withinS;
    const byS = may ? one.releaseS - inForce(one) : 0;
    return byS === 0 ? [] : [{ one, byS }];
  });
  const isDue = ({ one, byS }: { readonly one: Expected; readonly byS: number }) =>
    byS > NOTICED_S || byS <= -BACK_FROM_S || (byS >= FOLLOWS_S && followsLate(one, drift));
  if (!moves.some(isDue)) return undefined;
  return timesFor(moves.map(({ one }) => one));
}

/** Whether it waits in the end for something that has begun and is noticeably late: then no second of it is noise. */
function followsLate(one: Expected, { expected }: Drift): boolean {
  for (let late = one; ;) {
    const before = late.waited && 'after' in late.waited ? expected.get(late.waited.after) : undefined;
    if (!before) return false;
    if (before.phase !== 'toCome') return before.lateS > NOTICED_S;
    late = before;
  }
}

/** The times at which everything is expected that can take place: what is late, and what gives way to it. */
export function slideOf({ expected }: Drift): SlideTimes {
  return timesFor([...expected.values()].filter(({ phase }) => phase === 'toCome'));
}

/** The times at which what one line makes late is expected. */
export function slideOfLine({ later }: DriftLine): SlideTimes {
  return timesFor(later);
}

/** When an activity is to begin by a plan with the same lists as the one that was accepted. */
export function timesOf({ briefings, sightings, drives, refuels, groups = [] }: Plan): (of: Expected) => number {
  const releases = new Map(drives.map(({ drive, release }) => [drive, release]));
  return ({ key, occupancy }) => {
    const place = placeOf(key);
    switch (occupancy.kind) {
      case 'drive':
        return releases.get(occupancy.planned.drive) ?? occupancy.releaseS;
      case 'briefing':
        return briefings[place]?.start ?? occupancy.startS;
      case 'sighting':
        return sightings[place]?.release ?? occupancy.releaseS;
      // A group keeps the time that its guests were told.
      case 'group':
        return groups.find(({ group }) => group === occupancy.planned.group)?.release ?? occupancy.releaseS;
      case 'refuel':
        return refuels[place]?.start ?? occupancy.startS;
    }
  };
}

function timesFor(moved: readonly Expected[]): SlideTimes {
  const places = (kind: Expected['occupancy']['kind']) =>
    moved
      .filter(({ occupancy }) => occupancy.kind === kind)
      .map(({ key, releaseS }) => ({ place: placeOf(key), start: releaseS }));
  return {
    drives: moved.flatMap(({ occupancy, releaseS }) =>
      occupancy.kind === 'drive' ? [{ drive: occupancy.planned.drive, release: releaseS }] : [],
    ),
    classes: places('briefing'),
    runs: places('sighting'),
    refuels: places('refuel'),
  };
}

/** Place in the plan's list, of what has no id of its own. */
function placeOf(key: string): number {
  return Number(key.slice(key.lastIndexOf(' ') + 1));
}

/** What an entry about a slide says of the reasons: for whose sake, and by how much at most. */
export function slideCauses(
  lines: readonly DriftLine[],
  times: SlideTimes,
): Pick<EntryOf<'timesSlid'>, 'causes' | 'byS'> {
  const moved = new Set(times.drives.map(({ drive }) => keyOf.drive(drive)));
  times.classes.forEach(({ place }) => moved.add(keyOf.briefing(place)));
  times.runs.forEach(({ place }) => moved.add(keyOf.sighting(place)));
  times.refuels.forEach(({ place }) => moved.add(keyOf.refuel(place)));
  const concerned = lines
    .map(({ cause, later }) => ({ cause, byS: later.filter(({ key }) => moved.has(key)).map(({ lateS }) => lateS) }))
    .filter(({ byS }) => byS.length > 0);
  return {
    causes: concerned.slice(0, MOST_CAUSES).map(({ cause }) => ({ code: cause.code, ...namedIn(cause) })),
    byS: Math.max(0, ...concerned.flatMap(({ byS }) => byS)),
  };
}

/** No more are told with one slide. */
const MOST_CAUSES = 20;

function namedIn({ subjects }: DriftCause): Partial<EntryOf<'timesSlid'>['causes'][number]> {
  if (!('activity' in subjects)) return subjects;
  const activity: Activity = subjects.activity;
  switch (activity.kind) {
    case 'drive':
      return { ...(activity.guest !== undefined && { guest: activity.guest }), car: activity.car };
    case 'sighting':
      return { vehicle: activity.vehicle };
    case 'briefing':
      return { instructor: activity.instructor };
    case 'group':
      return { group: activity.group };
    case 'refuel':
      return { car: activity.car };
  }
}
