import {
  activityOf,
  type Activity,
  type Day,
  type Guest,
  type Instructor,
  type Briefing,
  type PlannedDrive,
  type PlannedGroup,
  type Refuel,
  type Sighting,
  indexDay,
  layOutBriefing,
  layOutDrive,
  layOutGroup,
  layOutRefuel,
  layOutSighting,
  type CircuitOccupancy,
  type DayIndex,
  type GroupOccupancy,
  type PersonOccupancy,
  speakersOf,
  type RefuelOccupancy,
  type Repair,
  type CarMisfit,
} from '../day';
import { fact, type Fact, liesInside, overlaps, type Interval } from '../values';
import { CIRCUIT } from '../programmes';
import { carMisfit } from './car-fit';
import { avoids } from './crew-avoid';
import { sharesLanguage } from './crew-language';
import { mayDo, teachesIn } from './crew-skill';
import { obeysPin } from './pin';
import { onCircuit } from './track-load';

/**
 * What of the previous plan stands in a repair: activities whose occupancy starts before now and that the changed day file
 * still allows, each judged by itself. What fell is reported with the reason.
 */
export interface Frozen {
  readonly briefings: readonly Briefing[];
  readonly sightings: readonly Sighting[];
  readonly drives: readonly PlannedDrive[];
  readonly refuels: readonly Refuel[];
  readonly groups: readonly PlannedGroup[];
  /** What had begun and is no longer allowed, with what is in the way. */
  readonly dropped: readonly Dropped[];
}

export interface Dropped {
  readonly activity: Activity;
  readonly obstacle: Obstacle;
}

/** Why an activity that had begun cannot stand. */
export type Obstacle =
  | Fact<
      | 'outsideHours'
      | 'noGuests'
      | 'guestGone'
      | 'notReady'
      | 'pinnedOtherwise'
      | 'noInstructor'
      | 'groupGone'
      | 'noCars'
    >
  | Fact<'carGone' | 'carAway', { car: string }>
  | Fact<'vehicleGone' | 'vehicleAway', { vehicle: string }>
  | Fact<'crewAway' | 'crewUnable', { instructor: string }>
  | Fact<'surfaceGone', { surface: string }>
  | Fact<'closed', object, { fromS: number; toS: number }>
  | Fact<'cannotAttend', { guest: string }>
  | CarMisfit;

