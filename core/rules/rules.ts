import { carCooling } from './car-cooling';
import { carFit } from './car-fit';
import { carFree } from './car-free';
import { carFuel } from './car-fuel';
import { complete } from './complete';
import { crewAvoid } from './crew-avoid';
import { crewFree } from './crew-free';
import { crewLanguage } from './crew-language';
import { crewLaps } from './crew-laps';
import { crewMeal } from './crew-meal';
import { crewRest } from './crew-rest';
import { crewSkill } from './crew-skill';
import { groupCars } from './group-cars';
import { groupCrew } from './group-crew';
import { groupTime } from './group-time';
import { guestOnce } from './guest-once';
import { guestOrder } from './guest-order';
import { guestPresent } from './guest-present';
import { guestRest } from './guest-rest';
import { hours } from './hours';
import { pin } from './pin';
import { refuelBays } from './refuel-bays';
import { repairNow } from './repair-now';
import { repairStands } from './repair-stands';
import { rideMeeting } from './ride-meeting';
import { room } from './room';
import type { Rule } from './rule';
import type { Schedule } from '../day';
import { seats } from './seats';
import { surfaceLoad } from './surface-load';
import { surfaceOpen } from './surface-open';
import { trackClosed } from './track-closed';
import { trackGap } from './track-gap';
import { trackLoad } from './track-load';

/** Every hard rule by its code. Adding one is adding a file, a line here, and its words. */
const BY_CODE = {
  HOURS: hours,
  GUEST_PRESENT: guestPresent,
  GUEST_ORDER: guestOrder,
  GUEST_REST: guestRest,
  GUEST_ONCE: guestOnce,
  CAR_FREE: carFree,
  CAR_FIT: carFit,
  CAR_FUEL: carFuel,
  CAR_COOLING: carCooling,
  REFUEL_BAYS: refuelBays,
  CREW_FREE: crewFree,
  CREW_SKILL: crewSkill,
  CREW_LANGUAGE: crewLanguage,
  CREW_AVOID: crewAvoid,
  CREW_REST: crewRest,
  CREW_MEAL: crewMeal,
  CREW_LAPS: crewLaps,
  PIN: pin,
  TRACK_GAP: trackGap,
  TRACK_LOAD: trackLoad,
  TRACK_CLOSED: trackClosed,
  ROOM: room,
  SEATS: seats,
  SURFACE_OPEN: surfaceOpen,
  SURFACE_LOAD: surfaceLoad,
  GROUP_TIME: groupTime,
  GROUP_CARS: groupCars,
  GROUP_CREW: groupCrew,
  RIDE_MEETING: rideMeeting,
  COMPLETE: complete,
  REPAIR_STANDS: repairStands,
  REPAIR_NOW: repairNow,
} satisfies Record<string, Rule>;

type ByCode = typeof BY_CODE;
export type RuleCode = { [C in keyof ByCode]: ByCode[C]['code'] }[keyof ByCode];
/** What a rule tells where it is broken: comparable, and told in words by `words`. */
export type ViolationOf<C extends RuleCode> = ReturnType<ByCode[C]['check']>[number];
/** One broken rule: who, what and when. */
export type Violation = { [C in RuleCode]: ViolationOf<C> }[RuleCode];

/** Every hard rule, in the order in which they are told. */
export const RULES: readonly { readonly code: RuleCode; check(schedule: Schedule): Violation[] }[] =
  Object.values(BY_CODE);

export const RULE_CODES = RULES.map(({ code }) => code);
