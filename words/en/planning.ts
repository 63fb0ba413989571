import { clockMinute, spokenDuration, wallClock } from '@core/values';
import type { CarMisfit, GroupNeed, LeftOutReason, PlannedGroup } from '@core/day';
import type { Obstacle } from '@core/rules';
import type {
  AssignmentReason,
  ChangeReason,
  Limit,
  RemedyChange,
  ResourceLoad,
  RevisionReason,
  SharedActivity,
} from '@core/planner';
import { tell, type ByCode } from '../by-code';
import type { Names } from '../names';
import { FRIEND_WISH_WORDS, lapsText, ROLE_WORDS } from './terms';
import type { Words } from '../words';

function misfitSentences({ guest, car }: Names): ByCode<CarMisfit> {
  return {
    notBooked: ({ subjects }) => `${car(subjects.car)} is not among the cars that ${guest(subjects.guest)} booked`,
    gearbox: ({ subjects, values }) =>
      `${car(subjects.car)} has no ${values.wanted === 'auto' ? 'automatic' : 'paddle'} gearbox, as ${guest(subjects.guest)} wants`,
    tooTall: ({ subjects, values }) =>
      `${guest(subjects.guest)} is ${values.heightCm} cm tall, ${car(subjects.car)} takes up to ${values.mostCm} cm`,
    tooShort: ({ subjects, values }) =>
      `${guest(subjects.guest)} is ${values.heightCm} cm tall, ${car(subjects.car)} needs at least ${values.leastCm} cm`,
    tooHeavy: ({ subjects, values }) =>
      `${guest(subjects.guest)} weighs ${values.weightKg} kg, ${car(subjects.car)} takes up to ${values.mostKg} kg`,
    noRides: ({ subjects }) => `no rides are given in ${car(subjects.car)}`,
    rideSeats: ({ subjects, values }) =>
      `${guest(subjects.guest)} wants ${values.wanted} seats, ${car(subjects.car)} has ${values.seats} beside the driver`,
  };
}

export function misfitWords(names: Names): Words['misfit'] {
  const sentences = misfitSentences(names);
  return (misfit) => tell(sentences, misfit);
}

export function obstacleWords(names: Names): (obstacle: Obstacle) => string {
  const { guest, car, instructor, vehicle, surface } = names;
  const sentences: ByCode<Obstacle> = {
    ...misfitSentences(names),
    outsideHours: () => 'it lies outside the opening hours',
    noGuests: () => 'none of its guests is coming any more',
    guestGone: () => 'its guest is no longer coming',
    notReady: () => 'its guest has neither class nor sighting run any more',
    pinnedOtherwise: () => 'the manager has pinned it otherwise',
    noInstructor: () => 'its instructor is no longer there',
    groupGone: () => 'none of its guests is coming any more',
    noCars: () => 'none of its cars is left',
    surfaceGone: ({ subjects }) => `${surface(subjects.surface)} is not open for all of it`,
    carGone: ({ subjects }) => `${car(subjects.car)} is withdrawn`,
    carAway: ({ subjects }) => `${car(subjects.car)} is not available for all of it`,
    vehicleGone: ({ subjects }) => `${vehicle(subjects.vehicle)} is no longer there`,
    vehicleAway: ({ subjects }) => `${vehicle(subjects.vehicle)} is not available for all of it`,
    crewAway: ({ subjects }) => `${instructor(subjects.instructor)} is not available for all of it`,
    crewUnable: ({ subjects }) => `${instructor(subjects.instructor)} may not do it`,
    closed: ({ values }) => `the circuit is closed ${wallClock(values.fromS)}–${wallClock(values.toS)}`,
    cannotAttend: ({ subjects }) => `${guest(subjects.guest)} can't be there with this instructor`,
  };
  return (obstacle) => tell(sentences, obstacle);
}

