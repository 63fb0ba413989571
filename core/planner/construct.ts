import {
  layOutBriefing,
  layOutDrive,
  layOutRefuel,
  layOutSighting,
  carMisfit,
  obeysPin,
  standingOf,
  teachesIn,
  type BriefingHold,
  type Day,
  type Drive,
  type DriveHold,
  type Guest,
  type Instructor,
  type Plan,
  type Repair,
  type SightingHold,
  type Unplanned,
} from '../day';
import { whyUnplanned } from './explain';
import { obstacleTo } from './obstacles';
import { bestDriveSlot } from './choose';
import type { Random } from './random';
import { isReady, mayTeach, needsBriefing, needsSighting } from './readiness';
import { driveSlot, earliestBriefing, earliestSighting } from './slots';
import { Timetable } from './timetable';

/** Guests who come within this long of one another are briefed together. */
const CLASS_SPREAD_S = 20 * 60;
/** How far chance may shift a guest's turn, so that another construction finds another plan. */
const SHUFFLE_S = 45 * 60;

/**
 * Builds a valid plan from nothing, or around what stands: pinned releases first, then what a repair can keep, then
 * classes as guests arrive, sighting runs as they leave the class, and drives, the guest who has been ready longest
 * next. What finds no place is left out with a reason.
 *
 * @param random without it every guest's turn comes strictly by time; with it turns are shuffled a little
 */
export function constructPlan(day: Day, repair?: Repair, random?: Random): Plan {
  const timetable = new Timetable(day, repair?.nowS ?? 0);
  if (repair) stand(timetable, repair);
  placePinned(timetable);
  if (repair) keep(timetable, repair.previous);
  planBriefings(timetable);
  planSightings(timetable);
  planDrives(timetable, random);
  const unplanned = leftOut(timetable);
  dismissIdle(timetable, repair);
  return timetable.toPlan(unplanned);
}

function stand(timetable: Timetable, repair: Repair): void {
  const { day, index } = timetable;
  const standing = standingOf(day, repair, index);
  standing.briefings.forEach((briefing) => timetable.add(layOutBriefing(day, index, briefing)));
  standing.sightings.forEach((sighting) => timetable.add(layOutSighting(day, index, sighting)));
  standing.drives.forEach((planned) => timetable.add(layOutDrive(day, index, planned)));
  standing.refuels.forEach((refuel) => timetable.add(layOutRefuel(index, refuel)));
}

function placePinned(timetable: Timetable): void {
  for (const guest of timetable.day.guests) {
    for (const drive of guest.drives) {
      if (drive.pin?.release === undefined || timetable.drives.has(drive.id)) continue;
      placeDrive(timetable, guest, drive, 0);
    }
  }
}

/** Puts back what was planned and has not begun, where the changed day still allows it exactly as it was. */
function keep(timetable: Timetable, previous: Plan): void {
  const { day, index, nowS } = timetable;
  for (const briefing of previous.briefings) {
    if (briefing.start < nowS) continue;
    const guests = briefing.guests.filter((id) => needsBriefing(timetable, index.guests.get(id)));
    const hold = layOutBriefing(day, index, { ...briefing, guests });
    if (guests.length > 0 && guests.length <= day.rules.briefing.seats && fits(timetable, hold)) timetable.add(hold);
  }
  for (const sighting of previous.sightings) {
    if (sighting.release - day.rules.sighting.setUpS < nowS) continue;
    const guests = sighting.guests.filter((id) => needsSighting(timetable, index.guests.get(id)));
    const hold = layOutSighting(day, index, { ...sighting, guests });
    if (guests.length > 0 && hold.vehicle && guests.length <= hold.vehicle.seats && fits(timetable, hold)) {
      timetable.add(hold);
    }
  }
  for (const planned of [...previous.drives].sort((a, b) => a.release - b.release)) {
    const booked = index.drives.get(planned.drive);
    if (!booked || timetable.drives.has(planned.drive) || !isReady(timetable, booked.guest)) continue;
    const hold = layOutDrive(day, index, planned);
    const slot = mayDrive(hold, booked) ? driveSlot(timetable, hold) : undefined;
    if (!slot) continue;
    if (slot.refuel) timetable.add(slot.refuel);
    timetable.add(slot.hold);
  }
}

/** Whether car, instructor and pin allow this drive at all, whenever it may be. */
function mayDrive({ car, instructor, planned }: DriveHold, { drive, guest }: { drive: Drive; guest: Guest }): boolean {
  if (!car || !instructor || carMisfit(car, drive, guest)) return false;
  return teachesIn(instructor, car) && mayTeach(instructor, guest) && obeysPin(drive.pin, planned);
}

