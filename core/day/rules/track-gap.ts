import { circuitHolds } from '../schedule';
import { spokenDuration } from '../time';
import { rule } from './rule';

/** Any two releases, of drives and sighting runs alike, are at least `releaseGapS` apart. */
export const trackGap = rule('TRACK_GAP', function* (schedule) {
  const { releaseGapS } = schedule.day.rules;
  const holds = circuitHolds(schedule).sort((a, b) => a.releaseS - b.releaseS);
  for (let i = 1; i < holds.length; i++) {
    const [a, b] = [holds[i - 1]!, holds[i]!];
    if (b.releaseS - a.releaseS < releaseGapS) {
      yield `${b.label} is released ${spokenDuration(b.releaseS - a.releaseS)} after ${a.label}; ${spokenDuration(releaseGapS)} are needed`;
    }
  }
});
