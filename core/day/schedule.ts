import {
  lapsOfEachCar,
  outingS,
  type Outing,
  CIRCUIT,
  outingOf,
  SPEAKING_ROLES,
  vehiclesOf,
  type Group,
  type GroupRole,
  type Surface,
} from '../programmes';
import type { Car, Day, Drive, Guest, Instructor, SightingVehicle } from './day-file';
import type { Briefing, Plan, PlannedDrive, PlannedGroup, Refuel, Sighting } from './plan-file';
import { friendWishesOf, type FriendWish } from './friends';
import { mergeWindows, type Interval, type TimeWindow } from '../values';

/**
 * A plan laid out on its day: every activity with the times that follow from it, and whom and what it holds. Rules and
 * cost terms read this and derive nothing twice. Activities that name something unknown are laid out with what is known;
 * the rule `COMPLETE` reports them.
 */
export interface Schedule {
  readonly day: Day;
  readonly plan: Plan;
  readonly index: DayIndex;
  readonly briefings: readonly BriefingOccupancy[];
  readonly sightings: readonly SightingOccupancy[];
  readonly drives: readonly DriveOccupancy[];
  readonly refuels: readonly RefuelOccupancy[];
  readonly groups: readonly GroupOccupancy[];
  /** Occupancies of each guest by id, in order of their starts. */
  readonly guestOccupancies: ReadonlyMap<string, readonly PersonOccupancy[]>;
  /** Occupancies of each instructor by id, in order of their starts. */
  readonly crewOccupancies: ReadonlyMap<string, readonly PersonOccupancy[]>;
  /** Set where the plan is a repair of an earlier one. */
  readonly repair: Repair | undefined;
}

/** What a repair starts from: the plan before, and the time of day at which the change became known. */
export interface Repair {
  readonly previous: Plan;
  readonly nowS: number;
}

interface Occupancy extends Interval {
  readonly instructor: Instructor | undefined;
}

export interface BriefingOccupancy extends Occupancy {
  readonly kind: 'briefing';
  readonly briefing: Briefing;
  readonly guests: readonly Guest[];
}

interface OnCircuit extends Occupancy {
  readonly releaseS: number;
  /** End of the time on the circuit, `[releaseS, trackEndS)`. */
  readonly trackEndS: number;
  /** Laps driven in that time. */
  readonly lapsDriven: number;
  /** How many go out at once. */
  readonly vehicles: number;
  readonly guests: readonly Guest[];
}

export interface SightingOccupancy extends OnCircuit {
  readonly kind: 'sighting';
  readonly sighting: Sighting;
  readonly vehicle: SightingVehicle | undefined;
}

export interface DriveOccupancy extends OnCircuit {
  readonly kind: 'drive';
  readonly planned: PlannedDrive;
  readonly drive: Drive | undefined;
  readonly car: Car | undefined;
}

export interface RefuelOccupancy extends Interval {
  readonly kind: 'refuel';
  readonly refuel: Refuel;
  readonly car: Car | undefined;
}

/** A group that is out together, on the circuit or on another surface. */
export interface GroupOccupancy extends OnCircuit {
  readonly kind: 'group';
  readonly planned: PlannedGroup;
  readonly group: Group | undefined;
  /** Everybody who does something for it, the leader first; `instructor` is that one. */
  readonly crew: readonly { readonly role: GroupRole; readonly instructor: Instructor }[];
  /** Of guests, leader and staff; each runs `lapsDriven` laps. */
  readonly cars: readonly Car[];
}

export type PersonOccupancy = BriefingOccupancy | SightingOccupancy | DriveOccupancy | GroupOccupancy;
/** What is on the circuit: of the groups those that go there. */
export type CircuitOccupancy = SightingOccupancy | DriveOccupancy | GroupOccupancy;
/** What takes laps of a car. */
export type CarOccupancy = DriveOccupancy | GroupOccupancy;

/** Everything of a day by its id. */
export interface DayIndex {
  readonly cars: ReadonlyMap<string, Car>;
  readonly vehicles: ReadonlyMap<string, SightingVehicle>;
  readonly instructors: ReadonlyMap<string, Instructor>;
  readonly guests: ReadonlyMap<string, Guest>;
  readonly drives: ReadonlyMap<string, { readonly drive: Drive; readonly guest: Guest }>;
  readonly friendWishes: readonly FriendWish[];
  readonly surfaces: ReadonlyMap<string, Surface>;
  /** Groups with those of their members who come. */
  readonly groups: ReadonlyMap<string, Group>;
  /** Merged windows of cars, sighting vehicles and instructors. */
  readonly windows: (of: { readonly available: readonly TimeWindow[] }) => readonly TimeWindow[];
}

