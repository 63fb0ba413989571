import type { RuleCode } from '../../rules';
import {
  carShift,
  classroomShift,
  crewLapsLeft,
  crewShift,
  guestGaps,
  refuelFits,
  ReleaseScan,
  vehicleShift,
} from '../place/fits';
import { loadPlan } from './load';
import { putGroup } from '../place/place-group';
import { refuelsWith } from '../place/refuels';
import { problemOf } from '../place/problem';
import { withReasons } from './explain';

/**
 * By what the engine keeps each rule while it searches. The engine asks whether a guest, a car, an instructor or the circuit
 * can be held, and one such walk answers several rules; what never changes on a day is sorted out once, by the problem. A
 * new rule that is kept by nothing does not compile, and the property test over the list fails for one that is kept badly.
 */
export const HELD_RULES: Readonly<Record<RuleCode, { readonly name: string }>> = {
  HOURS: guestGaps,
  GUEST_PRESENT: guestGaps,
  GUEST_ORDER: guestGaps,
  GUEST_REST: guestGaps,
  GUEST_ONCE: loadPlan,
  CAR_FREE: carShift,
  CAR_FIT: problemOf,
  CAR_FUEL: refuelsWith,
  CAR_COOLING: carShift,
  REFUEL_BAYS: refuelFits,
  CREW_FREE: crewShift,
  CREW_SKILL: problemOf,
  CREW_LANGUAGE: problemOf,
  CREW_AVOID: problemOf,
  CREW_REST: crewShift,
  CREW_MEAL: crewShift,
  CREW_LAPS: crewLapsLeft,
  PIN: problemOf,
  TRACK_GAP: ReleaseScan,
  TRACK_LOAD: ReleaseScan,
  TRACK_CLOSED: ReleaseScan,
  ROOM: classroomShift,
  SEATS: vehicleShift,
  SURFACE_OPEN: putGroup,
  SURFACE_LOAD: putGroup,
  GROUP_TIME: putGroup,
  GROUP_CARS: putGroup,
  GROUP_CREW: putGroup,
  RIDE_MEETING: ReleaseScan,
  COMPLETE: withReasons,
  REPAIR_STANDS: loadPlan,
  REPAIR_NOW: guestGaps,
};
