import { rule, type Broken } from './rule';

export type NamedKind = 'drive' | 'car' | 'vehicle' | 'instructor' | 'guest';
export type CompleteBroken =
  | Broken<'date', object, { plan: string; day: string }>
  | Broken<'missing', { drive: string; guest: string }>
  | Broken<'twice', { drive: string; guest: string }, { times: number }>
  | Broken<'unknown', { id: string }, { kind: NamedKind }>
  | Broken<'noReason', { drive: string }>;

/** Every drive of the day stands exactly once, planned or left out with a reason; no id is unknown; the date is the day's. */
export const complete = rule('COMPLETE', function* ({ day, plan, index }): Iterable<CompleteBroken> {
  if (plan.date !== day.date) yield { detail: 'date', subjects: {}, values: { plan: plan.date, day: day.date } };
  const standing = new Map<string, number>();
  for (const { drive } of [...plan.drives, ...plan.unplanned]) standing.set(drive, (standing.get(drive) ?? 0) + 1);
  for (const [id, { guest }] of index.drives) {
    const times = standing.get(id) ?? 0;
    if (times === 0) yield { detail: 'missing', subjects: { drive: id, guest: guest.id }, values: {} };
    if (times > 1) yield { detail: 'twice', subjects: { drive: id, guest: guest.id }, values: { times } };
  }
  const unknown = function* (
    kind: NamedKind,
    ids: Iterable<string>,
    known: ReadonlyMap<string, unknown>,
  ): Iterable<CompleteBroken> {
    for (const id of new Set(ids)) if (!known.has(id)) yield { detail: 'unknown', subjects: { id }, values: { kind } };
  };
  const { briefings, sightings, drives, refuels } = plan;
  yield* unknown('drive', standing.keys(), index.drives);
  yield* unknown(
    'car',
    [...drives, ...refuels].map(({ car }) => car),
    index.cars,
  );
  yield* unknown(
    'vehicle',
    sightings.map(({ vehicle }) => vehicle),
    index.vehicles,
  );
  yield* unknown(
    'instructor',
    [...briefings, ...sightings, ...drives].map((held) => held.instructor),
    index.instructors,
  );
  yield* unknown(
    'guest',
    [...briefings, ...sightings].flatMap(({ guests }) => guests),
    index.guests,
  );
  for (const { drive, reason } of plan.unplanned) {
    if (typeof reason === 'string' && reason.trim() === '')
      yield { detail: 'noReason', subjects: { drive }, values: {} };
  }
});