const GROUP_NEED_WORDS: Readonly<Record<GroupNeed, string>> = {
  surface: 'Its surface is full or closed',
  cars: 'Its cars are taken, refuelling, cooling or away',
  crew: 'Somebody it needs is busy, resting or away',
  guests: 'One of its guests has something else, or is not there',
};

/** Of more instructors than this only the first ones are named. */
const NAMED_AT_MOST = 4;

export function leftOutWords(names: Names, misfit: (of: CarMisfit) => string): Words['leftOut'] {
  const { guest, instructor } = names;
  const either = (cars: readonly string[]) => cars.map(names.car).join(' or ');
  const speaking = (languages: readonly string[]) => languages.join(' or ');
  const sentences: ByCode<Exclude<LeftOutReason, string>> = {
    carsGone: ({ subjects }) =>
      `No car of this drive (${subjects.cars.join(', ')}) is on the day's sheet; offer another car.`,
    pinnedCar: ({ subjects }) =>
      `The drive is pinned to the car "${subjects.car}", which it does not allow or which is not there; change the pin.`,
    misfit: ({ values }) => `${misfit(values.misfit)}; offer another car.`,
    noCar: () => 'No car of this drive can be used; offer another car.',
    pinnedInstructor: ({ subjects }) =>
      `The drive is pinned to ${instructor(subjects.instructor)}, who is not there or may not teach ${guest(subjects.guest)} in ${either(subjects.cars)}; change the pin.`,
    noInstructor: ({ subjects, values }) =>
      `No instructor teaches in ${either(subjects.cars)}, speaks ${speaking(values.languages)} and may be with ${guest(subjects.guest)}; bring in one who does.`,
    noBriefer: ({ subjects, values }) =>
      `No instructor who gives a class speaks ${speaking(values.languages)} and may be with ${guest(subjects.guest)}; bring in one who does.`,
    noSightingDriver: ({ subjects, values }) =>
      `No instructor who gives a sighting run speaks ${speaking(values.languages)} and may be with ${guest(subjects.guest)}; bring in one who does.`,
    noBriefing: ({ subjects, values }) =>
      `No class with a place for ${guest(subjects.guest)} fits between ${clockMinute(values.from)} and ${clockMinute(values.to)}; add one, or ask for a longer stay.`,
    noSighting: ({ subjects, values }) =>
      `No sighting run with a place for ${guest(subjects.guest)} fits between ${clockMinute(values.from)} and ${clockMinute(values.to)}; add one, or ask for a longer stay.`,
    pinTaken: ({ subjects, values }) =>
      `Something else takes ${either(subjects.cars)}, the guest, the instructors or the circuit around the pinned ${clockMinute(values.release)}; move the pin.`,
    circuitFull: ({ subjects, values }) =>
      `The circuit is full or closed whenever ${either(subjects.cars)}, an instructor and ${guest(subjects.guest)} are free; with room on it ${clockMinute(values.from)} would do.`,
    carsTaken: ({ subjects, values }) =>
      `${either(subjects.cars)} is taken, refuelling, cooling or away until ${clockMinute(values.until)}; another car would do from ${clockMinute(values.from)}.`,
    crewTaken: ({ subjects, values }) => {
      const able = subjects.instructors.map(instructor);
      const who =
        able.length > NAMED_AT_MOST ? `${able.slice(0, 3).join(', ')} and ${able.length - 3} more` : able.join(', ');
      return `${who} ${able.length > 1 ? 'are' : 'is'} busy, resting or away whenever ${either(subjects.cars)} is free; one more instructor would do from ${clockMinute(values.from)}.`;
    },
    laterOnesFirst: ({ subjects, values }) =>
      `${guest(subjects.guest)} drives in the order listed, and there is no place before the drives that come later; in any order it could go at ${clockMinute(values.from)}.`,
    nothingLeft: ({ subjects, values }) =>
      `Nothing is left of the day for ${guest(subjects.guest)} before closing at ${clockMinute(values.closes)}; an earlier arrival or longer hours would help.`,
    leavesEarly: ({ subjects, values }) =>
      `${guest(subjects.guest)} leaves by ${clockMinute(values.leavesBy)}, too early for this drive; ask for a longer stay.`,
    dayFull: ({ subjects, values }) =>
      `The day is too full before ${clockMinute(values.until)}: ${either(subjects.cars)}, the instructors and the circuit are never free together for ${guest(subjects.guest)}; add hours or leave out another drive.`,
    owed: ({ values }) =>
      `Owed since ${clockMinute(values.since)}, when the drive was broken off: it waits for a place.`,
    guestGone: ({ subjects }) => `${guest(subjects.guest)} is not taking part any more; book another day if wished.`,
    nobodyComes: () => 'None of its guests comes.',
    surfaceGone: ({ subjects }) =>
      `${names.surface(subjects.surface)} is not open on this day, or not for so long; open it, or take another surface.`,
    groupCarsShort: ({ subjects, values: { there, needed } }) =>
      `It needs ${needed} cars for its guests, and of its own (${subjects.cars.map(names.car).join(', ')}) ${there === 0 ? 'none is' : `only ${there} can be`} there; add cars, or make it two groups one after the other.`,
    groupLeadCarGone: ({ subjects }) =>
      `No car is there for the leader (${subjects.cars.map(names.car).join(', ')}); name another one.`,
    groupRoleShort: ({ subjects, values: { role, there, needed } }) => {
      const able = there === 0 ? 'nobody may' : `only ${subjects.instructors.map(instructor).join(', ')} may`;
      return `It needs ${needed} as ${ROLE_WORDS[role]}, and ${able}; give somebody the duty, or bring one in.`;
    },
    groupTooLong: ({ values: { neededS, from, to } }) =>
      `It takes ${spokenDuration(neededS)}, longer than the time it has between ${clockMinute(from)} and ${clockMinute(to)}; fewer laps would help, or more time.`,
    groupOverCrew: ({ values: { role, neededS, mostS } }) =>
      `It takes ${spokenDuration(neededS)}, and nobody who may be ${ROLE_WORDS[role]} works longer than ${spokenDuration(mostS)} in one piece; make it two groups, or fewer laps.`,
    groupTaken: ({ values }) =>
      `${GROUP_NEED_WORDS[values.by]} at any time; without that it could begin at ${clockMinute(values.from)}.`,
    groupNowhere: ({ values: { from, to } }) =>
      `Its guests, cars, people and surface are never free together between ${clockMinute(from)} and ${clockMinute(to)}; give it another time, or leave something out.`,
  };
  return (reason) => (typeof reason === 'string' ? reason : tell(sentences, reason));
}

