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
import { guestOnce } from './guest-once';
import { guestOrder } from './guest-order';
import { guestPresent } from './guest-present';
import { guestRest } from './guest-rest';
import { hours } from './hours';
import { pin } from './pin';
import { refuelBays } from './refuel-bays';
import { repairNow } from './repair-now';
import { repairStands } from './repair-stands';
import { room } from './room';
import type { Rule } from './rule';
import { seats } from './seats';
import { trackClosed } from './track-closed';
import { trackGap } from './track-gap';
import { trackLoad } from './track-load';

export type { Rule, RuleCode, Violation } from './rule';

/** Every hard rule. Adding one is adding a file and a line here. */
export const RULES: readonly Rule[] = [
  hours,
  guestPresent,
  guestOrder,
  guestRest,
  guestOnce,
  carFree,
  carFit,
  carFuel,
  carCooling,
  refuelBays,
  crewFree,
  crewSkill,
  crewLanguage,
  crewAvoid,
  crewRest,
  crewMeal,
  crewLaps,
  pin,
  trackGap,
  trackLoad,
  trackClosed,
  room,
  seats,
  complete,
  repairStands,
  repairNow,
];
