import type { DayView } from '@core/api';
import { causesOf, driftOf, headingOf, repairOptions, type Heading, type RepairOption } from '@core/live/drift';
import { contextOf, stateOf, type RecordedEntry } from '@core/journal';

/** A day at a moment of it, as it travels to a thread. */
export interface Moment {
  readonly view: Pick<DayView, 'day' | 'plan' | 'revision'>;
  readonly entries: readonly RecordedEntry[];
  /** Seconds since midnight. */
  readonly timeS: number;
}

function stand({ view, entries, timeS }: Moment) {
  const context = contextOf(view, entries);
  return { context, state: stateOf(context, entries, timeS) };
}

/** What becomes of a day if every time follows. */
export function headingAt(moment: Moment): Heading {
  const { context, state } = stand(moment);
  return headingOf(context, state);
}

/** The cheapest ways to keep what one cause, by its key, would break. */
export function repairOptionsAt(moment: Moment, key: string): readonly RepairOption[] {
  const { context, state } = stand(moment);
  const line = causesOf(driftOf(context, state), state).find((one) => one.key === key);
  return line ? repairOptions(context, state, line.later) : [];
}