export function indexDay(day: Day): DayIndex {
  const byId = <T extends { id: string }>(things: readonly T[]) => new Map(things.map((thing) => [thing.id, thing]));
  const drives = new Map<string, { drive: Drive; guest: Guest }>();
  for (const guest of day.guests) {
    for (const drive of guest.drives) drives.set(drive.id, { drive, guest });
  }
  const merged = new Map<readonly TimeWindow[], TimeWindow[]>();
  const guests = byId(day.guests);
  const coming = (group: Group) => ({ ...group, members: group.members.filter((id) => guests.has(id)) });
  return {
    cars: byId(day.cars),
    vehicles: byId(day.sightingVehicles),
    instructors: byId(day.instructors),
    guests,
    drives,
    friendWishes: friendWishesOf(day),
    surfaces: byId(day.surfaces ?? []),
    groups: byId((day.groups ?? []).map(coming)),
    windows: ({ available }) => {
      let windows = merged.get(available);
      if (!windows) merged.set(available, (windows = mergeWindows(available)));
      return windows;
    },
  };
}

/** A condition of the circuit, and since when it is in force. */
export interface ConditionInForce {
  readonly name: string;
  readonly paceFactor: number;
  /** Nothing where the day began with it. */
  readonly sinceS: number | undefined;
}

/** The condition in force at a time of the day: of changes at the same time the first one listed holds. */
export function conditionAt({ condition }: Day, timeS: number): ConditionInForce {
  let found: ConditionInForce = { name: condition.name, paceFactor: condition.paceFactor, sinceS: undefined };
  for (const { from, name, paceFactor } of condition.changes ?? []) {
    if (from <= timeS && from > (found.sinceS ?? -1)) found = { name, paceFactor, sinceS: from };
  }
  return found;
}

/** The next change of the condition after a time of the day, if there is one. */
export function nextCondition({ condition }: Day, timeS: number): ConditionInForce | undefined {
  const later = (condition.changes ?? []).filter(({ from }) => from > timeS).sort((a, b) => a.from - b.from)[0];
  return later && { name: later.name, paceFactor: later.paceFactor, sinceS: later.from };
}

/** The pace factor of the condition in force for an activity released at this time. */
export function paceFactorAt(day: Day, releaseS: number): number {
  return conditionAt(day, releaseS).paceFactor;
}

/** Seconds of one lap of a guest in a car, `round(lapTimeS × pace × paceFactor)`. */
function driveLapS(day: Day, car: Car, guest: Guest, releaseS: number): number {
  return Math.round(car.lapTimeS * guest.pace * paceFactorAt(day, releaseS));
}

/** Seconds of one lap of a ride in a car. */
function rideLapS(day: Day, car: Car, releaseS: number): number {
  return Math.round((car.ride?.lapTimeS ?? car.lapTimeS) * paceFactorAt(day, releaseS));
}

/** So many times as long as the others the first lap of a drive takes; of a ride it is as quick as they are. */
export function firstLapFactorOf({ rules }: Day, { ride }: Pick<Drive, 'ride'>): number {
  return ride ? 1 : (rules.firstLapFactor ?? 1);
}

/** Seconds of one lap of a drive, be it a ride. */
export function lapOfDriveS(day: Day, drive: Drive, car: Car, guest: Guest, releaseS: number): number {
  return drive.ride ? rideLapS(day, car, releaseS) : driveLapS(day, car, guest, releaseS);
}

/** Laps that a drive puts on car, fuel and crew: sold, granted on top, and the lap out where it does not count. */
export function lapsDriven(day: Day, drive: Drive): number {
  return drive.laps + (drive.extraLaps ?? 0) + (day.rules.outLapCounts === false ? 1 : 0);
}

/** What holds people and car before the release of a drive and after its last lap; rides have their own. */
export function holdsAround(
  { rules }: Day,
  drive: Pick<Drive, 'ride'> | undefined,
): { setUpS: number; wrapUpS: number } {
  return (drive?.ride && rules.rides) ?? rules;
}

/** Seconds a drive is on the circuit; a ride at the car's own full pace, without a gentler first lap. */
export function driveTrackS(day: Day, drive: Drive, car: Car, guest: Guest, releaseS: number): number {
  const first = firstLapFactorOf(day, drive);
  return Math.round((lapsDriven(day, drive) - 1 + first) * lapOfDriveS(day, drive, car, guest, releaseS));
}

/** Seconds a sighting run is on the circuit. */
export function sightingTrackS(day: Day, vehicle: SightingVehicle, releaseS: number): number {
  return day.rules.sighting.laps * Math.round(vehicle.lapTimeS * paceFactorAt(day, releaseS));
}