export function changeWords(
  { guest, car, instructor }: Names,
  { activity, leftOut }: Pick<Words, 'activity' | 'leftOut'>,
): Words['change'] {
  const sentences: ByCode<ChangeReason> = {
    carWithdrawn: ({ subjects }) => `${car(subjects.car)} is withdrawn`,
    carAway: ({ subjects }) => `${car(subjects.car)} is away`,
    carRefuels: ({ subjects }) => `${car(subjects.car)} refuels then`,
    crewAway: ({ subjects }) => `${instructor(subjects.instructor)} is away`,
    guestComes: ({ subjects, values }) => `${guest(subjects.guest)} comes at ${clockMinute(values.arrivesS)}`,
    guestLeaves: ({ subjects, values }) => `${guest(subjects.guest)} leaves by ${clockMinute(values.leavesByS)}`,
    closed: ({ values }) => `the circuit is closed from ${clockMinute(values.fromS)} to ${clockMinute(values.toS)}`,
    ownActivity: ({ subjects }) => `${activity(subjects.activity)} is then`,
    carTaken: ({ subjects }) =>
      `${car(subjects.car)} is then with ${subjects.guest === undefined ? 'another guest' : guest(subjects.guest)}`,
    carInGroup: ({ subjects }) => `${car(subjects.car)} is then in ${activity(subjects.activity)}`,
    crewTaken: ({ subjects }) => `${instructor(subjects.instructor)} has ${activity(subjects.activity)} then`,
    friendThen: ({ subjects, values }) =>
      `${FRIEND_WISH_WORDS[values.kind]} ${guest(subjects.friend)}, as the two wish`,
    waitsLess: ({ subjects, values }) => `${guest(subjects.guest)} waits ${Math.round(values.savedS / 60)} min less`,
    leftOut: ({ values }) => leftOut(values.reason),
    notBooked: () => 'no longer booked on this day',
    placeFound: () => 'has a place now',
  };
  return (reason) => tell(sentences, reason);
}

