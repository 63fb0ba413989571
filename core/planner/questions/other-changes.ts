import type { Plan, PlannedGroup } from '../../day';
import { sameActivity } from '../../rules';

/** A class or sighting run, with how many take part. */
export interface SharedActivity {
  readonly kind: 'briefing' | 'sighting';
  readonly atS: number;
  readonly instructor: string;
  readonly guests: readonly string[];
}

/** A class or sighting run that a new plan treats differently: it is new, falls away, or stands in place of another. */
export interface SharedChange {
  readonly atS: number;
  readonly now: SharedActivity | undefined;
  readonly before: SharedActivity | undefined;
}

/** A group that a new plan treats differently: it has another time, other cars or another crew, is new, or left out. */
export interface GroupChange {
  readonly group: string;
  readonly now: PlannedGroup | undefined;
  readonly before: PlannedGroup | undefined;
}

/** The classes and sighting runs that two plans of a day treat differently, in order of time. */
export function sharedChanges(before: Plan, after: Plan): SharedChange[] {
  const [old, now] = [sharedOf(before), sharedOf(after)];
  const same = (a: SharedActivity, b: SharedActivity) =>
    a.kind === b.kind &&
    a.atS === b.atS &&
    a.instructor === b.instructor &&
    [...a.guests].sort().join() === [...b.guests].sort().join();
  const left = old.filter((one) => !now.some((other) => same(one, other)));
  const changes: SharedChange[] = [];
  for (const one of now) {
    if (old.some((other) => same(one, other))) continue;
    const shared = (other: SharedActivity) => other.guests.filter((id) => one.guests.includes(id)).length;
    const from = left
      .filter((other) => other.kind === one.kind && (shared(other) > 0 || other.instructor === one.instructor))
      .sort((a, b) => shared(b) - shared(a))[0];
    if (from) left.splice(left.indexOf(from), 1);
    changes.push({ atS: one.atS, now: one, before: from });
  }
  for (const one of left) changes.push({ atS: one.atS, now: undefined, before: one });
  return changes.sort((a, b) => a.atS - b.atS);
}

/** The groups that two plans of a day treat differently, in order of time. */
export function groupChanges({ groups: before = [] }: Plan, { groups: after = [] }: Plan): GroupChange[] {
  const [earlier, later] = [before, after].map((groups) => new Map(groups.map((planned) => [planned.group, planned])));
  const changes = [...new Set([...earlier!.keys(), ...later!.keys()])].map((group) => ({
    group,
    now: later!.get(group),
    before: earlier!.get(group),
  }));
  return changes
    .filter(({ now, before: old }) => !(now && old && placeOf(now) === placeOf(old)))
    .sort((a, b) => (a.now ?? a.before)!.release - (b.now ?? b.before)!.release);
}

/** A text by which a group has the same place in two plans, however long what stands in it is held. */
function placeOf({ heldUntil: _, ...planned }: PlannedGroup): string {
  return sameActivity.group(planned);
}

function sharedOf({ briefings, sightings }: Plan): SharedActivity[] {
  return [
    ...briefings.map(({ start, instructor, guests }) => ({
      kind: 'briefing' as const,
      atS: start,
      instructor,
      guests,
    })),
    ...sightings.map(({ release, instructor, guests }) => ({
      kind: 'sighting' as const,
      atS: release,
      instructor,
      guests,
    })),
  ];
}