export function frozenOf(day: Day, { previous, nowS }: Repair, index: DayIndex = indexDay(day)): Frozen {
  const dropped: Dropped[] = [];
  const judge = <T>(planned: T, occupancy: PersonOccupancy | RefuelOccupancy, obstacle: Obstacle | undefined): T[] => {
    if (obstacle === undefined) return [planned];
    dropped.push({ activity: activityOf(occupancy), obstacle });
    return [];
  };

  const briefings = previous.briefings.flatMap((briefing) => {
    const occupancy = layOutBriefing(day, index, briefing);
    if (occupancy.startS >= nowS) return [];
    const staff = outsideHours(day, occupancy) ?? crewObstacle(index, occupancy, (instructor) => instructor.brief);
    const guests = occupancy.guests
      .filter((guest) => !guest.briefed && mayAttend(guest, occupancy, occupancy.instructor))
      .map((guest) => guest.id);
    return judge({ ...briefing, guests }, occupancy, staff ?? nobody(guests));
  });
  const briefed = new Set(briefings.flatMap(({ guests }) => guests));

  const sightings = previous.sightings.flatMap((sighting) => {
    const occupancy = layOutSighting(day, index, sighting);
    if (occupancy.startS >= nowS) return [];
    const { vehicle } = sighting;
    const there = occupancy.vehicle && available(occupancy.vehicle, index, occupancy);
    const missing = there ? undefined : fact(occupancy.vehicle ? 'vehicleAway' : 'vehicleGone', { vehicle });
    const obstacle =
      missing ??
      outsideHours(day, occupancy) ??
      closure(day, occupancy) ??
      crewObstacle(index, occupancy, (instructor) => instructor.sighting);
    const guests = occupancy.guests
      .filter((guest) => !guest.sighted && mayAttend(guest, occupancy, occupancy.instructor))
      .filter((guest) => guest.briefed || briefed.has(guest.id))
      .map((guest) => guest.id);
    return judge({ ...sighting, guests }, occupancy, obstacle ?? nobody(guests));
  });
  const sighted = new Set(sightings.flatMap(({ guests }) => guests));

  const drives = previous.drives.flatMap((planned) => {
    const occupancy = layOutDrive(day, index, planned);
    if (occupancy.startS >= nowS) return [];
    return judge(planned, occupancy, driveObstacle());

    function driveObstacle(): Obstacle | undefined {
      const { car, drive, instructor } = occupancy;
      const guest = occupancy.guests[0];
      if (!drive || !guest) return fact('guestGone', {});
      if (!car) return fact('carGone', { car: planned.car });
      const ready =
        drive.ride !== undefined ||
        ((guest.briefed || briefed.has(guest.id)) && (guest.sighted || sighted.has(guest.id)));
      return (
        (available(car, index, occupancy) ? undefined : fact('carAway', { car: car.id })) ??
        outsideHours(day, occupancy) ??
        closure(day, occupancy) ??
        carMisfit(car, drive, guest) ??
        crewObstacle(index, occupancy, (who) => teachesIn(who, car) && (!drive.ride || (who.rides ?? false))) ??
        (mayAttend(guest, occupancy, instructor) ? undefined : fact('cannotAttend', { guest: guest.id })) ??
        (ready ? undefined : fact('notReady', {})) ??
        (obeysPin(drive.pin, planned) ? undefined : fact('pinnedOtherwise', {}))
      );
    }
  });

  const refuels = previous.refuels.flatMap((refuel) => {
    const occupancy = layOutRefuel(index, refuel);
    if (occupancy.startS >= nowS) return [];
    const { car } = refuel;
    const there = occupancy.car && available(occupancy.car, index, occupancy);
    const obstacle = there ? undefined : fact(occupancy.car ? 'carAway' : 'carGone', { car });
    return judge(refuel, occupancy, obstacle ?? outsideHours(day, occupancy));
  });

  const groups = (previous.groups ?? []).flatMap((planned) => {
    const before = layOutGroup(day, index, planned);
    if (before.startS >= nowS) return [];
    // What has begun goes on with the cars that are left to it.
    const there = (id: string) => {
      const car = index.cars.get(id);
      return car !== undefined && available(car, index, before);
    };
    const left = { ...planned, cars: planned.cars.filter(there) };
    const occupancy = layOutGroup(day, index, left);
    return judge(left, occupancy, groupObstacle(day, index, occupancy, briefed));
  });

  return { briefings, sightings, drives, refuels, groups, dropped };
}

/** Why a group that had begun cannot go on, or nothing. */
function groupObstacle(
  day: Day,
  index: DayIndex,
  occupancy: GroupOccupancy,
  briefed: ReadonlySet<string>,
): Obstacle | undefined {
  const { group, planned, guests, crew } = occupancy;
  if (!group || guests.length === 0) return fact('groupGone', {});
  if (planned.cars.length === 0) return fact('noCars', {});
  const cars = [...(planned.leadCar === undefined ? [] : [planned.leadCar]), ...(group.staffCars ?? [])];
  for (const id of cars) {
    const car = index.cars.get(id);
    if (!car) return fact('carGone', { car: id });
    if (!available(car, index, occupancy)) return fact('carAway', { car: id });
  }
  if (crew.length < planned.crew.length) return fact('noInstructor', {});
  for (const { role, instructor } of crew) {
    const unable = crewObstacle(index, { ...occupancy, instructor }, (who) => mayDo(who, role, group));
    if (unable) return unable;
  }
  for (const guest of guests) {
    const heard = !group.needsBriefing || guest.briefed || briefed.has(guest.id);
    if (!heard) return fact('notReady', {});
    const met = speakersOf(occupancy).every((who) => mayAttend(guest, occupancy, who));
    if (!met || !isThere(guest, occupancy)) return fact('cannotAttend', { guest: guest.id });
  }
  return outsideHours(day, occupancy) ?? surfaceObstacle(day, index, occupancy);
}

function surfaceObstacle(day: Day, index: DayIndex, occupancy: GroupOccupancy): Obstacle | undefined {
  const id = occupancy.group!.surface;
  if (id === CIRCUIT) return closure(day, occupancy);
  const surface = index.surfaces.get(id);
  const shut = surface?.closures.find(({ from, to }) => overlaps(onCircuit(occupancy), { startS: from, endS: to }));
  if (shut) return fact('closed', {}, { fromS: shut.from, toS: shut.to });
  const open = surface && liesInside(index.windows(surface), onCircuit(occupancy));
  return open ? undefined : fact('surfaceGone', { surface: id });
}

function outsideHours(day: Day, occupancy: Interval): Obstacle | undefined {
  return occupancy.startS < day.opens || occupancy.endS > day.closes ? fact('outsideHours', {}) : undefined;
}

