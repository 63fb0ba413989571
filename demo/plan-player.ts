import type { Day, DriveOccupancy, Guest, Plan } from '@core/day';
import { dayContext, RunningJournal, type DayContext, type JournalEntry, type RecordedEntry } from '@core/journal';
import { GOOD_THINGS } from '@core/people/coaching';
import { randomOf, type Random } from '@core/planner';
import { MARKED } from './crew/chance';
import { SLIPWAY } from './slipway';

/** What somebody is about to enter; an entry that is not possible yet is tried again a little later. */
export interface Act {
  /** The same act in two plans has the same key, and happens once. */
  readonly key: string;
  readonly atS: number;
  readonly by: string;
  readonly fields: DistributiveOmit<JournalEntry, 'id' | 'at' | 'by'>;
  readonly tries: number;
}
type DistributiveOmit<T, K extends keyof T> = T extends unknown ? Omit<T, K> : never;
type Add = (key: string, atS: number, by: string, fields: Act['fields']) => void;

const RETRY_S = 15;
const MOST_TRIES = 60;

/** A day as far as it has been played. */
export interface Played {
  readonly entries: readonly RecordedEntry[];
  /** Keys of the acts that have happened. */
  readonly done: ReadonlySet<string>;
}

/**
 * Plays a planned day up to a time by its plan: people come, are cleared, sit in class, drive and talk, each a little off
 * the plan, and every entry passes the same check as one from a screen. The same seed gives the same day. A day of which
 * nobody looks at every minute; `crew/` plays one as people do.
 *
 * @param before what has been played already, by an earlier plan
 * @param more what happens besides, such as in the garage
 */
export function playPlan(
  day: Day,
  plan: Plan,
  untilS: number,
  seed: number,
  before?: Played,
  more: readonly Act[] = [],
): Played {
  const context = dayContext(day, plan);
  const entries = [...(before?.entries ?? [])];
  const journal = new RunningJournal(context, entries);
  const done = new Set(before?.done);
  const fromS = entries.at(-1)?.entry.at ?? 0;
  const acts = [...actsOf(context, seed), ...more]
    .filter(({ atS, key }) => atS < untilS && !done.has(key))
    .map((act) => ({ ...act, atS: Math.max(act.atS, fromS) }));
  while (acts.length > 0) {
    acts.sort((a, b) => a.atS - b.atS);
    const act = acts.shift()!;
    if (act.atS >= untilS) break;
    const number = entries.length + 1;
    const entry = {
      ...act.fields,
      id: `demo-${day.date}-${String(number).padStart(5, '0')}`,
      at: act.atS,
      by: act.by,
    };
    if (journal.admit(entry).admitted) {
      journal.add({ seq: number, recordedAt: recordedAt(day.date, act.atS), entry });
      done.add(act.key);
    } else if (act.tries < MOST_TRIES) {
      acts.push({ ...act, atS: act.atS + RETRY_S, tries: act.tries + 1 });
    }
  }
  return { entries, done };
}

/** Real moment of an entry, as if the venue's clock were UTC: enough for made-up data. */
export function recordedAt(date: string, atS: number): string {
  return new Date(Date.parse(`${date}T00:00:00Z`) + atS * 1000).toISOString();
}

const CORNERS = SLIPWAY.corners.map(({ name }) => name);
const pickFrom = <T>(list: readonly T[], random: Random): T => list[Math.floor(random() * list.length)]!;

