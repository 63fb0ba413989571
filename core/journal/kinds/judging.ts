import { fact } from '../../values';
import type { NamedKind } from '../../rules';
import type { DayContext } from '../state/context';
import {
  isCleared,
  standingOnCircuit,
  vehiclesOnCircuit,
  type DayState,
  type DriveState,
  type GuestState,
} from '../state/day-state';
import type { JournalEntry } from '../entries/entry';
import { crewTaken, outOfOrder } from '../state/out-of-order';
import { lapsOwed } from '../state/owed';
import type { GateStep, Refusal } from '../state/refusal';

/** What families of entries have in common where they are judged. */

/** What an entry names that is not on the day. */
export function unknownNames({ schedule: { index } }: DayContext, entry: JournalEntry): Refusal | undefined {
  if ('drive' in entry && !index.drives.has(entry.drive)) return unknown('drive', entry.drive);
  if ('guest' in entry && entry.guest !== undefined && !index.guests.has(entry.guest)) {
    return unknown('guest', entry.guest);
  }
  if ('car' in entry && !index.cars.has(entry.car) && !index.vehicles.has(entry.car)) {
    return unknown('car', entry.car);
  }
  if ('group' in entry && !index.groups.has(entry.group)) return unknown('group', entry.group);
  if ('instructor' in entry && !index.instructors.has(entry.instructor)) {
    return unknown('instructor', entry.instructor);
  }
  return undefined;
}

export function onGuest(
  state: DayState,
  id: string,
  test: (guest: GuestState) => Refusal | undefined,
): Refusal | undefined {
  const guest = state.guests.get(id);
  return guest ? test(guest) : unknown('guest', id);
}

/** What the drive's stage forbids comes first, then the test. */
export function onDrive(
  state: DayState,
  entry: JournalEntry & { readonly drive: string },
  test: (drive: DriveState) => Refusal | undefined,
): Refusal | undefined {
  const drive = state.drives.get(entry.drive);
  if (!drive) return unknown('drive', entry.drive);
  return outOfOrder(state, entry) ?? test(drive);
}

/** For entries about laps that are owed: there must be some. */
export function owesLaps(state: DayState, entry: JournalEntry & { readonly drive: string }, context: DayContext) {
  return onDrive(state, entry, (it) =>
    lapsOwed(context, state, it) > 0 ? undefined : fact('nothingOwed', { guest: it.guest.id }),
  );
}

/** For entries on which nothing bears but that the day knows what they name, and the drive's stage. */
export function onlyKnown(_state: DayState, entry: JournalEntry, context: DayContext): Refusal | undefined {
  return unknownNames(context, entry);
}

export function onCar(
  state: DayState,
  id: string,
  impossible: (car: NonNullable<ReturnType<DayState['cars']['get']>>) => boolean,
  refusal: Refusal,
): Refusal | undefined {
  const car = state.cars.get(id);
  if (!car) return unknown('car', id);
  return impossible(car) ? refusal : undefined;
}

export function knownCar(state: DayState, id: string): Refusal | undefined {
  return state.cars.has(id) ? undefined : unknown('car', id);
}

export function unknown(kind: NamedKind, id: string): Refusal {
  return fact('unknown', { id }, { kind });
}

export function notHere({ guest, arrivedS, gone }: GuestState): Refusal | undefined {
  if (gone === 'left') return fact('hasLeft', { guest: guest.id });
  return arrivedS === undefined ? fact('notArrived', { guest: guest.id }) : undefined;
}

const GATE_STEPS: readonly GateStep[] = ['waiver', 'licence', 'helmet'];

/** Here, well, and cleared at the gate. */
export function notReady(guest: GuestState): Refusal | undefined {
  const of = { guest: guest.guest.id };
  const away = notHere(guest);
  if (away) return away;
  if (guest.unwell) return fact('unwell', of);
  if (isCleared(guest)) return undefined;
  return fact('notCleared', of, { missing: GATE_STEPS.filter((step) => !guest[step]) });
}

export function inACar(state: DayState, guest: GuestState): Refusal | undefined {
  const drive = guest.drive === undefined ? undefined : state.drives.get(guest.drive);
  return drive && drive.stage !== 'parked' ? fact('stillInACar', { guest: guest.guest.id }) : undefined;
}

export function crewFree(state: DayState, id: string): Refusal | undefined {
  return state.crew.has(id) ? crewTaken(state, id) : unknown('instructor', id);
}

/** Why nobody may be let out now, however few are on the circuit. */
export function circuitShut(state: DayState, { day }: DayContext): Refusal | undefined {
  if (state.flag.flag !== 'green') {
    return fact('flagUp', {}, { flag: state.flag.flag, sinceS: state.flag.sinceS });
  }
  const inTheWay = standsInTheWay(state, 'release');
  if (inTheWay) return inTheWay;
  const closed = day.circuit.closures.find(({ from, to }) => from <= state.timeS && state.timeS < to);
  return closed && fact('closed', {}, { untilS: closed.to, reason: closed.reason });
}

/** A car that stands in the way of the others. */
export function standsInTheWay(state: DayState, of: 'release' | 'clearing'): Refusal | undefined {
  const drive = standingOnCircuit(state).find(({ standing }) => standing && !standing.safe);
  if (!drive) return undefined;
  return fact('inTheWay', { car: drive.car, guest: drive.guest.id }, { sinceS: drive.standing!.sinceS, of });
}

export function circuitFull(state: DayState, { day }: DayContext): Refusal | undefined {
  const most = day.rules.maxCarsOnTrack;
  return vehiclesOnCircuit(state) >= most ? fact('full', {}, { most }) : undefined;
}
