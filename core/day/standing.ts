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
  type Repair,
} from './schedule';
import { wallClock } from './time';
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
  /** One sentence for each activity that had begun and is no longer allowed. */
  readonly fallen: readonly string[];
}

export function standingOf(day: Day, { previous, nowS }: Repair, index: DayIndex = indexDay(day)): Standing {
  const fallen: string[] = [];
  const judge = <T>(activity: T, label: string, obstacle: string | undefined): T[] => {
    if (obstacle === undefined) return [activity];
    fallen.push(`${label} had begun and can no longer stand: ${obstacle}`);
    return [];
  };

  const briefings = previous.briefings.flatMap((briefing) => {
    const hold = layOutBriefing(day, index, briefing);
    if (hold.startS >= nowS) return [];
    const staff = outsideHours(day, hold) ?? crewObstacle(index, hold, (instructor) => instructor.brief);
    const guests = hold.guests
      .filter((guest) => !guest.briefed && mayAttend(guest, hold, hold.instructor))
      .map((guest) => guest.id);
    return judge({ ...briefing, guests }, hold.label, staff ?? nobody(guests));
  });
  const briefed = new Set(briefings.flatMap(({ guests }) => guests));

  const sightings = previous.sightings.flatMap((sighting) => {
    const hold = layOutSighting(day, index, sighting);
    if (hold.startS >= nowS) return [];
    const vehicle = hold.vehicle ? notAvailable(hold.vehicle, index, hold) : `${sighting.vehicle} is no longer there`;
    const obstacle =
      vehicle ??
      outsideHours(day, hold) ??
      closure(day, hold) ??
      crewObstacle(index, hold, (instructor) => instructor.sighting);
    const guests = hold.guests
      .filter((guest) => !guest.sighted && mayAttend(guest, hold, hold.instructor))
      .filter((guest) => guest.briefed || briefed.has(guest.id))
      .map((guest) => guest.id);
    return judge({ ...sighting, guests }, hold.label, obstacle ?? nobody(guests));
  });
  const sighted = new Set(sightings.flatMap(({ guests }) => guests));

  const drives = previous.drives.flatMap((planned) => {
    const hold = layOutDrive(day, index, planned);
    if (hold.startS >= nowS) return [];
    return judge(planned, hold.label, driveObstacle());

    function driveObstacle(): string | undefined {
      const { car, drive, instructor } = hold;
      const guest = hold.guests[0];
      if (!drive || !guest) return 'its guest is no longer coming';
      if (!car) return `${planned.car} is withdrawn`;
      const ready = (guest.briefed || briefed.has(guest.id)) && (guest.sighted || sighted.has(guest.id));
      return (
        notAvailable(car, index, hold) ??
        outsideHours(day, hold) ??
        closure(day, hold) ??
        carMisfit(car, drive, guest) ??
        crewObstacle(index, hold, (who) => teachesIn(who, car)) ??
        (mayAttend(guest, hold, instructor) ? undefined : `${guest.name} can't be there with this instructor`) ??
        (ready ? undefined : `${guest.name} has neither class nor sighting run any more`) ??
        (obeysPin(drive.pin, planned) ? undefined : 'the manager has pinned it otherwise')
      );
    }
  });

  const refuels = previous.refuels.flatMap((refuel) => {
    const hold = layOutRefuel(index, refuel);
    if (hold.startS >= nowS) return [];
    const obstacle = hold.car ? notAvailable(hold.car, index, hold) : `${refuel.car} is withdrawn`;
    return judge(refuel, hold.label, obstacle ?? outsideHours(day, hold));
  });

  return { briefings, sightings, drives, refuels, fallen };
}

function outsideHours(day: Day, hold: Interval): string | undefined {
  return hold.startS < day.opens || hold.endS > day.closes ? 'it lies outside the opening hours' : undefined;
}

function closure(day: Day, hold: CircuitHold): string | undefined {
  const closed = day.circuit.closures.find(({ from, to }) => overlaps(onCircuit(hold), { startS: from, endS: to }));
  return closed && `the circuit is closed ${wallClock(closed.from)}–${wallClock(closed.to)}`;
}

function notAvailable(
  thing: { readonly name: string; readonly available: Parameters<DayIndex['windows']>[0]['available'] },
  index: DayIndex,
  hold: Interval,
): string | undefined {
  return liesInside(index.windows(thing), hold) ? undefined : `${thing.name} is not available for all of it`;
}

function crewObstacle(
  index: DayIndex,
  hold: Interval & { readonly instructor: Instructor | undefined },
  able: (instructor: Instructor) => boolean,
): string | undefined {
  const { instructor } = hold;
  if (!instructor) return 'its instructor is no longer there';
  return notAvailable(instructor, index, hold) ?? (able(instructor) ? undefined : `${instructor.name} may not do it`);
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

function nobody(guests: readonly string[]): string | undefined {
  return guests.length === 0 ? 'none of its guests is coming any more' : undefined;
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

/** The activities of a plan by kind, each with its text and what to call it. */
export function activityTexts(
  plan: Pick<Standing, 'briefings' | 'sightings' | 'drives' | 'refuels'>,
  day: Day,
  index: DayIndex,
): { readonly text: string; readonly label: string; readonly startS: number }[] {
  const of = (kind: string, text: string, hold: Interval & { label: string }) => ({
    text: `${kind} ${text}`,
    label: hold.label,
    startS: hold.startS,
  });
  return [
    ...plan.briefings.map((b) => of('briefing', sameActivity.briefing(b), layOutBriefing(day, index, b))),
    ...plan.sightings.map((s) => of('sighting', sameActivity.sighting(s), layOutSighting(day, index, s))),
    ...plan.drives.map((d) => of('drive', sameActivity.drive(d), layOutDrive(day, index, d))),
    ...plan.refuels.map((r) => of('refuel', sameActivity.refuel(r), layOutRefuel(index, r))),
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