/** End of an occupancy and of the time on the circuit, `heldUntil` respected (never before the release). */
export function circuitEnds(releaseS: number, trackS: number, wrapUpS: number, heldUntil: number | undefined) {
  if (heldUntil === undefined) return { trackEndS: releaseS + trackS, endS: releaseS + trackS + wrapUpS };
  return { trackEndS: Math.max(releaseS, heldUntil - wrapUpS), endS: Math.max(releaseS, heldUntil) };
}

function known<T>(ids: readonly string[], map: ReadonlyMap<string, T>): T[] {
  return ids.flatMap((id) => map.get(id) ?? []);
}

export function layOutBriefing(day: Day, index: DayIndex, briefing: Briefing): BriefingOccupancy {
  const instructor = index.instructors.get(briefing.instructor);
  return {
    kind: 'briefing',
    briefing,
    startS: briefing.start,
    endS: Math.max(briefing.start, briefing.heldUntil ?? briefing.start + day.rules.briefing.durationS),
    instructor,
    guests: known(briefing.guests, index.guests),
  };
}

export function layOutSighting(day: Day, index: DayIndex, sighting: Sighting): SightingOccupancy {
  const vehicle = index.vehicles.get(sighting.vehicle);
  const trackS = vehicle ? sightingTrackS(day, vehicle, sighting.release) : 0;
  return {
    kind: 'sighting',
    sighting,
    vehicle,
    instructor: index.instructors.get(sighting.instructor),
    guests: known(sighting.guests, index.guests),
    startS: sighting.release - day.rules.sighting.setUpS,
    releaseS: sighting.release,
    ...circuitEnds(sighting.release, trackS, day.rules.sighting.wrapUpS, sighting.heldUntil),
    lapsDriven: day.rules.sighting.laps,
    vehicles: 1,
  };
}

/** A group as it goes out at a time: which decides how long everything takes. */
export function outingAt(day: Day, index: DayIndex, group: Group, releaseS: number): Outing {
  return outingOf(group, {
    lapTimesS: known(group.cars, index.cars).map(({ lapTimeS }) => lapTimeS),
    paces: known(group.members, index.guests).map(({ pace }) => pace),
    paceFactor: paceFactorAt(day, releaseS),
  });
}

/** Seconds of a lap of a train at pace: that of its slowest guest in its slowest car. */
export function slowestLapS(day: Day, index: DayIndex, group: Group, releaseS: number): number {
  return outingAt(day, index, group, releaseS).slowestLapS;
}

/** Seconds that a group is out, and the laps that it takes of each of its cars. */
export function groupRun(
  day: Day,
  index: DayIndex,
  group: Group,
  releaseS: number,
): { readonly trackS: number; readonly laps: number } {
  const outing = outingAt(day, index, group, releaseS);
  const share = (index.surfaces.get(group.surface)?.lapLengthM ?? day.circuit.lapLengthM) / day.circuit.lapLengthM;
  return { trackS: outingS(outing), laps: lapsOfEachCar(outing, share) };
}

export function layOutGroup(day: Day, index: DayIndex, planned: PlannedGroup): GroupOccupancy {
  const group = index.groups.get(planned.group);
  const run = group ? groupRun(day, index, group, planned.release) : { trackS: 0, laps: 0 };
  const crew = planned.crew.flatMap(({ role, instructor: who }) => {
    const instructor = index.instructors.get(who);
    return instructor ? [{ role, instructor }] : [];
  });
  const staff = [...(planned.leadCar === undefined ? [] : [planned.leadCar]), ...(group?.staffCars ?? [])];
  return {
    kind: 'group',
    planned,
    group,
    instructor: (crew.find(({ role }) => role === 'lead') ?? crew[0])?.instructor,
    crew,
    guests: known(group?.members ?? [], index.guests),
    cars: known([...planned.cars, ...staff], index.cars),
    startS: planned.release - (group?.setUpS ?? 0),
    releaseS: planned.release,
    ...circuitEnds(planned.release, run.trackS, group?.wrapUpS ?? 0, planned.heldUntil),
    lapsDriven: run.laps,
    vehicles: group ? vehiclesOf(group) : 0,
  };
}

export function layOutDrive(day: Day, index: DayIndex, planned: PlannedDrive): DriveOccupancy {
  const booked = index.drives.get(planned.drive);
  const car = index.cars.get(planned.car);
  const trackS = booked && car ? driveTrackS(day, booked.drive, car, booked.guest, planned.release) : 0;
  const { setUpS, wrapUpS } = holdsAround(day, booked?.drive);
  return {
    kind: 'drive',
    planned,
    drive: booked?.drive,
    car,
    instructor: index.instructors.get(planned.instructor),
    guests: booked ? [booked.guest] : [],
    startS: planned.release - setUpS,
    releaseS: planned.release,
    ...circuitEnds(planned.release, trackS, wrapUpS, planned.heldUntil),
    lapsDriven: booked ? lapsDriven(day, booked.drive) : 0,
    vehicles: 1,
  };
}

