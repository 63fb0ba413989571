import { activityOf, type Activity, circuitOccupancies } from '../day';
import { rule, type Broken } from './rule';

export type TrackGapBroken = Broken<
  'close',
  { before: Activity; activity: Activity },
  { gapS: number; neededS: number }
>;

/** Any two releases, of drives and sighting runs alike, are at least `releaseGapS` apart. */
export const trackGap = rule('TRACK_GAP', function* (schedule): Iterable<TrackGapBroken> {
  const { releaseGapS } = schedule.day.rules;
  const occupancies = circuitOccupancies(schedule).sort((a, b) => a.releaseS - b.releaseS);
  for (let i = 1; i < occupancies.length; i++) {
    const [a, b] = [occupancies[i - 1]!, occupancies[i]!];
    if (b.releaseS - a.releaseS < releaseGapS) {
      yield {
        detail: 'close',
        subjects: { before: activityOf(a), activity: activityOf(b) },
        values: { gapS: b.releaseS - a.releaseS, neededS: releaseGapS },
      };
    }
  }
});
