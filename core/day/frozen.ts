import { activityOf, type Activity } from './activity';
import { fact, type Fact } from './fact';
import type { Day, Guest, Instructor } from './day-file';
import type { Briefing, PlannedDrive, Refuel, Sighting } from './plan-file';
import { carMisfit } from './rules/car-fit';
import { avoids } from './rules/crew-avoid';
import { sharesLanguage } from './rules/crew-language';
import { teachesIn } from './rules/crew-skill';
import { obeysPin } from './rules/pin';
import { onCircuit } from './rules/track-load';
import {
  indexDay,
  layOutBriefing,
  layOutDrive,
  layOutRefuel,
  layOutSighting,
  type CircuitOccupancy,
  type DayIndex,
  type PersonOccupancy,
  type RefuelOccupancy,
  type Repair,
} from './schedule';
import type { CarMisfit } from './unplaced';
import { liesInside, overlaps, type Interval } from './windows';

/**
 * What of the previous plan stands in a repair: activities whose occupancy starts before now and that the changed day file
 * still allows, each judged by itself. What fell is reported with the reason.
 */
export interface Frozen {
  readonly briefings: readonly Briefing[];
  readonly sightings: readonly Sighting[];
  readonly drives: readonly PlannedDrive[];
  readonly refuels: readonly Refuel[];
  /** What had begun and is no longer allowed, with what is in the way. */
  readonly dropped: readonly Dropped[];
}

export interface Dropped {
  readonly activity: Activity;
  readonly obstacle: Obstacle;
}

/** Why an activity that had begun cannot stand. */
export type Obstacle =
  | Fact<'outsideHours' | 'noGuests' | 'guestGone' | 'notReady' | 'pinnedOtherwise' | 'noInstructor'>
  | Fact<'carGone' | 'carAway', { car: string }>
  | Fact<'vehicleGone' | 'vehicleAway', { vehicle: string }>
  | Fact<'crewAway' | 'crewUnable', { instructor: string }>
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
      const ready = (guest.briefed || briefed.has(guest.id)) && (guest.sighted || sighted.has(guest.id));
      return (
        (available(car, index, occupancy) ? undefined : fact('carAway', { car: car.id })) ??
        outsideHours(day, occupancy) ??
        closure(day, occupancy) ??
        carMisfit(car, drive, guest) ??
        crewObstacle(index, occupancy, (who) => teachesIn(who, car)) ??
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

  return { briefings, sightings, drives, refuels, dropped };
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

/** Whether the guest is there for the whole occupancy and may be with this instructor. */
function mayAttend(guest: Guest, occupancy: Interval, instructor: Instructor | undefined): boolean {
  return (
    guest.arrives <= occupancy.startS &&
    (guest.leavesBy === undefined || occupancy.endS <= guest.leavesBy) &&
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
};

/** The activities of a plan, each with a text by which it is compared. */
export function activityTexts(
  plan: Pick<Frozen, 'briefings' | 'sightings' | 'drives' | 'refuels'>,
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
