import { clockMinute, spokenDuration, type DriveHold } from '@core/day';
import { progressOf, vehiclesOnCircuit, type DayContext, type DayState, type DriveState } from '@core/journal';
import { beadsOf, type Bead } from '../drawing/bead-list';

/** A drive as the pit exit sees it. */
export interface PitDrive {
  readonly id: string;
  readonly guest: string;
  readonly number: number | undefined;
  readonly car: string;
  readonly carId: string;
  readonly instructor: string;
  readonly instructorId: string;
  readonly beads: readonly Bead[];
  readonly done: number;
  readonly due: number;
  readonly plannedS: number;
  /** In a few words, for the second line. */
  readonly note: string;
}

export interface PitExitModel {
  /** Guests whose drive comes next and who may be seated, in the order of the plan. */
  readonly toSeat: readonly PitDrive[];
  /** Seated, waiting to be let out. */
  readonly queue: readonly PitDrive[];
  readonly onCircuit: readonly PitDrive[];
  readonly rollingIn: readonly PitDrive[];
  readonly vehicles: number;
  readonly most: number;
  /** Sighting vehicles that are out, by name. */
  readonly sightings: readonly string[];
}

const SEATED_AHEAD_S = 30 * 60;

/** What is at the pit exit and on the circuit, each list in the order in which it is dealt with. */
export function pitExitModel(
  context: DayContext,
  state: DayState,
  numbers: Readonly<Record<string, number>>,
): PitExitModel {
  const holds = new Map(context.schedule.drives.map((hold) => [hold.planned.drive, hold]));
  const drives = [...state.drives.values()];
  const at = (stage: DriveState['stage']) => drives.filter((drive) => drive.stage === stage);
  const model = (drive: DriveState, note: string): PitDrive => {
    const hold = holds.get(drive.drive.id);
    const { done, due } = progressOf(context, drive);
    const carId = drive.car ?? '';
    const instructorId = drive.instructor ?? '';
    return {
      id: drive.drive.id,
      guest: drive.guest.name,
      number: numbers[carId],
      car: context.schedule.index.cars.get(carId)?.name ?? carId,
      carId,
      instructor: context.schedule.index.instructors.get(instructorId)?.name ?? instructorId,
      instructorId,
      beads: beadsOf(drive, done),
      done,
      due,
      plannedS: hold?.releaseS ?? Infinity,
      note,
    };
  };
  const toSeat = context.schedule.drives
    .filter((hold) => isNext(state, hold) && hold.startS < state.timeS + SEATED_AHEAD_S)
    .sort((a, b) => a.startS - b.startS)
    .map((hold) => model(state.drives.get(hold.planned.drive)!, seatNote(hold, state)));
  return {
    toSeat,
    queue: at('seated')
      .map((drive) => model(drive, outNote(holds.get(drive.drive.id), state)))
      .sort((a, b) => a.plannedS - b.plannedS),
    onCircuit: at('onCircuit')
      .sort((a, b) => nextCrossingS(context, a, holds) - nextCrossingS(context, b, holds))
      .map((drive) => model(drive, crossingNote(nextCrossingS(context, drive, holds) - state.timeS))),
    rollingIn: at('rollingIn').map((drive) => model(drive, 'rolling in')),
    vehicles: vehiclesOnCircuit(state),
    most: context.day.rules.maxCarsOnTrack,
    sightings: [...state.sightings.keys()].map((id) => context.schedule.index.vehicles.get(id)?.name ?? id),
  };
}

/** Whether the guest stands ready for this drive: nothing else comes before it. */
function isNext(state: DayState, hold: DriveHold): boolean {
  const drive = state.drives.get(hold.planned.drive);
  const guest = hold.guests[0] && state.guests.get(hold.guests[0].id);
  if (drive?.stage !== 'planned' || !guest) return false;
  return guest.stage === 'waiting' || guest.stage === 'seen' || guest.stage === 'debriefed';
}

function seatNote(hold: DriveHold, state: DayState): string {
  const inS = hold.startS - state.timeS;
  return inS > 0 ? `seat at ${clockMinute(hold.startS)}` : `${spokenDuration(-inS)} behind the plan`;
}

function outNote(hold: DriveHold | undefined, state: DayState): string {
  if (!hold) return '';
  const inS = hold.releaseS - state.timeS;
  return inS > 0 ? `planned out in ${spokenDuration(inS)}` : `${spokenDuration(-inS)} behind the plan`;
}

/** When the car is expected past the line next: by the plan's lap time, from the last crossing on. */
function nextCrossingS(context: DayContext, drive: DriveState, holds: ReadonlyMap<string, DriveHold>): number {
  const hold = holds.get(drive.drive.id);
  const lapS = hold ? (hold.trackEndS - hold.releaseS) / Math.max(1, hold.lapsDriven) : 90;
  const last = drive.crossings.at(-1)?.atS;
  const first = context.day.rules.firstLapFactor ?? 1;
  return last === undefined ? (drive.releasedS ?? 0) + lapS * first : last + lapS;
}

function crossingNote(inS: number): string {
  return inS >= 0 ? `in about ${Math.round(inS)} s` : `expected ${Math.round(-inS)} s ago`;
}
