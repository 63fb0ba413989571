import { activityOf, type Activity } from '../day';
import { rule, type Broken } from './rule';
import { vehicleOverloads } from './track-load';

export type SurfaceLoadBroken = Broken<
  'full',
  { activity: Activity; surface: string },
  { count: number; atS: number; forS: number; most: number }
>;

/** At no instant are more than `limit` vehicles on a surface. */
export const surfaceLoad = rule('SURFACE_LOAD', function* ({ day, groups }): Iterable<SurfaceLoadBroken> {
  for (const { id, limit } of day.surfaces ?? []) {
    const there = groups.filter(({ group }) => group?.surface === id);
    for (const { occupancy, ...values } of vehicleOverloads(there, limit)) {
      const subjects = { activity: activityOf(occupancy), surface: id };
      yield { detail: 'full', subjects, values: { ...values, most: limit } };
    }
  }
});
