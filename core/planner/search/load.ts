import { frozenOf } from '../../rules';
import { layOutDrive, type Plan, type PlannedGroup } from '../../day';
import { classroomShift, crewShift, guestGaps, refuelFits, ReleaseScan, vehicleShift } from '../place/fits';
import {
  BRIEFING,
  briefingOccupancy,
  driveOccupancy,
  groupOccupancy,
  refuelOccupancy,
  SIGHTING,
  sightingOccupancy,
  type GroupTakes,
  type Occupancy,
} from '../place/occupancy';
import { cheapestDrive, putIn } from '../place/place-drive';
import type { Problem } from '../place/problem';
import { putGroup } from '../place/place-group';
import { has, mayGo, needsClassForGroup, tidyGuest } from './rebuild';
import { Timetable } from '../place/timetable';

/**
 * A timetable with what of a plan can be kept: in a repair first what stands, as it is and for good, then every activity
 * that the day still allows just where it was. What no longer fits is left out, for the search to place again.
 */
export function loadPlan(problem: Problem, plan: Plan): Timetable {
  const timetable = new Timetable(problem);
  const numbers = numbersOf(problem);
  freeze(timetable, numbers);
  for (const { car, start } of plan.refuels) {
    const number = numbers.cars.get(car);
    if (number !== undefined && start >= problem.nowS && refuelFits(timetable, number, start)) {
      timetable.add(refuelOccupancy(problem, number, start));
    }
  }
  keepGroups(timetable, numbers, plan);
  for (const { start, instructor, guests, heldUntil } of plan.briefings) {
    const crew = numbers.crew.get(instructor);
    if (crew === undefined || heldUntil !== undefined || !problem.day.instructors[crew]!.brief) continue;
    const able = (occupancy: Occupancy) => classroomShift(timetable, occupancy.startS, occupancy.endS) === 0;
    share(
      timetable,
      numbers,
      guests,
      briefingOccupancy(problem, crew, [], start),
      problem.day.rules.briefing.seats,
      able,
    );
  }
  for (const { release, vehicle, instructor, guests, heldUntil } of plan.sightings) {
    const crew = numbers.crew.get(instructor);
    const car = numbers.vehicles.get(vehicle);
    if (crew === undefined || car === undefined || heldUntil !== undefined) continue;
    if (!problem.day.instructors[crew]!.sighting) continue;
    const able = (occupancy: Occupancy) =>
      vehicleShift(timetable, car, occupancy.startS, occupancy.endS) === 0 &&
      new ReleaseScan(timetable, occupancy.trackEndS - occupancy.releaseS).next(occupancy.releaseS) ===
        occupancy.releaseS;
    const { seats } = problem.vehicles[car]!.vehicle;
    share(timetable, numbers, guests, sightingOccupancy(problem, car, crew, [], release), seats, able);
  }
  for (const planned of [...plan.drives].sort((a, b) => a.release - b.release)) {
    const drive = numbers.drives.get(planned.drive);
    const car = numbers.cars.get(planned.car);
    const crew = numbers.crew.get(planned.instructor);
    if (drive === undefined || car === undefined || crew === undefined || timetable.driveOccupancy[drive]) continue;
    if (planned.heldUntil !== undefined || !mayGo(timetable, drive)) continue;
    const { release } = planned;
    const found = cheapestDrive(timetable, drive, { car, crew, fromS: release, toS: release });
    if (!found) continue;
    putIn(timetable, found);
  }
  problem.guests.forEach((_, guest) => tidyGuest(timetable, guest));
  timetable.commit();
  return timetable;
}

/** Groups of the plan where they were, with the same cars and people as far as they are there. */
function keepGroups(timetable: Timetable, numbers: Numbers, plan: Plan): void {
  for (const planned of plan.groups ?? []) {
    const group = numbers.groups.get(planned.group);
    if (group === undefined || planned.heldUntil !== undefined || timetable.groupOccupancy[group]) continue;
    const { release, leadCar } = planned;
    putGroup(timetable, group, {
      fromS: release,
      toS: release,
      cars: planned.cars.map((car) => numbers.cars.get(car) ?? -1),
      ...(leadCar !== undefined && { leadCar: numbers.cars.get(leadCar) ?? -1 }),
      crew: crewOf(planned, numbers),
    });
  }
}

function crewOf({ crew }: PlannedGroup, numbers: Numbers): GroupTakes['crew'] {
  return crew.flatMap(({ role, instructor }) => {
    const who = numbers.crew.get(instructor);
    return who === undefined ? [] : [{ role, who }];
  });
}

