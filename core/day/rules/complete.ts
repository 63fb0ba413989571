import { rule } from './rule';

/** Every drive of the day stands exactly once, planned or left out with a reason; no id is unknown; the date is the day's. */
export const complete = rule('COMPLETE', function* ({ day, plan, index }) {
  if (plan.date !== day.date) yield `the plan is for ${plan.date}, the day is ${day.date}`;
  const standing = new Map<string, number>();
  for (const { drive } of [...plan.drives, ...plan.unplanned]) standing.set(drive, (standing.get(drive) ?? 0) + 1);
  for (const [id, { guest }] of index.drives) {
    const times = standing.get(id) ?? 0;
    if (times === 0) yield `drive "${id}" of ${guest.name} is neither planned nor left out with a reason`;
    if (times > 1) yield `drive "${id}" of ${guest.name} stands ${times} times in the plan`;
  }
  const unknown = function* (kind: string, ids: Iterable<string>, known: ReadonlyMap<string, unknown>) {
    for (const id of new Set(ids)) if (!known.has(id)) yield `unknown ${kind} "${id}"`;
  };
  const { briefings, sightings, drives, refuels } = plan;
  yield* unknown('drive', standing.keys(), index.drives);
  yield* unknown(
    'car',
    [...drives, ...refuels].map(({ car }) => car),
    index.cars,
  );
  yield* unknown(
    'sighting vehicle',
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
    if (reason.trim() === '') yield `drive "${drive}" is left out without a reason`;
  }
});
