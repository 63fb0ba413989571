import type { GroupState } from '@core/journal';
import { type GroupFacts } from '../../rooms/groups/group-facts';

/** A group on screen: as it is set up and planned, and how far it is. */
export interface LedGroup {
  readonly facts: GroupFacts;
  readonly state: GroupState;
}