interface Numbers {
  readonly groups: ReadonlyMap<string, number>;
  readonly cars: ReadonlyMap<string, number>;
  readonly crew: ReadonlyMap<string, number>;
  readonly vehicles: ReadonlyMap<string, number>;
  readonly guests: ReadonlyMap<string, number>;
  readonly drives: ReadonlyMap<string, number>;
}

function numbersOf({ day, drives }: Problem): Numbers {
  const numbers = (things: readonly { id: string }[]) => new Map(things.map(({ id }, number) => [id, number]));
  return {
    groups: numbers(day.groups ?? []),
    cars: numbers(day.cars),
    crew: numbers(day.instructors),
    vehicles: numbers(day.sightingVehicles),
    guests: numbers(day.guests),
    drives: numbers(drives.map(({ drive }) => drive)),
  };
}

function freeze(timetable: Timetable, numbers: Numbers): void {
  const { problem } = timetable;
  const { day, index, repair } = problem;
  if (!repair) return;
  const frozen = frozenOf(day, repair, index);
  const known = (guests: readonly string[]) => guests.map((id) => numbers.guests.get(id)!);
  for (const { start, instructor, guests, heldUntil } of frozen.briefings) {
    timetable.add(briefingOccupancy(problem, numbers.crew.get(instructor)!, known(guests), start, heldUntil, true));
  }
  for (const { release, vehicle, instructor, guests, heldUntil } of frozen.sightings) {
    const [car, crew] = [numbers.vehicles.get(vehicle)!, numbers.crew.get(instructor)!];
    timetable.add(sightingOccupancy(problem, car, crew, known(guests), release, heldUntil, true));
  }
  for (const planned of frozen.drives) {
    const { heldUntil, ...asPlanned } = planned;
    const { releaseS, trackEndS } = layOutDrive(day, index, asPlanned);
    const [drive, car] = [numbers.drives.get(planned.drive)!, numbers.cars.get(planned.car)!];
    const crew = numbers.crew.get(planned.instructor)!;
    timetable.add(driveOccupancy(problem, drive, car, crew, releaseS, trackEndS - releaseS, heldUntil, true));
  }
  for (const planned of frozen.groups) {
    const own = (ids: readonly string[]) => ids.map((id) => numbers.cars.get(id)!);
    const group = numbers.groups.get(planned.group)!;
    const cars = own(planned.cars);
    const [leadCar = -1] = own(planned.leadCar === undefined ? [] : [planned.leadCar]);
    const allCars = [...cars, ...(leadCar < 0 ? [] : [leadCar]), ...problem.groups[group]!.staffCars];
    const takes = { group, crew: crewOf(planned, numbers), cars, leadCar, allCars };
    timetable.add(groupOccupancy(problem, takes, planned.release, planned.heldUntil, true));
  }
  for (const { car, start } of frozen.refuels) {
    timetable.add(refuelOccupancy(problem, numbers.cars.get(car)!, start, true));
  }
}

/** Puts a class or sighting run back for those of its guests who may still be in it. */
function share(
  timetable: Timetable,
  numbers: Numbers,
  guests: readonly string[],
  empty: Occupancy,
  seats: number,
  able: (occupancy: Occupancy) => boolean,
): void {
  const { problem } = timetable;
  const kind = empty.kind === BRIEFING ? BRIEFING : SIGHTING;
  const members = guests.flatMap((id) => {
    const guest = numbers.guests.get(id);
    if (guest === undefined) return [];
    const { needsBriefing, needsSighting, mayHave, ownDrives } = problem.guests[guest]!;
    const needs =
      kind === BRIEFING ? needsBriefing : needsSighting && (!needsBriefing || has(timetable, guest, BRIEFING));
    const forGroup = kind === BRIEFING && needsClassForGroup(timetable, guest);
    if (!needs || (ownDrives.length === 0 && !forGroup) || mayHave[empty.crew] === 0 || has(timetable, guest, kind))
      return [];
    const inGap = guestGaps(timetable, guest, kind).some((gap) => gap.fromS <= empty.startS && empty.endS <= gap.toS);
    return inGap ? [guest] : [];
  });
  if (members.length === 0 || members.length > seats) return;
  if (crewShift(timetable, empty.crew, empty.startS, empty.endS) > 0 || !able(empty)) return;
  timetable.add({ ...empty, guests: members });
}