export function layOutRefuel(index: DayIndex, refuel: Refuel): RefuelOccupancy {
  const car = index.cars.get(refuel.car);
  return {
    kind: 'refuel',
    refuel,
    car,
    startS: refuel.start,
    endS: refuel.start + (car?.fuel.refuelS ?? 0),
  };
}

/** Lays a plan out on its day. */
export function layOut(day: Day, plan: Plan, repair?: Repair, index: DayIndex = indexDay(day)): Schedule {
  const briefings = plan.briefings.map((briefing) => layOutBriefing(day, index, briefing));
  const sightings = plan.sightings.map((sighting) => layOutSighting(day, index, sighting));
  const drives = plan.drives.map((drive) => layOutDrive(day, index, drive));
  const groups = (plan.groups ?? []).map((planned) => layOutGroup(day, index, planned));
  const guestOccupancies = new Map<string, PersonOccupancy[]>();
  const crewOccupancies = new Map<string, PersonOccupancy[]>();
  const add = (occupancies: Map<string, PersonOccupancy[]>, id: string, occupancy: PersonOccupancy) => {
    const list = occupancies.get(id);
    if (list) list.push(occupancy);
    else occupancies.set(id, [occupancy]);
  };
  for (const occupancy of [...briefings, ...sightings, ...drives, ...groups]) {
    for (const { id } of crewOf(occupancy)) add(crewOccupancies, id, occupancy);
    for (const guest of new Set(occupancy.guests)) add(guestOccupancies, guest.id, occupancy);
  }
  for (const occupancies of [...guestOccupancies.values(), ...crewOccupancies.values()])
    occupancies.sort((a, b) => a.startS - b.startS);
  return {
    day,
    plan,
    index,
    briefings,
    sightings,
    drives,
    refuels: plan.refuels.map((refuel) => layOutRefuel(index, refuel)),
    groups,
    guestOccupancies,
    crewOccupancies,
    repair,
  };
}

/** Everybody who is held by an activity and works here. */
export function crewOf(occupancy: PersonOccupancy): readonly Instructor[] {
  if (occupancy.kind === 'group') return [...new Set(occupancy.crew.map(({ instructor }) => instructor))];
  return occupancy.instructor ? [occupancy.instructor] : [];
}

/** Who speaks with the guests of an activity. */
export function speakersOf(occupancy: PersonOccupancy): readonly Instructor[] {
  if (occupancy.kind !== 'group') return crewOf(occupancy);
  return occupancy.crew.flatMap(({ role, instructor }) => (SPEAKING_ROLES.has(role) ? [instructor] : []));
}

/** The cars that an activity takes. */
export function carsOf(occupancy: PersonOccupancy): readonly Car[] {
  if (occupancy.kind === 'group') return occupancy.cars;
  return occupancy.kind === 'drive' && occupancy.car ? [occupancy.car] : [];
}

/** Sighting runs, drives and groups on the circuit, in no particular order. */
export function circuitOccupancies({ sightings, drives, groups }: Schedule): CircuitOccupancy[] {
  return [...sightings, ...drives, ...groups.filter(({ group }) => group?.surface === CIRCUIT)];
}

/** The drives of one guest or of one instructor, by start; rides are among them. */
export function drivesOf(occupancies: readonly PersonOccupancy[] | undefined): DriveOccupancy[] {
  return (occupancies ?? []).filter((occupancy): occupancy is DriveOccupancy => occupancy.kind === 'drive');
}

/** Those that the guest drives. */
export function ownDrivesOf(occupancies: readonly PersonOccupancy[] | undefined): DriveOccupancy[] {
  return drivesOf(occupancies).filter(({ drive }) => !drive?.ride);
}

/** What each car is taken for by car id, in order of the starts. */
export function takenByCar(schedule: Schedule): Map<string, CarOccupancy[]> {
  const byCar = new Map<string, CarOccupancy[]>();
  for (const occupancy of [...schedule.drives, ...schedule.groups]) {
    for (const { id } of carsOf(occupancy)) {
      const list = byCar.get(id);
      if (list) list.push(occupancy);
      else byCar.set(id, [occupancy]);
    }
  }
  for (const occupancies of byCar.values()) occupancies.sort((a, b) => a.startS - b.startS);
  return byCar;
}
