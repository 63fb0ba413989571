import { activityOf, type Activity, circuitOccupancies } from '../day';
import { overlaps } from '../values';
import { onCircuit } from './track-load';
import { rule, type Broken } from './rule';

export type TrackClosedBroken = Broken<
  'closed',
  { activity: Activity },
  { releaseS: number; trackEndS: number; fromS: number; toS: number; reason: string | undefined }
>;

/** Nothing is on the circuit during a closure. */
export const trackClosed = rule('TRACK_CLOSED', function* (schedule): Iterable<TrackClosedBroken> {
  for (const closure of schedule.day.circuit.closures) {
    for (const occupancy of circuitOccupancies(schedule)) {
      if (overlaps(onCircuit(occupancy), { startS: closure.from, endS: closure.to })) {
        const { releaseS, trackEndS } = occupancy;
        const { from: fromS, to: toS, reason } = closure;
        yield {
          detail: 'closed',
          subjects: { activity: activityOf(occupancy) },
          values: { releaseS, trackEndS, fromS, toS, reason },
        };
      }
    }
  }
});
