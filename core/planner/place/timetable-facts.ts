import type { Occupancy } from './occupancy';
import type { Problem } from './problem';

/** What cost terms read of a timetable. */
export interface TimetableFacts {
  readonly problem: Problem;
  /** By guest, in the order of time. */
  readonly guestOccupancies: readonly (readonly Occupancy[])[];
  readonly passes: number;
  readonly plannedDrives: number;
  readonly allMembers: number;
  readonly plannedMembers: number;
  imbalanceWith(crew: number, moreS: number): number;
  partyApartWith(party: number, guest: number, endS: number): number;
}
