import { clockMinute, spokenDuration, wallClock } from '@core/values';
import type { Activity, CarMisfit } from '@core/day';
import type { NamedKind, RuleCode, ViolationOf } from '@core/rules';
import type { Names } from '../names';
import { lapsText, ROLE_WORDS } from './terms';

/** What sentences about broken rules are made with. */
interface Told {
  readonly names: Names;
  readonly activity: (activity: Activity) => string;
  readonly misfit: (misfit: CarMisfit) => string;
}

type Detail<C extends RuleCode> = ViolationOf<C>['detail'];
type WithDetail<V, D> = V extends { readonly detail: infer E } ? (D extends E ? V : never) : never;
type Sentence<C extends RuleCode, D extends Detail<C>> = (of: WithDetail<ViolationOf<C>, D>, told: Told) => string;
/** A sentence for every way of breaking every rule: one that is missing does not compile. */
export type ViolationWords = { readonly [C in RuleCode]: { readonly [D in Detail<C>]: Sentence<C, D> } };

/** What people call the things that a file or an entry names. */
export const KINDS: Record<NamedKind, string> = {
  drive: 'drive',
  car: 'car',
  vehicle: 'sighting vehicle',
  instructor: 'instructor',
  guest: 'guest',
  group: 'group',
};

export const ENGLISH_VIOLATIONS: ViolationWords = {
  HOURS: {
    outside: ({ subjects, values: { startS, endS, opensS, closesS } }, { activity }) =>
      `${activity(subjects.activity)} lasts ${span(startS, endS)}, outside the opening hours ${span(opensS, closesS)}`,
  },
  GUEST_PRESENT: {
    early: ({ subjects, values }, { names, activity }) =>
      `${names.guest(subjects.guest)} arrives at ${apart(values.arrivesS, values.startS)}, but ${activity(subjects.activity)} begins at ${apart(values.startS, values.arrivesS)}`,
    beforeWish: ({ subjects, values }, { names, activity }) =>
      `${names.guest(subjects.guest)} wants ${activity(subjects.activity)} no earlier than ${wallClock(values.notBeforeS)}`,
    late: ({ subjects, values }, { names, activity }) =>
      `${names.guest(subjects.guest)} leaves by ${apart(values.leavesByS, values.endS)}, but ${activity(subjects.activity)} ends at ${apart(values.endS, values.leavesByS)}`,
  },
  GUEST_ORDER: {
    noBriefing: ({ subjects }, { names }) => `${names.guest(subjects.guest)} drives without a classroom briefing`,
    groupUnbriefed: ({ subjects }, { names, activity }) =>
      `${names.guest(subjects.guest)} has no classroom briefing before ${activity(subjects.activity)}`,
    noSighting: ({ subjects }, { names }) => `${names.guest(subjects.guest)} drives without a sighting run`,
    sightingFirst: ({ subjects, values }, { names }) =>
      `${names.guest(subjects.guest)} has the sighting run at ${wallClock(values.sightingS)} before the class at ${wallClock(values.briefingS)}`,
    driveFirst: ({ subjects: { guest, activity }, values }, { names }) =>
      `${names.guest(guest)} drives at ${wallClock(values.driveS)}, before the ${activity.kind === 'briefing' ? 'class' : 'sighting run'} at ${wallClock(values.startS)}`,
    notAsListed: ({ subjects }, { names, activity }) =>
      `${names.guest(subjects.guest)} wants the drives as listed, but ${activity(subjects.earlier)} comes before ${activity(subjects.later)}`,
  },
  GUEST_REST: {
    short: ({ subjects, values }, { names, activity }) =>
      `${names.guest(subjects.guest)} has ${spokenDuration(values.restS)} between ${activity(subjects.before)} and ${activity(subjects.after)}; ${spokenDuration(values.neededS)} are needed`,
  },
  GUEST_ONCE: {
    briefings: ({ subjects, values }, { names }) => `${names.guest(subjects.guest)} sits in ${values.count} classes`,
    sightings: ({ subjects, values }, { names }) => `${names.guest(subjects.guest)} has ${values.count} sighting runs`,
    briefedAlready: ({ subjects }, { names }) =>
      `${names.guest(subjects.guest)} is briefed already and sits in a class again`,
    sightedAlready: ({ subjects }, { names }) =>
      `${names.guest(subjects.guest)} has seen the circuit already and has a sighting run again`,
  },
  CAR_FREE: {
    taken: ({ subjects, values }, { names, activity }) =>
      `${names.car(subjects.car)} is still taken until ${wallClock(values.untilS)} by ${activity(subjects.by)} when ${activity(subjects.activity)} begins at ${wallClock(values.startS)}`,
    away: ({ subjects, values }, { names, activity }) =>
      `${names.car(subjects.car)} is not available for the whole of ${activity(subjects.activity)} (${span(values.startS, values.endS)})`,
  },
  CAR_FIT: {
    misfit: ({ subjects, values }, { activity, misfit }) => `${activity(subjects.activity)}: ${misfit(values.misfit)}`,
  },
  CAR_FUEL: {
    low: ({ subjects, values }, { names, activity }) =>
      `${names.car(subjects.car)} is down to ${values.litres.toFixed(1)} l after ${activity(subjects.after)}; the reserve is ${values.reserveL} l`,
  },
  CAR_COOLING: {
    hot: ({ subjects, values }, { names, activity }) =>
      `${names.car(subjects.car)} reaches ${values.laps} laps with ${activity(subjects.activity)} without standing still for ${spokenDuration(values.restS)}; ${values.afterLaps} are allowed`,
  },
  REFUEL_BAYS: {
    full: ({ subjects, values }, { names }) =>
      `${values.count} refuels at once at ${wallClock(values.atS)} (${subjects.cars.map(names.car).join(', ')}); there are ${values.bays} bays`,
  },
  CREW_FREE: {
    taken: ({ subjects, values }, { names, activity }) =>
      `${names.instructor(subjects.instructor)} is taken until ${wallClock(values.untilS)} by ${activity(subjects.by)} when ${activity(subjects.activity)} begins at ${wallClock(values.startS)}`,
    away: ({ subjects, values }, { names, activity }) =>
      `${names.instructor(subjects.instructor)} is not available for the whole of ${activity(subjects.activity)} (${span(values.startS, values.endS)})`,
  },
  CREW_SKILL: {
    car: ({ subjects }, { names, activity }) =>
      `${names.instructor(subjects.instructor)} does not teach in ${names.car(subjects.car)} (${activity(subjects.activity)})`,
    brief: ({ subjects }, { names, activity }) =>
      `${names.instructor(subjects.instructor)} does not give briefings (${activity(subjects.activity)})`,
    sighting: ({ subjects }, { names, activity }) =>
      `${names.instructor(subjects.instructor)} does not drive sighting runs (${activity(subjects.activity)})`,
    ride: ({ subjects }, { names, activity }) =>
      `${names.instructor(subjects.instructor)} does not give rides (${activity(subjects.activity)})`,
    role: ({ subjects, values }, { names, activity }) =>
      `${names.instructor(subjects.instructor)} may not be ${ROLE_WORDS[values.role]} (${activity(subjects.activity)})`,
  },
  CREW_LANGUAGE: {
    none: ({ subjects, values }, { names, activity }) =>
      `${names.instructor(subjects.instructor)} (${values.instructorSpeaks.join(', ')}) and ${names.guest(subjects.guest)} (${values.guestSpeaks.join(', ')}) share no language in ${activity(subjects.activity)}`,
  },
  CREW_AVOID: {
    together: ({ subjects }, { names, activity }) =>
      `${names.guest(subjects.guest)} is not to be with ${names.instructor(subjects.instructor)} (${activity(subjects.activity)})`,
  },
  CREW_REST: {
    long: ({ subjects, values }, { names, activity }) =>
      `${names.instructor(subjects.instructor)} has worked ${spokenDuration(values.workedS)} with ${activity(subjects.activity)} without a break of ${spokenDuration(values.restS)}; ${spokenDuration(values.maxSeatS)} are allowed`,
  },
  CREW_MEAL: {
    none: ({ subjects, values }, { names }) =>
      `${names.instructor(subjects.instructor)} has no gap of ${spokenDuration(values.durationS)} for a meal between ${wallClock(values.fromS)} and ${wallClock(values.toS)}`,
  },
  CREW_LAPS: {
    all: ({ subjects, values }, { names }) =>
      `${names.instructor(subjects.instructor)} rides ${lapsText(values.laps)}; ${values.most} a day are allowed`,
    level: ({ subjects, values }, { names }) =>
      `${names.instructor(subjects.instructor)} rides ${lapsText(values.laps)} in cars of level ${values.level}; ${values.most} a day are allowed`,
  },
  PIN: {
    release: ({ subjects, values }, { activity }) =>
      `${activity(subjects.activity)} is pinned to ${wallClock(values.pinnedS)}, but planned at ${wallClock(values.plannedS)}`,
    car: ({ subjects }, { names, activity }) =>
      `${activity(subjects.activity)} is pinned to ${names.car(subjects.car)}`,
    instructor: ({ subjects }, { names, activity }) =>
      `${activity(subjects.activity)} is pinned to ${names.instructor(subjects.instructor)}`,
  },
  TRACK_GAP: {
    close: ({ subjects, values }, { activity }) =>
      `${activity(subjects.activity)} is released ${spokenDuration(values.gapS)} after ${activity(subjects.before)}; ${spokenDuration(values.neededS)} are needed`,
  },
  TRACK_LOAD: {
    full: ({ subjects, values }, { activity }) =>
      `${values.count} vehicles on the circuit at ${wallClock(values.atS)} with ${activity(subjects.activity)}; ${values.most} are allowed`,
  },
  TRACK_CLOSED: {
    closed: ({ subjects, values: { releaseS, trackEndS, fromS, toS, reason } }, { activity }) =>
      `${activity(subjects.activity)} is on the circuit ${span(releaseS, trackEndS)}, but it is closed ${span(fromS, toS)}${reason ? ` (${reason})` : ''}`,
  },
  ROOM: {
    empty: ({ subjects }, { activity }) => `${activity(subjects.activity)} has no guest`,
    crowded: ({ subjects, values }, { activity }) =>
      `${activity(subjects.activity)} has ${values.count} guests; the room seats ${values.seats}`,
    atOnce: ({ values }) =>
      `${values.count} classes at once at ${wallClock(values.atS)}; there are ${values.rooms} rooms`,
  },
  SEATS: {
    empty: ({ subjects }, { activity }) => `${activity(subjects.activity)} has no guest`,
    crowded: ({ subjects, values }, { names, activity }) =>
      `${activity(subjects.activity)} has ${values.count} guests; ${names.vehicle(subjects.vehicle)} seats ${values.seats}`,
    taken: ({ subjects, values }, { names, activity }) =>
      `${names.vehicle(subjects.vehicle)} is taken until ${wallClock(values.untilS)} by ${activity(subjects.by)} when ${activity(subjects.activity)} begins at ${wallClock(values.startS)}`,
    away: ({ subjects, values }, { names, activity }) =>
      `${names.vehicle(subjects.vehicle)} is not available for the whole of ${activity(subjects.activity)} (${span(values.startS, values.endS)})`,
  },
  SURFACE_OPEN: {
    unknown: ({ subjects }, { activity }) =>
      `${activity(subjects.activity)} takes place on "${subjects.surface}", which is not among the surfaces`,
    away: ({ subjects, values: { releaseS, trackEndS } }, { names, activity }) =>
      `${activity(subjects.activity)} runs ${span(releaseS, trackEndS)}, when ${names.surface(subjects.surface)} is not open`,
    closed: ({ subjects, values: { releaseS, trackEndS, fromS, toS, reason } }, { names, activity }) =>
      `${activity(subjects.activity)} runs ${span(releaseS, trackEndS)}, but ${names.surface(subjects.surface)} is closed ${span(fromS, toS)}${reason ? ` (${reason})` : ''}`,
  },
  SURFACE_LOAD: {
    full: ({ subjects, values }, { names, activity }) =>
      `${values.count} vehicles on ${names.surface(subjects.surface)} at ${wallClock(values.atS)} with ${activity(subjects.activity)}; ${values.most} are allowed`,
  },
  GROUP_TIME: {
    early: ({ subjects, values }, { activity }) =>
      `${activity(subjects.activity)} begins at ${wallClock(values.startS)}; it is not to begin before ${wallClock(values.notBeforeS)}`,
    late: ({ subjects, values }, { activity }) =>
      `${activity(subjects.activity)} ends at ${wallClock(values.endS)}; it is to be over by ${wallClock(values.endsByS)}`,
    pinned: ({ subjects, values }, { activity }) =>
      `${activity(subjects.activity)} is pinned to ${wallClock(values.pinnedS)}, but planned at ${wallClock(values.plannedS)}`,
  },
  GROUP_CARS: {
    nobody: ({ subjects }, { activity }) => `${activity(subjects.activity)} has no guest`,
    count: ({ subjects, values }, { activity }) =>
      `${activity(subjects.activity)} has ${values.count} cars for its guests; ${values.needed} are needed`,
    twice: ({ subjects }, { names, activity }) =>
      `${names.car(subjects.car)} stands twice in ${activity(subjects.activity)}`,
    notAllowed: ({ subjects }, { names, activity }) =>
      `${names.car(subjects.car)} is none of the cars of ${activity(subjects.activity)}`,
    noLeadCar: ({ subjects }, { activity }) => `${activity(subjects.activity)} has no car for the leader`,
    misfit: ({ subjects, values }, { activity, misfit }) => `${activity(subjects.activity)}: ${misfit(values.misfit)}`,
  },
  GROUP_CREW: {
    count: ({ subjects, values }, { activity }) =>
      `${activity(subjects.activity)} has ${values.count} as ${ROLE_WORDS[values.role]}; ${values.needed} are needed`,
    twice: ({ subjects }, { names, activity }) =>
      `${names.instructor(subjects.instructor)} is to do two things in ${activity(subjects.activity)}`,
    notAsked: ({ subjects, values }, { names, activity }) =>
      `${names.instructor(subjects.instructor)} is none of those asked to be ${ROLE_WORDS[values.role]} in ${activity(subjects.activity)}`,
  },
  RIDE_MEETING: {
    beside: ({ subjects, values }, { activity }) =>
      `${values.count} other vehicles are out at ${wallClock(values.atS)} with ${activity(subjects.activity)}, a ride; ${values.most} are allowed (${activity(subjects.other)})`,
    outsideGaps: ({ subjects, values }, { activity }) =>
      `${activity(subjects.activity)} is a ride and runs ${span(values.releaseS, values.trackEndS)}, outside the times kept for rides`,
  },
  COMPLETE: {
    date: ({ values }) => `the plan is for ${values.plan}, the day is ${values.day}`,
    missing: ({ subjects }, { names }) =>
      `drive "${subjects.drive}" of ${names.guest(subjects.guest)} is neither planned nor left out with a reason`,
    twice: ({ subjects, values }, { names }) =>
      `drive "${subjects.drive}" of ${names.guest(subjects.guest)} stands ${values.times} times in the plan`,
    unknown: ({ subjects, values }) => `unknown ${KINDS[values.kind]} "${subjects.id}"`,
    noReason: ({ subjects }) => `drive "${subjects.drive}" is left out without a reason`,
    groupMissing: ({ subjects }, { names }) =>
      `${names.group(subjects.group)} is neither planned nor left out with a reason`,
    groupTwice: ({ subjects, values }, { names }) =>
      `${names.group(subjects.group)} stands ${values.times} times in the plan`,
    groupNoReason: ({ subjects }, { names }) => `${names.group(subjects.group)} is left out without a reason`,
  },
  REPAIR_STANDS: {
    gone: ({ subjects }, { activity }) => `${activity(subjects.activity)} had begun and must stay as it was`,
  },
  REPAIR_NOW: {
    past: ({ subjects, values }, { activity }) =>
      `${activity(subjects.activity)} begins at ${wallClock(values.startS)}, but it is ${wallClock(values.nowS)} already`,
  },
};

/** A time to the minute, as people say it; with its seconds where the other one falls into the same minute. */
function apart(timeS: number, otherS: number): string {
  return clockMinute(timeS) === clockMinute(otherS) ? wallClock(timeS) : clockMinute(timeS);
}

function span(fromS: number, toS: number): string {
  return `${wallClock(fromS)}–${wallClock(toS)}`;
}