function fits(timetable: Timetable, hold: BriefingHold | SightingHold): boolean {
  const { instructor } = hold;
  if (!instructor || (hold.kind === 'briefing' ? !instructor.brief : !instructor.sighting)) return false;
  return hold.guests.every((guest) => mayTeach(instructor, guest)) && !obstacleTo(timetable, hold);
}

function planBriefings(timetable: Timetable): void {
  const { day } = timetable;
  const { seats } = day.rules.briefing;
  const teachers = day.instructors.filter(({ brief }) => brief);
  let waiting = day.guests
    .filter((guest) => needsBriefing(timetable, guest))
    .sort((a, b) => a.arrives - b.arrives || (a.leavesBy ?? Infinity) - (b.leavesBy ?? Infinity));
  waiting = waiting.filter((guest) => !joinBriefing(timetable, guest));
  while (waiting.length > 0) {
    const first = waiting[0]!;
    const together = waiting.filter((guest) => guest.arrives <= first.arrives + CLASS_SPREAD_S);
    let best: BriefingHold | undefined;
    for (const instructor of leastHeldFirst(timetable, teachers)) {
      if (!mayTeach(instructor, first)) continue;
      const group = together.filter((guest) => mayTeach(instructor, guest)).slice(0, seats);
      const hold =
        earliestBriefing(timetable, group, instructor, Math.max(...group.map(({ arrives }) => arrives))) ??
        earliestBriefing(timetable, [first], instructor, first.arrives);
      if (hold && (!best || served(hold) > served(best))) best = hold;
    }
    if (best) timetable.add(best);
    const seated = new Set(best?.guests ?? [first]);
    waiting = waiting.filter((guest) => !seated.has(guest));
  }
}

/** Guests served, less a guest for each half hour that the first of them waits. */
function served(hold: BriefingHold | SightingHold): number {
  return hold.guests.length - hold.startS / 1800;
}

/** A free seat in a class that is planned already and has not begun. */
function joinBriefing(timetable: Timetable, guest: Guest): boolean {
  const { day, index, nowS } = timetable;
  for (const hold of [...timetable.briefings]) {
    if (hold.startS < nowS || hold.startS < guest.arrives || hold.guests.length >= day.rules.briefing.seats) continue;
    if (!hold.instructor || !mayTeach(hold.instructor, guest)) continue;
    timetable.remove(hold);
    const larger = layOutBriefing(day, index, {
      ...hold.briefing,
      guests: [...hold.briefing.guests, guest.id],
    });
    const joined = !obstacleTo(timetable, larger);
    timetable.add(joined ? larger : hold);
    if (joined) return true;
  }
  return false;
}

function planSightings(timetable: Timetable): void {
  const { day } = timetable;
  const drivers = day.instructors.filter(({ sighting }) => sighting);
  const readyAt = (guest: Guest) =>
    Math.max(guest.arrives, ...timetable.guest(guest.id).map((hold) => hold.endS + day.rules.guestRestS));
  let waiting = day.guests
    .filter((guest) => needsSighting(timetable, guest))
    .map((guest) => ({ guest, readyS: guest.briefed ? guest.arrives : readyAfterClass(guest) }))
    .sort((a, b) => a.readyS - b.readyS || (a.guest.party ?? '').localeCompare(b.guest.party ?? ''));
  while (waiting.length > 0) {
    const first = waiting[0]!;
    const together = waiting.filter(({ readyS }) => readyS <= first.readyS + CLASS_SPREAD_S / 2);
    let best: SightingHold | undefined;
    for (const vehicle of day.sightingVehicles) {
      for (const instructor of leastHeldFirst(timetable, drivers)) {
        if (!mayTeach(instructor, first.guest)) continue;
        const group = together.filter(({ guest }) => mayTeach(instructor, guest)).slice(0, vehicle.seats);
        const fromS = Math.max(...group.map(({ readyS }) => readyS)) + day.rules.sighting.setUpS;
        const guests = group.map(({ guest }) => guest);
        const hold =
          earliestSighting(timetable, guests, vehicle, instructor, fromS) ??
          earliestSighting(timetable, [first.guest], vehicle, instructor, readyAt(first.guest));
        if (hold && (!best || served(hold) > served(best))) best = hold;
      }
    }
    if (best) timetable.add(best);
    const seated = new Set(best?.guests ?? [first.guest]);
    waiting = waiting.filter(({ guest }) => !seated.has(guest));
  }

  /** When the guest is through the class; a guest with drives already planned (pinned) must not wait for those. */
  function readyAfterClass(guest: Guest): number {
    const briefing = timetable.guest(guest.id).find((hold) => hold.kind === 'briefing');
    return briefing ? briefing.endS + day.rules.guestRestS : guest.arrives;
  }
}

