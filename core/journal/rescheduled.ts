import { emptyPlan, type Day, type Plan } from '../day';
import { dayContext, type DayContext } from './state/context';
import type { EntryOf, RecordedEntry } from './entries/entry';

/**
 * What a journal is read against: the accepted plan with the times that have slid since. What was accepted anew stands as
 * it was accepted, whatever had slid before.
 *
 * @param revision of the accepted plan
 */
export function rescheduledContext(
  day: Day,
  accepted: Plan,
  revision: number,
  entries: readonly RecordedEntry[],
): DayContext {
  const slides = entries.flatMap(({ entry }) =>
    entry.kind === 'timesSlid' && entry.revision === revision ? [entry] : [],
  );
  const agreed = slides.filter((slide) => slide.agreed).reduce(rescheduled, accepted);
  return dayContext(day, slides.reduce(rescheduled, accepted), { accepted, agreed });
}

/** The same of a day as screens are told of it. */
export function contextOf(
  { day, plan, revision }: { readonly day: Day; readonly plan: Plan | null; readonly revision: Revision | null },
  entries: readonly RecordedEntry[],
): DayContext {
  return rescheduledContext(day, plan ?? emptyPlan(day.date), revision?.revision ?? 0, entries);
}

type Revision = { readonly revision: number };
type Times = Pick<EntryOf<'timesSlid'>, 'drives' | 'classes' | 'runs' | 'refuels'>;

/** A plan with some of its times changed; people, cars and the order of its lists stay. */
export function rescheduled(plan: Plan, { drives, classes, runs, refuels }: Times): Plan {
  const releases = new Map(drives.map(({ drive, release }) => [drive, release]));
  const at = (list: readonly { readonly place: number; readonly start: number }[]) =>
    new Map(list.map(({ place, start }) => [place, start]));
  const [starts, outs, fills] = [at(classes), at(runs), at(refuels)];
  return {
    ...plan,
    briefings: plan.briefings.map((one, place) => ({ ...one, start: starts.get(place) ?? one.start })),
    sightings: plan.sightings.map((one, place) => ({ ...one, release: outs.get(place) ?? one.release })),
    drives: plan.drives.map((one) => ({ ...one, release: releases.get(one.drive) ?? one.release })),
    refuels: plan.refuels.map((one, place) => ({ ...one, start: fills.get(place) ?? one.start })),
  };
}
