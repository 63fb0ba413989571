import { activityOf, type Activity } from '../day';
import { CIRCUIT } from '../programmes';
import { liesInside, overlaps } from '../values';
import { rule, type Broken } from './rule';
import { onCircuit } from './track-load';

type Of = { activity: Activity; surface: string };
type Times = { releaseS: number; trackEndS: number };
export type SurfaceOpenBroken =
  | Broken<'unknown', Of>
  | Broken<'away', Of, Times>
  | Broken<'closed', Of, Times & { fromS: number; toS: number; reason: string | undefined }>;

/** A group is on its surface within its hours, and not during a closure; the circuit's are a matter of `TRACK_CLOSED`. */
export const surfaceOpen = rule('SURFACE_OPEN', function* ({ index, groups }): Iterable<SurfaceOpenBroken> {
  for (const occupancy of groups) {
    const { group, releaseS, trackEndS } = occupancy;
    if (!group || group.surface === CIRCUIT) continue;
    const subjects = { activity: activityOf(occupancy), surface: group.surface };
    const surface = index.surfaces.get(group.surface);
    if (!surface) {
      yield { detail: 'unknown', subjects, values: {} };
      continue;
    }
    const values = { releaseS, trackEndS };
    if (!liesInside(index.windows(surface), onCircuit(occupancy))) yield { detail: 'away', subjects, values };
    for (const { from: fromS, to: toS, reason } of surface.closures) {
      if (overlaps(onCircuit(occupancy), { startS: fromS, endS: toS })) {
        yield { detail: 'closed', subjects, values: { ...values, fromS, toS, reason } };
      }
    }
  }
});