function closure(day: Day, occupancy: CircuitOccupancy): Obstacle | undefined {
  const closed = day.circuit.closures.find(({ from, to }) =>
    overlaps(onCircuit(occupancy), { startS: from, endS: to }),
  );
  return closed && fact('closed', {}, { fromS: closed.from, toS: closed.to });
}

function available(thing: Parameters<DayIndex['windows']>[0], index: DayIndex, occupancy: Interval): boolean {
  return liesInside(index.windows(thing), occupancy);
}

function crewObstacle(
  index: DayIndex,
  occupancy: Interval & { readonly instructor: Instructor | undefined },
  able: (instructor: Instructor) => boolean,
): Obstacle | undefined {
  const { instructor } = occupancy;
  if (!instructor) return fact('noInstructor', {});
  const of = { instructor: instructor.id };
  if (!available(instructor, index, occupancy)) return fact('crewAway', of);
  return able(instructor) ? undefined : fact('crewUnable', of);
}

function isThere(guest: Guest, occupancy: Interval): boolean {
  return guest.arrives <= occupancy.startS && (guest.leavesBy === undefined || occupancy.endS <= guest.leavesBy);
}

/** Whether the guest is there for the whole occupancy and may be with this instructor. */
function mayAttend(guest: Guest, occupancy: Interval, instructor: Instructor | undefined): boolean {
  return (
    isThere(guest, occupancy) &&
    instructor !== undefined &&
    sharesLanguage(instructor, guest) &&
    !avoids(guest, instructor)
  );
}

function nobody(guests: readonly string[]): Obstacle | undefined {
  return guests.length === 0 ? fact('noGuests', {}) : undefined;
}

/** A text by which two activities are the same one, unchanged: class and sighting run with the same guests. */
export const sameActivity = {
  briefing: ({ start, instructor, guests, heldUntil }: Briefing) =>
    JSON.stringify([start, instructor, [...guests].sort(), heldUntil ?? null]),
  sighting: ({ release, vehicle, instructor, guests, heldUntil }: Sighting) =>
    JSON.stringify([release, vehicle, instructor, [...guests].sort(), heldUntil ?? null]),
  drive: ({ drive, car, instructor, release, heldUntil }: PlannedDrive) =>
    JSON.stringify([drive, car, instructor, release, heldUntil ?? null]),
  refuel: ({ car, start }: Refuel) => JSON.stringify([car, start]),
  group: ({ group, release, cars, leadCar, crew, heldUntil }: PlannedGroup) =>
    JSON.stringify([
      group,
      release,
      cars,
      leadCar ?? null,
      crew.map(({ role, instructor }) => `${role} ${instructor}`).sort(),
      heldUntil ?? null,
    ]),
};

/** The activities of a plan, each with a text by which it is compared. */
export function activityTexts(
  plan: Pick<Frozen, 'briefings' | 'sightings' | 'drives' | 'refuels'> & Partial<Pick<Frozen, 'groups'>>,
  day: Day,
  index: DayIndex,
): { readonly text: string; readonly activity: Activity; readonly startS: number }[] {
  const of = (text: string, occupancy: PersonOccupancy | RefuelOccupancy) => ({
    text: `${occupancy.kind} ${text}`,
    activity: activityOf(occupancy),
    startS: occupancy.startS,
  });
  return [
    ...plan.briefings.map((b) => of(sameActivity.briefing(b), layOutBriefing(day, index, b))),
    ...plan.sightings.map((s) => of(sameActivity.sighting(s), layOutSighting(day, index, s))),
    ...plan.drives.map((d) => of(sameActivity.drive(d), layOutDrive(day, index, d))),
    ...plan.refuels.map((r) => of(sameActivity.refuel(r), layOutRefuel(index, r))),
    ...(plan.groups ?? []).map((g) => of(sameActivity.group(g), layOutGroup(day, index, g))),
  ];
}

const remembered = new WeakMap<Repair, { readonly day: Day; readonly texts: ReturnType<typeof activityTexts> }>();

/** The texts of what stands in a repair. It is the same for every plan that is tried, so it is worked out once. */
export function frozenTexts(day: Day, repair: Repair, index: DayIndex): ReturnType<typeof activityTexts> {
  const known = remembered.get(repair);
  if (known?.day === day) return known.texts;
  const texts = activityTexts(frozenOf(day, repair, index), day, index);
  remembered.set(repair, { day, texts });
  return texts;
}
