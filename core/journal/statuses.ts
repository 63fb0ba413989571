import { liesInside } from '../values';
import type { DayContext } from './state/context';
import {
  isCleared,
  type CarState,
  type CarStatus,
  type CrewState,
  type CrewStatus,
  type DayState,
  type GuestStage,
  type GuestState,
} from './state/day-state';

/** A guest is called to the cars this long before the set-up of the next planned drive begins. */
const CALL_AHEAD_S = 15 * 60;

/** Derives stages and statuses, some of which depend on the time of day. Changes and returns the given state. */
export function deriveStatuses(context: DayContext, state: DayState, timeS: number): DayState {
  for (const guest of state.guests.values()) guest.stage = stageOf(context, state, guest, timeS);
  for (const car of state.cars.values()) car.status = carStatus(context, state, car, timeS);
  for (const crew of state.crew.values()) crew.status = crewStatus(context, crew, timeS);
  return Object.assign(state, { timeS });
}

/**
 * The same state at another time: what depends on the time of day is derived anew, in a copy. What is only a matter of
 * what happened is shared with the given state, which stays as it is.
 */
export function stateAt(context: DayContext, replayed: DayState, timeS: number): DayState {
  const copies = <T extends object>(things: ReadonlyMap<string, T>) =>
    new Map([...things].map(([id, thing]) => [id, { ...thing }]));
  const { guests, cars, crew } = replayed;
  const copy: DayState = { ...replayed, guests: copies(guests), cars: copies(cars), crew: copies(crew) };
  return deriveStatuses(context, copy, timeS);
}

function stageOf(context: DayContext, state: DayState, guest: GuestState, timeS: number): GuestStage {
  const drive = guest.drive === undefined ? undefined : state.drives.get(guest.drive);
  if (drive?.stage === 'seated') return 'seated';
  if (drive && ['onCircuit', 'standing', 'rollingIn'].includes(drive.stage)) return 'onCircuit';
  if (guest.gone) return guest.gone;
  if (guest.unwell) return 'unwell';
  if (drive?.stage === 'parked') return 'inDebrief';
  if (guest.heldBy === 'class') return 'inClass';
  if (guest.heldBy === 'sighting') return 'onSighting';
  if (guest.heldBy === 'group') return inGroupThatIsOut(state, guest.guest.id) ? 'onCircuit' : 'seated';
  if (guest.arrivedS === undefined) return 'expected';
  if (!isCleared(guest)) return 'arrived';
  const own = guest.guest.drives.flatMap(({ id }) => state.drives.get(id) ?? []);
  const open = own.filter(({ stage }) => stage === 'planned');
  const groups = [...state.groups.values()].filter(
    ({ stage, members }) => stage === 'planned' && members.has(guest.guest.id),
  );
  if (open.length === 0 && groups.length === 0) return guest.deskDone ? 'finished' : 'debriefed';
  const toDrive = open.filter(({ drive: { ride } }) => !ride);
  if (!guest.briefed && (toDrive.length > 0 || groups.some(({ group }) => group.needsBriefing))) return 'cleared';
  if (!guest.sighted && toDrive.length > 0) return 'briefed';
  const next = context.schedule.guestOccupancies
    .get(guest.guest.id)
    ?.find(
      (occupancy) =>
        (occupancy.kind === 'drive' && open.some(({ drive: { id } }) => id === occupancy.planned.drive)) ||
        (occupancy.kind === 'group' && groups.some(({ group: { id } }) => id === occupancy.planned.group)),
    );
  if (!next || timeS >= next.startS - CALL_AHEAD_S) return 'waiting';
  return own.length > open.length ? 'debriefed' : 'seen';
}

function inGroupThatIsOut(state: DayState, guest: string): boolean {
  return [...state.groups.values()].some(({ stage, members }) => stage === 'out' && members.has(guest));
}

function carStatus(context: DayContext, state: DayState, car: CarState, timeS: number): CarStatus {
  const drive = car.drive === undefined ? undefined : state.drives.get(car.drive);
  if (drive) return drive.stage === 'seated' ? 'seated' : 'onCircuit';
  const group = car.group === undefined ? undefined : state.groups.get(car.group);
  if (group) return group.stage === 'out' ? 'onCircuit' : 'seated';
  if (car.heldFor !== undefined) return 'held';
  if (car.refuelling) return 'refuelling';
  if (car.parkedS === undefined) return 'ready';
  const standingS = timeS - car.parkedS;
  if (standingS < context.day.rules.turnaroundS) return 'turnaround';
  const next = nextDriveOf(context, state, car.car.id);
  const tooHot = next !== undefined && car.lapsSinceRest + next > car.car.cooling.afterLaps;
  return tooHot && standingS < car.car.cooling.restS ? 'cooling' : 'ready';
}

/** Laps of the next planned drive in a car that has not begun. */
function nextDriveOf({ schedule }: DayContext, state: DayState, carId: string): number | undefined {
  let next: { readonly startS: number; readonly lapsDriven: number } | undefined;
  for (const occupancy of schedule.drives) {
    if (occupancy.planned.car !== carId || state.drives.get(occupancy.planned.drive)?.stage !== 'planned') continue;
    if (!next || occupancy.startS < next.startS) next = occupancy;
  }
  return next?.lapsDriven;
}

function crewStatus({ schedule }: DayContext, crew: CrewState, timeS: number): CrewStatus {
  if (crew.busyWith !== undefined) return 'busy';
  if (crew.pause === 'rest') return 'resting';
  if (crew.pause === 'meal') return 'atMeal';
  const here = liesInside(schedule.index.windows(crew.instructor), { startS: timeS, endS: timeS });
  return crew.pause === 'off' || !here ? 'off' : 'free';
}
