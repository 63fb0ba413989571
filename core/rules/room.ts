import { activityOf, type Activity } from '../day';
import { overloads } from '../values';
import { rule, type Broken } from './rule';

export type RoomBroken =
  | Broken<'empty', { activity: Activity }>
  | Broken<'crowded', { activity: Activity }, { count: number; seats: number }>
  | Broken<'atOnce', object, { count: number; atS: number; forS: number; rooms: number }>;

/** A briefing has one guest to `seats` guests; at most `rooms` briefings run at once. */
export const room = rule('ROOM', function* ({ day, briefings }): Iterable<RoomBroken> {
  const { seats, rooms } = day.rules.briefing;
  for (const occupancy of briefings) {
    const [subjects, count] = [{ activity: activityOf(occupancy) }, occupancy.briefing.guests.length];
    if (count === 0) yield { detail: 'empty', subjects, values: {} };
    if (count > seats) yield { detail: 'crowded', subjects, values: { count, seats } };
  }
  for (const { running, atS, forS } of overloads(briefings, rooms)) {
    yield { detail: 'atOnce', subjects: {}, values: { count: running.length, atS, forS, rooms } };
  }
});