function leastHeldFirst(timetable: Timetable, instructors: readonly Instructor[]): Instructor[] {
  return instructors
    .map((instructor) => ({ instructor, heldS: timetable.heldS(instructor.id) }))
    .sort((a, b) => a.heldS - b.heldS)
    .map(({ instructor }) => instructor);
}

/** Gives each guest in turn the next drive, the one who has been ready longest first. */
function planDrives(timetable: Timetable, random: Random | undefined): void {
  const { day, index } = timetable;
  const level = (drive: Drive) => Math.min(...drive.cars.map((id) => index.cars.get(id)?.level ?? 9));
  const queue = day.guests
    .filter((guest) => isReady(timetable, guest))
    .map((guest) => ({
      guest,
      drives: guest.drives
        .filter((drive) => !timetable.drives.has(drive.id))
        .sort((a, b) => (guest.sequence === 'asListed' ? 0 : level(a) - level(b))),
      headStartS: random ? (random() - 0.5) * SHUFFLE_S : 0,
      readyS: 0,
    }));
  const refresh = (turn: (typeof queue)[number]) => {
    const holds = timetable.guest(turn.guest.id);
    turn.readyS = Math.max(turn.guest.arrives, ...holds.map((hold) => hold.endS + day.rules.guestRestS));
  };
  queue.forEach(refresh);
  const urgency = (turn: (typeof queue)[number]) =>
    turn.readyS +
    turn.headStartS +
    (turn.guest.leavesBy === undefined ? 0 : (turn.guest.leavesBy - turn.readyS) / 4 - 3600);
  for (;;) {
    const turn = queue.filter(({ drives }) => drives.length > 0).sort((a, b) => urgency(a) - urgency(b))[0];
    if (!turn) return;
    const drive = turn.drives.shift()!;
    const fromS = turn.readyS + day.rules.setUpS;
    if (!placeDrive(timetable, turn.guest, drive, fromS)) placeDrive(timetable, turn.guest, drive, 0);
    refresh(turn);
  }
}

function placeDrive(timetable: Timetable, guest: Guest, drive: Drive, fromS: number): boolean {
  const slot = bestDriveSlot(timetable, guest, drive, fromS);
  if (!slot) return false;
  if (slot.refuel) timetable.add(slot.refuel);
  timetable.add(slot.hold);
  return true;
}

/**
 * Takes a guest's pinned drives out again where no class or sighting run could be found before them, and names every
 * drive without a place with what stands in its way.
 */
function leftOut(timetable: Timetable): Unplanned[] {
  for (const guest of timetable.day.guests) {
    if (isReady(timetable, guest)) continue;
    for (const drive of guest.drives) {
      const hold = timetable.drives.get(drive.id);
      if (hold) timetable.remove(hold);
    }
  }
  return timetable.day.guests.flatMap((guest) =>
    guest.drives
      .filter((drive) => !timetable.drives.has(drive.id))
      .map((drive) => ({ drive: drive.id, reason: whyUnplanned(timetable, guest, drive) })),
  );
}

/** Guests who drive nothing after all need neither class nor sighting run; what stands in a repair is left alone. */
function dismissIdle(timetable: Timetable, repair: Repair | undefined): void {
  const { day, index } = timetable;
  const begun = (hold: { readonly startS: number }) => repair !== undefined && hold.startS < repair.nowS;
  const stays = (id: string) => index.guests.get(id)?.drives.some((drive) => timetable.drives.has(drive.id)) ?? false;
  for (const hold of [...timetable.briefings, ...timetable.sightings]) {
    const activity = hold.kind === 'briefing' ? hold.briefing : hold.sighting;
    if (begun(hold) || activity.guests.every(stays)) continue;
    timetable.remove(hold);
    const guests = activity.guests.filter(stays);
    if (guests.length === 0) continue;
    timetable.add(
      hold.kind === 'briefing'
        ? layOutBriefing(day, index, { ...hold.briefing, guests })
        : layOutSighting(day, index, { ...hold.sighting, guests }),
    );
  }
}
