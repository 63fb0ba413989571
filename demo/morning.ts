import { type Day, type DriveHold, type Plan } from '@core/day';
import { admit, dayContext, type JournalEntry, type RecordedEntry } from '@core/journal';
import type { Random } from '@core/planner';

/** What somebody is about to enter; an entry that is not possible yet is tried again a little later. */
interface Act {
  readonly atS: number;
  readonly by: string;
  readonly fields: DistributiveOmit<JournalEntry, 'id' | 'at' | 'by'>;
  readonly tries: number;
}
type DistributiveOmit<T, K extends keyof T> = T extends unknown ? Omit<T, K> : never;

const RETRY_S = 15;
const MOST_TRIES = 60;

/**
 * Plays a planned day up to a time: people come, are cleared, sit in class, drive and talk, each a little off the plan,
 * and every entry passes the same check as one from a screen. The same chance gives the same morning.
 *
 * @param before what has been entered already; the morning goes on from its end
 */
export function playMorning(
  day: Day,
  plan: Plan,
  untilS: number,
  random: Random,
  before: readonly RecordedEntry[] = [],
): RecordedEntry[] {
  const context = dayContext(day, plan);
  const entries = [...before];
  const fromS = before.at(-1)?.entry.at ?? 0;
  const acts = actsOf(day, plan, random)
    .filter(({ atS }) => atS < untilS)
    .map((act) => ({ ...act, atS: Math.max(act.atS, fromS) }));
  while (acts.length > 0) {
    acts.sort((a, b) => a.atS - b.atS);
    const act = acts.shift()!;
    if (act.atS >= untilS) break;
    const number = entries.length + 1;
    const entry = { ...act.fields, id: `demo-${String(number).padStart(5, '0')}`, at: act.atS, by: act.by } as JournalEntry;
    if (admit(context, entries, entry).admitted) {
      entries.push({ seq: number, recordedAt: recordedAt(day.date, act.atS), entry });
    } else if (act.tries < MOST_TRIES) {
      acts.push({ ...act, atS: act.atS + RETRY_S, tries: act.tries + 1 });
    }
  }
  return entries;
}

/** Real moment of an entry, as if the venue's clock were UTC: enough for made-up data. */
function recordedAt(date: string, atS: number): string {
  return new Date(Date.parse(`${date}T00:00:00Z`) + atS * 1000).toISOString();
}

function actsOf(day: Day, plan: Plan, random: Random): Act[] {
  const acts: Act[] = [];
  const add = (atS: number, by: string, fields: Act['fields']) =>
    acts.push({ atS: Math.round(atS), by, fields, tries: 0 });
  const late = (mostS: number) => Math.round(random() * mostS);
  const { schedule } = dayContext(day, plan);

  day.guests.forEach((guest) => {
    const firstHold = schedule.guestHolds.get(guest.id)?.[0];
    if (guest.name === ABSENT_GUEST) {
      add(guest.arrives + 3000, 'Desk', { kind: 'guestNoShow', guest: guest.id });
      return;
    }
    const arrivesS = guest.name === LATE_GUEST ? guest.arrives + 900 : guest.arrives - late(300);
    const clearedBy = Math.min(arrivesS + 150, (firstHold?.startS ?? Infinity) - 30);
    add(arrivesS, 'Desk', { kind: 'guestArrived', guest: guest.id });
    add(Math.max(arrivesS + 20, clearedBy - 80), 'Desk', { kind: 'waiverSigned', guest: guest.id });
    add(Math.max(arrivesS + 30, clearedBy - 60), 'Desk', { kind: 'licenceSeen', guest: guest.id });
    add(Math.max(arrivesS + 40, clearedBy - late(20)), 'Desk', { kind: 'helmetFitted', guest: guest.id });
  });

  for (const hold of schedule.briefings) {
    const { instructor, guests } = hold.briefing;
    const by = hold.instructor?.name ?? 'Classroom';
    const there = guests.filter((id) => schedule.index.guests.get(id)?.name !== ABSENT_GUEST);
    if (there.length === 0) continue;
    add(hold.startS + late(60), by, { kind: 'classBegan', instructor, guests: there });
    add(hold.endS - late(60), by, { kind: 'classEnded', instructor, guests: there });
  }
  for (const hold of schedule.sightings) {
    const { vehicle, instructor, guests } = hold.sighting;
    const by = hold.instructor?.name ?? 'Pit exit';
    const there = guests.filter((id) => schedule.index.guests.get(id)?.name !== ABSENT_GUEST);
    if (there.length === 0) continue;
    add(hold.releaseS + late(20), by, { kind: 'sightingBegan', vehicle, instructor, guests: there });
    add(hold.trackEndS + 30 + late(40), by, { kind: 'sightingEnded', vehicle });
  }
  schedule.drives.forEach((hold, place) => actsOfDrive(hold, place, day, random, add));
  for (const guest of day.guests) {
    const last = schedule.guestHolds.get(guest.id)?.at(-1);
    if (last) add(last.endS + 480 + late(600), 'Desk', { kind: 'deskDone', guest: guest.id });
  }
  add(CAR_HELD_S, 'Garage', { kind: 'carHeld', car: HELD_CAR, reason: 'brake pedal long', backAt: 12 * 3600 + 15 * 60 });
  return acts;
}

/** Small troubles of every morning. */
const ABSENT_GUEST = 'Milo Petrak';
const LATE_GUEST = 'Ayo Balogun';
const HELD_CAR = 'c9';
export const CAR_HELD_S = 10 * 3600 + 35 * 60;

function actsOfDrive(
  { planned, instructor, releaseS, trackEndS, lapsDriven, startS, endS }: DriveHold,
  place: number,
  day: Day,
  random: Random,
  add: (atS: number, by: string, fields: Act['fields']) => void,
): void {
  const { drive } = planned;
  const by = instructor?.name ?? 'Instructor';
  const late = (mostS: number) => Math.round(random() * mostS);
  const releasedS = releaseS + late(15);
  add(startS + 20 + late(40), by, { kind: 'seated', drive, car: planned.car, instructor: planned.instructor });
  add(releasedS, 'Pit exit', { kind: 'released', drive });
  const first = day.rules.firstLapFactor ?? 1;
  const lapS = (trackEndS - releaseS) / (lapsDriven - 1 + first);
  let lineS = releasedS;
  for (let lap = 1; lap <= lapsDriven; lap++) {
    lineS += lapS * (lap === 1 ? first : 1) * (1.01 - 0.012 * lap + 0.02 * random());
    add(lineS, 'Pit exit', { kind: 'lapCounted', drive, source: 'hand' });
    if (place % 5 === 2 && lap === 3) add(lineS + 6, by, { kind: 'lapSpoiled', drive, lap: 3, reason: 'passed by a quicker car' });
  }
  add(lineS + 12, 'Pit exit', { kind: 'broughtIn', drive });
  add(lineS + 75 + late(25), by, { kind: 'parked', drive });
  add(Math.max(lineS + 140, endS - late(40)), by, { kind: 'debriefed', drive });
}
