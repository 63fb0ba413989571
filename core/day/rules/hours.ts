import { activityOf, type Activity } from '../activity';
import { rule, type Broken } from './rule';

export type HoursBroken = Broken<
  'outside',
  { activity: Activity },
  { startS: number; endS: number; opensS: number; closesS: number }
>;

/** Every occupancy and every refuel lies within the opening hours; a turnaround may run past. */
export const hours = rule('HOURS', function* ({ day, briefings, sightings, drives, refuels }): Iterable<HoursBroken> {
  for (const occupancy of [...briefings, ...sightings, ...drives, ...refuels]) {
    if (occupancy.startS < day.opens || occupancy.endS > day.closes) {
      const { startS, endS } = occupancy;
      yield {
        detail: 'outside',
        subjects: { activity: activityOf(occupancy) },
        values: { startS, endS, opensS: day.opens, closesS: day.closes },
      };
    }
  }
});
