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
  type CircuitHold,
  type DayIndex,
  type PersonHold,
  type RefuelHold,
  type Repair,
} from './schedule';
import type { CarMisfit } from './unplaced';
import { liesInside, overlaps, type Interval } from './windows';

/**
 * What of the previous plan stands in a repair: activities whose hold starts before now and that the changed day file
 * still allows, each judged by itself. What fell is reported with the reason.
 */
export interface Standing {
  readonly briefings: readonly Briefing[];
  readonly sightings: readonly Sighting[];
  readonly drives: readonly PlannedDrive[];
  readonly refuels: readonly Refuel[];
  /** What had begun and is no longer allowed, with what is in the way. */
  readonly fallen: readonly Fallen[];
}

export interface Fallen {
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

export function standingOf(day: Day, { previous, nowS }: Repair, index: DayIndex = indexDay(day)): Standing {
  const fallen: Fallen[] = [];
  const judge = <T>(planned: T, hold: PersonHold | RefuelHold, obstacle: Obstacle | undefined): T[] => {
    if (obstacle === undefined) return [planned];
    fallen.push({ activity: activityOf(hold), obstacle });
    return [];
  };

  const briefings = previous.briefings.flatMap((briefing) => {
    const hold = layOutBriefing(day, index, briefing);
    if (hold.startS >= nowS) return [];
    const staff = outsideHours(day, hold) ?? crewObstacle(index, hold, (instructor) => instructor.brief);
    const guests = hold.guests
      .filter((guest) => !guest.briefed && mayAttend(guest, hold, hold.instructor))
      .map((guest) => guest.id);
    return judge({ ...briefing, guests }, hold, staff ?? nobody(guests));
  });
  const briefed = new Set(briefings.flatMap(({ guests }) => guests));

  const sightings = previous.sightings.flatMap((sighting) => {
    const hold = layOutSighting(day, index, sighting);
    if (hold.startS >= nowS) return [];
    const { vehicle } = sighting;
    const there = hold.vehicle && available(hold.vehicle, index, hold);
    const missing = there ? undefined : fact(hold.vehicle ? 'vehicleAway' : 'vehicleGone', { vehicle });
    const obstacle =
      missing ??
      outsideHours(day, hold) ??
      closure(day, hold) ??
      crewObstacle(index, hold, (instructor) => instructor.sighting);
    const guests = hold.guests
      .filter((guest) => !guest.sighted && mayAttend(guest, hold, hold.instructor))
      .filter((guest) => guest.briefed || briefed.has(guest.id))
      .map((guest) => guest.id);
    return judge({ ...sighting, guests }, hold, obstacle ?? nobody(guests));
  });
  const sighted = new Set(sightings.flatMap(({ guests }) => guests));

  const drives = previous.drives.flatMap((planned) => {
    const hold = layOutDrive(day, index, planned);
    if (hold.startS >= nowS) return [];
    return judge(planned, hold, driveObstacle());

    function driveObstacle(): Obstacle | undefined {
      const { car, drive, instructor } = hold;
      const guest = hold.guests[0];
      if (!drive || !guest) return fact('guestGone', {});
      if (!car) return fact('carGone', { car: planned.car });
      const ready = (guest.briefed || briefed.has(guest.id)) && (guest.sighted || sighted.has(guest.id));
      return (
        (available(car, index, hold) ? undefined : fact('carAway', { car: car.id })) ??
        outsideHours(day, hold) ??
        closure(day, hold) ??
        carMisfit(car, drive, guest) ??
        crewObstacle(index, hold, (who) => teachesIn(who, car)) ??
        (mayAttend(guest, hold, instructor) ? undefined : fact('cannotAttend', { guest: guest.id })) ??
        (ready ? undefined : fact('notReady', {})) ??
        (obeysPin(drive.pin, planned) ? undefined : fact('pinnedOtherwise', {}))
      );
    }
  });

  const refuels = previous.refuels.flatMap((refuel) => {
    const hold = layOutRefuel(index, refuel);
    if (hold.startS >= nowS) return [];
    const { car } = refuel;
    const there = hold.car && available(hold.car, index, hold);
    const obstacle = there ? undefined : fact(hold.car ? 'carAway' : 'carGone', { car });
    return judge(refuel, hold, obstacle ?? outsideHours(day, hold));
  });

  return { briefings, sightings, drives, refuels, fallen };
}

function outsideHours(day: Day, hold: Interval): Obstacle | undefined {
  return hold.startS < day.opens || hold.endS > day.closes ? fact('outsideHours', {}) : undefined;
}

function closure(day: Day, hold: CircuitHold): Obstacle | undefined {
  const closed = day.circuit.closures.find(({ from, to }) => overlaps(onCircuit(hold), { startS: from, endS: to }));
  return closed && fact('closed', {}, { fromS: closed.from, toS: closed.to });
}

function available(thing: Parameters<DayIndex['windows']>[0], index: DayIndex, hold: Interval): boolean {
  return liesInside(index.windows(thing), hold);
}

function crewObstacle(
  index: DayIndex,
  hold: Interval & { readonly instructor: Instructor | undefined },
  able: (instructor: Instructor) => boolean,
): Obstacle | undefined {
  const { instructor } = hold;
  if (!instructor) return fact('noInstructor', {});
  const of = { instructor: instructor.id };
  if (!available(instructor, index, hold)) return fact('crewAway', of);
  return able(instructor) ? undefined : fact('crewUnable', of);
}

/** Whether the guest is there for the whole hold and may be with this instructor. */
function mayAttend(guest: Guest, hold: Interval, instructor: Instructor | undefined): boolean {
  return (
    guest.arrives <= hold.startS &&
    (guest.leavesBy === undefined || hold.endS <= guest.leavesBy) &&
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
  plan: Pick<Standing, 'briefings' | 'sightings' | 'drives' | 'refuels'>,
  day: Day,
  index: DayIndex,
): { readonly text: string; readonly activity: Activity; readonly startS: number }[] {
  const of = (text: string, hold: PersonHold | RefuelHold) => ({
    text: `${hold.kind} ${text}`,
    activity: activityOf(hold),
    startS: hold.startS,
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
export function standingTexts(day: Day, repair: Repair, index: DayIndex): ReturnType<typeof activityTexts> {
  const known = remembered.get(repair);
  if (known?.day === day) return known.texts;
  const texts = activityTexts(standingOf(day, repair, index), day, index);
  remembered.set(repair, { day, texts });
  return texts;
}