export function sharedChangeWords({ instructor }: Names): Words['sharedChange'] {
  const one = (of: SharedActivity) => {
    const what = of.kind === 'briefing' ? 'class' : 'sighting run';
    return `the ${what} at ${clockMinute(of.atS)} with ${instructor(of.instructor)}, ${counted(of.guests.length, 'guest')}`;
  };
  return ({ now, before }) => {
    if (now && before) return `${one(now)}, instead of ${one(before)}`;
    if (now) return `${one(now)} is new`;
    return before ? `${one(before)} falls away` : '';
  };
}

export function groupChangeWords({ group, car, instructor }: Names): Words['groupChange'] {
  /** Those who come, instead of those who go; the order alone where they are the same. */
  const swapped = (link: string, now: readonly string[], before: readonly string[], sameWords: string): string[] => {
    const come = now.filter((name) => !before.includes(name)).join(', ');
    const go = before.filter((name) => !now.includes(name)).join(', ');
    if (come && go) return [`${link} ${come} instead of ${go}`];
    if (come) return [`${link} ${come} too`];
    if (go) return [`without ${go}`];
    return now.join() === before.join() ? [] : [sameWords];
  };
  return ({ group: id, now, before }) => {
    if (!now) return before ? `${group(id)} at ${clockMinute(before.release)} is left out` : '';
    const at = `${group(id)} at ${clockMinute(now.release)}`;
    if (!before) return `${at} is new`;
    const cars = ({ cars: theirs, leadCar }: PlannedGroup) => [...(leadCar === undefined ? [] : [leadCar]), ...theirs];
    const crew = (of: PlannedGroup) => inRoles(of).map((one) => instructor(one.instructor));
    return [
      now.release === before.release ? at : `${at} instead of ${clockMinute(before.release)}`,
      ...swapped('in', cars(now).map(car), cars(before).map(car), 'the cars in another order'),
      ...swapped('with', crew(now), crew(before), 'its people in other roles'),
    ].join(', ');
  };
}

/** The crew of a group in one order, however it is listed. */
function inRoles({ crew }: PlannedGroup): PlannedGroup['crew'] {
  return [...crew].sort((a, b) => `${a.role} ${a.instructor}`.localeCompare(`${b.role} ${b.instructor}`));
}

/** Why a plan was accepted that came from a remedy or a free place. */
export function revisionReasonWords({ guest, car, instructor }: Names): Words['revisionReason'] {
  const changes: { readonly [K in RemedyChange['kind']]: (of: Extract<RemedyChange, { kind: K }>) => string } = {
    car: (of) => `${car(of.car)} instead`,
    unpin: () => 'the pin is out',
    stays: ({ until }) => `stays until ${clockMinute(until)}`,
    closes: ({ to }) => `closing at ${clockMinute(to)}`,
    crew: (of) => `${instructor(of.instructor)} from ${clockMinute(of.from)} to ${clockMinute(of.to)}`,
  };
  const cars = (ids: readonly string[]) => ids.map(car).join(' or ');
  const sentences: ByCode<RevisionReason> = {
    remedied: ({ subjects, values: { change } }) =>
      `A place for ${guest(subjects.guest)}: ${(changes[change.kind] as (of: RemedyChange) => string)(change)}`,
    lapsOwedTo: ({ subjects, values: { laps } }) =>
      `Laps owed to ${guest(subjects.guest)}: ${counted(laps, 'lap')} in ${cars(subjects.cars)}`,
    oneMoreDriveFor: ({ subjects, values: { laps } }) =>
      `One more drive for ${guest(subjects.guest)}: ${counted(laps, 'lap')} in ${cars(subjects.cars)}`,
    oneRideFor: ({ subjects, values: { laps } }) =>
      `A ride for ${guest(subjects.guest)}: ${counted(laps, 'lap')} in ${cars(subjects.cars)}`,
  };
  return (reason) => tell(sentences, reason);
}

