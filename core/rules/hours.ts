import { activityOf, type Activity } from '../day';
import { rule, type Broken } from './rule';

export type HoursBroken = Broken<
  'outside',
  { activity: Activity },
  { startS: number; endS: number; opensS: number; closesS: number }
>;

/** Every occupancy and every refuel lies within the opening hours; a turnaround may run past. */
export const hours = rule('HOURS', function* (schedule): Iterable<HoursBroken> {
  const { day, briefings, sightings, drives, groups, refuels } = schedule;
  for (const occupancy of [...briefings, ...sightings, ...drives, ...groups, ...refuels]) {
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
