import { fact } from '../../values';
import type { DayState, GuestState } from './day-state';
import type { EntryOf, JournalEntry } from '../entries/entry';
import type { DriveStep, GroupStep, Refusal } from './refusal';
import type { DriveStage, GroupStage } from './stages';

/** The stages from the release on. */
const ON_AND_AFTER: readonly DriveStage[] = ['onCircuit', 'standing', 'rollingIn', 'parked', 'done'];

/** For each step of a drive the stages from which it can be taken. */
const FROM: Record<DriveStep, readonly DriveStage[]> = {
  seated: ['planned'],
  unseated: ['seated'],
  lastCheckDone: ['seated'],
  released: ['seated'],
  lapCounted: ['onCircuit', 'rollingIn'],
  lapsSettled: ON_AND_AFTER,
  lapSpoiled: ON_AND_AFTER,
  intervened: ON_AND_AFTER,
  extraLapGranted: ['planned', 'seated', 'onCircuit'],
  extraLapAsked: ['onCircuit'],
  extraLapRefused: ['onCircuit'],
  brokenOff: ['seated', ...ON_AND_AFTER],
  broughtIn: ['onCircuit', 'standing'],
  // The instructor parks, whether or not the tablet at the exit has told of the way in.
  parked: ['onCircuit', 'standing', 'rollingIn'],
  debriefed: ['parked'],
  driveMarked: ON_AND_AFTER,
};

/** For each step of a group the stages from which it can be taken. */
const GROUP_FROM: Record<GroupStep, readonly GroupStage[]> = {
  groupBegan: ['planned'],
  groupReleased: ['gathered'],
  groupLapCounted: ['out'],
  groupOrdered: ['gathered', 'out'],
  memberOut: ['gathered', 'out'],
  memberBack: ['gathered', 'out'],
  radioTested: ['gathered', 'out'],
  radioLost: ['gathered', 'out'],
  spacingCalled: ['out'],
  groupStopped: ['out'],
  groupGoes: ['out'],
  turnBegan: ['out'],
  turnLapCounted: ['out'],
  stepSet: ['out'],
  turnEnded: ['out'],
  stationRun: ['out'],
  stationOpened: ['out'],
  memberMarked: ['out', 'over'],
  groupEnded: ['gathered', 'out'],
};

function isGroupStep(entry: JournalEntry): entry is EntryOf<GroupStep> {
  return entry.kind in GROUP_FROM;
}

function isStep(entry: JournalEntry): entry is EntryOf<DriveStep> {
  return entry.kind in FROM;
}

/**
 * Why an entry has no place in a state, whatever the day's rules: the drive is at another stage, or a car or person is
 * taken. The reducer goes by this as well, so that two devices that knew nothing of each other can't bring the day into
 * a state that cannot be. Nothing where it fits, or where the day does not know what it names.
 */
export function outOfOrder(state: DayState, entry: JournalEntry): Refusal | undefined {
  if (isStep(entry)) {
    const drive = state.drives.get(entry.drive);
    if (!drive) return undefined;
    const of = { guest: drive.guest.id };
    if (!FROM[entry.kind].includes(drive.stage))
      return fact('wrongStage', of, { stage: drive.stage, entry: entry.kind });
    if (entry.kind === 'brokenOff' && drive.brokenOff) return fact('brokenOffAlready', of);
    if (entry.kind !== 'seated') return undefined;
    const guest = state.guests.get(drive.guest.id);
    return carTaken(state, entry.car) ?? (guest && elsewhere(state, guest)) ?? crewTaken(state, entry.instructor);
  }
  if (isGroupStep(entry)) {
    const group = state.groups.get(entry.group);
    if (!group) return undefined;
    if (!GROUP_FROM[entry.kind].includes(group.stage)) {
      return fact('groupStage', { group: entry.group }, { stage: group.stage, entry: entry.kind });
    }
    if (entry.kind !== 'groupBegan') return undefined;
    return (
      firstReason([...entry.cars, ...(entry.leadCar === undefined ? [] : [entry.leadCar])], (id) =>
        carTaken(state, id),
      ) ??
      firstReason(entry.guests, (id) => whereElse(state, id)) ??
      firstReason(
        entry.crew.map(({ instructor }) => instructor),
        (id) => crewTaken(state, id),
      )
    );
  }
  if (entry.kind === 'flagCalled' && entry.flag === 'green' && state.flag.flag === 'stop' && !state.flag.clearedBy) {
    return fact('notSeenClear', {});
  }
  if (entry.kind === 'classBegan' || entry.kind === 'sightingBegan') {
    return crewTaken(state, entry.instructor) ?? firstReason(entry.guests, (id) => whereElse(state, id));
  }
  return undefined;
}

export function firstReason(ids: readonly string[], test: (id: string) => Refusal | undefined): Refusal | undefined {
  for (const id of ids) {
    const reason = test(id);
    if (reason !== undefined) return reason;
  }
  return undefined;
}

function whereElse(state: DayState, id: string): Refusal | undefined {
  const guest = state.guests.get(id);
  return guest && elsewhere(state, guest);
}

function carTaken(state: DayState, id: string): Refusal | undefined {
  const car = state.cars.get(id);
  if (car?.group !== undefined) return fact('carInGroup', { car: id, group: car.group });
  if (car?.drive === undefined) return undefined;
  return fact('carTaken', { car: id, guest: state.drives.get(car.drive)?.guest.id });
}

/** Why a guest can't be anywhere else now. */
export function elsewhere(state: DayState, guest: GuestState): Refusal | undefined {
  const of = { guest: guest.guest.id };
  if (guest.heldBy === 'class') return fact('inClass', of);
  if (guest.heldBy === 'sighting') return fact('onSighting', of);
  if (guest.heldBy === 'group') return fact('inGroup', of);
  if (guest.drive === undefined) return undefined;
  const stage = state.drives.get(guest.drive)?.stage;
  return fact(stage === 'parked' ? 'inDebrief' : 'inAnotherCar', of);
}

/** What an instructor is busy with. */
export function crewTaken(state: DayState, id: string): Refusal | undefined {
  const crew = state.crew.get(id);
  if (crew?.busyWith === undefined) return undefined;
  if (state.groups.has(crew.busyWith)) return fact('busyWithGroup', { instructor: id, group: crew.busyWith });
  const drive = state.drives.get(crew.busyWith);
  if (!drive) return fact(crew.busyWith === 'class' ? 'busyWithClass' : 'busyWithSighting', { instructor: id });
  return fact(drive.stage === 'parked' ? 'debriefs' : 'busyWithGuest', { instructor: id, guest: drive.guest.id });
}
