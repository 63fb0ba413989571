import { clockMinute, layOutDrive, type DriveOccupancy, type PersonOccupancy, type PlannedDrive } from '@core/day';
import { progressOf, type DayContext, type DayState, type DriveState } from '@core/journal';
import { shortName, surname } from '../data/names';
import { beadsOf, type Bead } from '../drawing/bead-list';

export type BoardMode = 'cars' | 'crew' | 'guests';

/** A drive on the board, in seconds of the day. */
export interface DriveBlock {
  readonly kind: 'drive';
  readonly id: string;
  readonly startS: number;
  readonly releaseS: number;
  readonly trackEndS: number;
  readonly endS: number;
  /** `gone`: planned, but the guest takes no more part. */
  readonly status: 'done' | 'now' | 'planned' | 'late' | 'gone';
  readonly beads: readonly Bead[];
  readonly label: string;
  readonly second: string;
  /** The whole block in words. */
  readonly words: string;
}

/** Anything else that holds a car or a person: class, sighting run, refuel, meal. */
export interface OtherBlock {
  readonly kind: 'other';
  readonly id: string;
  readonly startS: number;
  readonly endS: number;
  readonly label: string;
  readonly past: boolean;
}

export interface HeldBlock {
  readonly kind: 'held';
  readonly id: string;
  readonly startS: number;
  readonly endS: number;
  readonly label: string;
}

export type Block = DriveBlock | OtherBlock | HeldBlock;

export interface BoardRow {
  readonly id: string;
  readonly name: string;
  readonly blocks: readonly Block[];
}

/** The rows of the board, in the order of the day file; guests in the order in which they come. */
export function boardRows(context: DayContext, state: DayState, mode: BoardMode): BoardRow[] {
  const { day, schedule } = context;
  // A plan may still hold drives of a booking that has been changed since.
  const drives = schedule.drives
    .filter((occupancy) => state.drives.has(occupancy.planned.drive))
    .map((occupancy) => ({ occupancy, block: driveBlock(context, state, occupancy, mode) }));
  const of = (match: (occupancy: DriveOccupancy) => boolean): Block[] =>
    drives.filter(({ occupancy }) => match(occupancy)).map(({ block }) => block);
  const others = (occupancies: readonly PersonOccupancy[] | undefined): Block[] =>
    (occupancies ?? []).flatMap((occupancy) => (occupancy.kind === 'drive' ? [] : [otherBlock(occupancy, state)]));
  if (mode === 'cars') {
    return day.cars.map((car) => ({
      id: car.id,
      name: car.name,
      blocks: [
        ...held(state, car.id, day.closes),
        ...of((occupancy) => occupancy.planned.car === car.id),
        ...schedule.refuels
          .filter(({ refuel }) => refuel.car === car.id)
          .map(({ startS, endS }): Block => ({
            kind: 'other',
            id: `fuel-${car.id}-${startS}`,
            startS,
            endS,
            label: 'fuel',
            past: endS <= state.timeS,
          })),
      ],
    }));
  }
  if (mode === 'crew') {
    return day.instructors.map((instructor) => ({
      id: instructor.id,
      name: instructor.name,
      blocks: [
        ...of((occupancy) => occupancy.planned.instructor === instructor.id),
        ...others(schedule.crewOccupancies.get(instructor.id)),
      ],
    }));
  }
  return [...day.guests]
    .sort((a, b) => a.arrives - b.arrives)
    .map((guest) => ({
      id: guest.id,
      name: guest.name,
      blocks: [
        ...of((occupancy) => occupancy.guests[0]?.id === guest.id),
        ...others(schedule.guestOccupancies.get(guest.id)),
      ],
    }));
}

/** A drive at a place where it might be, and the row in which it would stand. */
export interface Ghost {
  readonly row: string;
  readonly block: DriveBlock;
  /** `trial`: being moved by hand; `refused`: the same, at a place that breaks a rule; `proposal`: what the planner proposes. */
  readonly tone: 'trial' | 'refused' | 'proposal';
}