export function assignmentWords({ car, guest }: Names): Words['assignment'] {
  const sentences: ByCode<AssignmentReason> = {
    teaches: ({ subjects }) => `may teach in the ${subjects.car === undefined ? 'car' : car(subjects.car)}`,
    teachesNot: ({ subjects }) => `may not teach in the ${subjects.car === undefined ? 'car' : car(subjects.car)}`,
    speaks: ({ values }) => `speaks ${values.languages.join(', ')}`,
    speaksNone: ({ values }) => `speaks none of ${values.languages.join(', ')}`,
    together: ({ values }) => `has ${counted(values.drives, 'other drive')} of this guest`,
    askedFor: () => 'the guest asked for',
    friendToo: ({ subjects }) => `has ${guest(subjects.guest)} too, as the two wish`,
    load: ({ values }) => `${lapsText(values.laps)} planned, the mean is ${Math.round(values.meanLaps)}`,
    levelLaps: ({ values }) => `${values.laps} of at most ${values.most} laps in cars of level ${values.level}`,
  };
  return (reason) => tell(sentences, reason);
}

export function remedyWords({ guest, car, instructor }: Names): Words['remedy'] {
  return (change: RemedyChange, release) => {
    switch (change.kind) {
      case 'unpin':
        return 'take the pin out';
      case 'car':
        return `${car(change.car)} instead, at ${clockMinute(release)}`;
      case 'stays':
        return `${guest(change.guest)} stays until ${clockMinute(change.until)}`;
      case 'crew':
        return `${instructor(change.instructor)} there from ${clockMinute(change.from)} to ${clockMinute(change.to)}`;
      case 'closes':
        return `the day goes on until ${clockMinute(change.to)}`;
    }
  };
}

const KIND_LIMITS: Record<ResourceLoad['kind'], string> = {
  instructor: 'The instructors limit',
  car: 'The cars limit',
  circuit: 'Room on the circuit limits',
  releases: 'The pit exit limits',
};

export function limitWords({ car }: Names): Words['limit'] {
  const sentences: ByCode<Limit> = {
    nothing: () => 'Nothing is planned yet, so nothing limits the day.',
    car: ({ subjects, values }) =>
      `${car(subjects.car)} limits the day: ${percent(values.share)} of its time is taken.`,
    kind: ({ values: { kind, share, peakShare, peakS } }) =>
      `${KIND_LIMITS[kind]} the day: ${percent(share)} taken on the whole, ${percent(peakShare)} at ${clockMinute(peakS)}.`,
  };
  return (limit) => tell(sentences, limit);
}

export function resourceWords({ car, instructor }: Names): Words['resource'] {
  return ({ kind, id }) => {
    switch (kind) {
      case 'releases':
        return 'Releases at the pit exit';
      case 'circuit':
        return 'Cars at once on the circuit';
      case 'car':
        return car(id);
      case 'instructor':
        return instructor(id);
    }
  };
}

function percent(share: number): string {
  return `${Math.round(share * 100)} %`;
}

function counted(count: number, what: string): string {
  return `${count} ${what}${count === 1 ? '' : 's'}`;
}
