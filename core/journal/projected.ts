import { layOut, type DriveOccupancy } from '../day';
import { progressOf, lapEstimateOf, type DayContext } from './state/context';
import { isCleared, type DayState, type DriveState } from './state/day-state';
import type { EntryKind, EntryOf, JournalEntry, RecordedEntry } from './entries/entry';
import { dayWithLapsAdded } from './laps-added';
import { withDelays } from './plan-again';

/** Who says what a projection enters. */
const BY = 'as planned';
/** Ids of entries that have not happened and are never sent. */
const PREFIX = 'projected-';
/** From the pull-off to the stall. */
const ROLL_IN_S = 60;

type Fields<K extends EntryKind> = Omit<EntryOf<K>, 'id' | 'at' | 'by' | 'kind'>;

/** Whether an entry is one that a projection has made. */
export function isProjected(id: string): boolean {
  return id.startsWith(PREFIX);
}

/**
 * What will have happened by a time to come, if from now on everybody does what the plan says: guests come, classes and
 * runs take place, drives begin and end, what runs late ends late. What should have begun already begins now.
 *
 * @param now the state at this moment
 * @param untilS the time to come, seconds since midnight
 */
export function projectedEntries(context: DayContext, now: DayState, untilS: number): RecordedEntry[] {
  const day = dayWithLapsAdded(context.day, now);
  const schedule = layOut(day, withDelays(day, context.schedule.plan, now));
  const nowS = now.timeS;
  const entries: RecordedEntry[] = [];
  const enter = <K extends EntryKind>(atS: number, kind: K, fields: Fields<K>) => {
    const at = Math.max(nowS, Math.floor(atS));
    if (at > untilS) return;
    const seq = 2_000_000_000 + entries.length;
    const entry = { ...fields, kind, at, by: BY, id: `${PREFIX}${entries.length}` } as unknown as JournalEntry;
    entries.push({ seq, recordedAt: '', entry });
  };

  for (const [id, occupancies] of schedule.guestOccupancies) {
    const guest = now.guests.get(id);
    const first = occupancies[0];
    if (!guest || !first || guest.gone || isCleared(guest)) continue;
    const comesS = Math.max(guest.guest.arrives, nowS);
    if (guest.arrivedS === undefined) enter(comesS, 'guestArrived', { guest: id });
    for (const kind of ['waiverSigned', 'licenceSeen', 'helmetFitted'] as const) enter(comesS, kind, { guest: id });
  }
  for (const { briefing, startS, endS } of schedule.briefings) {
    const { instructor } = briefing;
    const running = now.classes.get(instructor);
    const guests = briefing.guests.filter((id) => !now.guests.get(id)?.briefed);
    if (guests.length === 0) continue;
    if (!running) enter(startS, 'classBegan', { instructor, guests });
    enter(lateEnd(startS, endS, nowS, running?.sinceS), 'classEnded', {
      instructor,
      guests: running ? [...running.guests] : guests,
    });
  }
  for (const { sighting, releaseS, trackEndS } of schedule.sightings) {
    const { vehicle, instructor } = sighting;
    const running = now.sightings.get(vehicle);
    const guests = sighting.guests.filter((id) => !now.guests.get(id)?.sighted);
    if (guests.length === 0) continue;
    if (!running) enter(releaseS, 'sightingBegan', { vehicle, instructor, guests });
    enter(lateEnd(releaseS, trackEndS, nowS, running?.sinceS), 'sightingEnded', { vehicle });
  }
  for (const occupancy of schedule.drives) {
    const drive = now.drives.get(occupancy.planned.drive);
    if (drive && !now.guests.get(drive.guest.id)?.gone) driveOn(context, drive, occupancy, nowS, enter);
  }
  for (const { car, heldFor, backAtS } of now.cars.values()) {
    if (heldFor !== undefined && backAtS !== undefined) enter(backAtS, 'carReady', { car: car.id });
  }
  for (const { refuel, startS, endS } of schedule.refuels) {
    if (endS <= nowS) continue;
    if (!now.cars.get(refuel.car)?.refuelling) enter(startS, 'refuelBegan', { car: refuel.car });
    enter(endS, 'refuelEnded', { car: refuel.car });
  }
  return entries;
}

/** End of something that was to begin and end at these times, begins late, or began at another one. */
function lateEnd(startS: number, endS: number, nowS: number, begunS: number | undefined): number {
  return Math.max(nowS, (begunS ?? Math.max(startS, nowS)) + endS - startS);
}

/** What is left of a drive, step by step. */
function driveOn(
  context: DayContext,
  drive: DriveState,
  occupancy: DriveOccupancy,
  nowS: number,
  enter: <K extends EntryKind>(atS: number, kind: K, fields: Fields<K>) => void,
): void {
  const id = { drive: drive.drive.id };
  const { stage } = drive;
  if (stage === 'done' || stage === 'standing') return;
  const lateS = Math.max(0, nowS - occupancy.startS);
  const releaseS =
    drive.releasedS ?? occupancy.releaseS + (stage === 'planned' ? lateS : Math.max(0, nowS - occupancy.releaseS));
  const endS = occupancy.endS + (stage === 'planned' ? lateS : 0);
  if (stage === 'planned') {
    enter(occupancy.startS, 'seated', { ...id, car: occupancy.planned.car, instructor: occupancy.planned.instructor });
  }
  if (stage === 'planned' || stage === 'seated') enter(releaseS, 'released', id);
  const { done } = progressOf(context, drive);
  const left = occupancy.lapsDriven - done;
  let inS = nowS;
  if (stage !== 'parked') {
    const lapS =
      stage === 'onCircuit'
        ? lapEstimateOf(context, drive).lapS
        : (occupancy.trackEndS - occupancy.releaseS) / occupancy.lapsDriven;
    const fromS = drive.crossings.at(-1)?.atS ?? releaseS;
    if (stage !== 'rollingIn') {
      // Who is due to have crossed the line crosses it now, and goes on from there.
      let crossS = fromS;
      for (let lap = 1; lap <= left; lap++) {
        crossS = Math.max(nowS, crossS + lapS);
        enter(crossS, 'lapCounted', { ...id, source: 'hand' });
      }
      inS = Math.max(nowS, crossS);
      enter(inS, 'broughtIn', id);
    }
    enter(inS + ROLL_IN_S, 'parked', id);
    inS += ROLL_IN_S;
  }
  enter(Math.max(endS, inS), 'debriefed', id);
}
