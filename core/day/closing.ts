import type { Day } from './day-file';
import type { TimeWindow } from '../values';

/** The day with another closing time: whoever and whatever is there until closing is there until then. */
export function closingAt(day: Day, closes: number): Day {
  const windows = <T extends { available: TimeWindow[] }>(things: readonly T[]): T[] =>
    things.map((thing) => ({
      ...thing,
      available: thing.available.map((window) =>
        window.to >= day.closes && window.from < closes ? { ...window, to: closes } : window,
      ),
    }));
  return {
    ...day,
    closes,
    cars: windows(day.cars),
    sightingVehicles: windows(day.sightingVehicles),
    instructors: windows(day.instructors),
  };
}