function actsOf({ day, schedule }: DayContext, seed: number): Act[] {
  const acts: Act[] = [];
  const add: Add = (key, atS, by, fields) => acts.push({ key, atS: Math.round(atS), by, fields, tries: 0 });
  const later = (key: string, mostS: number) => Math.round(randomOf(seed, key)() * mostS);

  for (const guest of day.guests) {
    const occupancies = schedule.guestOccupancies.get(guest.id);
    actsAtGate(guest, occupancies?.[0]?.startS ?? Infinity, later, add);
    const last = occupancies?.at(-1);
    const atDeskS = (last?.endS ?? 0) + 480 + later(`desk ${guest.id}`, 600);
    if (last) add(`desk ${guest.id}`, atDeskS, 'Desk', { kind: 'deskDone', guest: guest.id });
  }
  for (const occupancy of schedule.briefings) {
    const { instructor, guests, start } = occupancy.briefing;
    const by = occupancy.instructor?.name ?? 'Classroom';
    const key = `class ${instructor} ${start}`;
    add(`${key} begins`, occupancy.startS + later(key, 60), by, { kind: 'classBegan', instructor, guests });
    add(`${key} ends`, occupancy.endS - later(`${key} ends`, 60), by, {
      kind: 'classEnded',
      instructor,
      guests,
    });
  }
  for (const occupancy of schedule.sightings) {
    const { vehicle, instructor, guests, release } = occupancy.sighting;
    const by = occupancy.instructor?.name ?? 'Pit exit';
    const key = `sighting ${vehicle} ${release}`;
    const outS = occupancy.releaseS + later(key, 20);
    add(`${key} out`, outS, by, { kind: 'sightingBegan', vehicle, instructor, guests });
    add(`${key} back`, occupancy.trackEndS + 30 + later(`${key} back`, 40), by, { kind: 'sightingEnded', vehicle });
  }
  for (const occupancy of schedule.drives) actsOfDrive(occupancy, day, randomOf(seed, occupancy.planned.drive), add);
  for (const { car, startS, endS } of schedule.refuels) {
    if (!car) continue;
    const key = `refuel ${car.id} ${startS}`;
    add(`${key} begins`, startS + later(key, 60), 'Garage', { kind: 'refuelBegan', car: car.id });
    add(`${key} ends`, endS + later(key, 60), 'Garage', { kind: 'refuelEnded', car: car.id });
  }
  return acts;
}

function actsAtGate(guest: Guest, firstHoldS: number, later: (key: string, mostS: number) => number, add: Add): void {
  const { id: who, arrives } = guest;
  const arrivesS = arrives - later(`gate ${who}`, 300);
  const clearedS = Math.min(arrivesS + 150, firstHoldS - 30);
  add(`arrives ${who}`, arrivesS, 'Desk', { kind: 'guestArrived', guest: who });
  add(`waiver ${who}`, Math.max(arrivesS + 20, clearedS - 80), 'Desk', { kind: 'waiverSigned', guest: who });
  add(`licence ${who}`, Math.max(arrivesS + 30, clearedS - 60), 'Desk', { kind: 'licenceSeen', guest: who });
  const helmetS = Math.max(arrivesS + 40, clearedS - later(`helmet ${who}`, 20));
  add(`helmet ${who}`, helmetS, 'Desk', { kind: 'helmetFitted', guest: who });
}

function actsOfDrive(
  { planned, instructor, releaseS, trackEndS, lapsDriven, startS, endS }: DriveOccupancy,
  day: Day,
  random: Random,
  add: Add,
): void {
  const { drive } = planned;
  const by = instructor?.name ?? 'Instructor';
  const later = (mostS: number) => Math.round(random() * mostS);
  const troubled = random() < 0.25;
  const seat = { kind: 'seated', drive, car: planned.car, instructor: planned.instructor } as const;
  add(`${drive} seated`, startS + 20 + later(40), by, seat);
  const releasedS = releaseS + later(15);
  add(`${drive} released`, releasedS, 'Pit exit', { kind: 'released', drive });
  const first = day.rules.firstLapFactor ?? 1;
  const lapS = (trackEndS - releaseS) / (lapsDriven - 1 + first);
  let lineS = releasedS;
  for (let lap = 1; lap <= lapsDriven; lap++) {
    lineS += lapS * (lap === 1 ? first : 1) * (1.01 - 0.012 * lap + 0.02 * random());
    add(`${drive} lap ${lap}`, lineS, 'Pit exit', { kind: 'lapCounted', drive, source: 'hand' });
    if (troubled && lap === 3) {
      const reason = 'passed by a quicker car';
      add(`${drive} spoiled`, lineS + 6, by, { kind: 'lapSpoiled', drive, lap: 3, reason });
    }
  }
  add(`${drive} in`, lineS + 12, 'Pit exit', { kind: 'broughtIn', drive });
  add(`${drive} parked`, lineS + 75 + later(25), by, { kind: 'parked', drive });
  const [mark, good] = [pickFrom(MARKED, random), pickFrom(GOOD_THINGS, random)];
  const corner = pickFrom(CORNERS, random);
  add(`${drive} marked`, lineS + 130, by, {
    kind: 'driveMarked',
    drive,
    marks: [
      { fault: mark, corner },
      ...(random() < 0.4 ? [{ fault: pickFrom(MARKED, random), corner: pickFrom(CORNERS, random) }] : []),
    ],
    good,
  });
  add(`${drive} debriefed`, Math.max(lineS + 140, endS - later(40)), by, { kind: 'debriefed', drive });
}