/** A drive drawn where a plan that is not accepted would have it; nothing for a drive that the day does not know. */
export function ghostOf(
  context: DayContext,
  planned: PlannedDrive,
  mode: BoardMode,
  tone: Ghost['tone'],
): Ghost | undefined {
  const occupancy = layOutDrive(context.day, context.schedule.index, planned);
  const guest = occupancy.guests[0];
  if (!guest || !occupancy.drive) return undefined;
  const row = { cars: planned.car, crew: planned.instructor, guests: guest.id }[mode];
  const { startS, releaseS, trackEndS, endS } = occupancy;
  const beads = Array.from({ length: occupancy.lapsDriven }, (): Bead => ({
    fill: 'open',
    spoiled: false,
    extra: false,
  }));
  return {
    row,
    tone,
    block: {
      kind: 'drive',
      id: planned.drive,
      startS,
      releaseS,
      trackEndS,
      endS,
      status: 'planned',
      beads,
      ...labelsOf(occupancy, guest.name, mode),
      words: '',
    },
  };
}

function labelsOf(occupancy: DriveOccupancy, guest: string, mode: BoardMode): { label: string; second: string } {
  const [who, instructor, car] = [
    shortName(guest),
    surname(occupancy.instructor?.name ?? ''),
    occupancy.car?.name ?? '',
  ];
  switch (mode) {
    case 'cars':
      return { label: who, second: instructor };
    case 'crew':
      return { label: who, second: car };
    case 'guests':
      return { label: car, second: instructor };
  }
}

function held(state: DayState, carId: string, closes: number): Block[] {
  const car = state.cars.get(carId);
  if (car?.heldFor === undefined) return [];
  return [
    {
      kind: 'held',
      id: `held-${carId}`,
      startS: Math.max(car.heldSinceS ?? 0, car.parkedS ?? 0),
      endS: Math.min(closes, Math.max(car.backAtS ?? state.timeS + 1800, state.timeS)),
      label: `Out: ${car.heldFor}${car.backAtS === undefined ? '' : `, back ${clockMinute(car.backAtS)}`}`,
    },
  ];
}

function otherBlock(occupancy: Exclude<PersonOccupancy, DriveOccupancy>, state: DayState): OtherBlock {
  return {
    kind: 'other',
    id: `${occupancy.kind}-${occupancy.startS}-${occupancy.instructor?.id}`,
    startS: occupancy.startS,
    endS: occupancy.endS,
    label: occupancy.kind === 'briefing' ? `class ${occupancy.guests.length}` : `sighting ${occupancy.guests.length}`,
    past: occupancy.endS <= state.timeS,
  };
}

function driveBlock(context: DayContext, state: DayState, occupancy: DriveOccupancy, mode: BoardMode): DriveBlock {
  const drive = state.drives.get(occupancy.planned.drive)!;
  const times = timesOf(occupancy, drive, state.timeS);
  const gone = state.guests.get(drive.guest.id)?.gone !== undefined;
  const status = gone && drive.stage === 'planned' ? 'gone' : statusOf(occupancy, drive, state.timeS);
  const beads = beadsOf(drive, progressOf(context, drive).done);
  const statusWords = {
    done: 'done',
    now: 'under way',
    planned: 'planned',
    late: 'should have begun',
    gone: 'guest is gone',
  }[status];
  return {
    kind: 'drive',
    id: occupancy.planned.drive,
    ...times,
    status,
    beads,
    ...labelsOf(occupancy, drive.guest.name, mode),
    words: `${drive.guest.name}, ${occupancy.car?.name ?? ''}, with ${occupancy.instructor?.name}, ${clockMinute(times.releaseS)}, ${beads.length} laps, ${statusWords}`,
  };
}

/** Where a drive stands on the time axis: as it happened as far as it did, as planned from there on. */
function timesOf(occupancy: DriveOccupancy, drive: DriveState, nowS: number) {
  const trackS = occupancy.trackEndS - occupancy.releaseS;
  const wrapUpS = occupancy.endS - occupancy.trackEndS;
  const startS = drive.seatedS ?? occupancy.startS;
  const releaseS =
    drive.releasedS ?? (drive.stage === 'seated' ? Math.max(occupancy.releaseS, nowS) : occupancy.releaseS);
  const running = drive.stage === 'onCircuit' ? Math.max(releaseS + trackS, nowS) : releaseS + trackS;
  const trackEndS = drive.inS ?? running;
  const endS =
    drive.debriefedS ?? (drive.stage === 'parked' ? Math.max(trackEndS + wrapUpS, nowS) : trackEndS + wrapUpS);
  return { startS, releaseS, trackEndS, endS };
}

function statusOf(occupancy: DriveOccupancy, drive: DriveState, nowS: number): DriveBlock['status'] {
  if (drive.stage === 'done') return 'done';
  if (drive.stage !== 'planned') return 'now';
  return occupancy.startS + 60 < nowS ? 'late' : 'planned';
}
