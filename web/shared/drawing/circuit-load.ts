import type { DayContext, DayState } from '@core/journal';

/** How many vehicles are on the circuit at most in one step of the day. */
export interface LoadStep {
  readonly fromS: number;
  readonly most: number;
  /** Whether the step has been driven (from the journal) rather than planned. */
  readonly driven: boolean;
}

/**
 * The load of the circuit over the day: what was driven up to the state's time, what is planned from then on.
 *
 * @param stepS length of a step in seconds
 */
export function circuitLoad({ day, schedule }: DayContext, state: DayState, stepS: number): LoadStep[] {
  const driven: [number, number][] = [...state.drives.values()].flatMap(({ releasedS, inS }) =>
    releasedS === undefined ? [] : [[releasedS, inS ?? state.timeS]],
  );
  const planned: [number, number][] = [...schedule.drives, ...schedule.sightings].map((occupancy) => [
    occupancy.releaseS,
    occupancy.trackEndS,
  ]);
  // Sighting runs leave no trace once they are back; the plan says when they were out.
  for (const { releaseS, trackEndS } of schedule.sightings)
    if (releaseS < state.timeS) driven.push([releaseS, trackEndS]);
  const steps: LoadStep[] = [];
  for (let fromS = day.opens; fromS < day.closes; fromS += stepS) {
    const past = fromS + stepS <= state.timeS;
    const intervals = past || fromS < state.timeS ? driven : planned;
    steps.push({ fromS, most: mostAtOnce(intervals, fromS, fromS + stepS), driven: fromS < state.timeS });
  }
  return steps;
}

function mostAtOnce(intervals: readonly (readonly [number, number])[], fromS: number, toS: number): number {
  const inside = intervals.filter(([start, end]) => start < toS && end > fromS);
  const instants = [fromS, ...inside.map(([start]) => start).filter((start) => start > fromS)];
  return Math.max(...instants.map((at) => inside.filter(([start, end]) => start <= at && at < end).length));
}
