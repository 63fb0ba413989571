import type { LeftOutReason } from '../day';
import { rule, type Broken } from './rule';

export type NamedKind = 'drive' | 'car' | 'vehicle' | 'instructor' | 'guest' | 'group';
export type CompleteBroken =
  | Broken<'date', object, { plan: string; day: string }>
  | Broken<'missing', { drive: string; guest: string }>
  | Broken<'twice', { drive: string; guest: string }, { times: number }>
  | Broken<'unknown', { id: string }, { kind: NamedKind }>
  | Broken<'noReason', { drive: string }>
  | Broken<'groupMissing' | 'groupNoReason', { group: string }>
  | Broken<'groupTwice', { group: string }, { times: number }>;

/** Every drive and every group of the day stands exactly once, planned or left out with a reason; no id is unknown; the date is the day's. */
export const complete = rule('COMPLETE', function* ({ day, plan, index }): Iterable<CompleteBroken> {
  if (plan.date !== day.date) yield { detail: 'date', subjects: {}, values: { plan: plan.date, day: day.date } };
  const standing = new Map<string, number>();
  for (const { drive } of [...plan.drives, ...plan.unplanned]) standing.set(drive, (standing.get(drive) ?? 0) + 1);
  for (const [id, { guest }] of index.drives) {
    const times = standing.get(id) ?? 0;
    if (times === 0) yield { detail: 'missing', subjects: { drive: id, guest: guest.id }, values: {} };
    if (times > 1) yield { detail: 'twice', subjects: { drive: id, guest: guest.id }, values: { times } };
  }
  const groupsStanding = [...(plan.groups ?? []), ...(plan.unplannedGroups ?? [])].map(({ group }) => group);
  for (const id of index.groups.keys()) {
    const times = groupsStanding.filter((group) => group === id).length;
    if (times === 0) yield { detail: 'groupMissing', subjects: { group: id }, values: {} };
    if (times > 1) yield { detail: 'groupTwice', subjects: { group: id }, values: { times } };
  }
  const unknown = function* (
    kind: NamedKind,
    ids: Iterable<string>,
    known: ReadonlyMap<string, unknown>,
  ): Iterable<CompleteBroken> {
    for (const id of new Set(ids)) if (!known.has(id)) yield { detail: 'unknown', subjects: { id }, values: { kind } };
  };
  const { briefings, sightings, drives, refuels, groups = [] } = plan;
  yield* unknown('group', groupsStanding, index.groups);
  yield* unknown('drive', standing.keys(), index.drives);
  yield* unknown(
    'car',
    [
      ...[...drives, ...refuels].map(({ car }) => car),
      ...groups.flatMap(({ cars, leadCar }) => (leadCar === undefined ? cars : [...cars, leadCar])),
    ],
    index.cars,
  );
  yield* unknown(
    'vehicle',
    sightings.map(({ vehicle }) => vehicle),
    index.vehicles,
  );
  yield* unknown(
    'instructor',
    [...briefings, ...sightings, ...drives, ...groups.flatMap(({ crew }) => crew)].map((held) => held.instructor),
    index.instructors,
  );
  yield* unknown(
    'guest',
    [...briefings, ...sightings].flatMap(({ guests }) => guests),
    index.guests,
  );
  const isEmpty = (reason: LeftOutReason) => typeof reason === 'string' && reason.trim() === '';
  for (const { drive, reason } of plan.unplanned) {
    if (isEmpty(reason)) yield { detail: 'noReason', subjects: { drive }, values: {} };
  }
  for (const { group, reason } of plan.unplannedGroups ?? []) {
    if (isEmpty(reason)) yield { detail: 'groupNoReason', subjects: { group }, values: {} };
  }
});
