import { activityOf, type Activity } from '../activity';
import { rule, type Broken } from './rule';

export type HoursBroken = Broken<
  'outside',
  { activity: Activity },
  { startS: number; endS: number; opensS: number; closesS: number }
>;

/** Every hold and every refuel lies within the opening hours; a turnaround may run past. */
export const hours = rule('HOURS', function* ({ day, briefings, sightings, drives, refuels }): Iterable<HoursBroken> {
  for (const hold of [...briefings, ...sightings, ...drives, ...refuels]) {
    if (hold.startS < day.opens || hold.endS > day.closes) {
      const { startS, endS } = hold;
      yield {
        detail: 'outside',
        subjects: { activity: activityOf(hold) },
        values: { startS, endS, opensS: day.opens, closesS: day.closes },
      };
    }
  }
});
