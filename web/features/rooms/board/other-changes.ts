import type { Plan } from '@core/day';
import { groupChanges, sharedChanges } from '@core/planner';
import type { Words } from '@words';

/** What a plan changes beside the drives of guests: groups, then classes and sighting runs, each in a sentence. */
export function otherChanges(tell: Words, before: Plan, after: Plan): string[] {
  return [...groupChanges(before, after).map(tell.groupChange), ...sharedChanges(before, after).map(tell.sharedChange)];
}
